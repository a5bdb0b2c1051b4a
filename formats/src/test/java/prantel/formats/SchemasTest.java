package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The published schemas beside the standard (JSON Schema 2020-12), and the demo's files beside the schemas. */
class SchemasTest {
    private static final JsonMapper JSON = new JsonMapper();
    private static final Path SCHEMAS = Path.of("src/main/resources/prantel/schema");
    private static final Path DEMO = Path.of("../demo");

    static Stream<Path> schemas() throws IOException {
        return Files.list(SCHEMAS);
    }

    static Stream<Path> demoFiles() throws IOException {
        return Stream.concat(Files.list(DEMO), Files.list(DEMO.resolve("past")))
                .filter(p -> p.toString().endsWith(".json"));
    }

    @ParameterizedTest
    @MethodSource("schemas")
    void schemaFitsTheStandardsOwnSchema(Path schema) throws IOException {
        var meta = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(com.networknt.schema.SchemaLocation.of("https://json-schema.org/draft/2020-12/schema"));
        assertThat(meta.validate(Files.readString(schema), InputFormat.JSON)).isEmpty();
    }

    /** Strict validators refuse to compile a schema that requires what it does not describe: a misspelt name looks like that. */
    @ParameterizedTest
    @MethodSource("schemas")
    void whatIsRequiredIsDescribedBesideIt(Path schema) throws IOException {
        List<String> undescribed = new ArrayList<>();
        look(JSON.readTree(Files.readString(schema)), "#", undescribed);
        assertThat(undescribed).isEmpty();
    }

    private static void look(JsonNode node, String at, List<String> undescribed) {
        JsonNode required = node.path("required");
        if (node.isObject() && required.isArray()) {
            for (JsonNode name : required) {
                if (!node.path("properties").has(name.asString())) {
                    undescribed.add(at + ": " + name.asString());
                }
            }
        }
        node.propertyStream().forEach(p -> look(p.getValue(), at + "/" + p.getKey(), undescribed));
        for (int i = 0; node.isArray() && i < node.size(); i++) {
            look(node.get(i), at + "/" + i, undescribed);
        }
    }

    @ParameterizedTest
    @MethodSource("demoFiles")
    void demoFileFitsTheSchemaThatItNames(Path file) throws IOException {
        String text = Files.readString(file);
        String format = JSON.readTree(text).path("format").asString("");
        Path schema = SCHEMAS.resolve(format.replace("prantel-", "") + ".schema.json");
        assertThat(schema).as(format).exists();
        var compiled = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(Files.readString(schema), InputFormat.JSON);
        assertThat(compiled.validate(text, InputFormat.JSON)).isEmpty();
    }
}
