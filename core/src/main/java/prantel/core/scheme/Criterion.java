package prantel.core.scheme;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import prantel.core.quantity.Check;

/** Something that counts. The kinds are the code's; which are used, where and how much they count is the file's. */
public sealed interface Criterion {
    Common common();

    default String id() {
        return common().id();
    }

    /**
     * What every criterion has.
     *
     * @param group under what it is shown; empty for the test it belongs to
     * @param weight points at most, of each mark that it gives
     * @param severity whether missing one of its marks refers or stops by itself
     */
    record Common(String id, String group, String title, double weight, Severity severity) {
        public Common {
            Check.all(
                    () -> List.of(id.split("/", -1)).forEach(part -> Check.id(part, "id")),
                    () -> Check.text(group, 120, "group"),
                    () -> Check.name(title, "title"),
                    () -> Check.between(weight, 0, 100, "weight", "points"));
        }
    }

    /** One that looks at the boxes of tests; each test gives a mark, each circuit's where it is done on circuits. */
    sealed interface OfTests extends Criterion {
        Set<TestKind> tests();
    }

    /** @param few with at most this share of the readings off, half of the mark is kept */
    record MeasuredRightly(Common common, Set<TestKind> tests, double few) implements OfTests {
        public MeasuredRightly {
            tests = copy(tests);
            Check.between(few, 0, 1, "few", "(share of the boxes)");
        }
    }

    /** Held against the limit: satisfactory or not. @param few as for {@link MeasuredRightly} */
    record JudgedRightly(Common common, Set<TestKind> tests, double few) implements OfTests {
        public JudgedRightly {
            tests = copy(tests);
            Check.between(few, 0, 1, "few", "(share of the boxes)");
        }
    }

    /** The right one of several on record: the highest, the slower, the larger, the sum. */
    record RightOneOfSeveral(Common common, Set<TestKind> tests) implements OfTests {
        public RightOneOfSeveral {
            tests = copy(tests);
        }
    }

    /** Written as the tester showed it. */
    record Notation(Common common, Set<TestKind> tests) implements OfTests {
        public Notation {
            tests = copy(tests);
        }
    }

    /** Every box filled. @param few with at most this share open, half of the mark is kept */
    record Complete(Common common, Set<TestKind> tests, double few) implements OfTests {
        public Complete {
            tests = copy(tests);
            Check.between(few, 0, 1, "few", "(share of the boxes)");
        }
    }

    /** What is expected was said before the first reading of the test. */
    record ExpectedFirst(Common common, Set<TestKind> tests) implements OfTests {
        public ExpectedFirst {
            tests = copy(tests);
        }
    }

    /** R1+R2 or R2 on record for a circuit, not both. */
    record OneMethod(Common common) implements Criterion {
        /** Whose result is R1+R2 or R2 of a circuit. */
        public static final Set<TestKind> TESTS =
                java.util.Collections.unmodifiableSet(EnumSet.of(TestKind.R1_R2, TestKind.RING, TestKind.R2));
    }

    /** No continuity reading carries the leads. */
    record LeadsNulled(Common common) implements Criterion {}

    /**
     * A box agrees with others of the same record.
     *
     * @param relation which boxes
     * @param percent it may be off by this share, %
     * @param plusBase and by this much, in the base unit of the box
     */
    record Consistent(Common common, Relation relation, double percent, double plusBase) implements Criterion {
        public Consistent {
            Check.all(
                    () -> Check.between(percent, 0, 100, "percent", "%"),
                    () -> Check.between(plusBase, 0, 1e6, "plus", "(base unit)"));
        }
    }

    /** Between which boxes of a record something must hold. Source of each: {@code handbook}, common practice. */
    enum Relation {
        /** Zs on record = Ze (Zdb) + R1+R2 on record, not above by more than allowed. */
        ZS_FROM_PARTS(TestKind.ZS, TestKind.ZE),
        /** R1+R2 of a ring = (r1 + r2) / 4. */
        RING_FROM_ENDS(TestKind.RING),
        /** PEFC = U0 / Ze, PSCC at least that. */
        CURRENT_FROM_ZE(TestKind.IPF, TestKind.ZE);

        private final List<TestKind> needs;

        Relation(TestKind... needs) {
            this.needs = List.of(needs);
        }

        /** The tests whose boxes it is about. */
        public List<TestKind> needs() {
            return needs;
        }
    }

    /** A fault of the set, reported. One mark for each fault that is set. */
    record FaultReported(Common common, Aspect aspect) implements Criterion {}

    enum Aspect {
        /** Nature and place together; one of the two is half. */
        FOUND,
        /** Its nature. */
        NAMED,
        /** Its place. */
        LOCATED,
        /** What to do about it. */
        REMEDIED,
        /** Its code on a condition report. */
        CODED
    }

    /** No sound part called faulty. */
    record NothingInvented(Common common) implements Criterion {}

    /** What was seen at steps; one mark for each observation, weighing what the observation weighs times this one's weight. */
    record Observed(Common common, List<String> steps) implements Criterion {
        public Observed {
            steps = List.copyOf(steps);
        }
    }

    /** What was answered at steps; one mark for each question that was asked. */
    record Answered(Common common, List<String> steps) implements Criterion {
        public Answered {
            steps = List.copyOf(steps);
        }
    }

    /** Nothing done before what must come first. One mark. @param severities the rules that it looks at */
    record OrderKept(Common common, Set<Severity> severities) implements Criterion {
        public OrderKept {
            severities = Set.copyOf(severities);
        }
    }

    /** Nothing seen or done that stops an assessment. One mark. */
    record Safe(Common common) implements Criterion {}

    /** Left as it should be: what is seen at the closing steps, all of it. One mark. */
    record Closed(Common common, List<String> steps) implements Criterion {
        public Closed {
            steps = List.copyOf(steps);
        }
    }

    private static Set<TestKind> copy(Set<TestKind> tests) {
        Check.that(!tests.isEmpty(), "no-tests", "tests", "nothing", "give at least one test");
        return java.util.Collections.unmodifiableSet(EnumSet.copyOf(tests));
    }
}
