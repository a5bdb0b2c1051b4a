package prantel.formats;

import java.nio.charset.StandardCharsets;
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

    /** UTF-8 JSON that {@link #read} reads back to the same rig. */
    public static byte[] write(Rig rig) {
        return JsonFile.MAPPER.writeValueAsString(RigWriter.write(rig)).getBytes(StandardCharsets.UTF_8);
    }
}
