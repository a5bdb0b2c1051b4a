package prantel.core.marking;

import java.util.List;
import java.util.Optional;
import prantel.core.rig.CircuitId;
import prantel.core.scheme.Criterion;
import prantel.core.scheme.Severity;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.SlotId;

/**
 * A proposed mark.
 *
 * @param item what it is given for
 * @param worth what it counts at most, and what missing it means
 * @param award how much of it is proposed
 * @param evidence why, as data
 * @param slots the boxes it rests on
 */
public record Mark(Item item, Worth worth, Award award, Evidence evidence, List<SlotId> slots) {
    public Mark {
        slots = List.copyOf(slots);
    }

    /**
     * What is marked.
     *
     * @param id stable within a sheet: "sockets/r1r2/highest", so that a decision can refer to it
     * @param of the criterion it is given by, and the part that would be done again for it
     * @param group what it belongs to on the sheet: a test's name, or the criterion's own
     * @param title what it is given for
     */
    public record Item(String id, Of of, String group, String title) {}

    public String id() {
        return item.id();
    }

    public Of of() {
        return item.of();
    }

    public String group() {
        return item.group();
    }

    public String title() {
        return item.title();
    }

    /**
     * @param criterion its id in the scheme
     * @param title what that criterion looks at
     * @param test whose boxes it is about; empty for none, or all
     * @param circuit likewise
     */
    public record Of(String criterion, String title, Part part, Optional<TestKind> test, Optional<CircuitId> circuit) {
        static Of of(Criterion.Common common, Part part) {
            return new Of(common.id(), common.title(), part, Optional.empty(), Optional.empty());
        }

        Of about(Optional<TestKind> which, Optional<CircuitId> where) {
            return new Of(criterion, title, part, which, where);
        }
    }

    public Part part() {
        return item.of().part();
    }

    /** @param weight points at most */
    public record Worth(double weight, Severity severity) {}

    /** Why, in one or two sentences. */
    public String words() {
        return Sentences.of(evidence);
    }

    public double weight() {
        return award == Award.NOT_SEEN ? 0 : worth.weight();
    }

    /** Whether missing it refers or stops by itself. */
    public boolean key() {
        return worth.severity() != Severity.COUNTS;
    }

    public double points() {
        return weight() * award.share();
    }

    /** The same mark with another award: an assessor's decision. */
    public Mark withAward(Award given) {
        return new Mark(item, worth, given, evidence, slots);
    }

    Mark with(List<SlotId> more) {
        return new Mark(item, worth, award, evidence, more);
    }

    Mark with(Award other, Evidence because) {
        return new Mark(item, worth, other, because, slots);
    }

    /** Whether the rig or the tester is looked at before anybody accepts it. */
    public boolean isLookedAtFirst() {
        return evidence instanceof Evidence.ByTheRig || evidence instanceof Evidence.NotAsSet;
    }

    /** Whether it waits for an assessor's decision: what nobody saw does not. */
    public boolean wantsDecision() {
        return award != Award.NOT_SEEN || isLookedAtFirst();
    }

    /** How much of a mark is given. */
    public enum Award {
        FULL(1),
        HALF(0.5),
        NONE(0),
        /** Nobody saw it: it counts neither way. */
        NOT_SEEN(0);

        private final double share;

        Award(double share) {
            this.share = share;
        }

        public double share() {
            return share;
        }
    }
}
