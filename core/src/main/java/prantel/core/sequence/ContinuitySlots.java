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
import prantel.core.procedure.Action;
import prantel.core.procedure.SetUp;
import prantel.core.quantity.Check;
import prantel.core.quantity.Unit;
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
    private final SetUps setUps;
    private final CircuitLimits limits;
    private final boolean atSwitches;

    ContinuitySlots(Rig rig, Scheme scheme, CircuitLimits limits) {
        this.rig = rig;
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
                slots.add(highest(circuit, TestKind.R1_R2, "r1r2", "R1+R2", readings, limits.r1PlusR2(circuit)));
            }
        }
        return slots;
    }

    private List<Slot> radial(Radial radial) {
        List<Slot> slots = new ArrayList<>();
        for (Conductor line : radial.lines()) {
            SetUp setUp = setUps.method1(radial, line, List.of());
            for (Point point : radial.points()) {
                slots.add(r1r2(
                        radial,
                        SlotIds.of(radial.id()) + "/r1r2/" + point.id() + suffix(line),
                        line == Conductor.LINE ? Spot.of(radial, point) : Spot.of(radial, point, line.letter()),
                        setUp,
                        Places.front(radial.id(), point.id(), line),
                        Places.front(radial.id(), point.id(), CPC),
                        Optional.of(byHand(radial.cable(), line, point.atMetres()))));
            }
        }
        return slots;
    }

    private static String suffix(Conductor line) {
        return line == Conductor.LINE ? "" : "-" + line.id();
    }

    private List<Slot> submain(Submain submain) {
        List<Slot> slots = new ArrayList<>();
        for (Conductor line : submain.lines()) {
            slots.add(r1r2(
                    submain,
                    SlotIds.of(submain.id()) + "/r1r2/" + line.id(),
                    Spot.of(submain, rig.board(submain.feeds()).label() + (line == Conductor.LINE ? "" : ", " + line)),
                    setUps.method1(
                            submain,
                            line,
                            List.of(new Action.Operate(
                                    "Main switch of "
                                            + rig.board(submain.feeds()).label() + " off",
                                    setUps.mainSwitchOff(rig.board(submain.feeds()))))),
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
            List<LightStates.State> states = onStates(group);
            for (LightGroup.Lamp lamp : group.lamps()) {
                Point point = lighting.point(lamp.id());
                for (int i = 0; i < states.size(); i++) {
                    LightStates.State state = states.get(i);
                    boolean only = states.size() == 1;
                    slots.add(r1r2(
                            lighting,
                            SlotIds.of(lighting.id()) + "/r1r2/" + lamp.id() + (only ? "" : "/position-" + (i + 1)),
                            only ? Spot.of(lighting, point) : Spot.of(lighting, point, LightStates.words(group, state)),
                            setUps.method1(
                                    lighting,
                                    Conductor.LINE,
                                    List.of(new Action.Operate(
                                            group.label() + ": " + LightStates.words(group, state),
                                            LightStates.edits(lighting.id(), group, state)))),
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
                lighting,
                SlotIds.of(lighting.id()) + "/r1r2/" + at.id(),
                Spot.of(lighting, lighting.point(at.id())),
                setUps.method1(
                        lighting,
                        Conductor.LINE,
                        List.of(new Action.Operate(
                                group.label() + ": " + LightStates.words(group, found),
                                LightStates.edits(lighting.id(), group, found)))),
                Places.accessory(lighting.id(), at.id(), line),
                Places.front(lighting.id(), at.id(), CPC),
                Optional.empty());
    }

    /** As found, and with each switch operated together with the first: every strapper is used once. */
    private static List<LightStates.State> onStates(LightGroup group) {
        List<LightStates.State> states = new ArrayList<>(List.of(LightStates.after(group, 0)));
        for (int i = 1; i < group.switches().size(); i++) {
            states.add(LightStates.pair(group, i));
        }
        return states;
    }

    private static Slot r1r2(
            Circuit circuit, String id, Spot spot, SetUp setUp, Terminal a, Terminal b, Optional<ByHand> byHand) {
        return new Slot.Measured(
                new Slot.Heading(new SlotId(id), TestKind.R1_R2, "R1+R2", spot, Unit.OHM),
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
                String.format(
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
                            new Slot.Heading(
                                    new SlotId(SlotIds.of(radial.id()) + "/r1rn/" + point.id() + suffix(line)),
                                    TestKind.R1_RN,
                                    "R1+Rn",
                                    line == Conductor.LINE
                                            ? Spot.of(radial, point)
                                            : Spot.of(radial, point, line.letter()),
                                    Unit.OHM),
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
            slots.add(highest(radial, TestKind.R1_RN, "r1rn", "R1+Rn", readings, Optional.empty()));
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
                        circuit,
                        point.id().value(),
                        Spot.of(circuit, point),
                        setUp,
                        Places.front(circuit.id(), point.id(), CPC)));
                if (point.metal()) {
                    readings.add(r2(
                            circuit,
                            point.id() + "/metalwork",
                            Spot.of(circuit, point, "metalwork"),
                            setUp,
                            Places.metalwork(circuit.id(), point.id())));
                }
            }
            if (circuit instanceof Submain submain) {
                readings.add(r2(
                        circuit,
                        "far-end",
                        Spot.of(circuit, rig.board(submain.feeds()).label() + ", earth bar"),
                        setUp,
                        Places.earthBar(submain.feeds())));
            }
            slots.addAll(readings);
            slots.add(highest(circuit, TestKind.R2, "r2", "R2", readings, limits.r2(circuit)));
        }
        return slots;
    }

    private static Slot r2(Circuit circuit, String id, Spot spot, SetUp setUp, Terminal probe) {
        return new Slot.Measured(
                new Slot.Heading(new SlotId(SlotIds.of(circuit.id()) + "/r2/" + id), TestKind.R2, "R2", spot, Unit.OHM),
                new Measurement.TwoProbe(Function.CONTINUITY_WANDER_LEAD, Places.MET, probe),
                setUp,
                Optional.empty(),
                Optional.empty());
    }

    static Slot highest(
            Circuit circuit, TestKind step, String id, String quantity, List<Slot> of, Optional<Limit> limit) {
        return new Slot.Composed(
                new Slot.Heading(
                        new SlotId(SlotIds.of(circuit.id()) + "/" + id),
                        step,
                        quantity,
                        Spot.of(circuit, circuit.label() + ", for the record"),
                        Unit.OHM),
                Slot.Rule.HIGHEST,
                of.stream().map(Slot::id).toList(),
                limit);
    }
}
