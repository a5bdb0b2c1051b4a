package prantel.server.sheet;

import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import prantel.core.fault.FaultCatalogue;
import prantel.core.instrument.Notation;
import prantel.core.instrument.Tester;
import prantel.core.instrument.Written;
import prantel.core.marking.CandidateRecord.FaultReport;
import prantel.core.rig.Conductor;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.scheme.Scheme;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotPlan;
import prantel.core.scheme.TestKind;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.Assessment.Entry;
import prantel.server.picture.Pictures;
import prantel.server.setting.KindChoice;

/**
 * A candidate's own sheet. Made from the rig as everyone can see it on the wall and from what the candidate wrote:
 * neither the fault set nor a key is read here, so neither can leak.
 */
record SheetView(
        String id,
        String rig,
        int bay,
        String tester,
        String overRange,
        boolean open,
        @Nullable OffsetDateTime handedInAt,
        String handedBackBecause,
        List<Step> steps,
        List<Pictures.CircuitLine> circuits,
        List<SheetPlace> places,
        List<KindChoice> kinds,
        int reportsSeq,
        List<Report> reports,
        boolean reportDamaged,
        int boxes,
        int filled) {

    record Step(String id, String label, String alternativeTo, List<String> setUp, List<Group> groups) {}

    /** Boxes that belong together: a bond, a circuit. */
    record Group(String label, List<Box> boxes) {}

    /**
     * @param unit printed on the box
     * @param overRange what this candidate's tester shows above its range
     * @param text as written
     * @param understood the text as it is read, or empty
     * @param mend what is wrong with the text, or empty
     * @param judged whether this box is judged
     * @param chosenFrom the boxes whose highest reading belongs here; empty for a box that is measured
     */
    record Box(
            String slot,
            String quantity,
            String where,
            String unit,
            String overRange,
            String text,
            int seq,
            String understood,
            String mend,
            boolean judged,
            @Nullable Boolean satisfactory,
            int judgedSeq,
            List<String> chosenFrom) {}

    /** A place of the rig that a report can name. Which kinds fit there is part of what a candidate has to know. */
    record SheetPlace(String id, String label, @Nullable String circuit) {}

    record Report(String kind, String at, List<String> conductors, String remedy) {}

    static SheetView of(
            Assessment assessment,
            int bay,
            Rig rig,
            Scheme scheme,
            Tester tester,
            List<FaultReport> reports,
            boolean damaged) {
        List<Slot> slots = slots(rig, scheme);
        List<Step> steps = new ArrayList<>();
        for (TestKind step : scheme.tests()) {
            List<Slot> of = slots.stream().filter(s -> s.step() == step).toList();
            if (!of.isEmpty()) {
                steps.add(step(step, of, rig, scheme, assessment, tester));
            }
        }
        return new SheetView(
                assessment.id(),
                rig.name(),
                bay,
                tester.label(),
                tester.insulationTester().overRange().shown(),
                assessment.openedAt() != null && assessment.handedInAt() == null,
                assessment.handedInAt(),
                assessment.handedBackBecause() == null ? "" : assessment.handedBackBecause(),
                steps,
                Pictures.circuits(rig),
                FaultCatalogue.places(rig).stream()
                        .map(p -> new SheetPlace(
                                p.id(),
                                p.label(rig),
                                p.ofCircuit().map(c -> c.value()).orElse(null)))
                        .toList(),
                FaultCatalogue.kinds().stream().map(KindChoice::of).toList(),
                assessment.revision("reports"),
                reports(reports),
                damaged,
                slots.size(),
                filled(assessment));
    }

    static List<Slot> slots(Rig rig, Scheme scheme) {
        return SlotPlan.sheet(rig, scheme);
    }

    static int filled(Assessment assessment) {
        return (int) assessment.readings().values().stream()
                .filter(e -> !e.value().isBlank())
                .count();
    }

    static List<Report> reports(List<FaultReport> reports) {
        return reports.stream().map(SheetView::report).toList();
    }

    private static Step step(
            TestKind step, List<Slot> slots, Rig rig, Scheme scheme, Assessment assessment, Tester tester) {
        List<Group> groups = new ArrayList<>();
        List<String> labels =
                slots.stream().map(s -> groupLabel(s, rig)).distinct().toList();
        for (String label : labels) {
            groups.add(new Group(
                    label,
                    slots.stream()
                            .filter(s -> groupLabel(s, rig).equals(label))
                            .map(s -> box(s, assessment, tester))
                            .toList()));
        }
        String other = scheme.alternativeTo(step).map(scheme::labelOf).orElse("");
        List<String> setUp = slots.stream()
                .flatMap(s -> s instanceof Slot.Measured m ? m.setUp().steps().stream() : java.util.stream.Stream.of())
                .distinct()
                .toList();
        return new Step(step.name(), scheme.labelOf(step), other, setUp, groups);
    }

    /** The circuit, with the voltage and round of an insulation test; for a bond the part. */
    private static String groupLabel(Slot slot, Rig rig) {
        return slot.step() == TestKind.INSULATION || slot.circuit().isEmpty()
                ? slot.where().replaceAll(slot.step() == TestKind.BONDING ? ",.*" : "$", "")
                : rig.circuit(slot.circuit().get()).label();
    }

    static Box box(Slot slot, Assessment assessment, Tester tester) {
        Entry<String> reading = assessment.readings().get(slot.id().value());
        Entry<@Nullable Boolean> judged = assessment.judgements().get(slot.id().value());
        String text = reading == null ? "" : reading.value();
        Written written = Notation.read(text, slot.boxUnit());
        return new Box(
                slot.id().value(),
                slot.quantity(),
                slot.where(),
                slot.boxUnit().symbol(),
                overRange(slot, tester),
                text,
                assessment.revision("reading/" + slot.id()),
                Understood.of(written),
                written instanceof Written.Unreadable u ? u.problem().mend() : "",
                slot.limit().isPresent(),
                judged == null ? null : judged.value(),
                assessment.revision("judged/" + slot.id()),
                slot instanceof Slot.Composed composed
                        ? composed.of().stream().map(Object::toString).toList()
                        : List.of());
    }

    /** What the display shows above its range; empty where words are written. A composed box is asked for by number. */
    private static String overRange(Slot slot, Tester tester) {
        return switch (slot) {
            case Slot.Measured measured ->
                tester.meter(measured.function())
                        .map(m -> m.overRange().shown())
                        .orElse("");
            case Slot.Composed composed ->
                composed.boxUnit() == prantel.core.quantity.Unit.OHM
                        ? tester.ohmmeter().overRange().shown()
                        : "";
        };
    }

    private static Report report(FaultReport report) {
        return new Report(
                report.kind().id(),
                report.place().id(),
                report.conductors().stream().map(Conductor::id).toList(),
                report.remedy());
    }
}
