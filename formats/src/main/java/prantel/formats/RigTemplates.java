package prantel.formats;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import prantel.core.limits.ConductorTable;
import prantel.core.limits.FuseTable;
import tools.jackson.databind.JsonNode;

/** What a new rig or a new circuit of each kind begins with: pieces of rig files that are sound as they are. */
public final class RigTemplates {
    private static final JsonNode ALL = JsonFile.MAPPER.readTree(resource());

    private RigTemplates() {}

    /** @param id "ring", "radial", "lighting-two-way" @param json a circuit of a rig file */
    public record Template(String id, String label, String json) {}

    /** A fuse of the table. @param ratedAmps A */
    public record FuseSize(String standard, double ratedAmps) {}

    /** A whole rig file with one circuit. */
    public static String rig() {
        return text("rig");
    }

    public static List<Template> circuits() {
        List<Template> templates = new java.util.ArrayList<>();
        for (JsonNode node : ALL.get("circuits")) {
            templates.add(new Template(
                    node.get("id").asString(),
                    node.get("label").asString(),
                    JsonFile.MAPPER.writeValueAsString(node.get("circuit"))));
        }
        return templates;
    }

    public static String section() {
        return text("section");
    }

    public static String residual() {
        return text("residual");
    }

    /** mm², smallest first. */
    public static List<Double> conductorSizes() {
        return List.copyOf(ConductorTable.all().keySet());
    }

    public static List<FuseSize> fuses() {
        return FuseTable.all().stream()
                .map(f -> new FuseSize(f.standard(), f.ratedAmps()))
                .toList();
    }

    private static String text(String field) {
        return JsonFile.MAPPER.writeValueAsString(ALL.get(field));
    }

    private static String resource() {
        try (InputStream stream =
                Objects.requireNonNull(RigTemplates.class.getResourceAsStream("/prantel/rig-templates.json"))) {
            return new String(stream.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
