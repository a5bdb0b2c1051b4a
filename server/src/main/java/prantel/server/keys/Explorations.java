package prantel.server.keys;

import org.springframework.stereotype.Service;
import prantel.core.expectation.AsBuilt;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Tester;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.core.setting.Exploration;
import prantel.formats.ShippedSchemes;

/** Healthy keys and explorations of a rig, by tester, scheme and as-built readings: they cost a second or two each. */
@Service
public class Explorations {
    private final PureValues values;

    Explorations(PureValues values) {
        this.values = values;
    }

    private record HealthyKey(Rig rig, Tester tester, Scheme scheme, AsBuilt asBuilt) {}

    private record Singles(Rig rig, Tester tester, Scheme scheme, AsBuilt asBuilt) {}

    /** The healthy key: keys with faults are made from it, and share what is known of the rig. */
    public Key healthy(Rig rig, Tester tester, Scheme scheme, AsBuilt asBuilt) {
        return values.of(
                new HealthyKey(rig, tester, scheme, asBuilt),
                () -> Key.of(rig, FaultSet.NONE, tester, scheme, asBuilt));
    }

    public Key healthy(Rig rig, Tester tester, Scheme scheme) {
        return healthy(rig, tester, scheme, AsBuilt.NONE);
    }

    /** Of every single fault on the rig of a key. A second asker waits for the first one's answer. */
    public Exploration of(Key key) {
        return values.of(
                new Singles(key.rig(), key.tester(), key.scheme(), key.asBuilt()),
                () -> Exploration.of(healthy(key.rig(), key.tester(), key.scheme(), key.asBuilt())));
    }

    /** The healthy key of the whole sequence, for the rig and tester of a key. */
    public Key full(Key key) {
        return healthy(key.rig(), key.tester(), ShippedSchemes.everyTest(), key.asBuilt());
    }
}
