package prantel.core.practice;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Quantity;

/** The drills that come with the application. What is worth drilling: common practice, no source. */
public final class Drills {
    private static final int SHORT = 4;
    private static final int USUAL = 6;

    private static final List<Drill> ALL = List.of(
            drill(
                    "safe-isolation",
                    "Safe isolation",
                    "Off, locked, and proved dead between every pair with an indicator that was proved before and after.",
                    asks(1, TestKind.R1_R2)),
            drill(
                    "continuity",
                    "R1+R2 by method 1",
                    "Line and CPC joined at the board: what each point reads grows with its distance.",
                    asks(USUAL, TestKind.R1_R2)),
            drill(
                    "wander-lead",
                    "R2 with the wander lead",
                    "One lead on the MET, the long lead nulled with it, loads and links left alone.",
                    asks(USUAL, TestKind.R2)),
            drill(
                    "ring-crossing",
                    "Ring: ends, then crossed",
                    "Each conductor end to end, then crossed: every socket on the ring reads nearly the same.",
                    asks(10, TestKind.RING)),
            drill(
                    "ring-spur",
                    "Ring: what is out of step",
                    "One leg, joint or spur is not like the others. Which socket tells you?",
                    asks(10, TestKind.RING),
                    "ring-leg-open",
                    "ring-bridged",
                    "high-resistance-joint",
                    "ring-ends-exchanged"),
            drill(
                    "insulation",
                    "Insulation of a circuit",
                    "Loads and electronics out, every switch operated, every pair.",
                    asks(USUAL, TestKind.INSULATION)),
            drill(
                    "low-insulation",
                    "Find a low insulation",
                    "One pair is low. Halve the circuit until you know where.",
                    asks(USUAL, TestKind.INSULATION),
                    "low-insulation",
                    "wet-accessory",
                    "dead-short"),
            drill(
                    "ze",
                    "Ze with the earth off",
                    "Main switch off and locked, earthing conductor off the MET, and put back straight afterwards.",
                    new Drill.Asks(Set.of(TestKind.ZE), Set.of(Quantity.ZE), 2)),
            drill(
                    "zs",
                    "Zs at the points",
                    "Closed up and live; no RCD trips where the test draws little enough.",
                    asks(SHORT, TestKind.ZS)),
            drill(
                    "rcd",
                    "RCD times",
                    "Half stays in, once and five times trip, from both half-waves; put on again after each.",
                    asks(USUAL, TestKind.RCD)));

    private Drills() {}

    private static Drill drill(String id, String title, String idea, Drill.Asks asks, String... faults) {
        return new Drill(id, title, idea, asks, List.of(faults));
    }

    private static Drill.Asks asks(int most, TestKind... tests) {
        return new Drill.Asks(Set.of(tests), Set.of(), most);
    }

    public static List<Drill> all() {
        return ALL;
    }

    public static Optional<Drill> find(String id) {
        return ALL.stream().filter(d -> d.id().equals(id)).findFirst();
    }

    /** Those that a rig has something for. */
    public static List<Drill> fitting(Rig rig, Scheme scheme) {
        return ALL.stream().filter(d -> !d.boxes(rig, scheme).isEmpty()).toList();
    }
}
