package prantel.core.expectation;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import prantel.core.network.Alternating;
import prantel.core.network.Edit;
import prantel.core.network.Network;
import prantel.core.network.Source;
import prantel.core.rig.Variation;
import prantel.core.sequence.Measurement;

/**
 * A rig in one set-up with the supply on. What trips at once when the supply comes on, opens, and the rig is solved again;
 * so does what trips during a test, and the test ends only when its own supply is gone. Safe for use by several threads.
 */
final class EnergisedRig {
    /** Races that are followed to their end. */
    private static final int MOST_OUTCOMES = 8;

    private final Protection protection;
    private final Variation variation;
    private final LiveState closed;
    private volatile @Nullable LiveState settled;
    private volatile @Nullable LiveSpread spread;
    /** Switches operated: several trials share a position. */
    private final Map<List<Edit>, Alternating> positions = new ConcurrentHashMap<>();

    /** @param declared the rig as declared in the same set-up, if this is it as it may be built */
    EnergisedRig(
            Network network,
            List<Source> sources,
            Protection protection,
            Variation variation,
            @Nullable EnergisedRig declared) {
        this.protection = protection;
        this.variation = variation;
        this.closed = new LiveState(
                protection,
                variation,
                network,
                new Alternating(network, sources, declared == null ? null : declared.closed.alternating()),
                Set.of());
    }

    /** The same rig with just these devices open. */
    EnergisedRig with(Set<Integer> open) {
        if (settled().open().equals(open)) {
            return this;
        }
        LiveState state = closed;
        for (int device : open) {
            state = state.with(device);
        }
        return new EnergisedRig(state, protection, variation);
    }

    /** Settled already. */
    private EnergisedRig(LiveState settled, Protection protection, Variation variation) {
        this(settled, settled, protection, variation);
    }

    /** @param closed before anything opened */
    EnergisedRig(LiveState closed, LiveState settled, Protection protection, Variation variation) {
        this.protection = protection;
        this.variation = variation;
        this.closed = closed;
        this.settled = settled;
    }

    /** After whatever opens when the supply comes on. */
    LiveState settled() {
        LiveState known = settled;
        if (known == null) {
            known = closed.settled(opened -> {});
            settled = known;
        }
        return known;
    }

    /** What may be open when everything that opens has opened: several where devices race. */
    Set<Set<Integer>> outcomes() {
        Set<Set<Integer>> outcomes = new LinkedHashSet<>(List.of(settled().open()));
        if (trips()) {
            collect(closed, outcomes);
        }
        return outcomes;
    }

    private static void collect(LiveState state, Set<Set<Integer>> outcomes) {
        List<Integer> devices = state.opening();
        if (devices.isEmpty()) {
            outcomes.add(state.open());
        }
        for (int device : devices) {
            if (outcomes.size() < MOST_OUTCOMES) {
                collect(state.with(device), outcomes);
            }
        }
    }

    Alternating alternating() {
        return settled().alternating();
    }

    Network network() {
        return settled().network();
    }

    List<List<Pole>> poles() {
        return settled().poles();
    }

    /** The line poles of the main switch that are closed. */
    List<Pole> supplyPoles() {
        return settled().closedOnes(protection.supplyPoles());
    }

    /** Whether something opens when the supply comes on. */
    boolean trips() {
        return !settled().open().isEmpty();
    }

    Protection protection() {
        return protection;
    }

    Variation variation() {
        return variation;
    }

    /** Before anything opened. */
    LiveState closed() {
        return closed;
    }

    /** What a tester finds. */
    LiveReading reading() {
        return new LiveReading(this);
    }

    Found find(Measurement measurement) {
        return reading().find(measurement);
    }

    List<Double> quantities(Measurement measurement) {
        return reading().quantities(measurement);
    }

    /** What else may be found. @param low and high: as for {@link LiveSpread}; always the same two */
    LiveSpread spread(EnergisedRig low, EnergisedRig high) {
        LiveSpread known = spread;
        if (known == null) {
            known = new LiveSpread(this, low, high);
            spread = known;
        }
        return known;
    }

    /** The rig with switches operated, or something connected. */
    Alternating in(List<Edit> position) {
        return position.isEmpty() ? alternating() : positions.computeIfAbsent(position, alternating()::with);
    }
}
