package prantel.server.account;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import prantel.server.account.PairingCodes.Sheet;
import prantel.server.web.Refusal;

class PairingCodesTest {
    private final AtomicLong nanos = new AtomicLong(1);
    private final PairingCodes codes = new PairingCodes(nanos::get);

    private void pass(Duration time) {
        nanos.addAndGet(time.toNanos());
    }

    private static String address(int i) {
        return "127." + (i / 250) + "." + (i % 250) + ".7";
    }

    @Test
    void aCodeOfEightFiguresOpensOneSheetOnce() {
        String code = codes.make(new Sheet("a", "petra"));
        assertThat(code).matches("[0-9]{8}");
        assertThat(codes.redeem(code.substring(0, 4) + " " + code.substring(4), "10.0.0.1"))
                .hasValueSatisfying(l -> assertThat(l.sheet().assessmentId()).isEqualTo("a"));
        assertThat(codes.redeem(code, "10.0.0.1")).isEmpty();
    }

    /** Six figures were guessed from many addresses of one machine in 125 s, with 19 codes out. */
    @Test
    void whoeverHasManyAddressesGuessesNoMoreThanAFew() {
        for (int i = 0; i < 19; i++) {
            codes.make(new Sheet("a" + i, "petra"));
        }
        int tried = 0;
        for (int i = 0; i < 5000; i++) {
            try {
                codes.redeem("%08d".formatted(i), address(i));
                tried++;
            } catch (Refusal e) {
                // waits
            }
        }
        assertThat(tried).isEqualTo(PairingCodes.MOST_WRONG);
        assertThat(codes.waits()).isPositive();
        String right = codes.make(new Sheet("b", "owen"));
        assertThatThrownBy(() -> codes.redeem(right, "192.168.1.5"))
                .as("nobody's, until some of the wrong ones are old")
                .hasMessageContaining("not taken for some minutes");
        pass(PairingCodes.LASTS.plusSeconds(1));
        assertThat(codes.waits()).isZero();
    }

    @Test
    void oneNetworkIsOneGuesserHoweverManyAddressesItHas() {
        int tried = 0;
        for (int i = 0; i < 40; i++) {
            try {
                codes.redeem("12345678", "2001:db8:1:2::" + Integer.toHexString(i + 1));
                tried++;
            } catch (Refusal e) {
                // waits
            }
        }
        assertThat(tried).isEqualTo(Guesses.MOST);
        assertThat(codes.redeem("12345678", "2001:db8:1:3::1"))
                .as("another network may try")
                .isEmpty();
    }

    @Test
    void rightCodesAreNotCounted() {
        for (int i = 0; i < 3 * PairingCodes.MOST_WRONG; i++) {
            String code = codes.make(new Sheet("a" + i, "petra"));
            assertThat(codes.redeem(code, "10.0.0.1")).isPresent();
        }
        assertThat(codes.waits()).isZero();
    }

    @Test
    void theNextTabletOnASheetEndsTheOneBefore() {
        Sheet sheet = new Sheet("a", "petra");
        long first = codes.redeem(codes.make(sheet), "10.0.0.1").orElseThrow().tablet();
        assertThat(codes.isLast("a", first)).isTrue();
        String next = codes.make(sheet);
        assertThat(codes.isLast("a", first))
                .as("a code that nobody used yet ends nothing")
                .isTrue();
        codes.redeem(next, "10.0.0.2");
        assertThat(codes.isLast("a", first)).isFalse();
    }
}
