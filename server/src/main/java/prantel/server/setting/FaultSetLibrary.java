package prantel.server.setting;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Locale;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prantel.core.fault.FaultSet;
import prantel.core.quantity.Check;
import prantel.core.rig.Rig;
import prantel.formats.FaultSetFile;
import prantel.server.setting.LibraryMapper.LibraryRow;
import prantel.server.web.Refusal;

/** Sets that are kept for another day, in versions: none is ever overwritten. */
@Service
public class FaultSetLibrary {
    private static final int LONGEST_ID = 60;

    private final LibraryMapper mapper;
    private final Clock clock;

    FaultSetLibrary(LibraryMapper mapper, Clock clock) {
        this.mapper = mapper;
        this.clock = clock;
    }

    List<LibraryRow> latest() {
        return mapper.latest();
    }

    List<LibraryRow> versions(String id) {
        return mapper.versions(id);
    }

    /** @param ref "id@version" @throws Refusal if there is none */
    LibraryRow row(String ref) {
        int at = ref.lastIndexOf('@');
        LibraryRow row = at < 0 ? null : mapper.version(ref.substring(0, at), number(ref.substring(at + 1)));
        if (row == null) {
            throw Refusal.notFound("fault set");
        }
        return row;
    }

    private static int number(String text) {
        return text.matches("[0-9]{1,6}") ? Integer.parseInt(text) : 0;
    }

    /**
     * Keeps a set under its name; the same name on the same rig makes the next version.
     *
     * @return "id@version"
     * @throws prantel.core.quantity.ProblemsException if a fault does not fit the rig
     */
    @Transactional
    public String save(String name, FaultSet set, Rig rig, String by) {
        Check.name(name, "name");
        set.checkOn(rig);
        Check.that(!set.isEmpty(), "empty-set", "faults", "no fault", "put a fault in the set first");
        String id = rig.id() + "-"
                + name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
        // long names that begin alike are still two sets
        String cut =
                id.length() > LONGEST_ID ? id.substring(0, LONGEST_ID - 9) + "-" + "%08x".formatted(id.hashCode()) : id;
        mapper.lock();
        String json = new String(FaultSetFile.write(set, rig), StandardCharsets.UTF_8);
        List<LibraryRow> before = mapper.versions(cut);
        int version = before.size() + 1;
        if (!before.isEmpty() && before.getLast().json().equals(json)) {
            return cut + "@" + before.size();
        }
        mapper.insert(new LibraryRow(cut, version, rig.id(), name.strip(), json, OffsetDateTime.now(clock), by));
        return cut + "@" + version;
    }
}
