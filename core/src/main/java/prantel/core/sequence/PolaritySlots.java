package prantel.core.sequence;

import static prantel.core.rig.Conductor.CPC;
import static prantel.core.rig.Conductor.LINE;
import static prantel.core.rig.Conductor.NEUTRAL;
import static prantel.core.rig.Conductor.SWITCHED_LINE;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prantel.core.instrument.Tester.Function;
import prantel.core.network.Edit;
import prantel.core.network.Terminal;
import prantel.core.procedure.Action;
import prantel.core.procedure.SetUp;
import prantel.core.quantity.Unit;
import prantel.core.rig.Circuit;
import prantel.core.rig.LightGroup;
import prantel.core.rig.Lighting;
import prantel.core.rig.Places;
import prantel.core.rig.Point;
import prantel.core.rig.PointKind;
import prantel.core.rig.Radial;
import prantel.core.rig.Rig;
import prantel.core.scheme.TestKind;

/**
 * Dead polarity as readings that must be open: N–E at each point with line and CPC linked, L–E at each lamp with a switch
 * off and behind each isolator that is off. A reading there means conductors exchanged or a switch in the neutral.
 */
final class PolaritySlots {
    private final Rig rig;
    private final SetUps setUps;

    PolaritySlots(Rig rig) {
        this.rig = rig;
        this.setUps = new SetUps(rig);
    }

    List<Slot> all() {
        List<Slot> slots = new ArrayList<>();
        for (Circuit circuit : rig.atBoardVoltage()) {
            if (circuit instanceof Radial radial) {
                radial(radial, slots);
            } else if (circuit instanceof Lighting lighting) {
                lighting.groups().forEach(g -> lights(lighting, g, slots));
            }
        }
        return slots;
    }

    private void radial(Radial radial, List<Slot> slots) {
        for (Point point : radial.points()) {
            slots.add(slot(
                    radial,
                    point.id().value(),
                    "N–E, open",
                    Spot.of(radial, point),
                    setUps.method1(radial, radial.lines().getFirst(), List.of()),
                    Places.front(radial.id(), point.id(), NEUTRAL),
                    Places.front(radial.id(), point.id(), CPC)));
            if (point.kind() == PointKind.ISOLATOR) {
                isolator(radial, point, slots);
            }
        }
    }

    private void isolator(Radial radial, Point isolator, List<Slot> slots) {
        List<Edit> off = new ArrayList<>();
        radial.lines().forEach(l -> off.add(new Edit.Open(Places.pole(radial.id(), isolator.id(), l))));
        off.add(new Edit.Open(Places.pole(radial.id(), isolator.id(), NEUTRAL)));
        slots.add(slot(
                radial,
                isolator.id() + "/off",
                radial.lines().getFirst().letter() + "–E, open",
                Spot.of(radial, isolator, "off"),
                setUps.method1(
                        radial, radial.lines().getFirst(), List.of(new Action.Operate(isolator.label() + " off", off))),
                Places.front(radial.id(), isolator.id(), radial.lines().getFirst()),
                Places.front(radial.id(), isolator.id(), CPC)));
        slots.add(slot(
                radial,
                isolator.id() + "/off-neutral",
                "N through, open",
                Spot.of(radial, isolator, "off"),
                setUps.method1(
                        radial, radial.lines().getFirst(), List.of(new Action.Operate(isolator.label() + " off", off))),
                Places.accessory(radial.id(), isolator.id(), NEUTRAL),
                Places.front(radial.id(), isolator.id(), NEUTRAL)));
    }

    private void lights(Lighting lighting, LightGroup group, List<Slot> slots) {
        LightGroup.Lamp lamp = group.lamps().getFirst();
        for (int i = 0; i < group.switches().size(); i++) {
            LightStates.State state = LightStates.only(group, i);
            String words = LightStates.words(group, state);
            slots.add(slot(
                    lighting,
                    lamp.id() + "/" + group.switches().get(i).id(),
                    "SL–E, open",
                    Spot.of(lighting, lighting.point(lamp.id()), words),
                    setUps.method1(
                            lighting,
                            LINE,
                            List.of(new Action.Operate(words, LightStates.edits(lighting.id(), group, state)))),
                    Places.front(lighting.id(), lamp.id(), SWITCHED_LINE),
                    Places.front(lighting.id(), lamp.id(), CPC)));
        }
    }

    private static Slot slot(
            Circuit circuit, String id, String quantity, Spot spot, SetUp setUp, Terminal a, Terminal b) {
        return new Slot.Measured(
                new Slot.Heading(
                        new SlotId(SlotIds.of(circuit.id()) + "/polarity/" + id),
                        TestKind.POLARITY,
                        quantity,
                        spot,
                        Unit.OHM),
                new Measurement.TwoProbe(Function.CONTINUITY, a, b),
                setUp,
                Optional.empty(),
                Optional.empty());
    }
}
