package prantel.server.sheet;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.Assessment.Entry;
import prantel.core.assessment.OpenBoxes;
import prantel.core.assessment.Pause;
import prantel.core.assessment.Rules;
import prantel.core.fault.FaultCatalogue;
import prantel.core.instrument.Notation;
import prantel.core.instrument.Tester;
import prantel.core.instrument.Written;
import prantel.core.marking.CandidateRecord.FaultReport;
import prantel.core.quantity.Unit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.PointId;
import prantel.core.rig.Rig;
import prantel.core.scheme.Criterion;
import prantel.core.scheme.Practice;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.BoxAddress;
import prantel.core.sequence.BoxWords;
import prantel.core.sequence.ExpectedBoxes;
import prantel.core.sequence.LikelyKeys;
import prantel.core.sequence.Slot;
import prantel.server.conduct.ConductView;
import prantel.server.picture.RigDrawing;
import prantel.server.setting.KindChoice;
import prantel.server.setting.NamedPlace;

/**
 * A candidate's own sheet. Made from the rig as everyone can see it on the wall and from what the candidate wrote:
 * neither the fault set nor a key is read here, so neither can leak.
 */
record SheetView(
        @JsonUnwrapped SheetOf of,
        @JsonUnwrapped WritableNow standing,
        @JsonUnwrapped SheetCourse course,
        @JsonUnwrapped SheetFaults faults,
        @JsonUnwrapped SheetWork work) {

    /** Whose sheet, of what. */
    record SheetOf(String id, String rig, String scheme, int bay, String tester, String overRange) {}

    /** Whether it can be written. */
    record WritableNow(boolean open, boolean live, boolean wasLive, String stoppedBecause, String paused) {}

    /** How far it is. */
    record SheetCourse(
            Conducted conducted,
            @Nullable OffsetDateTime handedInAt,
            String handedBackBecause,
            int boxes,
            int filled) {}

    /** What is written on it. */
    record SheetWork(List<Step> steps, List<RigDrawing.CircuitDrawing> circuits) {}

    /** What can be named, and what is. */
    record SheetFaults(
            boolean asksForCodes,
            List<NamedPlace> places,
            List<KindChoice> kinds,
            int reportsSeq,
            List<Report> reports,
            boolean reportDamaged) {}

    /** @param fromTester whether readings may be taken over from the bay's tester @param ready what the candidate confirms before the first reading @param liveAsked what is confirmed to ask for the supply @param help what the sheet tells besides its boxes */
    record Conducted(
            String tester,
            boolean fromTester,
            ConductView.ClockView clock,
            ConductView.ListView ready,
            ConductView.ListView liveAsked,
            Practice.Help help) {}

    /** Why the sheet is closed for now: the kind of it, never what is the matter with the rig; empty while it is not. */
    static String paused(Assessment assessment) {
        return assessment
                .conduct()
                .pause()
                .filter(p -> p.why() != Pause.Why.SAFETY)
                .map(p -> p.why().words())
                .orElse("");
    }

    /**
     * One test.
     *
     * @param closedBecause why its boxes cannot be written yet; empty where they can
     * @param alternativeTo the other way to prove the same, where one of the two is taken; else empty
     */
    record Step(
            String id,
            String label,
            boolean live,
            String closedBecause,
            String alternativeTo,
            List<String> setUp,
            List<Group> groups) {}

    /**
     * Boxes that belong together: a bond, a circuit.
     *
     * @param circuit its id where it is one
     * @param boxes all there are; where the scheme gives no help only those with something in them
     * @param choice what a reading may be added of; null where every box is shown
     * @param otherWay whether nothing is to be written here, because the circuit is being proved the other way
     */
    record Group(
            String label,
            @Nullable String circuit,
            Layout layout,
            List<Box> boxes,
            @Nullable Recordable choice,
            boolean otherWay) {}

    /** For who has to know what is read, and where. Not every pair of the two has a box. */
    record Recordable(List<String> quantities, List<String> places) {}

    /** A box that was asked for by what is read and where. @param seq as of {@link BoxThere} */
    record Chosen(String slot, int seq) {}

    /** How the boxes of a group lie. */
    enum Layout {
        /** At their places along the circuit. */
        LINE,
        /** In rows and columns. */
        GRID,
        LIST
    }

    /** @param said what the candidate says that it will read, written before the reading; null where it is not asked */
    record Box(
            @JsonUnwrapped BoxAt place,
            @JsonUnwrapped BoxHow how,
            @JsonUnwrapped BoxThere there,
            @JsonUnwrapped BoxJudgement judgement,
            @Nullable SaidFirst said) {}

    /**
     * Which box, where it lies.
     *
     * @param within what is left to say of it under the heading of its group and beside its station
     * @param calculated whether it is worked out from boxes of other tests
     * @param station the point of its circuit it is read at; null for none
     * @param row where it lies in a grid
     * @param column likewise
     */
    record BoxAt(
            String slot,
            String quantity,
            String where,
            String within,
            boolean calculated,
            @Nullable String station,
            String row,
            String column) {}

    /**
     * How it is written.
     *
     * @param unit printed on the box
     * @param overRange what this candidate's tester shows above its range
     * @param chosenFrom the boxes whose highest reading belongs here; empty for a box that is measured
     * @param keys what can be written by one key: over-range, "no trip", "works"; one that ends in a colon wants its reason
     */
    record BoxHow(String unit, String overRange, List<String> chosenFrom, List<String> keys) {}

    /**
     * What stands in it.
     *
     * @param text as written
     * @param understood the text as it is read, or empty
     * @param mend what is wrong with the text, or empty
     * @param likely what was very likely meant by a text that cannot be read, or empty; whoever wrote it decides
     */
    record BoxThere(String text, int seq, String understood, String mend, String likely) {}

    /**
     * What was made of it.
     *
     * @param judged whether this box is judged
     */
    record BoxJudgement(boolean judged, @Nullable Boolean satisfactory, int judgedSeq) {}

    /** @param locked once the reading is in */
    record SaidFirst(String text, int seq, boolean locked) {}

    /** A place of the rig that a report can name. Which kinds fit there is part of what a candidate has to know. */
    record Report(String kind, String at, List<String> conductors, String remedy, String evidence, String code) {}

    static SheetView of(
            Assessment assessment,
            int bay,
            Rig rig,
            Scheme scheme,
            List<Slot> slots,
            Tester tester,
            List<FaultReport> reports,
            boolean damaged,
            Conducted conducted) {
        return new SheetView(
                new SheetOf(
                        assessment.id(),
                        rig.name(),
                        scheme.name(),
                        bay,
                        tester.label(),
                        tester.insulationTester().overRange().shown()),
                new WritableNow(
                        assessment.isSheetOpen(),
                        assessment.energisedAt() != null,
                        assessment.wasLive(),
                        assessment.stop() == null ? "" : assessment.stop().what(),
                        paused(assessment)),
                new SheetCourse(
                        conducted,
                        assessment.handedInAt(),
                        assessment.handedBackBecause() == null ? "" : assessment.handedBackBecause(),
                        helps(scheme) ? slots.size() : OpenBoxes.filled(assessment, slots),
                        OpenBoxes.filled(assessment, slots)),
                new SheetFaults(
                        scheme.practice().recording().codes() == Practice.Codes.C1_TO_FI,
                        NamedPlace.of(rig),
                        FaultCatalogue.kinds().stream().map(KindChoice::of).toList(),
                        assessment.revision("reports"),
                        reports(reports),
                        damaged),
                new SheetWork(
                        steps(assessment, rig, scheme, slots, tester),
                        RigDrawing.of(rig).boards().stream()
                                .flatMap(b -> b.sections().stream())
                                .flatMap(x -> x.circuits().stream())
                                .toList()));
    }

    static List<Report> reports(List<FaultReport> reports) {
        return reports.stream().map(SheetView::report).toList();
    }

    /** Every test that has boxes, in the scheme's order, for its candidate. @param slots of the sheet */
    static List<Step> steps(Assessment assessment, Rig rig, Scheme scheme, List<Slot> slots, Tester tester) {
        return steps(assessment, rig, scheme, slots, tester, helps(scheme));
    }

    /** The same for who enters what a candidate wrote on paper: every box. */
    static List<Step> everyBox(Assessment assessment, Rig rig, Scheme scheme, List<Slot> slots, Tester tester) {
        return steps(assessment, rig, scheme, slots, tester, true);
    }

    private static List<Step> steps(
            Assessment assessment, Rig rig, Scheme scheme, List<Slot> slots, Tester tester, boolean helps) {
        List<Step> steps = new ArrayList<>();
        for (TestKind test : scheme.tests()) {
            List<Slot> of = slots.stream().filter(s -> s.step() == test).toList();
            if (!of.isEmpty()) {
                steps.add(step(test, of, slots, rig, scheme, assessment, tester, helps));
            }
        }
        return steps;
    }

    private static Step step(
            TestKind step,
            List<Slot> slots,
            List<Slot> sheet,
            Rig rig,
            Scheme scheme,
            Assessment assessment,
            Tester tester,
            boolean helps) {
        List<Group> groups = new ArrayList<>();
        BoxWords words = new BoxWords(rig, scheme);
        List<String> labels =
                slots.stream().map(s -> words.group(s.address())).distinct().toList();
        for (String label : labels) {
            List<Slot> of = slots.stream()
                    .filter(s -> words.group(s.address()).equals(label))
                    .toList();
            groups.add(new Group(
                    label,
                    of.getFirst().circuit().map(CircuitId::value).orElse(null),
                    helps ? layout(of) : Layout.LIST,
                    of.stream()
                            .filter(s -> helps || isTouched(s, assessment))
                            .map(s -> box(s, expectedAbout(s, sheet, rig, scheme), words, scheme, assessment, tester))
                            .toList(),
                    helps ? null : choice(of, scheme),
                    OpenBoxes.isProvedTheOtherWay(assessment, scheme, of.getFirst(), sheet)));
        }
        String other = scheme.alternativeTo(step).map(scheme::labelOf).orElse("");
        boolean told = scheme.practice().recording().help() == Practice.Help.FULL;
        List<String> setUp = !told
                ? List.of()
                : slots.stream()
                        .flatMap(s -> s.setUps().stream())
                        .flatMap(s -> s.steps().stream())
                        .map(scheme::inItsWords)
                        .distinct()
                        .toList();
        return new Step(
                step.name(),
                scheme.labelOf(step),
                step.isLive(),
                Rules.mayWrite(slots.getFirst(), assessment)
                        .map(Rules.Why::words)
                        .orElse(""),
                other,
                setUp,
                groups);
    }

    /** Whether the sheet shows which boxes there are. */
    private static boolean helps(Scheme scheme) {
        return scheme.practice().recording().help() != Practice.Help.NONE;
    }

    private static boolean isTouched(Slot slot, Assessment assessment) {
        String id = slot.id().value();
        return assessment.readings().containsKey(id)
                || assessment.judgements().containsKey(id)
                || assessment.expected().containsKey(id);
    }

    private static Recordable choice(List<Slot> slots, Scheme scheme) {
        return new Recordable(
                slots.stream().map(Slot::quantity).distinct().toList(),
                slots.stream().map(s -> scheme.inItsWords(s.where())).distinct().toList());
    }

    /** The box of a test in which a quantity is written at a place; empty where the sheet has none. */
    static Optional<Slot> chosen(
            List<Slot> sheet,
            TestKind test,
            String group,
            String quantity,
            String place,
            BoxWords words,
            Scheme scheme) {
        return sheet.stream()
                .filter(s -> s.step() == test
                        && words.group(s.address()).equals(group)
                        && s.quantity().equals(quantity)
                        && scheme.inItsWords(s.where()).equals(place))
                .findFirst();
    }

    private static Layout layout(List<Slot> slots) {
        TestKind test = slots.getFirst().step();
        if (slots.stream().anyMatch(s -> s.address().quantity().isOfMany())) {
            return Layout.LIST;
        }
        if (test == TestKind.INSULATION
                || test == TestKind.INSULATION_BOARD
                || test == TestKind.RCD
                || test == TestKind.POINT_POLARITY) {
            return Layout.GRID;
        }
        boolean along = slots.getFirst().circuit().isPresent()
                && slots.stream().anyMatch(s -> s.spot().point().isPresent());
        return along ? Layout.LINE : Layout.LIST;
    }

    /** @param about as {@link #expectedAbout} */
    static Box box(
            Slot slot, List<Slot.Measured> about, BoxWords words, Scheme scheme, Assessment assessment, Tester tester) {
        Entry<String> reading = assessment.readings().get(slot.id().value());
        Entry<@Nullable Boolean> judged = assessment.judgements().get(slot.id().value());
        String text = reading == null ? "" : reading.value();
        Written written = Notation.read(text, slot.boxUnit());
        String overRange = overRange(slot, tester);
        return new Box(
                new BoxAt(
                        slot.id().value(),
                        slot.quantity(),
                        scheme.inItsWords(slot.where()),
                        scheme.inItsWords(words.within(slot.address())),
                        slot.address().detail().role() == BoxAddress.Role.BY_CALCULATION,
                        slot.spot().point().map(PointId::value).orElse(null),
                        words.row(slot.address()),
                        words.column(slot.address())),
                new BoxHow(
                        slot.boxUnit().symbol(),
                        overRange,
                        slot instanceof Slot.Composed composed && !composed.isFigure()
                                ? composed.of().stream().map(Object::toString).toList()
                                : List.of(),
                        LikelyKeys.of(slot, overRange)),
                new BoxThere(
                        text,
                        assessment.revision("reading/" + slot.id()),
                        Understood.of(written),
                        written instanceof Written.Unreadable u ? u.problem().mend() : "",
                        Notation.likely(text, slot.boxUnit()).orElse("")),
                new BoxJudgement(
                        slot.limit().isPresent(),
                        judged == null ? null : judged.value(),
                        assessment.revision("judged/" + slot.id())),
                saidFirst(slot, about, assessment));
    }

    /** Where the scheme marks that it was said first, and the trade has arithmetic for it. */
    private static @Nullable SaidFirst saidFirst(Slot slot, List<Slot.Measured> about, Assessment assessment) {
        if (about.isEmpty()) {
            return null;
        }
        Entry<String> said = assessment.expected().get(slot.id().value());
        return new SaidFirst(
                said == null ? "" : said.value(),
                assessment.revision("expected/" + slot.id()),
                Rules.mayExpect(about, assessment).isPresent());
    }

    /** The boxes that an expected value written with this one is about; empty where none is asked. */
    static List<Slot.Measured> expectedAbout(Slot slot, List<Slot> sheet, Rig rig, Scheme scheme) {
        boolean asked = scheme.criteria().stream()
                .anyMatch(
                        c -> c instanceof Criterion.ExpectedFirst e && e.tests().contains(slot.step()));
        if (!asked || slot.circuit().isEmpty()) {
            return List.of();
        }
        List<Slot> beside = sheet.stream()
                .filter(s -> s.step() == slot.step() && s.circuit().equals(slot.circuit()))
                .toList();
        return ExpectedBoxes.of(rig, beside).getOrDefault(slot.id(), List.of());
    }

    /** What the display shows above its range; empty where words are written. A composed box is asked for by number. */
    private static String overRange(Slot slot, Tester tester) {
        return switch (slot) {
            case Slot.Measured measured ->
                tester.meter(measured.function())
                        .map(m -> m.overRange().shown())
                        .orElse("");
            case Slot.Composed composed ->
                composed.boxUnit() == Unit.OHM ? tester.ohmmeter().overRange().shown() : "";
        };
    }

    private static Report report(FaultReport report) {
        return new Report(
                report.kind().id(),
                report.place().id(),
                report.conductors().stream().map(Conductor::id).toList(),
                report.remedy(),
                report.evidence(),
                report.code());
    }
}
