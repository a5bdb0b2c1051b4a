package prantel.server.practice;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import prantel.core.expectation.Key;
import prantel.core.expectation.Window;
import prantel.core.instrument.Notation;
import prantel.core.instrument.Written;
import prantel.core.sequence.Slot;
import prantel.server.picture.Pictures;

/** A sound rig's readings along a circuit, with the learner's own beside them. */
final class PracticeProfile {
    private PracticeProfile() {}

    record ProfileOfBox(Pictures.ProfileCurve curve, Pictures.CircuitLine circuit, List<ProfileDot> dots) {}

    /** @param side of what a sound rig reads: "inside", "above", "below", "nothing" */
    record ProfileDot(String station, @Nullable Double ohms, boolean overRange, String side, String text) {}

    /** Empty where the box is not taken along a circuit. */
    static Optional<ProfileOfBox> of(Practices practices, Practices.Open open) {
        Optional<Slot.Measured> box = open.going().box(open.row().box());
        if (box.isEmpty() || box.get().circuit().isEmpty()) {
            return Optional.empty();
        }
        Key sound = practices.soundKey(open.row());
        String circuit = box.get().circuit().get().value();
        return Pictures.profiles(sound, box.get().address().quantity()).stream()
                .filter(c -> c.circuit().equals(circuit))
                .findFirst()
                .flatMap(curve -> Pictures.circuits(sound.rig()).stream()
                        .filter(c -> c.id().equals(circuit))
                        .findFirst()
                        .map(line -> new ProfileOfBox(curve, line, dots(open, sound, box.get()))));
    }

    private static List<ProfileDot> dots(Practices.Open open, Key sound, Slot.Measured box) {
        return open.going().boxes().stream()
                .filter(b -> b.circuit().equals(box.circuit())
                        && b.address().quantity() == box.address().quantity()
                        && b.spot().point().isPresent()
                        && open.readings().containsKey(b.id().value()))
                .map(b -> dot(b, String.valueOf(open.readings().get(b.id().value())), sound))
                .toList();
    }

    private static ProfileDot dot(Slot.Measured box, String text, Key sound) {
        Written written = Notation.read(text, box.boxUnit());
        Double ohms = written instanceof Written.Number number ? number.base() : null;
        boolean over = written instanceof Written.Above || written instanceof Written.Open;
        Window.Side side = sound.expectation(box.id()).healthyWindow().sideOf(written);
        return new ProfileDot(
                box.spot().point().orElseThrow().value(),
                ohms,
                over,
                ohms == null && !over
                        ? "nothing"
                        : side.name().toLowerCase(Locale.ROOT).replace('_', '-'),
                text);
    }
}
