package prantel.formats;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import prantel.core.fault.FaultCatalogue;
import prantel.core.practice.Drill;
import prantel.core.quantity.ProblemsException;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Quantity;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A drill as a JSON file, format 1. See {@code docs/formats/drill.md}. */
public final class DrillFile {
    private DrillFile() {}

    /** @throws ProblemsException with every problem found, each with its JSON pointer */
    public static Drill read(byte[] bytes) {
        JsonFile file = JsonFile.open(bytes, "drill-1");
        JsonNode root = file.root();
        List<String> faults = file.parts(
                "/faults",
                root.path("faults"),
                (node, at) -> FaultCatalogue.kind(node.asString()).id());
        return file.whole(() -> new Drill(
                root.get("id").asString(),
                root.get("title").asString(),
                root.get("idea").asString(),
                new Drill.Asks(
                        named(root.get("tests"), TestKind.values(), TestKind::fileName),
                        named(root.path("quantities"), Quantity.values(), Quantity::fileName),
                        root.get("most").asInt()),
                faults));
    }

    private static <T> Set<T> named(@Nullable JsonNode list, T[] all, Function<T, String> name) {
        Set<String> wanted = new TreeSet<>();
        if (list != null) {
            list.forEach(n -> wanted.add(n.asString()));
        }
        return Stream.of(all).filter(t -> wanted.contains(name.apply(t))).collect(Collectors.toSet());
    }

    /** UTF-8 JSON that {@link #read} reads back to the same drill. */
    public static byte[] write(Drill drill) {
        ObjectNode root = JsonFile.MAPPER
                .createObjectNode()
                .put("format", "prantel-drill-1")
                .put("id", drill.id())
                .put("title", drill.title())
                .put("idea", drill.idea());
        list(root.putArray("tests"), drill.asks().tests().stream().sorted().map(TestKind::fileName));
        if (!drill.asks().quantities().isEmpty()) {
            list(
                    root.putArray("quantities"),
                    drill.asks().quantities().stream().sorted().map(Quantity::fileName));
        }
        root.put("most", drill.asks().most());
        if (!drill.faults().isEmpty()) {
            list(root.putArray("faults"), drill.faults().stream());
        }
        return JsonFile.MAPPER.writeValueAsString(root).getBytes(StandardCharsets.UTF_8);
    }

    private static void list(ArrayNode array, Stream<String> words) {
        words.forEach(w -> array.add(w));
    }
}
