package prantel.server.account;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Lines as browsers send them (from memory). */
class DeviceWordsTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0 | Firefox on Linux",
                "Mozilla/5.0 (Windows NT 10.0; Win64; x64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/141.0.0.0 Safari/537.36 Edg/141.0.0.0 | Edge on Windows",
                "Mozilla/5.0 (Linux; Android 15; Tab) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/141.0.0.0 Safari/537.36 | Chrome on Android",
                "Mozilla/5.0 (iPad; CPU OS 18_1 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.1 Mobile/15E148 Safari/604.1 | Safari on iPad",
                "Mozilla/5.0 (Macintosh; Intel Mac OS X 10_15_7) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.1 Safari/605.1.15 | Safari on macOS",
                "curl/8.5.0 | curl/8.5.0"
            })
    void aDeviceIsNamedSoThatItsOwnerKnowsIt(String agent, String words) {
        assertThat(DeviceWords.of(agent)).isEqualTo(words);
    }
}
