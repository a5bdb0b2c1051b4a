package prantel.core.sequence;

import prantel.core.limits.RingLoop;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.LightGroup;
import prantel.core.rig.LightSwitch;
import prantel.core.rig.Lighting;
import prantel.core.rig.Point;
import prantel.core.rig.Radial;
import prantel.core.rig.Ring;
import prantel.core.rig.Submain;

/** What length and cross-section alone give for a circuit: cable by IEC 60228, no joints. */
final class CircuitLength {
    private CircuitLength() {}

    /** Highest R1+R2 of its points, Ω; of a submain that of its far end. */
    static double r1PlusR2Ohms(Circuit circuit) {
        double line = circuit.cable().milliohmPerMetre(circuit.lines().getFirst()) / 1000;
        double cpc = circuit.cable().milliohmPerMetre(Conductor.CPC) / 1000;
        return switch (circuit) {
            case Radial radial ->
                (line + cpc)
                        * radial.points().stream()
                                .mapToDouble(Point::atMetres)
                                .max()
                                .orElse(0);
            case Submain submain -> (line + cpc) * submain.lengthMetres();
            case Ring ring -> ring(ring) + (line + cpc) * spurMetres(ring);
            case Lighting lighting -> lighting(lighting, line, cpc);
        };
    }

    private static double ring(Ring ring) {
        return new RingLoop(
                        ring.openLoopOhms(Conductor.LINE),
                        ring.openLoopOhms(Conductor.NEUTRAL),
                        ring.openLoopOhms(Conductor.CPC))
                .stepThreeOhms();
    }

    private static double spurMetres(Ring ring) {
        return ring.points().stream()
                .mapToDouble(p -> RingSpurs.metres(ring, p))
                .max()
                .orElse(0);
    }

    /** To the last lamp of each group: the line goes by way of all switches and back to where the cable came from. */
    private static double lighting(Lighting lighting, double line, double cpc) {
        double trunk = 0;
        double highest = 0;
        for (LightGroup group : lighting.groups()) {
            double lamps = group.lamps().stream()
                    .mapToDouble(LightGroup.Lamp::runMetres)
                    .sum();
            double switches =
                    group.switches().stream().mapToDouble(s -> s.runMetres()).sum();
            boolean atLamp = group.feed() == LightGroup.Feed.LAMP;
            double first = atLamp
                    ? group.lamps().getFirst().runMetres()
                    : group.switches().getFirst().runMetres();
            boolean through = group.feed() == LightGroup.Feed.THROUGH;
            double longerStrappers = group.switches().stream()
                    .mapToDouble(LightSwitch::secondStrapperMoreMetres)
                    .sum();
            double roundSwitches = (through ? 0 : 2 * (atLamp ? switches : switches - first)) + longerStrappers;
            double along = trunk + (atLamp ? lamps : (through ? switches : first) + lamps);
            highest = Math.max(highest, line * (along + roundSwitches) + cpc * along);
            trunk += first;
        }
        return highest;
    }
}
