package prantel.server.setting;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import org.springframework.stereotype.Component;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.Course;
import prantel.core.assessment.Stage;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.expectation.Probing;
import prantel.core.instrument.Meter;
import prantel.core.instrument.Range;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Tester;
import prantel.core.procedure.SetUp;
import prantel.core.scheme.TestKind;
import prantel.core.scheme.Undone;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.devices.SimulatedBenchTester.Shown;
import prantel.formats.BenchWords;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;

/** What a simulated bench tester finds in a bay: the rig as it really is now, through an instrument of its own. */
@Component
public class BenchWorld {
    private static final double MOST_DIGITS = 0.6;

    private final Assessments assessments;
    private final Keys keys;
    private final OnTheRig onTheRig;

    BenchWorld(Assessments assessments, Keys keys, OnTheRig onTheRig) {
        this.assessments = assessments;
        this.keys = keys;
        this.onTheRig = onTheRig;
    }

    /** @throws IllegalStateException with what the tester says when it refuses */
    public Optional<Shown> read(String bayId, String place, String function, boolean nulled, OptionalDouble wanted) {
        Optional<Assessment> here = assessments.inBay(bayId);
        if (here.isEmpty()) {
            return Optional.empty();
        }
        Assessment assessment = here.get();
        Key key = keys.keyWith(assessment, onTheRig.faults(assessment));
        SlotId id = new SlotId(place);
        if (!key.has(id) || !(key.expectation(id).slot() instanceof Slot.Measured measured)) {
            return Optional.empty();
        }
        if (!BenchWords.of(measured.function()).equals(function)) {
            throw new IllegalStateException(
                    "These probes are for " + measured.function().label());
        }
        boolean live = assessment.energisedAt() != null;
        if (live && !measured.function().isLive()) {
            throw new IllegalStateException("Voltage at the probes, not measured");
        }
        if (isBeforeIsolation(assessment, measured)) {
            throw new IllegalStateException("Voltage at the probes, not measured: the rig is not proved dead");
        }
        if (!live && measured.step().isLive()) {
            return Optional.of(new Shown(Optional.empty(), false, "V", "no supply", "auto"));
        }
        Optional<Range> range = BenchWords.range(measured.function(), key.tester(), wanted);
        Course.RigNow rig = keys.course(assessment).rig();
        Held held = new Held(key.tester(), bayId, nulled && !rig.isUndone(Undone.NULLING, measured.step()), range);
        return Optional.of(shown(expectation(key, measured, rig), measured, held));
    }

    /** With what the record says was not done left out. */
    private static Expectation expectation(Key key, Slot.Measured box, Course.RigNow rig) {
        SetUp done = rig.asDone(box.setUp(), box.step());
        return done.equals(box.setUp()) ? key.expectation(box.id()) : key.expect(box.in(done));
    }

    /** An instrument in somebody's hand. */
    private record Held(Tester tester, String bayId, boolean nulled, Optional<Range> range) {}

    /** Its gain is its own and stays; the last digit is not the same twice. */
    private static Shown shown(Expectation expectation, Slot.Measured measured, Held held) {
        Tester tester = held.tester();
        double percent = tester.meter(measured.function()).map(Meter::percent).orElse(0.0);
        double share =
                new SplittableRandom((tester.id() + held.bayId() + measured.function()).hashCode()).nextDouble(-1, 1);
        Reading reading = Probing.of(
                expectation,
                tester,
                held.nulled(),
                1 + share * percent / 100 / 3,
                new SplittableRandom().nextDouble(-MOST_DIGITS, MOST_DIGITS),
                held.range());
        return new Shown(
                reading instanceof Reading.Value value ? Optional.of(value.value()) : Optional.empty(),
                reading instanceof Reading.OverRange,
                BenchWords.of(reading.unit()),
                reading.shown(),
                held.range().map(Range::label).orElse("auto"));
    }

    /** The candidate works, the scheme asks for isolation, and it is not on record: what the candidate finds has a supply. */
    private boolean isBeforeIsolation(Assessment assessment, Slot.Measured box) {
        return assessment.stage() == Stage.WATCH
                && !box.function().isLive()
                && box.step() != TestKind.SAFE_ISOLATION
                && box.step() != TestKind.INDICATOR
                && box.measurement().isReading()
                && keys.scheme(assessment).asks(TestKind.SAFE_ISOLATION)
                && keys.course(assessment).rig().dead() != Course.Dead.PROVED;
    }
}
