package prantel.core.marking;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultKind;
import prantel.core.marking.CandidateRecord.FaultReport;
import prantel.core.marking.Mark.Award;
import prantel.core.rig.Rig;

/** Marks for the faults found, and for none invented. */
final class FaultMarks {
    private static final String GROUP = "Faults";

    private FaultMarks() {}

    static List<Mark> of(Key key, CandidateRecord record, Map<Fault, List<Fault>> agreed) {
        Rig rig = key.rig();
        List<Mark> marks = new ArrayList<>();
        List<FaultReport> unused = new ArrayList<>(record.faults());
        List<Fault> faults = key.faults().faults();
        for (int i = 0; i < faults.size(); i++) {
            Fault fault = faults.get(i);
            List<Fault> alike = agreed.getOrDefault(fault, List.of());
            Optional<FaultReport> best = unused.stream()
                    .filter(r -> award(fault, alike, r, rig) != Award.NONE)
                    .max(java.util.Comparator.comparingDouble(
                            r -> award(fault, alike, r, rig).share()));
            best.ifPresent(unused::remove);
            Award award = best.map(r -> award(fault, alike, r, rig)).orElse(Award.NONE);
            marks.add(new Mark(
                    "faults/" + (i + 1),
                    GROUP,
                    fault.title() + ", " + fault.place().label(rig),
                    3,
                    true,
                    award,
                    best.map(r -> evidence(fault, r, award, rig)).orElse("Not on the sheet."),
                    List.of()));
        }
        marks.add(noneInvented(unused, record, rig));
        return marks;
    }

    private static Mark noneInvented(List<FaultReport> unused, CandidateRecord record, Rig rig) {
        boolean nothing = record.readings().values().stream().allMatch(String::isBlank)
                && record.faults().isEmpty();
        String evidence = nothing
                ? "Nothing is on the sheet."
                : unused.isEmpty()
                        ? "Nothing is named that is not there."
                        : unused.stream()
                                .map(r -> r.title() + ", " + r.place().label(rig))
                                .collect(java.util.stream.Collectors.joining("; ", "Named but not set: ", "."));
        return new Mark(
                "faults/none-invented",
                GROUP,
                "No sound part called faulty",
                1,
                false,
                unused.isEmpty() && !nothing ? Award.FULL : Award.NONE,
                evidence,
                List.of());
    }

    private static Award award(Fault fault, List<Fault> alike, FaultReport report, Rig rig) {
        if (alike.stream().anyMatch(a -> isExactly(a, report))) {
            return Award.FULL;
        }
        FaultKind kind = fault.kind();
        boolean nature = isNature(kind, report, rig) && fault.conductors().equals(report.conductors());
        boolean place = kind.acceptedPlaces(fault, rig).contains(report.place());
        if (nature && place) {
            return Award.FULL;
        }
        return nature
                        || place && isNature(kind, report, rig)
                        || place && fault.place().equals(report.place())
                ? Award.HALF
                : Award.NONE;
    }

    private static boolean isExactly(Fault fault, FaultReport report) {
        return fault.kind() == report.kind()
                && fault.place().equals(report.place())
                && fault.conductors().equals(report.conductors());
    }

    private static boolean isNature(FaultKind kind, FaultReport report, Rig rig) {
        return kind == report.kind()
                || kind.equivalentKinds(rig).contains(report.kind().id());
    }

    private static String evidence(Fault fault, FaultReport report, Award award, Rig rig) {
        String named = "Named as " + report.title() + ", " + report.place().label(rig) + ".";
        if (award == Award.FULL) {
            String elsewhere = fault.place().equals(report.place())
                    ? ""
                    : " As good an answer: no reading of the sequence tells the two places apart.";
            return named + elsewhere + (report.remedy().isBlank() ? " No remedy given." : "");
        }
        boolean place = fault.kind().acceptedPlaces(fault, rig).contains(report.place());
        return named + (place ? " The place is right, the nature is not." : " The nature is right, the place is not.");
    }
}
