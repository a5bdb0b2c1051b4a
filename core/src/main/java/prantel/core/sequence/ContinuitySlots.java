package prantel.core.sequence;

import static prantel.core.rig.Conductor.CPC;
import static prantel.core.rig.Conductor.SWITCHED_LINE;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import prantel.core.instrument.Tester.Function;
import prantel.core.limits.Limit;
import prantel.core.network.Terminal;
import prantel.core.procedure.LightStates;
import prantel.core.procedure.Position;
import prantel.core.procedure.SetUp;
import prantel.core.quantity.Check;
import prantel.core.rig.Cable;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.LightGroup;
import prantel.core.rig.LightSwitch;
import prantel.core.rig.Lighting;
import prantel.core.rig.Places;
import prantel.core.rig.Point;
import prantel.core.rig.Radial;
import prantel.core.rig.Rig;
import prantel.core.rig.Submain;
import prantel.core.scheme.Practice;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;

/** Continuity of CPCs: R1+R2 by method 1 at every point of a radial, R2 by wander lead at every point. */
final class ContinuitySlots {
    private final Rig rig;
    private final Headings headings;
    private final SetUps setUps;
    private final CircuitLimits limits;
    private final boolean atSwitches;

    ContinuitySlots(Rig rig, Scheme scheme, CircuitLimits limits) {
        this.rig = rig;
        this.headings = new Headings(rig, scheme);
        this.setUps = new SetUps(rig, scheme.practice().continuity().conduit());
        this.atSwitches = scheme.practice().continuity().switches() == Practice.Switches.TESTED;
        this.limits = limits;
    }

    List<Slot> method1() {
        List<Slot> slots = new ArrayList<>();
        for (Circuit circuit : rig.atBoardVoltage()) {
            List<Slot> readings = switch (circuit) {
                case Radial radial -> radial(radial);
                case Lighting lighting -> lighting(lighting);
                case Submain submain -> submain(submain);
                case prantel.core.rig.Ring ring -> List.of();
            };
            slots.addAll(readings);
            if (!readings.isEmpty()) {
                slots.add(
                        highest(headings, circuit, TestKind.R1_R2, Quantity.R1_R2, readings, limits.r1PlusR2(circuit)));
            }
        }
        return slots;
    }

    private List<Slot> radial(Radial radial) {
        List<Slot> slots = new ArrayList<>();
        for (Conductor line : radial.lines()) {
            SetUp setUp = setUps.method1(radial, line);
            for (Point point : radial.points()) {
                slots.add(r1r2(
                        atPoint(TestKind.R1_R2, Quantity.R1_R2, radial, point, line),
                        setUp,
                        Places.front(radial.id(), point.id(), line),
                        Places.front(radial.id(), point.id(), CPC),
                        Optional.of(byHand(radial.cable(), line, point.atMetres()))));
            }
        }
        return slots;
    }

    private static BoxAddress atPoint(TestKind test, Quantity quantity, Circuit circuit, Point point, Conductor line) {
        BoxAddress address = BoxAddress.of(test, quantity, new Site.AtPoint(circuit.id(), point.id()));
        return line == Conductor.LINE ? address : address.between(line);
    }

    private List<Slot> submain(Submain submain) {
        List<Slot> slots = new ArrayList<>();
        for (Conductor line : submain.lines()) {
            slots.add(r1r2(
                    BoxAddress.of(TestKind.R1_R2, Quantity.R1_R2, new Site.FarEnd(submain.id()))
                            .between(line),
                    setUps.method1(submain, line, new Position.FarSwitch(submain.feeds(), false)),
                    Places.incoming(rig, submain.feeds(), line),
                    Places.earthBar(submain.feeds()),
                    Optional.of(byHand(submain.cable(), line, submain.lengthMetres()))));
        }
        return slots;
    }

    /** At every lamp, for each position in which it is on: another strapper is in circuit each time. */
    private List<Slot> lighting(Lighting lighting) {
        List<Slot> slots = new ArrayList<>();
        for (LightGroup group : lighting.groups()) {
            List<LightStates.State> states = LightStates.onStates(group);
            for (LightGroup.Lamp lamp : group.lamps()) {
                for (int i = 0; i < states.size(); i++) {
                    LightStates.State state = states.get(i);
                    Site site = states.size() == 1
                            ? new Site.AtPoint(lighting.id(), lamp.id())
                            : new Site.LampOn(lighting.id(), lamp.id(), group.id(), i + 1);
                    slots.add(r1r2(
                            BoxAddress.of(TestKind.R1_R2, Quantity.R1_R2, site),
                            setUps.method1(
                                    lighting, Conductor.LINE, new Position.Lights(lighting.id(), group.id(), state)),
                            Places.front(lighting.id(), lamp.id(), SWITCHED_LINE),
                            Places.front(lighting.id(), lamp.id(), CPC),
                            Optional.empty()));
                }
            }
            if (atSwitches) {
                group.switches().forEach(s -> slots.add(atSwitch(lighting, group, s)));
            }
        }
        return slots;
    }

    /** Line to CPC where the line arrives: at the first switch its own terminal, further on the strapper in use. */
    private Slot atSwitch(Lighting lighting, LightGroup group, LightSwitch at) {
        LightStates.State found = LightStates.after(group, 0);
        Conductor line = at.equals(group.switches().getFirst()) ? Conductor.LINE : Conductor.STRAPPER_1;
        return r1r2(
                BoxAddress.of(TestKind.R1_R2, Quantity.R1_R2, new Site.AtPoint(lighting.id(), at.id())),
                setUps.method1(lighting, Conductor.LINE, new Position.Lights(lighting.id(), group.id(), found)),
                Places.accessory(lighting.id(), at.id(), line),
                Places.front(lighting.id(), at.id(), CPC),
                Optional.empty());
    }

    private Slot r1r2(BoxAddress address, SetUp setUp, Terminal a, Terminal b, Optional<ByHand> byHand) {
        return new Slot.Measured(
                headings.of(address),
                new Measurement.TwoProbe(Function.CONTINUITY, a, b),
                setUp,
                Optional.empty(),
                byHand);
    }

    private static ByHand byHand(Cable cable, Conductor line, double metres) {
        return byHand(cable, line, CPC, metres);
    }

    private static ByHand byHand(Cable cable, Conductor line, Conductor back, double metres) {
        double perMetre = cable.milliohmPerMetre(line) + cable.milliohmPerMetre(back);
        double ohms = perMetre * metres / 1000;
        return new ByHand(
                () -> String.format(
                        Locale.ROOT,
                        "%s m × %s mΩ/m (%s) = %.2f Ω",
                        Check.plain(metres),
                        Check.plain(perMetre),
                        cable.label(),
                        ohms),
                ohms);
    }

    /** R1+Rn at every point of each radial; the highest is recorded. */
    List<Slot> lineAndNeutral() {
        List<Slot> slots = new ArrayList<>();
        for (Circuit circuit : rig.atBoardVoltage()) {
            if (!(circuit instanceof Radial radial)) {
                continue;
            }
            List<Slot> readings = new ArrayList<>();
            for (Conductor line : radial.lines()) {
                SetUp setUp = setUps.lineToNeutral(radial, line);
                for (Point point : radial.points()) {
                    readings.add(new Slot.Measured(
                            headings.of(atPoint(TestKind.R1_RN, Quantity.R1_RN, radial, point, line)),
                            new Measurement.TwoProbe(
                                    Function.CONTINUITY,
                                    Places.front(radial.id(), point.id(), line),
                                    Places.front(radial.id(), point.id(), Conductor.NEUTRAL)),
                            setUp,
                            Optional.empty(),
                            Optional.of(byHand(radial.cable(), line, Conductor.NEUTRAL, point.atMetres()))));
                }
            }
            slots.addAll(readings);
            slots.add(highest(headings, radial, TestKind.R1_RN, Quantity.R1_RN, readings, Optional.empty()));
        }
        return slots;
    }

    List<Slot> method2() {
        List<Slot> slots = new ArrayList<>();
        for (Circuit circuit : rig.atBoardVoltage()) {
            SetUp setUp = setUps.method2(circuit);
            List<Slot> readings = new ArrayList<>();
            for (Point point : circuit.points()) {
                readings.add(r2(
                        new Site.AtPoint(circuit.id(), point.id()),
                        setUp,
                        Places.front(circuit.id(), point.id(), CPC)));
                if (point.metal()) {
                    readings.add(r2(
                            new Site.Metalwork(circuit.id(), point.id()),
                            setUp,
                            Places.metalwork(circuit.id(), point.id())));
                }
            }
            if (circuit instanceof Submain submain) {
                readings.add(r2(new Site.FarEnd(circuit.id()), setUp, Places.earthBar(submain.feeds())));
            }
            slots.addAll(readings);
            slots.add(highest(headings, circuit, TestKind.R2, Quantity.R2, readings, limits.r2(circuit)));
        }
        return slots;
    }

    private Slot r2(Site site, SetUp setUp, Terminal probe) {
        return new Slot.Measured(
                headings.of(BoxAddress.of(TestKind.R2, Quantity.R2, site)),
                new Measurement.TwoProbe(Function.CONTINUITY_WANDER_LEAD, Places.MET, probe),
                setUp,
                Optional.empty(),
                Optional.empty());
    }

    /** The one of a circuit's readings that stands on the record. */
    static Slot highest(
            Headings headings,
            Circuit circuit,
            TestKind test,
            Quantity quantity,
            List<Slot> of,
            Optional<Limit> limit) {
        return new Slot.Composed(
                headings.of(BoxAddress.of(test, quantity, new Site.Whole(circuit.id()))
                        .forTheRecord()),
                Slot.Rule.HIGHEST,
                of.stream().map(Slot::id).toList(),
                limit);
    }
}
