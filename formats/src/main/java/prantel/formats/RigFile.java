package prantel.formats;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Rig;

/** A rig as a JSON file, format 1. Reading what was written gives the same rig. See {@code docs/formats/rig.md}. */
public final class RigFile {
    static final String FORMAT = "prantel-rig-1";

    private RigFile() {}

    /**
     * @throws ProblemsException with every problem found, each with its JSON pointer
     */
    public static Rig read(byte[] bytes) {
        return new RigReader(JsonFile.open(bytes, "rig-1", RigUpgrade::toCurrent)).read();
    }

    /**
     * A file that may still have problems.
     *
     * @param rig none while there are problems
     * @param file in the form of today's format, so that it can be worked on; null if it has not the shape of a rig
     */
    public record Draft(
            Optional<Rig> rig,
            List<Problem> problems,
            @Nullable String file) {}

    public static Draft draft(byte[] bytes) {
        JsonFile json;
        try {
            json = JsonFile.open(bytes, "rig-1", RigUpgrade::toCurrent);
        } catch (ProblemsException e) {
            return new Draft(Optional.empty(), e.problems(), null);
        }
        try {
            Rig rig = new RigReader(json).read();
            return new Draft(Optional.of(rig), List.of(), new String(write(rig), StandardCharsets.UTF_8));
        } catch (ProblemsException e) {
            return new Draft(Optional.empty(), e.problems(), JsonFile.MAPPER.writeValueAsString(json.root()));
        }
    }

    /**
     * The rig of a file as if nothing were wired to its fault box: to find out what could be.
     *
     * @throws ProblemsException with every problem of the rest
     */
    public static Rig readWithoutFaultBox(byte[] bytes) {
        return new RigReader(JsonFile.open(bytes, "rig-1", root -> {
                    RigUpgrade.toCurrent(root);
                    root.remove("faultBox");
                }))
                .read();
    }

    /** UTF-8 JSON that {@link #read} reads back to the same rig. */
    public static byte[] write(Rig rig) {
        return JsonFile.MAPPER.writeValueAsString(RigWriter.write(rig)).getBytes(StandardCharsets.UTF_8);
    }
}
