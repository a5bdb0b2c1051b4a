package prantel.core.practice;

import java.util.List;
import java.util.Optional;
import prantel.core.instrument.Tester.Function;
import prantel.core.procedure.Contact;
import prantel.core.procedure.Deed;

/**
 * The tester as it is held.
 *
 * @param probes where its leads are, the first one's place first; none while they are in the hand
 * @param nulled the leads that were nulled last; empty for none
 * @param milliamps what an RCD test draws, mA
 * @param negativeHalf whether it starts with the negative half-wave, 180°
 */
public record Hand(
        Function function, List<Contact> probes, Optional<Deed.Leads> nulled, double milliamps, boolean negativeHalf) {
    /** As it comes out of its case. */
    public static final Hand NEW = new Hand(Function.VOLTAGE, List.of(), Optional.empty(), 30, false);

    public Hand {
        probes = List.copyOf(probes);
    }

    Hand choosing(Function other) {
        return new Hand(other, probes, nulled, milliamps, negativeHalf);
    }

    Hand probing(List<Contact> places) {
        return new Hand(function, places, nulled, milliamps, negativeHalf);
    }

    Hand nulling(Deed.Leads leads) {
        return new Hand(function, probes, Optional.of(leads), milliamps, negativeHalf);
    }

    Hand drawing(double amps, boolean negative) {
        return new Hand(function, probes, nulled, amps, negative);
    }

    /** Whether what these leads add is taken off. */
    public boolean isNulled() {
        return nulled.filter(l -> (l == Deed.Leads.PAIR) == (function == Function.CONTINUITY))
                .isPresent();
    }
}
