package prantel.core.sequence;

import static prantel.core.rig.Conductor.CPC;
import static prantel.core.rig.Conductor.LINE;
import static prantel.core.rig.Conductor.NEUTRAL;
import static prantel.core.rig.Conductor.SWITCHED_LINE;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prantel.core.instrument.Tester.Function;
import prantel.core.network.Terminal;
import prantel.core.procedure.LightStates;
import prantel.core.procedure.Position;
import prantel.core.procedure.SetUp;
import prantel.core.rig.Circuit;
import prantel.core.rig.LightGroup;
import prantel.core.rig.Lighting;
import prantel.core.rig.Places;
import prantel.core.rig.Point;
import prantel.core.rig.PointKind;
import prantel.core.rig.Radial;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;

/**
 * Dead polarity as readings that must be open: N–E at each point with line and CPC linked, L–E at each lamp with a switch
 * off and behind each isolator that is off. A reading there means conductors exchanged or a switch in the neutral.
 */
final class PolaritySlots {
    private final Rig rig;
    private final Headings headings;
    private final SetUps setUps;
    private final boolean oneFigure;

    PolaritySlots(Rig rig, Scheme scheme) {
        this.rig = rig;
        this.headings = new Headings(rig, scheme);
        this.setUps = new SetUps(rig);
        this.oneFigure = scheme.isOneFigure(TestKind.POLARITY);
    }

    List<Slot> all() {
        List<Slot> slots = new ArrayList<>();
        for (Circuit circuit : rig.atBoardVoltage()) {
            List<Slot> of = new ArrayList<>();
            if (circuit instanceof Radial radial) {
                radial(radial, of);
            } else if (circuit instanceof Lighting lighting) {
                lighting.groups().forEach(g -> lights(lighting, g, of));
            }
            slots.addAll(of);
            if (oneFigure && !of.isEmpty()) {
                slots.add(lowest(circuit, of));
            }
        }
        return slots;
    }

    /** Whatever connects what must be open shows as the lowest of them. */
    private Slot lowest(Circuit circuit, List<Slot> open) {
        return new Slot.Composed(
                headings.of(address(Quantity.LOWEST_OPEN, new Site.Whole(circuit.id()))
                        .forTheRecord()),
                Slot.Rule.LOWEST,
                open.stream().map(Slot::id).toList(),
                Optional.empty());
    }

    private void radial(Radial radial, List<Slot> slots) {
        for (Point point : radial.points()) {
            slots.add(slot(
                    address(Quantity.OPEN, new Site.AtPoint(radial.id(), point.id()))
                            .between(NEUTRAL, CPC),
                    setUps.method1(radial, radial.lines().getFirst()),
                    Places.front(radial.id(), point.id(), NEUTRAL),
                    Places.front(radial.id(), point.id(), CPC)));
            if (point.kind() == PointKind.ISOLATOR) {
                isolator(radial, point, slots);
            }
        }
    }

    private void isolator(Radial radial, Point isolator, List<Slot> slots) {
        Position off = new Position.Isolator(radial.id(), isolator.id(), false);
        slots.add(slot(
                address(Quantity.OPEN, new Site.IsolatorOff(radial.id(), isolator.id()))
                        .between(radial.lines().getFirst(), CPC),
                setUps.method1(radial, radial.lines().getFirst(), off),
                Places.front(radial.id(), isolator.id(), radial.lines().getFirst()),
                Places.front(radial.id(), isolator.id(), CPC)));
        slots.add(slot(
                address(Quantity.THROUGH, new Site.IsolatorOff(radial.id(), isolator.id()))
                        .between(NEUTRAL),
                setUps.method1(radial, radial.lines().getFirst(), off),
                Places.accessory(radial.id(), isolator.id(), NEUTRAL),
                Places.front(radial.id(), isolator.id(), NEUTRAL)));
    }

    private void lights(Lighting lighting, LightGroup group, List<Slot> slots) {
        LightGroup.Lamp lamp = group.lamps().getFirst();
        for (int i = 0; i < group.switches().size(); i++) {
            LightStates.State state = LightStates.only(group, i);
            Site site = new Site.LampFrom(
                    lighting.id(),
                    lamp.id(),
                    group.id(),
                    group.switches().get(i).id());
            slots.add(slot(
                    address(Quantity.OPEN, site).between(SWITCHED_LINE, CPC),
                    setUps.method1(lighting, LINE, new Position.Lights(lighting.id(), group.id(), state)),
                    Places.front(lighting.id(), lamp.id(), SWITCHED_LINE),
                    Places.front(lighting.id(), lamp.id(), CPC)));
        }
    }

    private static BoxAddress address(Quantity quantity, Site site) {
        return BoxAddress.of(TestKind.POLARITY, quantity, site);
    }

    private Slot slot(BoxAddress address, SetUp setUp, Terminal a, Terminal b) {
        return new Slot.Measured(
                headings.of(address),
                new Measurement.TwoProbe(Function.CONTINUITY, a, b),
                setUp,
                Optional.empty(),
                Optional.empty());
    }
}
