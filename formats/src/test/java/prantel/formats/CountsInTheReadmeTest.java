package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import prantel.core.fault.FaultCatalogue;

/** What the README counts is what there is. */
class CountsInTheReadmeTest {
    private static final String[] WORDS = {
        "none", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve"
    };

    private static String readme() throws Exception {
        return Files.readString(Path.of("../README.md"));
    }

    @Test
    void kindsOfFault() throws Exception {
        Matcher counted = Pattern.compile("(\\d+) kinds").matcher(readme());
        assertThat(counted.find()).isTrue();
        assertThat(Integer.parseInt(counted.group(1)))
                .isEqualTo(FaultCatalogue.kinds().size());
    }

    @Test
    void schemesThatShip() throws Exception {
        assertThat(readme())
                .contains("which is a file: " + WORDS[ShippedSchemes.all().size()] + " ship");
    }

    @Test
    void rigsOfTheDemo() throws Exception {
        try (var files = Files.list(Path.of("../demo"))) {
            long rigs = files.filter(f -> f.toString().endsWith(".rig.json"))
                    .filter(f -> !f.toString().contains("-v1"))
                    .count();
            assertThat(readme()).contains("the " + WORDS[(int) rigs] + " invented rigs");
        }
    }
}
