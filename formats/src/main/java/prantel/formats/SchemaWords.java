package prantel.formats;

import com.networknt.schema.Error;
import java.util.Map;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import tools.jackson.databind.JsonNode;

/** What a schema found, as a problem in a workshop's words: a schema's own messages speak of strings and instances. */
final class SchemaWords {
    private static final Map<String, String> TYPES = Map.of(
            "number", "a number",
            "integer", "a whole number",
            "string", "text in quotes",
            "boolean", "true or false",
            "array", "a list in [ ]",
            "object", "a group of fields in { }");

    private SchemaWords() {}

    static Problem problem(Error error) {
        JsonNode found = error.getInstanceNode();
        return new Problem(
                "schema-" + error.getKeyword(),
                error.getInstanceLocation().toString(),
                found == null ? "" : given(found),
                mend(error));
    }

    private static String given(JsonNode found) {
        if (found.isContainer()) {
            return "";
        }
        return found.asString().isEmpty() ? "nothing" : Check.quoted(found.asString());
    }

    private static String mend(Error error) {
        return switch (error.getKeyword()) {
            case "type" -> "give " + TYPES.getOrDefault(argument(error, 1), argument(error, 1));
            case "minimum" -> "give at least " + argument(error, 0);
            case "maximum" -> "give at most " + argument(error, 0);
            case "minItems" -> "give at least " + argument(error, 0) + " in this list";
            case "maxItems" -> "give at most " + argument(error, 0) + " in this list";
            case "maxLength" -> "give at most " + argument(error, 0) + " characters";
            case "const" -> "give “" + argument(error, 0).replace("\"", "") + "”";
            case "enum" ->
                "give one of "
                        + error.getMessage().replaceAll(".*\\[|\\].*", "").replace("\"", "");
            case "additionalProperties" ->
                "“" + error.getProperty() + "” is not a field of this format; check its spelling";
            case "required" -> "the field “" + error.getProperty() + "” is missing";
            case "false" -> "this field does not belong to this kind";
            case "oneOf", "anyOf", "not" -> "these fields do not go together; the format's page says which do";
            default -> error.getMessage();
        };
    }

    private static String argument(Error error, int index) {
        Object[] arguments = error.getArguments();
        return arguments != null && index < arguments.length ? String.valueOf(arguments[index]) : "another value";
    }
}
