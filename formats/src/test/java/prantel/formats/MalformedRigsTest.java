package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.fixtures.RandomRigs;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Rig;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Rig files broken in hundreds of ways: each is refused with located problems, or is a rig after all. Never anything else. */
@Timeout(value = 120, unit = TimeUnit.SECONDS)
class MalformedRigsTest {
    private static final int FILES_A_BATCH = 120;

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void brokenFileIsRefusedWithEveryProblemInItsPlace(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int refused = 0;
        for (int i = 0; i < FILES_A_BATCH; i++) {
            ObjectNode root = RigWriter.write(RandomRigs.rig(random));
            for (int n = random.nextInt(1, 4); n > 0; n--) {
                breakSomewhere(root, random);
            }
            if (isRefused(root.toString(), "seed " + seed + ", file " + i)) {
                refused++;
            }
        }
        assertThat(refused).as("files that were really broken").isGreaterThan(FILES_A_BATCH / 2);
    }

    @ParameterizedTest
    @ValueSource(longs = {11, 12, 13})
    void fileWithLostOrStrayCharactersIsRefused(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int i = 0; i < FILES_A_BATCH; i++) {
            StringBuilder text =
                    new StringBuilder(RigWriter.write(RandomRigs.rig(random)).toString());
            for (int n = random.nextInt(1, 6); n > 0; n--) {
                int at = random.nextInt(text.length());
                if (random.nextBoolean()) {
                    text.deleteCharAt(at);
                } else {
                    text.insert(at, "{}[]\",:0e-\u0000ω".charAt(random.nextInt(12)));
                }
            }
            isRefused(text.toString(), "seed " + seed + ", file " + i);
        }
    }

    private static boolean isRefused(String text, String what) {
        try {
            RigFile.read(text.getBytes(StandardCharsets.UTF_8));
            return false;
        } catch (ProblemsException e) {
            assertThat(e.problems())
                    .as(what)
                    .isNotEmpty()
                    .allSatisfy(p -> assertThat(p.mend())
                            .as("how to mend " + p + " in " + what)
                            .isNotBlank());
            return true;
        }
    }

    private static void breakSomewhere(ObjectNode root, SplittableRandom random) {
        List<ObjectNode> objects = new ArrayList<>();
        collect(root, objects);
        ObjectNode object = objects.get(random.nextInt(objects.size()));
        List<String> fields = List.copyOf(object.propertyNames());
        if (fields.isEmpty()) {
            return;
        }
        String field = fields.get(random.nextInt(fields.size()));
        switch (random.nextInt(9)) {
            case 0 -> object.remove(field);
            case 1 -> object.put(field, "a lot");
            case 2 -> object.put(field, -1e300);
            case 3 -> object.put(field, 1e300);
            case 4 -> object.putNull(field);
            case 5 -> object.putArray(field).add(true);
            case 6 -> object.put(field + "s", 1);
            case 7 -> object.put(field, 0);
            default -> object.putObject(field).put("id", "No Good");
        }
    }

    private static void collect(JsonNode node, List<ObjectNode> objects) {
        if (node instanceof ObjectNode object) {
            objects.add(object);
        }
        if (node instanceof ObjectNode || node instanceof ArrayNode) {
            node.forEach(child -> collect(child, objects));
        }
    }

    /** One mistake each, with the place that must be named. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"way\":3|\"way\":99|/circuits/0/way",
                "\"kind\":\"radial\"|\"kind\":\"star\"|/circuits/0/kind",
                "\"atMetres\":13|\"atMetres\":2|/circuits/0/points/1/atMetres",
                "\"ratedAmps\":20|\"ratedAmps\":-20|/circuits/0/device/ratedAmps",
                "\"earthing\":\"TN-C-S\"|\"earthing\":\"TT\"|electrodeOhms",
                "\"declaredZeOhms\":0.35|\"declaredZeOhms\":\"small\"|/supply/declaredZeOhms",
                "\"id\":\"socket-2\"|\"id\":\"socket-1\"|/circuits/0/points/1/id",
                "\"liveMm2\":2.5|\"liveMm2\":2.6|/circuits/0/cable"
            })
    void mistakeIsNamedInItsPlace(String right, String wrong, String where) throws Exception {
        String text =
                java.nio.file.Files.readString(java.nio.file.Path.of("src/test/resources/rigs/one-radial.rig.json"));
        String current = RigWriter.write(RigFile.read(text.getBytes(StandardCharsets.UTF_8)))
                .toString()
                .replace(".0,", ",")
                .replace(".0}", "}");
        assertThat(current).contains(right);
        String broken = current.replaceFirst(java.util.regex.Pattern.quote(right), wrong);
        assertThatThrownBy(() -> RigFile.read(broken.getBytes(StandardCharsets.UTF_8)))
                .isInstanceOfSatisfying(
                        ProblemsException.class,
                        e -> assertThat(e.problems().stream()
                                        .map(Problem::toString)
                                        .toList()
                                        .toString())
                                .contains(where));
    }

    @Test
    void hugeAndDeepFilesAreRefusedBeforeTheyAreUnderstood() {
        byte[] huge = ("{\"format\":\"" + "x".repeat(3_000_000) + "\"}").getBytes(StandardCharsets.UTF_8);
        assertThatThrownBy(() -> RigFile.read(huge)).hasMessageContaining("KiB");
        byte[] deep = ("[".repeat(5000) + "]".repeat(5000)).getBytes(StandardCharsets.UTF_8);
        assertThatThrownBy(() -> RigFile.read(deep)).isInstanceOf(ProblemsException.class);
        StringBuilder many = new StringBuilder(
                RigWriter.write(RandomRigs.rig(new SplittableRandom(5))).toString());
        String circuits = "\"circuits\":[" + "{},".repeat(500) + "{}]";
        many.replace(many.indexOf("\"circuits\""), many.length(), circuits + "}");
        assertThatThrownBy(() -> RigFile.read(many.toString().getBytes(StandardCharsets.UTF_8)))
                .hasMessageContaining("circuits");
    }

    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23, 24, 25})
    void everyRigIsReadBackAsItWasWritten(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int i = 0; i < 200; i++) {
            Rig rig = RandomRigs.rig(random);
            assertThat(RigFile.read(RigFile.write(rig)))
                    .as("seed " + seed + ", rig " + i)
                    .isEqualTo(rig);
        }
    }

    @Test
    void templatesAreSoundRigsAndCircuits() throws Exception {
        ObjectNode root = (ObjectNode) JsonFile.MAPPER.readTree(RigTemplates.rig());
        ((ObjectNode) root.get("supply"))
                .putArray("lines")
                .add(line())
                .add(line())
                .add(line());
        ArrayNode circuits = root.putArray("circuits");
        int way = 1;
        for (RigTemplates.Template template : RigTemplates.circuits()) {
            ObjectNode circuit = (ObjectNode) JsonFile.MAPPER.readTree(template.json());
            circuits.add(circuit.put("way", way).put("id", template.id()));
            way++;
        }
        assertThat(RigFile.read(root.toString().getBytes(StandardCharsets.UTF_8))
                        .circuits())
                .hasSize(RigTemplates.circuits().size());
        assertThat(RigFile.read(RigTemplates.rig().getBytes(StandardCharsets.UTF_8))
                        .circuits())
                .hasSize(1);
    }

    private static ObjectNode line() {
        return JsonFile.MAPPER.createObjectNode().put("ohms", 0.1);
    }
}
