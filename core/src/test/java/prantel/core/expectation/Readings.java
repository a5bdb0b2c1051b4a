package prantel.core.expectation;

import prantel.core.instrument.Reading;
import prantel.core.instrument.Written;

/** A reading of an instrument as a candidate would write it down. */
final class Readings {
    private Readings() {}

    static boolean isIn(Window window, Reading reading) {
        return window.sideOf(written(reading)) == Window.Side.INSIDE;
    }

    static Written written(Reading reading) {
        return switch (reading) {
            case Reading.Value value -> new Written.Number(value.shown(), value.base(), value.unit(), 2);
            case Reading.OverRange over -> new Written.Open(over.shown());
            case Reading.Said said -> new Written.Said(said.shown(), said.saying());
            case Reading.NoReading none -> new Written.Stopped(none.shown(), none.stop());
        };
    }
}
