package prantel.server.sheet;

import java.util.Locale;
import prantel.core.instrument.Written;
import prantel.core.quantity.Check;

/** How a reading was understood, in words, so that a slip of the unit is seen where it is made. */
final class Understood {
    private Understood() {}

    static String of(Written written) {
        return switch (written) {
            case Written.Blank blank -> "";
            case Written.NotTested not -> "not tested";
            case Written.Unreadable unreadable -> "";
            case Written.Open open -> "over-range";
            case Written.Stopped stopped -> stopped.stop().words();
            case Written.Said said -> said.saying().words();
            case Written.Above above ->
                "over-range, above " + Check.plain(above.unit().fromBase(above.base())) + "\u2009"
                        + above.unit().symbol();
            case Written.Number number ->
                String.format(
                        Locale.ROOT,
                        "%." + number.places() + "f\u2009%s",
                        number.unit().fromBase(number.base()),
                        number.unit().symbol());
        };
    }
}
