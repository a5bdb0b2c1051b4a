package prantel.formats;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import prantel.core.scheme.Scheme;

/**
 * The schemes that ship with the application, as their files. Which there are, and which of them asks for every test, stands
 * in {@code schemes/index.json} beside them.
 */
public final class ShippedSchemes {
    private static final String FOLDER = "/prantel/schemes/";
    private static final Map<String, Shipped> ALL = new LinkedHashMap<>();
    private static final Map<String, String> SHORT = new LinkedHashMap<>();
    private static final String EVERY_TEST;

    static {
        var index = JsonFile.MAPPER.readTree(new String(bytes("index.json"), StandardCharsets.UTF_8));
        index.get("schemes").forEach(name -> {
            byte[] bytes = bytes(name.asString() + ".scheme.json");
            Scheme scheme = SchemeFile.read(bytes);
            ALL.put(scheme.id(), new Shipped(scheme, bytes));
        });
        index.get("shortNames")
                .propertyStream()
                .forEach(p -> SHORT.put(p.getKey(), p.getValue().asString()));
        EVERY_TEST = index.get("everyTest").asString();
    }

    private ShippedSchemes() {}

    /** @param file as it ships, UTF-8 */
    public record Shipped(Scheme scheme, byte[] file) {}

    /** By id, in the order in which they are offered. */
    public static Map<String, Shipped> all() {
        return java.util.Collections.unmodifiableMap(ALL);
    }

    /** By its id, or by a short name of the index. */
    public static Optional<Scheme> named(String name) {
        return Optional.ofNullable(ALL.get(SHORT.getOrDefault(name, name))).map(Shipped::scheme);
    }

    /** The full sequence: what a rig is explored and measured with. */
    public static Scheme everyTest() {
        return Objects.requireNonNull(ALL.get(EVERY_TEST)).scheme();
    }

    private static byte[] bytes(String name) {
        return Resources.bytes(FOLDER + name);
    }
}
