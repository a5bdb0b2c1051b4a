package prantel.core.survey;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultKind;
import prantel.core.quantity.Problem;
import prantel.core.rig.Residuals;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.scheme.Practice;
import prantel.core.scheme.Practice.RcdTest;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotPlan;

/** What a scheme asks for and a rig cannot give. Refuses nothing: the sheet simply lacks those boxes. */
public final class SchemeSurvey {
    private SchemeSurvey() {}

    /** @return each with its place in the scheme's file; empty where the rig gives everything */
    public static List<Problem> of(Scheme scheme, Rig rig) {
        List<Problem> found = new ArrayList<>();
        Set<TestKind> given =
                SlotPlan.sheet(rig, scheme).stream().map(Slot::step).collect(Collectors.toSet());
        for (int s = 0; s < scheme.steps().size(); s++) {
            List<TestKind> tests = scheme.steps().get(s).tests();
            for (int t = 0; t < tests.size(); t++) {
                if (!given.contains(tests.get(t)) && !ONLY_SOME_SUPPLIES.contains(tests.get(t))) {
                    found.add(new Problem(
                            "rig-cannot-give",
                            "steps/" + s + "/tests/" + t,
                            '"' + tests.get(t).fileName() + '"',
                            "this rig has " + missing(tests.get(t))
                                    + ": no box; choose another rig or leave the test out"));
                }
            }
        }
        options(scheme, rig, found);
        return List.copyOf(found);
    }

    /** What a scheme names that no catalogue has: asked when it is read from a file. */
    public static List<Problem> unknownKinds(Scheme scheme) {
        Set<String> known = FaultCatalogue.kinds().stream().map(FaultKind::id).collect(Collectors.toSet());
        List<Problem> found = new ArrayList<>();
        List<Practice.Item> items = scheme.practice().recording().inspection();
        for (int i = 0; i < items.size(); i++) {
            for (String kind : items.get(i).faults()) {
                if (!known.contains(kind)) {
                    found.add(new Problem(
                            "unknown-kind",
                            "practice/recording/inspection/" + i + "/faults",
                            '"' + kind + '"',
                            "give a kind of fault of the catalogue: docs/formats/faults.md lists them"));
                }
            }
        }
        return found;
    }

    /** With an earth from the supply there is no electrode of one's own, and nothing is missing. */
    private static final Set<TestKind> ONLY_SOME_SUPPLIES = EnumSet.of(TestKind.ELECTRODE, TestKind.ELECTRODE_LOOP);

    /** What an installation need not have. */
    private static final Set<TestKind> NOT_EVERYWHERE = EnumSet.of(
            TestKind.RING,
            TestKind.RING_EVENNESS,
            TestKind.BONDING,
            TestKind.RCD,
            TestKind.R1_R2,
            TestKind.R1_RN,
            TestKind.ELECTRODE,
            TestKind.ELECTRODE_LOOP);

    /** Whether a scheme is meant for a rig like this: it lacks only what not every installation has, and fits its supply. */
    public static boolean suits(Scheme scheme, Rig rig) {
        Set<TestKind> given =
                SlotPlan.sheet(rig, scheme).stream().map(Slot::step).collect(Collectors.toSet());
        boolean live = scheme.tests().stream().anyMatch(TestKind::isLive);
        boolean phases = !live || scheme.asks(TestKind.SEQUENCE) == rig.supply().isThreePhase();
        return phases && scheme.tests().stream().allMatch(t -> given.contains(t) || NOT_EVERYWHERE.contains(t));
    }

    private static String missing(TestKind test) {
        return switch (test) {
            case RING, RING_EVENNESS -> "no ring final circuit";
            case BONDING -> "no bond";
            case RCD -> "no residual-current device";
            case SEQUENCE -> "no three-phase supply";
            case R1_R2, R1_RN -> "no radial circuit";
            case ZS -> "no final circuit";
            default -> "nothing to do it on";
        };
    }

    private static void options(Scheme scheme, Rig rig, List<Problem> found) {
        Practice practice = scheme.practice();
        if (scheme.asks(TestKind.IPF)
                && practice.loop().threePhase() == Practice.ThreePhase.LINE_TO_LINE
                && !rig.supply().isThreePhase()) {
            found.add(new Problem(
                    "rig-cannot-give",
                    "practice/loop/threePhase",
                    "\"line-to-line\"",
                    "this rig has one line: the larger of line to neutral and line to earth is recorded"));
        }
        List<Residuals.Placed> devices = Residuals.of(rig);
        boolean additional = devices.stream().anyMatch(d -> d.device().ratedResidualMilliamps() <= 30);
        if (scheme.asks(TestKind.RCD)
                && practice.rcd().tests().contains(RcdTest.FIVE)
                && !devices.isEmpty()
                && !additional) {
            found.add(new Problem(
                    "rig-cannot-give",
                    "practice/rcd/tests",
                    "\"five\"",
                    "no device of this rig serves additional protection (at most 30 mA): no box for 5 ×"));
        }
        boolean ring = rig.circuits().stream().anyMatch(Ring.class::isInstance);
        if (!ring && scheme.criteria().stream().anyMatch(SchemeSurvey::isOfRings)) {
            found.add(new Problem(
                    "rig-cannot-give",
                    "criteria",
                    "a criterion of rings",
                    "this rig has no ring; that criterion gives no mark"));
        }
    }

    private static boolean isOfRings(prantel.core.scheme.Criterion criterion) {
        return criterion instanceof prantel.core.scheme.Criterion.Consistent c
                && c.relation() == prantel.core.scheme.Criterion.Relation.RING_FROM_ENDS;
    }
}
