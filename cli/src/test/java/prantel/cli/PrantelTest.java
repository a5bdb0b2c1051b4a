package prantel.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import prantel.core.assessment.Pinned;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Rigs;
import prantel.core.instrument.Tester;
import prantel.core.rig.Conductor;
import prantel.devices.BenchTester;
import prantel.formats.BenchWords;
import prantel.formats.FaultSetFile;
import prantel.formats.RecordFile;
import prantel.formats.RigFile;

class PrantelTest {
    @TempDir
    Path folder;

    private Path rig;
    private Path faults;
    private final ByteArrayOutputStream out = new ByteArrayOutputStream();
    private final ByteArrayOutputStream err = new ByteArrayOutputStream();

    @BeforeEach
    void files() throws IOException {
        rig = Files.write(folder.resolve("a.rig.json"), RigFile.write(Rigs.fiveSockets()));
        FaultSet set = new FaultSet(java.util.List.of(Faults.joint(3, Conductor.CPC, 0.62)));
        faults = Files.write(folder.resolve("a.faults.json"), FaultSetFile.write(set, Rigs.fiveSockets()));
    }

    private int run(Object... args) {
        String[] words = java.util.Arrays.stream(args).map(Object::toString).toArray(String[]::new);
        return Prantel.run(
                new PrintStream(out, true, StandardCharsets.UTF_8),
                new PrintStream(err, true, StandardCharsets.UTF_8),
                words);
    }

    private String printed() {
        return out.toString(StandardCharsets.UTF_8).replace('\u2009', ' ');
    }

    private String complained() {
        return err.toString(StandardCharsets.UTF_8);
    }

    @Test
    void sheetPrintsEveryBoxHealthyAndFaulted() {
        assertThat(run("sheet", rig, "--faults", faults)).isZero();
        // socket 3: 19 m · 19.51 mΩ/m = 0.37 and joints; the joint adds 0.62
        assertThat(printed())
                .contains("sockets/r1r2/socket-3")
                .contains("0.38 Ω")
                .contains("1.00 Ω")
                .contains("findable");
        assertThat(printed()).contains("bond/water/part").contains("≥ 1.00 MΩ");
    }

    @Test
    void sheetAsJsonAndCsvCarryTheSameBoxes() {
        assertThat(run("sheet", rig, "--json")).isZero();
        assertThat(printed()).contains("\"prantel-sheet-1\"").contains("bandReasons");
        assertThat(run("sheet", rig, "--csv")).isZero();
        assertThat(printed()).contains("slot,test,quantity,where,healthy,with_faults");
    }

    @Test
    void netlistIsADeck() {
        assertThat(run("netlist", rig, "--faults", faults)).isZero();
        assertThat(printed()).startsWith("* Prantel").contains(".end").contains("sockets/r1r2/socket-3");
    }

    @Test
    void markExplainsAndProposes() throws IOException {
        Path readings = Files.writeString(
                folder.resolve("r.csv"),
                "slot;reading;judged\nsockets/r1r2/socket-1;0,43;\nsockets/r1r2/socket-2;0,57;\nsockets/r1r2/socket-3;1,30;\n"
                        + "sockets/r1r2/socket-4;1,46;\nsockets/r1r2/socket-5;1,64;\nsockets/r1r2;1,64;no\n");
        assertThat(run("mark", rig, "--faults", faults, "--found", faults, readings))
                .isZero();
        assertThat(printed())
                .contains("Leads probably not nulled")
                .contains("5 of 5")
                .contains("High-resistance joint, CPC, 0.62")
                .contains("The assessor decides");
    }

    @Test
    void checkTellsATesterASchemeAndASetOfFaultsFromARig() {
        Path demo = Path.of("../demo");
        assertThat(run("check", demo.resolve("t1.tester.json"))).isZero();
        assertThat(printed()).contains("is sound").contains("leads").doesNotContain("circuit");
        assertThat(run("check", demo.resolve("toll-cottage.faults.json"))).isEqualTo(2);
        assertThat(complained()).contains("check RIG --faults");
        assertThat(run("schemes")).isZero();
        assertThat(printed()).contains("ring-drill");
    }

    @Test
    void checkReadsStandardInput() throws IOException {
        var before = System.in;
        try (var in = Files.newInputStream(rig)) {
            System.setIn(in);
            assertThat(run("check", Path.of("-"))).isZero();
            assertThat(printed()).contains("is sound");
        } finally {
            System.setIn(before);
        }
    }

    @Test
    void brokenFilesNameFilePlaceAndMendAndExitWithTwo() throws IOException {
        Path bad = Files.writeString(
                folder.resolve("bad.rig.json"),
                Files.readString(rig).replace("\"atMetres\" : 6.0", "\"atMetres\" : -6"));
        assertThat(run("check", bad)).isEqualTo(2);
        assertThat(complained())
                .contains("bad.rig.json: /circuits/0/points/0/atMetres")
                .contains("-6 m")
                .contains("give a number");
        assertThat(printed()).isEmpty();
    }

    @Test
    void brokenReadingsNameRowAndColumn() throws IOException {
        Path readings =
                Files.writeString(folder.resolve("r.csv"), "slot,reading\nnowhere,1\nsockets/r2,1\nsockets/r2,1\n");
        assertThat(run("mark", rig, readings)).isEqualTo(2);
        assertThat(complained()).contains("r.csv: row 2, column slot").contains("row 4, column slot");
    }

    @Test
    void missingFileAndWrongUseExitWithTwo() {
        assertThat(run("sheet", folder.resolve("none.json"))).isEqualTo(2);
        assertThat(complained()).contains("none.json").contains("cannot be read");
        assertThat(run("sheet")).isEqualTo(2);
        assertThat(run()).isEqualTo(2);
        assertThat(run("sheet", "--help")).isZero();
        assertThat(complained()).doesNotContain("Exception").doesNotContain("\tat ");
    }

    @Test
    void checkSaysThatFilesAreSound() {
        assertThat(run("check", rig, "--faults", faults)).isZero();
        assertThat(printed()).contains("is sound").contains("1 fault.");
    }

    @Test
    void exploreListsEverySingleFaultWithWhetherItIsFindable() {
        assertThat(run("explore", rig, "--sequence", "dead")).isZero();
        assertThat(printed().lines())
                .hasSize(prantel.core.fault.FaultCatalogue.everyFault(Rigs.fiveSockets())
                        .size())
                .allMatch(l -> l.matches("(findable|borderline|hidden) .*"))
                .anyMatch(l -> l.startsWith("findable") && l.contains("CPC open after the point, socket 2"))
                // no continuity reading of a radial uses the neutral
                .anyMatch(l -> l.startsWith("hidden") && l.contains("Loose terminal at the point, neutral"));
    }

    @Test
    void exploredTableHasALineForEachKindThatFits() {
        assertThat(run("explore", rig, "--table")).isZero();
        assertThat(printed())
                .contains("| group | kind | findable |")
                .contains("| Protective conductor | CPC open after the point | 4 | 0 | 0 | R1+R2, method 1 |")
                .doesNotContain("Ring open after the point");
    }

    @Test
    void faultBoxWithoutRelaysIsRefused() {
        assertThat(run("faultbox", "--relays", "0")).isEqualTo(2);
        assertThat(complained()).contains("give 1 to 64");
    }

    @Test
    void anExportedRecordIsVerifiedAndAnAlteredOneRefused() throws Exception {
        Pinned pinned = new Pinned(
                "a1",
                "bay-1",
                "owen",
                "ines",
                new Pinned.Versions(
                        new Pinned.Document("rig", 1), new Pinned.Document("t1", 1), new Pinned.Document("full", 1), 6),
                OffsetDateTime.parse("2026-11-26T10:42:00Z"));
        byte[] record = RecordFile.write(new RecordFile.Content(pinned, List.of(), Optional.empty()));
        Path file = folder.resolve("owen.record.json");
        Files.write(file, record);
        assertThat(run("verify", file.toString())).isZero();
        assertThat(printed())
                .contains("It fits itself: nothing was changed by accident")
                .contains("of owen");
        Files.writeString(file, Files.readString(file).replace("\"owen\"", "\"lena\""));
        assertThat(run("verify", file.toString())).isNotZero();
        assertThat(complained()).contains("seal");
    }

    @Test
    void benchTesterOnAPortThatIsTakenIsRefused() throws Exception {
        try (ServerSocket taken = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            assertThat(run("tester", rig, "--port", String.valueOf(taken.getLocalPort())))
                    .isEqualTo(2);
            assertThat(complained()).contains("is taken");
        }
    }

    /** The protocol's names stand in the devices, what they mean beside the formats: neither has one that the other lacks. */
    @Test
    void everyFunctionHasANameOnTheLineOfABenchTester() {
        assertThat(java.util.Arrays.stream(Tester.Function.values()).map(BenchWords::of))
                .containsExactlyInAnyOrderElementsOf(BenchTester.FUNCTIONS);
    }
}
