package prantel.bench.mistakes;

import java.util.Map;
import java.util.Set;
import prantel.core.expectation.Key;
import prantel.core.inference.Beside;
import prantel.core.sequence.SlotId;

/**
 * A record with known truth.
 *
 * @param kind what was really done; empty for an honest one
 * @param spoilt boxes that came out otherwise for it
 * @param beside what lies beside it
 */
record MadeRecord(Key key, Map<SlotId, String> texts, String kind, Set<SlotId> spoilt, Beside beside) {
    MadeRecord named(String other) {
        return new MadeRecord(key, texts, other, spoilt, beside);
    }
}
