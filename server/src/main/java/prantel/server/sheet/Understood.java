package prantel.server.sheet;

import prantel.core.instrument.Written;
import prantel.core.quantity.Check;

/** How a reading was understood, in words, so that a slip of the unit is seen where it is made. */
final class Understood {
    private Understood() {}

    static String of(Written written) {
        return switch (written) {
            case Written.Blank blank -> "";
            case Written.Unreadable unreadable -> "";
            case Written.Open open -> "over-range";
            case Written.Above above ->
                "over-range, above " + Check.plain(above.unit().fromBase(above.ohms())) + "\u2009"
                        + above.unit().symbol();
            case Written.Number number ->
                Check.plain(number.unit().fromBase(number.ohms())) + "\u2009"
                        + number.unit().symbol();
        };
    }
}
