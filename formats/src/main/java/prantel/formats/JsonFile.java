package prantel.formats;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.exc.UnexpectedEndOfInputException;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** What all JSON formats share: limits on size and depth, the schema, problems with their JSON pointers. */
final class JsonFile {
    static final int LARGEST_BYTES = 2 * 1024 * 1024;
    private static final int DEEPEST = 20;
    private static final double LARGEST_NUMBER = 1e12;

    static final JsonMapper MAPPER = JsonMapper.builder(JsonFactory.builder()
                    .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                    .streamReadConstraints(StreamReadConstraints.builder()
                            .maxNestingDepth(DEEPEST)
                            .build())
                    .build())
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .enable(SerializationFeature.INDENT_OUTPUT)
            .build();

    private final List<Problem> problems = new ArrayList<>();
    private final JsonNode root;

    private JsonFile(JsonNode root) {
        this.root = root;
    }

    /**
     * @param schema name of the schema without its ending, such as "rig-1"
     * @throws ProblemsException if it is too large, no JSON, or not what the schema allows: then with every such place
     */
    static JsonFile open(byte[] bytes, String schema) {
        return open(bytes, schema, root -> {});
    }

    /** The same, with a chance to bring an older version of the format up to this one before it is looked at. */
    static JsonFile open(byte[] bytes, String schema, Consumer<ObjectNode> upgrade) {
        if (bytes.length > LARGEST_BYTES) {
            throw new ProblemsException(new Problem(
                    "too-large",
                    "",
                    bytes.length / 1024 + " KiB",
                    "give a file of at most " + LARGEST_BYTES / 1024 + " KiB"));
        }
        JsonNode root = parse(bytes);
        if (root instanceof ObjectNode object) {
            upgrade.accept(object);
        }
        List<Problem> unusable = new ArrayList<>();
        findUnusableNumbers(root, "", unusable);
        ProblemsException.throwIfAny(unusable);
        List<Problem> problems = Schemas.of(schema).validate(root).stream()
                .map(SchemaWords::problem)
                .distinct()
                .toList();
        ProblemsException.throwIfAny(problems);
        return new JsonFile(root);
    }

    /** No quantity of the trade is that large; conversions of such numbers fail further in. */
    private static void findUnusableNumbers(JsonNode node, String where, List<Problem> problems) {
        if (node.isNumber() && !(Math.abs(node.doubleValue()) <= LARGEST_NUMBER)) {
            problems.add(new Problem(
                    "out-of-range", where, Check.quoted(node.asString()), "give a number of everyday size"));
        }
        node.propertyStream().forEach(p -> findUnusableNumbers(p.getValue(), where + "/" + p.getKey(), problems));
        if (node.isArray()) {
            for (int i = 0; i < node.size(); i++) {
                findUnusableNumbers(node.get(i), where + "/" + i, problems);
            }
        }
    }

    private static JsonNode parse(byte[] bytes) {
        try {
            // read as text first: a parser left to guess takes UTF-16 for granted
            return MAPPER.readTree(Utf8.text(bytes));
        } catch (JacksonException e) {
            String where = e.getLocation() == null || e.getLocation().getLineNr() < 1
                    ? ""
                    : "line " + e.getLocation().getLineNr() + ", column "
                            + e.getLocation().getColumnNr();
            throw new ProblemsException(
                    new Problem("not-json", where, "", "this is not JSON that can be read: " + words(e)));
        }
    }

    /** What a parser says, in words that help without knowing it. */
    private static String words(JacksonException e) {
        String said = String.valueOf(e.getOriginalMessage());
        if (said.contains("nesting depth")) {
            return "groups and lists are nested more than " + DEEPEST + " deep";
        }
        if (said.contains("Trailing token")) {
            return "something follows after its end; take it away";
        }
        if (said.contains("NaN") || said.contains("INF")) {
            return "give a number; NaN and Infinity are none";
        }
        if (said.startsWith("Duplicate")) {
            return "the field " + said.replaceAll("^[^\"'“]*", "").replace('\'', '"') + " is there twice";
        }
        if (e instanceof UnexpectedEndOfInputException
                || said.contains("end-of-input")
                || said.contains("No content")) {
            return "it ends too early; look for a bracket or quotation mark that is not closed";
        }
        return "look there, or just before, for a comma, a colon, a bracket or a quotation mark too few or too many";
    }

    JsonNode root() {
        return root;
    }

    /** Makes a part; on failure keeps its problems, with their place put before them, and gives null. */
    <T> @Nullable T part(String pointer, Supplier<T> make) {
        try {
            return make.get();
        } catch (ProblemsException e) {
            e.problems().forEach(p -> problems.add(p.at(p.where().isEmpty() ? pointer : pointer + "/" + p.where())));
            return null;
        }
    }

    /** Makes each item of a list; those that failed are left out, their problems kept. */
    <T> List<T> parts(
            String pointer, JsonNode array, java.util.function.BiFunction<JsonNode, String, @Nullable T> make) {
        List<T> made = new ArrayList<>();
        for (int i = 0; i < array.size(); i++) {
            String at = pointer + "/" + i;
            JsonNode item = array.get(i);
            T part = part(at, () -> make.apply(item, at));
            if (part != null) {
                made.add(part);
            }
        }
        return made;
    }

    /** Makes the whole from its parts, unless a part is missing; then throws every problem kept. */
    <T> T whole(Supplier<T> make) {
        ProblemsException.throwIfAny(problems);
        T made = part("", make);
        ProblemsException.throwIfAny(problems);
        return Objects.requireNonNull(made);
    }

    static <T> T need(@Nullable T part) {
        return Objects.requireNonNull(part);
    }

    /** The published schemas, read once. */
    private static final class Schemas {
        private static final SchemaRegistry REGISTRY =
                SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12);

        static Schema of(String name) {
            String resource = "/prantel/schema/" + name + ".schema.json";
            try (InputStream stream = Objects.requireNonNull(JsonFile.class.getResourceAsStream(resource), resource)) {
                return REGISTRY.getSchema(stream, InputFormat.JSON);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }
}
