package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import prantel.core.rig.Rig;

class RigDifferenceTest {

    private static Rig rig(String name) throws Exception {
        return RigFile.read(Files.readAllBytes(Path.of("src/test/resources/rigs", name + ".rig.json")));
    }

    private static Rig changed(String name, String from, String to) throws Exception {
        String text = Files.readString(Path.of("src/test/resources/rigs", name + ".rig.json"));
        assertThat(text).contains(from);
        return RigFile.read(text.replace(from, to).getBytes(java.nio.charset.StandardCharsets.UTF_8));
    }

    @Test
    void sameRigHasNoDifference() throws Exception {
        assertThat(RigDifference.between(rig("with-ring"), rig("with-ring"))).isEmpty();
    }

    @Test
    void changedFieldIsNamedInTheTradesWords() throws Exception {
        Rig after = changed(
                "with-ring",
                "\"label\": \"socket 3\", \"kind\": \"twin-socket\", \"atMetres\": 22",
                "\"label\": \"socket 3\", \"kind\": \"twin-socket\", \"atMetres\": 23.5");
        assertThat(RigDifference.between(rig("with-ring"), after))
                .containsExactly(
                        new RigDifference.RigChange("Kitchen ring, socket 3", "cable distance, m", "22", "23.5"));
    }

    @Test
    void addedAndRemovedPartsAreOneLineEach() throws Exception {
        List<RigDifference.RigChange> changes = RigDifference.between(rig("one-radial"), rig("with-ring"));
        assertThat(changes).contains(new RigDifference.RigChange("Kitchen ring", "", "", "added"));
        assertThat(RigDifference.between(rig("with-ring"), rig("one-radial")))
                .contains(new RigDifference.RigChange("Kitchen ring", "", "removed", ""));
    }
}
