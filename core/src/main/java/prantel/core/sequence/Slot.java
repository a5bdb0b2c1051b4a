package prantel.core.sequence;

import java.util.List;
import java.util.Optional;
import prantel.core.instrument.Tester.Function;
import prantel.core.limits.Limit;
import prantel.core.procedure.SetUp;
import prantel.core.quantity.Unit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Rig;
import prantel.core.scheme.TestKind;

/** One box to be filled on the candidate's sheet. */
public sealed interface Slot {
    Heading heading();

    default SlotId id() {
        return heading().id();
    }

    /** Where and what it is. */
    default BoxAddress address() {
        return heading().address();
    }

    default TestKind step() {
        return address().test();
    }

    /** In words: "R1+R2", "Insulation L–E". What it is, is in {@link #address}. */
    default String quantity() {
        return heading().words().quantity(address());
    }

    default Spot spot() {
        return heading().spot();
    }

    default Unit boxUnit() {
        return address().quantity().unit();
    }

    /** What the box is judged against; empty for a box that is only written down. */
    Optional<Limit> limit();

    /** The same box held against another limit. */
    Slot with(Optional<Limit> other);

    /** What is done at the rig before it is read; empty for what comes from other boxes. */
    default List<SetUp> setUps() {
        return switch (this) {
            case Measured measured -> List.of(measured.setUp());
            case Composed composed -> composed.readIn();
        };
    }

    /** Whether something is done at the rig for it: all but what is chosen or worked out from other boxes. */
    default boolean isDoneAtTheRig() {
        return !setUps().isEmpty();
    }

    /** The circuit it belongs to; empty for bonding and the origin. */
    default Optional<CircuitId> circuit() {
        return spot().circuit();
    }

    /** "socket 3", "water pipe, on the clamp". */
    default String where() {
        return heading().words().where(address());
    }

    /** Where, with the circuit if the rig has several and it is not said yet: "socket 3, Parlour sockets". */
    default String place(Rig rig) {
        String label = circuit().map(c -> rig.circuit(c).label()).orElse("");
        boolean said = label.isEmpty() || rig.circuits().size() == 1 || where().contains(label);
        return where() + (said ? "" : ", " + label);
    }

    /** For lists without headings: "R2, socket 3, Parlour sockets". */
    default String title(Rig rig) {
        return quantity() + ", " + place(rig);
    }

    /**
     * What stands at the head of a box.
     *
     * @param id the spelling of its address
     * @param words tells it when it is shown
     */
    record Heading(BoxAddress address, SlotId id, Spot spot, BoxWords words) {
        @Override
        public boolean equals(Object other) {
            return other instanceof Heading h && address.equals(h.address) && spot.equals(h.spot);
        }

        @Override
        public int hashCode() {
            return id.hashCode();
        }
    }

    /**
     * A reading that is taken.
     *
     * @param byHand what it is expected to be by the trade's arithmetic, where there is a rule
     */
    record Measured(
            Heading heading, Measurement measurement, SetUp setUp, Optional<Limit> limit, Optional<ByHand> byHand)
            implements Slot {
        public Function function() {
            return measurement.function();
        }

        @Override
        public Measured with(Optional<Limit> other) {
            return new Measured(heading, measurement, setUp, other, byHand);
        }

        /** The same box read after other deeds. */
        public Measured in(SetUp other) {
            return new Measured(heading, measurement, other, limit, byHand);
        }

        /** The same box with the probes elsewhere. */
        public Measured with(Measurement other) {
            return new Measured(heading, other, setUp, limit, byHand);
        }
    }

    /**
     * A box whose value is chosen or worked out from others.
     *
     * @param readIn set-ups it is read in, where it is all that is written of them: a figure, and nothing is chosen; empty
     *     where they have boxes of their own
     */
    record Composed(Heading heading, Rule rule, List<SlotId> of, Optional<Limit> limit, List<SetUp> readIn)
            implements Slot {
        public Composed {
            of = List.copyOf(of);
            readIn = List.copyOf(readIn);
        }

        /** Beside the boxes that it comes from. */
        public Composed(Heading heading, Rule rule, List<SlotId> of, Optional<Limit> limit) {
            this(heading, rule, of, limit, List.of());
        }

        /** The same where those are not written. */
        Composed alone(List<SetUp> in) {
            return new Composed(heading, rule, of, limit, in);
        }

        /** Whether it is read, and stands for all readings of its circuit. */
        public boolean isFigure() {
            return !readIn.isEmpty();
        }

        @Override
        public Composed with(Optional<Limit> other) {
            return new Composed(heading, rule, of, other, readIn);
        }
    }

    /** How a box comes from others. */
    enum Rule {
        HIGHEST("the highest of"),
        LOWEST("the lowest of"),
        /** Of two times the slower. */
        SLOWER("the slower of"),
        /** Three-phase fault current by doubling. Common practice, no source. */
        TWICE_HIGHEST("twice the highest of"),
        SUM("the sum of"),
        /** Highest less lowest: how even they are. */
        SPREAD("the difference between the highest and the lowest of");

        private final String words;

        Rule(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** What it makes of numbers. @param numbers base unit, at least one */
        public double of(List<Double> numbers) {
            double highest = numbers.stream().mapToDouble(x -> x).max().orElseThrow();
            double lowest = numbers.stream().mapToDouble(x -> x).min().orElseThrow();
            return switch (this) {
                case HIGHEST, SLOWER -> highest;
                case LOWEST -> lowest;
                case TWICE_HIGHEST -> 2 * highest;
                case SUM -> numbers.stream().mapToDouble(x -> x).sum();
                case SPREAD -> highest - lowest;
            };
        }
    }
}
