package prantel.core.reference;

import java.util.List;
import java.util.stream.Stream;
import prantel.core.limits.Breaker;
import prantel.core.limits.Fuse;
import prantel.core.limits.FuseTable;
import prantel.core.limits.Overcurrent;
import prantel.core.limits.ZsLimit;
import prantel.core.quantity.Check;

/** Zs by calculation, and its limit by device. */
final class ZsCalculator extends Calculator {
    private static final List<String> BREAKERS = List.of(
            "B6", "B10", "B16", "B20", "B32", "B40", "C6", "C10", "C16", "C20", "C32", "D6", "D10", "D16", "D20",
            "D32");

    ZsCalculator() {
        super(
                "zs",
                "Zs and its limit",
                List.of(
                        Input.choice("device", "Device", "", devices(), "B32"),
                        Input.number("ze", "Ze", "Ω", "0.35"),
                        Input.number("r1r2", "R1+R2", "Ω", "0.42"),
                        Input.number("u0", "U0", "V", "230")));
    }

    private static List<String> devices() {
        return Stream.concat(BREAKERS.stream(), FuseTable.all().stream().map(Fuse::label))
                .toList();
    }

    @Override
    Answer answer(Values values) {
        Overcurrent device = device(values.choice("device"));
        double ze = values.number("ze", 0, 1000);
        double r1r2 = values.number("r1r2", 0, 1000);
        double u0 = values.number("u0", 50, 400);
        double zs = ze + r1r2;
        double limit = device.zsMaxOhms(u0);
        double cold = ZsLimit.COLD_SHARE * limit;
        return new Answer(
                List.of(
                        line("Zs", zs, 2, "Ω"),
                        line("Limit, conductors warm", limit, 2, "Ω"),
                        line("80 % of it, for a reading taken cold", cold, 2, "Ω"),
                        new Line("A cold reading of that Zs", zs <= cold ? "satisfactory" : "not satisfactory")),
                List.of(
                        text("Ze + (R1+R2) = %s + %s = %.2f Ω", Check.plain(ze), Check.plain(r1r2), zs),
                        device.zsWorking(u0)),
                device.zsSource() + "; 80 %: common practice");
    }

    private static Overcurrent device(String label) {
        return FuseTable.all().stream()
                .<Overcurrent>map(f -> f)
                .filter(f -> f.label().equals(label))
                .findFirst()
                .orElseGet(() -> new Breaker(
                        Breaker.Curve.valueOf(label.substring(0, 1)), Double.parseDouble(label.substring(1))));
    }
}
