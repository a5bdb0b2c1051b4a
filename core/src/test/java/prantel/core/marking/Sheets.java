package prantel.core.marking;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.instrument.Reading;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/** Candidates' sheets for tests: a perfect one to be spoilt in one place. */
final class Sheets {
    final Map<SlotId, String> readings = new LinkedHashMap<>();
    final Map<SlotId, Boolean> judgements = new HashMap<>();
    List<CandidateRecord.FaultReport> faults = List.of();

    private Sheets() {}

    /** Everything measured by method 1, written as shown, judged by the limit, every fault named. */
    static Sheets perfect(Key key) {
        Sheets sheet = new Sheets();
        for (Expectation expectation : key.expectations()) {
            Slot slot = expectation.slot();
            if (slot.step() != TestKind.R2) {
                sheet.readings.put(slot.id(), expectation.withFaults().shown());
                expectation.satisfactory().ifPresent(ok -> sheet.judgements.put(slot.id(), ok));
            }
        }
        sheet.faults = key.faults().faults().stream().map(Sheets::report).toList();
        return sheet;
    }

    static CandidateRecord.FaultReport report(Fault fault) {
        return new CandidateRecord.FaultReport(
                fault.kind(), fault.place(), fault.conductors(), "Put right and test again");
    }

    Sheets write(String slot, String text) {
        readings.put(new SlotId(slot), text);
        return this;
    }

    /** Adds Ω to every number of a step, as leads do. */
    Sheets add(Key key, TestKind step, double ohms) {
        for (Expectation e : key.expectations()) {
            if (e.slot().step() == step && e.withFaults() instanceof Reading.Value v) {
                readings.put(e.slot().id(), String.format(java.util.Locale.ROOT, "%.2f", v.value() + ohms));
            }
        }
        return this;
    }

    CandidateRecord record() {
        return new CandidateRecord(readings, judgements, faults);
    }
}
