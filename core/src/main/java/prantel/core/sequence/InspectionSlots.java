package prantel.core.sequence;

import java.util.List;
import java.util.Optional;
import prantel.core.procedure.Caution;
import prantel.core.rig.Rig;
import prantel.core.scheme.Practice;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;

/** What is looked at before any test, an item a box: satisfactory or not, with a code where the scheme asks for one. */
final class InspectionSlots {
    private final Scheme scheme;
    private final Headings headings;
    private final SetUps setUps;

    InspectionSlots(Rig rig, Scheme scheme) {
        this.scheme = scheme;
        this.headings = new Headings(rig, scheme);
        this.setUps = new SetUps(rig);
    }

    List<Slot> all() {
        boolean coded = scheme.practice().recording().codes() == Practice.Codes.C1_TO_FI;
        return scheme.practice().recording().inspection().stream()
                .<Slot>map(item -> new Slot.Measured(
                        headings.of(BoxAddress.of(TestKind.INSPECTION, Quantity.INSPECTION, new Site.Item(item.id()))),
                        new Measurement.Inspected(item.faults(), coded),
                        setUps.looked(Caution.Usual.INSPECTION),
                        Optional.empty(),
                        Optional.empty()))
                .toList();
    }
}
