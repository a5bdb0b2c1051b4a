package prantel.core.sequence;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
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
        List<Practice.Item> items = scheme.practice().recording().inspection();
        if (scheme.isOneFigure(TestKind.INSPECTION) && !items.isEmpty()) {
            Set<String> any = items.stream().flatMap(i -> i.faults().stream()).collect(Collectors.toSet());
            return List.of(slot(BoxAddress.of(TestKind.INSPECTION, Quantity.ALL_LOOKED_AT, new Site.Origin()), any));
        }
        return items.stream()
                .map(item -> slot(
                        BoxAddress.of(TestKind.INSPECTION, Quantity.INSPECTION, new Site.Item(item.id())),
                        item.faults()))
                .toList();
    }

    private Slot slot(BoxAddress address, Set<String> faults) {
        return new Slot.Measured(
                headings.of(address),
                new Measurement.Inspected(faults, scheme.practice().recording().codes() == Practice.Codes.C1_TO_FI),
                setUps.looked(Caution.Usual.INSPECTION),
                Optional.empty(),
                Optional.empty());
    }
}
