package prantel.server.database;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class DataFolderTest {
    @TempDir
    Path folder;

    @Test
    void demoKeepsAwayFromAWorkshopsOwnDataAndTheOtherWayRound() {
        Path own = folder.resolve("own");
        DataFolder.take(own, false);
        assertThatThrownBy(() -> DataFolder.take(copyOf(own, "own-2"), true))
                .hasMessageContaining("workshop's own data");
        Path demo = folder.resolve("demo-data");
        DataFolder.take(demo, true);
        assertThatThrownBy(() -> DataFolder.take(copyOf(demo, "demo-2"), false)).hasMessageContaining("demo's data");
    }

    /** What is in a folder, in one that nobody holds. */
    private Path copyOf(Path from, String name) {
        try {
            Path to = Files.createDirectories(folder.resolve(name));
            Files.copy(from.resolve("prantel.folder"), to.resolve("prantel.folder"));
            return to;
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    @Test
    void folderFromBeforeFoldersKnewWhatTheyAreIsNotTakenForADemo() throws Exception {
        Path old = Files.createDirectories(folder.resolve("data"));
        Files.writeString(old.resolve("prantel.mv.db"), "somebody's year");
        assertThatThrownBy(() -> DataFolder.take(old, true)).hasMessageContaining("nothing says that it is a demo");
        DataFolder.take(old, false);
        assertThat(Files.readString(old.resolve("prantel.folder"))).startsWith("workshop");
    }

    @Test
    void secondServerOnAFolderHearsOneSentence() throws Exception {
        Path held = Files.createDirectories(folder.resolve("held"));
        try (FileChannel other = FileChannel.open(
                        held.resolve("prantel.lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                var lock = other.lock()) {
            assertThat(lock.isValid()).isTrue();
            assertThatThrownBy(() -> DataFolder.take(held, false))
                    .isInstanceOf(DataFolder.Unusable.class)
                    .hasMessageContaining("Another Prantel has the folder")
                    .hasMessageNotContaining("\n");
        }
    }

    @Test
    void databaseIsForItsOwnerOnly() throws Exception {
        Path own = folder.resolve("new");
        DataFolder.take(own, false);
        Files.writeString(own.resolve("prantel.mv.db"), "names and marks");
        DataFolder.protect(own);
        for (String file : new String[] {"prantel.mv.db", "prantel.lock", "prantel.folder"}) {
            assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(own.resolve(file))))
                    .as(file)
                    .isEqualTo("rw-------");
        }
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(own)))
                .isEqualTo("rwx------");
    }

    @Test
    void folderThatCannotBeWrittenToIsRefusedBeforeTheServerStarts() throws Exception {
        Path file = folder.resolve("a-file");
        Files.writeString(file, "no folder");
        assertThatThrownBy(() -> DataFolder.take(file, false)).hasMessageContaining("cannot be written to");
    }
}
