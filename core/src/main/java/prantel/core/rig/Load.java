package prantel.core.rig;

import prantel.core.network.Characteristic;
import prantel.core.quantity.Check;

/**
 * Something that uses current, as an instrument meets it: its resistance depends on the test voltage. Figures other than
 * U²/P are common practice, no source.
 *
 * @param watts at 230 V, W
 * @param leakMegohms insulation of a heating element to its metal, MΩ; 0 for sound
 */
public record Load(Kind kind, double watts, double leakMegohms) {
    private static final double VOLTS = 230;
    private static final double HOT_TO_COLD = 12;
    private static final double NEVER = 1e12;

    public Load {
        Check.all(
                () -> Check.between(watts, 0.1, 50_000, "watts", "W"),
                () -> Check.between(leakMegohms, 0, 1000, "leakMegohms", "MΩ"),
                () -> Check.that(
                        leakMegohms == 0 || kind == Kind.ELEMENT || kind == Kind.MOTOR,
                        "no-leak-here",
                        "leakMegohms",
                        Check.plain(leakMegohms) + " MΩ, " + kind.word,
                        "only an element or a motor leaks to its metal; leave it out"));
    }

    public Load(Kind kind, double watts) {
        this(kind, watts, 0);
    }

    /** Resistance when it runs at mains voltage, Ω. */
    public double hotOhms() {
        return VOLTS * VOLTS / watts;
    }

    /** Whether a test voltage can spoil it. Common practice, no source. */
    public boolean isElectronic() {
        return switch (kind) {
            case LED_DRIVER, USB_OUTLET, ALARM, DIMMER -> true;
            case FILAMENT_LAMP, NEON, ELEMENT, MOTOR -> false;
        };
    }

    /** Between its live terminals, by test voltage. */
    public Characteristic characteristic() {
        return switch (kind) {
            case FILAMENT_LAMP ->
                Characteristic.steps(hotOhms() / HOT_TO_COLD)
                        .andFrom(MAINS, hotOhms())
                        .andFrom(ABOVE_MAINS, hotOhms() / HOT_TO_COLD);
            case ELEMENT, MOTOR -> Characteristic.steps(hotOhms());
            case LED_DRIVER ->
                Characteristic.steps(2e6)
                        .andFrom(100, 300e3)
                        .andFrom(MAINS, hotOhms())
                        .andFrom(ABOVE_MAINS, 120e3);
            case NEON -> Characteristic.steps(NEVER).andFrom(90, 270e3);
            case USB_OUTLET -> Characteristic.steps(1e6).andFrom(100, 220e3);
            case ALARM -> Characteristic.steps(1.5e6).andFrom(100, 400e3);
            case DIMMER ->
                Characteristic.steps(NEVER)
                        .andFrom(50, 150e3)
                        .andFrom(MAINS, hotOhms())
                        .andFrom(ABOVE_MAINS, 90e3);
        };
    }

    /** Between 225 and 240 V a load is taken to run; insulation testers start at 250 V. */
    private static final double MAINS = 225;

    private static final double ABOVE_MAINS = 240;

    public enum Kind {
        FILAMENT_LAMP("filament-lamp", "filament lamp"),
        LED_DRIVER("led-driver", "LED driver"),
        NEON("neon", "neon indicator"),
        USB_OUTLET("usb-outlet", "USB outlet"),
        ALARM("alarm", "smoke alarm"),
        DIMMER("dimmer", "dimmer"),
        ELEMENT("element", "heating element"),
        MOTOR("motor", "motor");

        private final String id;
        private final String word;

        Kind(String id, String word) {
            this.id = id;
            this.word = word;
        }

        public String id() {
            return id;
        }

        public String word() {
            return word;
        }
    }
}
