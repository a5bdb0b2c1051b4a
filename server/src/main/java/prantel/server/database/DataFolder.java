package prantel.server.database;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * The folder with the database, looked at before anything opens it: it can be written to, nobody else has it open, only its
 * owner reads it, and it knows whether it holds a demo or a workshop's own data.
 */
public final class DataFolder {
    private static final String KIND = "prantel.folder";
    private static final String LOCK = "prantel.lock";
    private static final String DATABASE = "prantel.mv.db";
    /** One lock a folder for as long as this process runs. */
    private static final Map<Path, FileLock> LOCKS = new HashMap<>();

    private DataFolder() {}

    /** Why a folder cannot be used, for people: one sentence. */
    public static final class Unusable extends RuntimeException {
        private static final long serialVersionUID = 1L;

        Unusable(String message) {
            super(message);
        }
    }

    /**
     * @param demo whether the demo wants it
     * @throws Unusable saying why not
     */
    public static synchronized void take(Path folder, boolean demo) {
        Path place = folder.toAbsolutePath().normalize();
        if (LOCKS.containsKey(place)) {
            return;
        }
        try {
            boolean isNew = !Files.exists(place);
            Files.createDirectories(place);
            if (isNew) {
                ownersOnly(place, "rwx------");
            }
            Path lockFile = place.resolve(LOCK);
            FileLock lock = lock(lockFile);
            if (lock == null) {
                throw new Unusable(
                        "Another Prantel has the folder " + place + " open: stop it, or give another --data.");
            }
            try {
                checkKind(place, demo);
            } catch (Unusable e) {
                lock.acquiredBy().close();
                throw e;
            }
            ownersOnly(lockFile, "rw-------");
            protect(place);
            LOCKS.put(place, lock);
        } catch (IOException e) {
            throw new Unusable("The folder " + place + " cannot be written to ("
                    + e.getClass().getSimpleName()
                    + "): give it to the user who starts Prantel, or give another --data.");
        }
    }

    // the channel has to stay open: it is the lock
    @SuppressWarnings("MustBeClosed")
    private static @Nullable FileLock lock(Path file) throws IOException {
        try {
            return FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.WRITE)
                    .tryLock();
        } catch (OverlappingFileLockException e) {
            return null;
        }
    }

    private static void checkKind(Path place, boolean demo) throws IOException {
        Path file = place.resolve(KIND);
        String wanted = demo ? "demo" : "workshop";
        if (Files.exists(file)) {
            String is = Files.readString(file).strip();
            if (!is.equals(wanted)) {
                throw new Unusable(
                        demo
                                ? "The folder " + place
                                        + " holds a workshop's own data: the demo keeps away from it. Give"
                                        + " another --data."
                                : "The folder " + place + " holds the demo's data: give another --data for a workshop's"
                                        + " own.");
            }
            return;
        }
        boolean usual =
                place.getFileName() != null && place.getFileName().toString().contains("demo");
        if (Files.exists(place.resolve(DATABASE)) && demo && !usual) {
            throw new Unusable("The folder " + place + " has data in it of which nothing says that it is a demo's. Give"
                    + " another --data.");
        }
        Files.writeString(file, wanted + System.lineSeparator());
        ownersOnly(file, "rw-------");
    }

    /** Marks and names of people are nobody else's business. */
    public static void protect(Path folder) throws IOException {
        Path database = folder.resolve(DATABASE);
        if (Files.exists(database)) {
            ownersOnly(database, "rw-------");
        }
    }

    private static void ownersOnly(Path path, String rights) throws IOException {
        if (FileSystems.getDefault().supportedFileAttributeViews().contains("posix")) {
            Files.setPosixFilePermissions(path, PosixFilePermissions.fromString(rights));
        }
    }
}
