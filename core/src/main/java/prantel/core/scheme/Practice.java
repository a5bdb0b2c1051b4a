package prantel.core.scheme;

import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import prantel.core.quantity.Check;

/** How a school practises the tests, where schools differ: the options of each test, and how far a sound rig may be off. */
public record Practice(
        Continuity continuity,
        Bonding bonding,
        Insulation insulation,
        Loop loop,
        Rcd rcd,
        Recording recording,
        Tolerances tolerances) {

    /**
     * Continuity of CPCs.
     *
     * @param methods whether a candidate takes one of method 1 and method 2 on each circuit, or does all that is asked
     * @param maxima what earth conductors are held against
     * @param switches whether R1+R2 is measured at light switches too
     * @param conduit where the CPC of a circuit in conduit or armour is for R1+R2
     */
    public record Continuity(Methods methods, Maxima maxima, Switches switches, Conduit conduit) {
        /** At lamps only, and the CPC stays on the bar. */
        public Continuity(Methods methods, Maxima maxima) {
            this(methods, maxima, Switches.NOT_TESTED, Conduit.ON_BAR);
        }
    }

    /** The same with the CPC of a circuit in conduit or armour elsewhere. */
    public Practice with(Conduit other) {
        return new Practice(
                new Continuity(continuity.methods(), continuity.maxima(), continuity.switches(), other),
                bonding,
                insulation,
                loop,
                rcd,
                recording,
                tolerances);
    }

    /** The same with other tests of which one figure is written. */
    public Practice with(Set<TestKind> figures) {
        return new Practice(continuity, bonding, insulation, loop, rcd, recording.with(figures), tolerances);
    }

    /** A box for every reading, on every circuit by every method; what cannot be read is left out with its reason. */
    Practice everyReading() {
        return new Practice(
                new Continuity(Methods.ALL, continuity.maxima(), continuity.switches(), continuity.conduit()),
                bonding,
                insulation,
                loop,
                rcd,
                new Recording(
                        NotTested.WITH_REASON,
                        recording.overRange(),
                        recording.codes(),
                        recording.inspection(),
                        recording.entry(),
                        recording.help()),
                tolerances);
    }

    public enum Switches {
        NOT_TESTED,
        /** Line to CPC at each switch, a plastic one too. */
        TESTED
    }

    public enum Conduit {
        /** The metal is in parallel, and the reading lower. */
        ON_BAR,
        /** Off the bar, linked to the line: the CPC's own value as far as the points allow. */
        OFF_BAR,
        /** As the candidate chooses, circuit by circuit; what was done is expected. */
        EITHER
    }

    public enum Methods {
        /** One of the two on each circuit; both on one suggest that numbers were made up. */
        EITHER,
        /** Every one that the steps ask for. */
        ALL
    }

    public enum Maxima {
        /** Limit of Zs less what is upstream. Source: BS 7671, tables 41.2 to 41.4, from memory. */
        BY_ZS,
        /** Table 8.2 and 0.5 Ω for earthing conductors. Source: AS/NZS 3000, from memory. */
        AS_NZS
    }

    /**
     * @param oneEnd whether one end of a bond is taken off for its test
     * @param yardstick what it is held against
     */
    public record Bonding(OneEnd oneEnd, Yardstick yardstick) {}

    public enum OneEnd {
        OFF,
        IN_PLACE
    }

    /** What a bond is held against. */
    public enum Yardstick {
        /** 0.05 Ω. */
        FIXED,
        /** What its length and size give, with the scheme's tolerance. */
        BY_LENGTH,
        /** 0.5 Ω. */
        HALF_OHM
    }

    /**
     * @param volts test voltages in the order they are applied; the last one is judged
     * @param pairs between what
     * @param rounds how often with the switches of a lighting circuit
     * @param investigateBelowMegohms on new work a passing value below this is looked into, MΩ; 0 for never
     */
    public record Insulation(List<Integer> volts, Pairs pairs, Rounds rounds, double investigateBelowMegohms) {
        private static final Set<Integer> POSSIBLE = Set.of(250, 500, 1000);

        public Insulation {
            volts = List.copyOf(volts);
            List<Integer> given = volts;
            Check.all(
                    () -> Check.that(
                            !given.isEmpty(), "no-test-voltage", "volts", "nothing", "give at least one test voltage"),
                    () -> Check.that(
                            POSSIBLE.containsAll(given),
                            "bad-test-voltage",
                            "volts",
                            given.toString(),
                            "give 250, 500 or 1000"),
                    () -> Check.that(
                            given.stream().distinct().count() == given.size(),
                            "test-voltage-twice",
                            "volts",
                            given.toString(),
                            "give each voltage once"),
                    () -> Check.between(investigateBelowMegohms, 0, 1000, "investigateBelowMegohms", "MΩ"));
        }

        /** The voltage whose readings are judged. */
        public int judgedVolts() {
            return volts.getLast();
        }
    }

    public enum Pairs {
        EVERY,
        /** Line and neutral joined and tested to earth only. */
        JOINED_TO_EARTH
    }

    public enum Rounds {
        /** n + 1 rounds for n switches. */
        EVERY_SWITCH,
        FIRST_AND_LAST
    }

    /**
     * Ze, fault currents, Zs.
     *
     * @param leads with how many leads Ze and Zs are measured: three-lead is low current
     * @param points where Zs is measured
     * @param zsLimit how the tabulated limit is corrected
     * @param threePhase how a three-phase fault current is found
     */
    public record Loop(LoopLeads leads, Points points, ZsLimit zsLimit, ThreePhase threePhase) {}

    public enum LoopLeads {
        TWO,
        THREE
    }

    public enum Points {
        EVERY,
        /** At the last one, and calculated. */
        FURTHEST
    }

    public enum ZsLimit {
        EIGHTY_PERCENT,
        /** Corrected for temperature. */
        HOT
    }

    public enum ThreePhase {
        /** Twice the highest. */
        TWICE_HIGHEST,
        /** Measured between lines. */
        LINE_TO_LINE
    }

    /** @param tests those that are done on each device @param button when the test button is pressed, where it is */
    public record Rcd(Set<RcdTest> tests, Button button) {
        /** With the button after the tester. */
        public Rcd(Set<RcdTest> tests) {
            this(tests, Button.LAST);
        }

        public Rcd {
            Check.that(!tests.isEmpty(), "no-rcd-test", "tests", "nothing", "give at least one");
            tests = Collections.unmodifiableSet(EnumSet.copyOf(tests));
        }
    }

    /** Schools differ: the button first shows that the device moves at all; last, it leaves the tester's times untouched. */
    public enum Button {
        FIRST,
        LAST
    }

    /**
     * How a record is written.
     *
     * @param notTested whether a box may be left out with a reason
     * @param overRange whether over-range is written with its range
     * @param codes whether a fault is reported with a code
     * @param inspection what is looked at and written, item by item
     * @param help what the candidate's sheet tells besides the boxes
     * @param oneFigure tests of which one figure a circuit is written: the worst of its readings, or that all is as it
     *     should be with what is not
     */
    public record Recording(
            NotTested notTested,
            OverRange overRange,
            Codes codes,
            List<Item> inspection,
            Entry entry,
            Help help,
            Set<TestKind> oneFigure) {
        /** Tests that have a figure for a whole circuit, or for the whole rig. */
        public static final Set<TestKind> HAVE_ONE_FIGURE = Collections.unmodifiableSet(EnumSet.of(
                TestKind.INSPECTION,
                TestKind.R2,
                TestKind.INSULATION,
                TestKind.POLARITY,
                TestKind.ZS,
                TestKind.POINT_POLARITY,
                TestKind.FUNCTIONAL));

        public Recording {
            inspection = List.copyOf(inspection);
            Set<TestKind> given = Set.copyOf(oneFigure);
            oneFigure = given;
            Check.that(
                    HAVE_ONE_FIGURE.containsAll(given),
                    "no-one-figure",
                    "oneFigure",
                    given.stream()
                            .filter(t -> !HAVE_ONE_FIGURE.contains(t))
                            .map(TestKind::fileName)
                            .sorted()
                            .collect(java.util.stream.Collectors.joining(", ")),
                    "this test is written box by box; leave it out here");
            Check.distinct(inspection, Item::id, "inspection");
        }

        /** Nothing written of an inspection. */
        public Recording(NotTested notTested, OverRange overRange, Codes codes) {
            this(notTested, overRange, codes, List.of());
        }

        /** Every reading is written by the candidate. */
        public Recording(NotTested notTested, OverRange overRange, Codes codes, List<Item> inspection) {
            this(notTested, overRange, codes, inspection, Entry.BY_HAND);
        }

        /** With every help. */
        public Recording(NotTested notTested, OverRange overRange, Codes codes, List<Item> inspection, Entry entry) {
            this(notTested, overRange, codes, inspection, entry, Help.FULL, Set.of());
        }

        /** Every reading has its box. */
        public Recording(
                NotTested notTested, OverRange overRange, Codes codes, List<Item> inspection, Entry entry, Help help) {
            this(notTested, overRange, codes, inspection, entry, help, Set.of());
        }

        /** The same with other tests of which one figure is written. */
        public Recording with(Set<TestKind> figures) {
            return new Recording(notTested, overRange, codes, inspection, entry, help, figures);
        }
    }

    /** What a candidate's sheet tells besides its boxes. */
    public enum Help {
        /** How each test is set up, what is open next, and the reference. */
        FULL,
        /** Where to measure and what is open next; neither set-ups nor the reference. */
        PLACES,
        /** Nor which boxes there are: the candidate says what was read, and where. */
        NONE
    }

    /** How readings come onto the sheet. */
    public enum Entry {
        BY_HAND,
        /** By hand, or taken over from the bay's tester: where reading and writing are not what is learned. */
        FROM_TESTER_TOO
    }

    /**
     * An item of an inspection.
     *
     * @param text what is looked at
     * @param faults kinds of the catalogue that are found there
     */
    public record Item(String id, String text, Set<String> faults) {
        public Item {
            Check.id(id, "id");
            Check.name(text, "text");
            faults = Set.copyOf(faults);
        }
    }

    public enum Codes {
        NONE,
        /** C1, C2, C3, FI: a condition report. */
        C1_TO_FI
    }

    public enum NotTested {
        /** Every box is tested: a reason excuses nothing. */
        NEVER,
        /** A box left out with a reason counts neither way: a limitation, stated. */
        WITH_REASON
    }

    public enum OverRange {
        /** ">999 MΩ": with the range of the tester. */
        WITH_RANGE,
        /** Any sign that says so. */
        ANY_SIGN
    }

    public enum RcdTest {
        HALF,
        ONE,
        TWO,
        FIVE,
        RAMP,
        BUTTON
    }
}
