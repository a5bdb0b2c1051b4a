package prantel.server.setting;

import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.stereotype.Service;
import prantel.core.expectation.AsBuilt;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Tester;
import prantel.core.rig.Rig;
import prantel.core.sequence.Scheme;
import prantel.core.setting.Exploration;

/** Explorations that were made, by rig, tester, scheme and as-built readings: they cost a second or two each. */
@Service
public class Explorations {
    private static final int MOST = 10;

    private final Map<Of, Exploration> made = new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Of, Exploration> eldest) {
            return size() > MOST;
        }
    };

    private record Of(Rig rig, Tester tester, String scheme, AsBuilt asBuilt) {}

    /** Of every single fault on the rig of a key. One at a time: a second asker waits for the first one's answer. */
    public synchronized Exploration of(Key key) {
        return made.computeIfAbsent(
                new Of(key.rig(), key.tester(), key.scheme().id(), key.asBuilt()), o -> Exploration.of(key));
    }

    /** The healthy key of the whole sequence, for the rig and tester of a key. */
    public Key full(Key key) {
        return Key.of(key.rig(), FaultSet.NONE, key.tester(), Scheme.fullSequence(), key.asBuilt());
    }
}
