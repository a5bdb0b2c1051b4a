package prantel.core.procedure;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import prantel.core.network.Edit;
import prantel.core.rig.Rig;

/**
 * What is done to a rig before the probes go on: a list of deeds. Its words, its edits and what is true of the rig then come
 * from them.
 */
public final class SetUp {
    private final Rig rig;
    private final List<Deed> deeds;
    private final List<Edit> isolation;
    private final List<Edit> edits;
    private final int hash;

    public SetUp(Rig rig, List<Deed> deeds) {
        this.rig = rig;
        this.deeds = List.copyOf(deeds);
        this.hash = this.deeds.hashCode();
        DeedEdits what = new DeedEdits(rig);
        List<Deed> standing = RigState.of(rig, this.deeds).standing();
        this.isolation = what.of(
                standing.stream().filter(Deed.MainSwitchOff.class::isInstance).toList());
        this.edits = what.of(standing.stream()
                .filter(d -> !(d instanceof Deed.MainSwitchOff))
                .toList());
    }

    /** In the order they are done. */
    public List<Deed> deeds() {
        return deeds;
    }

    /** The first deed of a kind. */
    public <D extends Deed> Optional<D> deed(Class<D> kind) {
        return deeds.stream().filter(kind::isInstance).map(kind::cast).findFirst();
    }

    /** Main switches that are off, as edits of the compiled rig: many set-ups have them in common. */
    public List<Edit> isolation() {
        return isolation;
    }

    /** All else, as edits of the rig so isolated. */
    public List<Edit> edits() {
        return edits;
    }

    /** In words, a line for each sentence. */
    public List<String> steps() {
        return new DeedWords(rig).lines(deeds);
    }

    /** The same with some deeds left out: what somebody did who forgot them. */
    public SetUp without(Predicate<Deed> forgotten) {
        return new SetUp(rig, deeds.stream().filter(forgotten.negate()).toList());
    }

    /** The same with one more, done last. */
    public SetUp and(Deed more) {
        List<Deed> all = new ArrayList<>(deeds);
        all.add(more);
        return new SetUp(rig, all);
    }

    /** The same with some deeds done otherwise. */
    public SetUp instead(UnaryOperator<Deed> otherwise) {
        return new SetUp(rig, deeds.stream().map(otherwise).toList());
    }

    /** What is true of the rig then. */
    public RigState state() {
        return RigState.of(rig, deeds);
    }

    /** The same deeds at a rig where they do the same: a link is as good as that rig's joints are made. */
    @Override
    public boolean equals(Object other) {
        return this == other
                || other instanceof SetUp o
                        && hash == o.hash
                        && deeds.equals(o.deeds)
                        && (rig == o.rig || isolation.equals(o.isolation) && edits.equals(o.edits));
    }

    @Override
    public int hashCode() {
        return hash;
    }
}
