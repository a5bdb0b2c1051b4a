package prantel.core.reference;

import java.util.ArrayList;
import java.util.List;
import prantel.core.limits.RingLoop;
import prantel.core.quantity.Check;

/** Ring steps 2 and 3 from step 1, with the value at each socket. */
final class RingCalculator extends Calculator {
    RingCalculator() {
        super(
                "ring",
                "Ring, steps 2 and 3",
                List.of(
                        Input.number("r1", "r1, line end to end", "Ω", "0.56"),
                        Input.number("rn", "rn, neutral end to end", "Ω", "0.55"),
                        Input.number("r2", "r2, CPC end to end", "Ω", "0.92"),
                        Input.number("sockets", "Sockets, evenly spaced", "", "5")));
    }

    @Override
    Answer answer(Values values) {
        RingLoop ring = new RingLoop(
                values.number("r1", 0.001, 100), values.number("rn", 0.001, 100), values.number("r2", 0.001, 100));
        int sockets = (int) Math.round(values.number("sockets", 1, 40));
        List<Line> lines = new ArrayList<>(List.of(
                line("Step 2, line crossed with neutral", ring.stepTwoOhms(), 3, "Ω"),
                line("Step 3, line crossed with CPC: R1+R2", ring.stepThreeOhms(), 3, "Ω")));
        for (int i = 1; i <= sockets; i++) {
            double share = (double) i / (sockets + 1);
            lines.add(new Line(
                    "Step 3 at socket " + i,
                    number(RingLoop.crossedOhms(ring.lineOhms(), ring.cpcOhms(), share), 3)
                            + "\u2009Ω; wrong ends joined "
                            + number(RingLoop.wrongEndsOhms(ring.lineOhms(), ring.cpcOhms(), share), 3) + "\u2009Ω"));
        }
        return new Answer(
                lines,
                List.of(
                        text(
                                "(r1 + rn) ÷ 4 = (%s + %s) ÷ 4 = %.3f Ω",
                                Check.plain(ring.lineOhms()), Check.plain(ring.neutralOhms()), ring.stepTwoOhms()),
                        text(
                                "(r1 + r2) ÷ 4 = (%s + %s) ÷ 4 = %.3f Ω",
                                Check.plain(ring.lineOhms()), Check.plain(ring.cpcOhms()), ring.stepThreeOhms()),
                        "At a socket a share x round the ring: P·Q ÷ (r1 + r2), P = x·r1 + (1−x)·r2, Q = (1−x)·r1 + x·r2"),
                "Physics: two ways round in parallel. Work them out before you measure.");
    }
}
