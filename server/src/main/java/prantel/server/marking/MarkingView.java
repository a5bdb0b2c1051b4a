package prantel.server.marking;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.assessment.Rules;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.expectation.Window;
import prantel.core.inference.Explanation;
import prantel.core.instrument.Written;
import prantel.core.limits.Limit;
import prantel.core.marking.AlikeOnTheRig;
import prantel.core.marking.CandidateRecord.FaultReport;
import prantel.core.marking.Evidence;
import prantel.core.marking.Finding;
import prantel.core.marking.Mark;
import prantel.core.marking.MarkedSheet;
import prantel.core.marking.Outcome.Verdict;
import prantel.core.quantity.Unit;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.formats.MarkExport;
import prantel.server.picture.Pictures;

/** All that Mark shows: every box against its key, what explains it, marks proposed and given, the outcome. */
record MarkingView(
        @JsonUnwrapped MarkedBy versions,
        @JsonUnwrapped BoxesShown boxes,
        @JsonUnwrapped MarkPictures pictures,
        @JsonUnwrapped FaultsShown faults,
        @JsonUnwrapped WhyOff why,
        @JsonUnwrapped MarksShown marks) {

    /** Which record, as of when, by which rules. */
    record MarkedBy(String assessmentId, int seq, String engineNote, String scheme, List<String> differsToday) {}

    /** Every test and its boxes. */
    record BoxesShown(List<StepLine> steps, List<Line> lines) {}

    /** What is drawn of them. */
    record MarkPictures(List<Pictures.CircuitLine> circuits, List<Pictures.ProfileCurve> profiles) {}

    /** What was set, and what was named. */
    record FaultsShown(List<String> faultsSet, List<String> faultsReported) {}

    /** What is proposed and given. */
    record MarksShown(List<MarkLine> marks, OutcomeLine outcome, OpinionsView opinions) {}

    /** @param worst of its boxes: "inside", "eye" or "left-out" */
    record StepLine(String id, String label, int asked, int wantEye, boolean leftOut) {}

    /** One box. Ω throughout; null where there is no number. */
    record Line(
            @JsonUnwrapped BoxPlace place,
            @JsonUnwrapped WrittenThere there,
            @JsonUnwrapped HeldAgainst against,
            @JsonUnwrapped RigGives gives,
            @JsonUnwrapped BoxBand band,
            List<ExplanationLine> explanations) {
        /** For whoever marks alone: what is written and what this rig gives, without what the program makes of it. */
        Line alone(Finding finding) {
            return new Line(
                    place,
                    WrittenThere.alone(finding),
                    new HeldAgainst(against.asked(), false, "inside", "", ""),
                    gives,
                    band,
                    List.of());
        }
    }

    /** Which box, of which test, where. @param measured whether it was read or looked at, and not worked out from others */
    record BoxPlace(
            String slot,
            boolean measured,
            String step,
            @Nullable String circuit,
            @Nullable String station,
            String quantity,
            String where) {
        static BoxPlace of(Slot slot) {
            return new BoxPlace(
                    slot.id().value(),
                    slot instanceof Slot.Measured,
                    slot.step().name(),
                    slot.circuit().map(Object::toString).orElse(null),
                    slot.spot().point().map(Object::toString).orElse(null),
                    slot.quantity(),
                    slot.where());
        }
    }

    /** What stands in it. */
    record WrittenThere(
            String written,
            @Nullable Double writtenOhms,
            boolean writtenOverRange,
            String judged,
            List<String> remarks) {
        static WrittenThere of(Finding finding) {
            Written written = finding.written();
            return new WrittenThere(
                    written.asWritten(),
                    written instanceof Written.Number n ? (Double) n.base() : null,
                    written instanceof Written.Above || written instanceof Written.Open,
                    finding.judged().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                    finding.remarks());
        }

        /** As it stands, without whether it is right: "satisfactory", "not-satisfactory", or as for anybody. */
        static WrittenThere alone(Finding finding) {
            WrittenThere there = of(finding);
            return new WrittenThere(
                    there.written(), there.writtenOhms(), there.writtenOverRange(), said(finding), List.of());
        }

        private static String said(Finding finding) {
            if (finding.judged() != Finding.Judged.RIGHT && finding.judged() != Finding.Judged.WRONG) {
                return of(finding).judged();
            }
            Limit limit = finding.expectation().slot().limit().orElseThrow();
            boolean meets = finding.written().isReading()
                    ? finding.written().meets(limit)
                    : finding.expectation().withFaults().meets(limit);
            return meets == (finding.judged() == Finding.Judged.RIGHT) ? "satisfactory" : "not-satisfactory";
        }
    }

    /** @param unexplained what is said of one outside its band that nothing explains; empty for any other */
    record HeldAgainst(boolean asked, boolean wantsEye, String side, String sideWords, String unexplained) {
        static HeldAgainst of(Finding finding) {
            return new HeldAgainst(
                    finding.asked(),
                    finding.wantsEye(),
                    finding.side().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                    Sides.words(finding),
                    Sides.unexplained(finding));
        }
    }

    /** What this rig gives, healthy and as it is set. */
    record RigGives(
            String healthy,
            String expected,
            @Nullable Double healthyOhms,
            @Nullable Double expectedOhms) {
        static RigGives of(Expectation e) {
            return new RigGives(
                    e.healthy().shown(),
                    e.withFaults().shown(),
                    Pictures.finite(e.healthy().base()),
                    Pictures.finite(e.withFaults().base()));
        }
    }

    /**
     * Within what it may lie, with why, and its limit.
     *
     * @param axis unit of a scale to draw it on; empty for words
     */
    record BoxBand(
            String axis,
            Pictures.@Nullable Band band,
            List<ReasonLine> bandReasons,
            @Nullable LimitLine limit) {}

    record LimitLine(boolean atMost, double ohms, String shown, String source, String working) {}

    record ReasonLine(String cause, String down, String up) {}

    /** What would stand in a box had it been done otherwise, everything else the same. @param base base unit */
    record UndoneLine(double base, String shown, boolean inside) {}

    /** @param undone null where that is no number */
    record ExplanationLine(
            String cause,
            String label,
            String evidence,
            String wouldRead,
            String question,
            @Nullable UndoneLine undone) {}

    record MarkLine(
            @JsonUnwrapped MarkPlace of,
            @JsonUnwrapped MarkWorth worth,
            @JsonUnwrapped MarkProposal proposal,
            @JsonUnwrapped MarkGiven decision) {
        MarkLine as(MarkExport.KeptMark was) {
            return new MarkLine(
                    of,
                    new MarkWorth(was.group(), was.title(), was.weight(), worth.key()),
                    new MarkProposal(
                            was.award().toUpperCase(Locale.ROOT).replace('-', '_'), was.evidence(), proposal.wants()),
                    decision);
        }
    }

    /**
     * Which mark, shown with which test.
     *
     * @param step the test it is shown with, or "FAULTS"
     * @param circuit label of the circuit it is about; empty for none
     */
    record MarkPlace(String id, String step, String circuit, List<String> slots) {}

    /** What it is and counts. */
    record MarkWorth(String group, String title, double weight, boolean key) {}

    /** What is proposed, and why. @param proposed null for whoever marks alone: nothing is proposed to them */
    record MarkProposal(@Nullable String proposed, String evidence, Wants wants) {
        static MarkProposal of(Mark mark, Given given) {
            Wants wants = Wants.of(mark);
            return given.blind()
                    ? new MarkProposal(null, "", wants == Wants.NOTHING ? wants : Wants.DECISION)
                    : new MarkProposal(mark.award().name(), mark.words(), wants);
        }
    }

    /** What a proposed mark wants of whoever marks. */
    enum Wants {
        /** Nobody saw it: it counts neither way. */
        NOTHING,
        DECISION,
        /** The rig or the tester is looked at first; it is not accepted together with others. */
        A_LOOK_AT_THE_RIG;

        static Wants of(Mark mark) {
            return mark.isLookedAtFirst() ? A_LOOK_AT_THE_RIG : mark.wantsDecision() ? DECISION : NOTHING;
        }
    }

    /**
     * What was given.
     *
     * @param given null until decided
     */
    record MarkGiven(@Nullable String given, String reason, String by) {}

    /** The result that was decided on. @param differs what the rules of today would make otherwise */
    record Kept(List<MarkExport.KeptMark> marks, List<String> differs) {}

    static MarkingView of(
            Assessment assessment,
            MarkedSheet sheet,
            List<FaultReport> reports,
            Optional<Kept> kept,
            Given given,
            OpinionsView opinions,
            List<AlikeOnTheRig.Alike> alike,
            Map<SlotId, List<Key.BandReason>> reasons) {
        Key key = sheet.key();
        Rig rig = key.rig();
        List<Line> lines = sheet.findings().stream()
                .map(f -> given.blind() ? line(f, reasons).alone(f) : line(f, reasons))
                .toList();
        return new MarkingView(
                new MarkedBy(
                        assessment.id(),
                        assessment.seq(),
                        engineNote(assessment),
                        key.scheme().name() + ", version " + key.scheme().version(),
                        kept.map(Kept::differs).orElse(List.of())),
                new BoxesShown(steps(sheet.findings(), key.scheme(), given.blind()), lines),
                new MarkPictures(Pictures.circuits(rig), profiles(sheet)),
                new FaultsShown(
                        key.faults().faults().stream()
                                .map(f -> f.title() + ", " + f.place().label(rig))
                                .toList(),
                        reports(reports, rig)),
                given.blind() ? WhyOff.NOT_TOLD : WhyOff.of(sheet, alike),
                new MarksShown(
                        marks(given, sheet, kept),
                        OutcomeLine.of(given, sheet, kept, standsAgainst(assessment, given)),
                        opinions));
    }

    private static String engineNote(Assessment assessment) {
        return assessment.fixed().versions().engine() == MarkedSheet.ENGINE_VERSION
                ? ""
                : "This sheet was prepared under engine version "
                        + assessment.fixed().versions().engine() + "; what you see is worked out by version "
                        + MarkedSheet.ENGINE_VERSION + ".";
    }

    private static List<StepLine> steps(List<Finding> findings, Scheme scheme, boolean blind) {
        List<StepLine> steps = new ArrayList<>();
        for (TestKind step : scheme.tests()) {
            List<Finding> of = findings.stream()
                    .filter(f -> f.expectation().slot().step() == step)
                    .toList();
            if (of.isEmpty()) {
                continue;
            }
            int asked = (int) of.stream().filter(Finding::asked).count();
            int eye = blind ? 0 : (int) of.stream().filter(Finding::wantsEye).count();
            steps.add(new StepLine(step.name(), scheme.labelOf(step), asked, eye, asked == 0));
        }
        return steps;
    }

    /** The profile along each circuit, for the methods that the candidate took. */
    private static List<Pictures.ProfileCurve> profiles(MarkedSheet sheet) {
        return sheet.findings().stream()
                .filter(Finding::asked)
                .map(f -> f.expectation().slot())
                .filter(s -> s.spot().point().isPresent())
                .map(s -> s.address().quantity())
                .distinct()
                .flatMap(q -> Pictures.profiles(sheet.key(), q).stream())
                .toList();
    }

    private static List<String> reports(List<FaultReport> reports, Rig rig) {
        return reports.stream()
                .map(r -> r.title() + ", " + r.place().label(rig)
                        + (r.remedy().isBlank() ? "" : ". Remedy: " + r.remedy()))
                .toList();
    }

    private static Line line(Finding finding, Map<SlotId, List<Key.BandReason>> reasons) {
        Expectation e = finding.expectation();
        Slot slot = e.slot();
        return new Line(
                BoxPlace.of(slot),
                WrittenThere.of(finding),
                HeldAgainst.of(finding),
                RigGives.of(e),
                new BoxBand(
                        slot.boxUnit().dimension().baseSymbol(),
                        Pictures.band(e.window()),
                        e.window() instanceof Window.Between
                                ? reasons(slot, reasons.getOrDefault(slot.id(), List.of()))
                                : List.of(),
                        slot.limit().map(l -> limit(l, slot)).orElse(null)),
                finding.explanations().stream()
                        .map(why -> explanation(why, slot.boxUnit(), e.window()))
                        .toList());
    }

    private static List<ReasonLine> reasons(Slot slot, List<Key.BandReason> reasons) {
        return reasons.stream()
                .map(r -> new ReasonLine(r.cause(), signed(r.down(), slot), signed(r.up(), slot)))
                .toList();
    }

    private static String signed(double ohms, Slot slot) {
        return String.format(Locale.ROOT, "%+.3f", slot.boxUnit().fromBase(ohms))
                .replace('-', '−');
    }

    private static LimitLine limit(Limit limit, Slot slot) {
        return new LimitLine(
                limit.demand() instanceof Limit.AtMost || limit.demand() instanceof Limit.Within,
                limit.end(),
                limit.shown(slot.boxUnit()),
                limit.source(),
                limit.working());
    }

    private static ExplanationLine explanation(Explanation e, Unit unit, Window window) {
        return new ExplanationLine(
                e.cause().name(),
                e.cause().label(),
                e.evidence(),
                e.wouldRead(),
                e.cause().question(),
                e.undone().isPresent()
                        ? new UndoneLine(
                                e.undone().getAsDouble(),
                                unit.text(e.undone().getAsDouble()),
                                window.holds(e.undone().getAsDouble()))
                        : null);
    }

    /** As they were when the outcome was decided; before that, as they are proposed. */
    private static List<MarkLine> marks(Given given, MarkedSheet sheet, Optional<Kept> kept) {
        Map<String, MarkExport.KeptMark> were = new LinkedHashMap<>();
        kept.ifPresent(k -> k.marks().forEach(m -> were.put(m.id(), m)));
        List<MarkLine> lines = new ArrayList<>();
        for (Mark mark : sheet.marks()) {
            MarkExport.KeptMark was = were.remove(mark.id());
            MarkLine line = mark(mark, given, sheet);
            lines.add(was == null || given.blind() ? line : line.as(was));
        }
        return lines;
    }

    private static MarkLine mark(Mark mark, Given given, MarkedSheet sheet) {
        Assessment.Decision decision = given.decisions().get(mark.id());
        return new MarkLine(
                new MarkPlace(
                        mark.id(),
                        stepOf(mark),
                        sheet.circuitOf(mark),
                        mark.slots().stream().map(Object::toString).toList()),
                new MarkWorth(mark.group(), mark.title(), mark.worth().weight(), mark.key()),
                MarkProposal.of(mark, given),
                new MarkGiven(
                        decision == null ? null : decision.given().name(),
                        decision == null ? "" : decision.reason(),
                        decision == null ? "" : decision.by()));
    }

    /** The test it belongs to; what belongs to none is shown with the record, faults with the faults. */
    private static String stepOf(Mark mark) {
        if (mark.evidence() instanceof Evidence.OfFaults) {
            return "FAULTS";
        }
        return mark.of().test().map(Enum::name).orElse("RECORD");
    }

    /** What stands against signing the outcome, besides open marks; empty for nothing, and for whoever marks it alone. */
    private static String standsAgainst(Assessment assessment, Given given) {
        return given.blind() || given.outcome() != null
                ? ""
                : Rules.mayHappen(new AssessmentEvent.OutcomeDecided(Verdict.PASS, Verdict.PASS, ""), assessment)
                        .map(Rules.Why::words)
                        .orElse("");
    }
}
