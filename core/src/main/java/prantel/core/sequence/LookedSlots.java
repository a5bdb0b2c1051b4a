package prantel.core.sequence;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import prantel.core.instrument.Saying;
import prantel.core.procedure.Caution;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;

/** What is not measured but goes on the record: the indicator on its proving unit, and how the rig is left. */
final class LookedSlots {
    private final Headings headings;
    private final SetUps setUps;

    LookedSlots(Rig rig, Scheme scheme) {
        this.headings = new Headings(rig, scheme);
        this.setUps = new SetUps(rig);
    }

    /** Before and after the pairs are proved dead. Source: HSE GS38, from memory. */
    List<Slot> indicator() {
        return List.of(
                slot(TestKind.INDICATOR, Quantity.INDICATOR, Site.Proving.BEFORE, Saying.WORKS),
                slot(TestKind.INDICATOR, Quantity.INDICATOR, Site.Proving.AFTER, Saying.WORKS));
    }

    /** Common practice, no source. */
    List<Slot> closing() {
        return Stream.of(Quantity.LINKS_OUT, Quantity.CONDUCTORS_BACK, Quantity.EARTH_BACK, Quantity.RESET)
                .map(q -> slot(TestKind.CLOSING, q, new Site.Left(), Saying.DONE))
                .toList();
    }

    private Slot slot(TestKind test, Quantity quantity, Site site, Saying well) {
        return new Slot.Measured(
                headings.of(BoxAddress.of(test, quantity, site)),
                new Measurement.Looked(well),
                setUps.looked(test == TestKind.INDICATOR ? Caution.Usual.INDICATOR : Caution.Usual.CLOSING),
                Optional.empty(),
                Optional.empty());
    }
}
