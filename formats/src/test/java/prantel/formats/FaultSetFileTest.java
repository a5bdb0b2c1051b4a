package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Testers;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Conductor;
import prantel.core.rig.Rig;

class FaultSetFileTest {
    private static final Rig RIG = Rigs.fiveSockets();

    private static byte[] file(String... faults) {
        return ("{\"format\":\"prantel-faults-1\",\"rig\":\"test-rig\",\"faults\":[" + String.join(",", faults) + "]}")
                .getBytes(StandardCharsets.UTF_8);
    }

    @Test
    void whatIsWrittenReadsBackTheSame() {
        FaultSet set = new FaultSet(List.of(
                Faults.cpcOpenAfter(1),
                Faults.joint(2, Conductor.LINE, 0.62),
                Faults.reversed(3),
                Faults.lowInsulation(4, Conductor.NEUTRAL, Conductor.CPC, 0.5),
                Faults.clampOnPaint(Rigs.GAS)));
        assertThat(FaultSetFile.read(FaultSetFile.write(set, RIG), RIG)).isEqualTo(set);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '\0',
            value = {
                "{\"kind\":\"gremlin\",\"circuit\":\"sockets\",\"point\":\"socket-1\"}|/faults/0/kind|gremlin",
                "{\"kind\":\"cpc-open-after\",\"circuit\":\"sockets\",\"point\":\"socket-5\"}|/faults/0/point|nothing lies beyond",
                "{\"kind\":\"cpc-open-after\",\"circuit\":\"ring\",\"point\":\"socket-5\"}|/faults/0/circuit|sockets",
                "{\"kind\":\"cpc-open-after\",\"circuit\":\"sockets\",\"point\":\"lamp\"}|/faults/0/point|socket-1",
                "{\"kind\":\"high-resistance-joint\",\"circuit\":\"sockets\",\"point\":\"socket-1\",\"conductors\":[\"cpc\"]}|/faults/0/ohms|needs",
                "{\"kind\":\"high-resistance-joint\",\"circuit\":\"sockets\",\"point\":\"socket-1\",\"conductors\":[\"cpc\"],\"megohms\":1}|/faults/0/megohms|ohms",
                "{\"kind\":\"high-resistance-joint\",\"circuit\":\"sockets\",\"point\":\"socket-1\",\"ohms\":1}|/faults/0/conductors|cpc",
                "{\"kind\":\"low-insulation\",\"circuit\":\"sockets\",\"point\":\"socket-1\",\"conductors\":[\"line\",\"cpc\"],\"megohms\":-1}|/faults/0/megohms|-1 MΩ",
                "{\"kind\":\"clamp-on-paint\",\"bond\":\"oil\"}|/faults/0/bond|gas, water",
                "{\"kind\":\"clamp-on-paint\"}|/faults/0|"
            })
    void eachMistakeIsNamedAtItsPlace(String fault, String pointer, String hint) {
        assertThatThrownBy(() -> FaultSetFile.read(file(fault), RIG))
                .isInstanceOfSatisfying(
                        ProblemsException.class,
                        e -> assertThat(e.problems()).anySatisfy(p -> {
                            assertThat(p.where()).isEqualTo(pointer);
                            assertThat(p.toString()).contains(hint == null ? "" : hint);
                        }));
    }

    @Test
    void pairOfConductorsMayBeNamedEitherWayRound() {
        byte[] bytes = file("{\"kind\":\"low-insulation\",\"circuit\":\"sockets\",\"point\":\"socket-1\","
                + "\"conductors\":[\"cpc\",\"line\"],\"megohms\":0.5}");
        assertThat(FaultSetFile.read(bytes, RIG).faults().getFirst())
                .isEqualTo(Faults.lowInsulation(1, Conductor.LINE, Conductor.CPC, 0.5));
    }

    @Test
    void setForAnotherRigIsRefused() {
        byte[] bytes =
                "{\"format\":\"prantel-faults-1\",\"rig\":\"other\",\"faults\":[]}".getBytes(StandardCharsets.UTF_8);
        assertThatThrownBy(() -> FaultSetFile.read(bytes, RIG))
                .hasMessageContaining("/rig")
                .hasMessageContaining("other");
    }

    @Test
    void testerReadsBackTheSame() {
        assertThat(TesterFile.read(TesterFile.write(Testers.usual()))).isEqualTo(Testers.usual());
    }

    @Test
    void testerWithRangesOutOfOrderIsRefusedAtItsPlace() {
        String bad =
                new String(TesterFile.write(Testers.usual()), StandardCharsets.UTF_8).replaceFirst("9\\.99", "9000");
        assertThatThrownBy(() -> TesterFile.read(bad.getBytes(StandardCharsets.UTF_8)))
                .hasMessageContaining("/ohmmeter/ranges/1/top");
    }
}
