package prantel.core.expectation;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultKind;
import prantel.core.fault.FaultSet;
import prantel.core.fault.Severity;
import prantel.core.instrument.Saying;
import prantel.core.sequence.Measurement;

/** What an item of an inspection comes to, by what is to be seen on the rig. */
final class Inspection {
    private Inspection() {}

    /** What of a set is to be seen there. */
    static List<FaultKind> seen(FaultSet set, Measurement.Inspected item) {
        return set.faults().stream()
                .map(Fault::kind)
                .filter(k -> item.faults().contains(k.id()))
                .toList();
    }

    /** The gravest of what is to be found there; in no other way do faults that are only seen show in a reading. */
    static Found of(FaultSet set, Measurement.Inspected item) {
        List<FaultKind> there = seen(set, item);
        if (there.isEmpty()) {
            return new Found.Words(Saying.SATISFACTORY);
        }
        if (!item.coded()) {
            return new Found.Words(Saying.NOT_SATISFACTORY);
        }
        FaultKind gravest =
                there.stream().min(Comparator.comparing(FaultKind::severity)).orElseThrow();
        return new Found.Words(
                code(gravest.severity()),
                // a graver code that usual practice allows for another fault there is as right
                there.stream()
                        .flatMap(k -> k.codes().stream())
                        .filter(c -> gravest.codes().contains(c) || c.compareTo(gravest.severity()) < 0)
                        .map(Inspection::code)
                        .collect(Collectors.toSet()));
    }

    private static Saying code(Severity severity) {
        return switch (severity) {
            case C1 -> Saying.C1;
            case C2 -> Saying.C2;
            case C3 -> Saying.C3;
            case FI -> Saying.FI;
        };
    }
}
