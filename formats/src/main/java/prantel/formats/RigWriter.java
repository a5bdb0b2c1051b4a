package prantel.formats;

import java.util.List;
import prantel.core.limits.Breaker;
import prantel.core.limits.Fuse;
import prantel.core.rig.Board;
import prantel.core.rig.Cable;
import prantel.core.rig.Circuit;
import prantel.core.rig.Device;
import prantel.core.rig.Impedance;
import prantel.core.rig.LightGroup;
import prantel.core.rig.LightSwitch;
import prantel.core.rig.Lighting;
import prantel.core.rig.Load;
import prantel.core.rig.Nature;
import prantel.core.rig.Point;
import prantel.core.rig.Radial;
import prantel.core.rig.Relay;
import prantel.core.rig.ResidualDevice;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.rig.Submain;
import prantel.core.rig.Supply;
import prantel.core.rig.SurgeProtection;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes a rig in full: nothing is left to a default, but for what does not apply. */
final class RigWriter {
    private RigWriter() {}

    static ObjectNode write(Rig rig) {
        ObjectNode root = JsonFile.MAPPER.createObjectNode();
        root.put("format", RigFile.FORMAT).put("id", rig.id()).put("name", rig.name());
        if (!rig.comments().isEmpty()) {
            root.put("comments", rig.comments());
        }
        writeSupply(root.putObject("supply"), rig.supply());
        root.putObject("earthingConductor")
                .put("csaMm2", rig.earthing().conductor().csaMm2())
                .put("lengthMetres", rig.earthing().conductor().lengthMetres());
        writeBonds(root, rig);
        ObjectNode workmanship = root.putObject("workmanship")
                .put("terminationMilliohms", rig.workmanship().terminationMilliohms())
                .put("contactMilliohms", rig.workmanship().contactMilliohms())
                .put("insulationMegohmKilometres", rig.workmanship().insulationMegohmKilometres());
        rig.workmanship()
                .byPair()
                .ifPresent(p -> workmanship
                        .putObject("insulationByPair")
                        .put("lineNeutral", p.lineNeutral())
                        .put("lineEarth", p.lineEarth())
                        .put("neutralEarth", p.neutralEarth()));
        ArrayNode boards = root.putArray("boards");
        rig.boards().forEach(b -> writeBoard(boards.addObject(), b));
        ArrayNode circuits = root.putArray("circuits");
        rig.circuits().forEach(c -> writeCircuit(circuits.addObject(), c));
        if (!rig.relays().isEmpty()) {
            ArrayNode relays = root.putArray("faultBox");
            rig.relays().forEach(r -> writeRelay(relays.addObject(), r));
        }
        return root;
    }

    private static void writeRelay(ObjectNode node, Relay relay) {
        node.put("relay", relay.number()).put("kind", relay.kind()).put("at", relay.at());
        if (!relay.conductors().isEmpty()) {
            ArrayNode conductors = node.putArray("conductors");
            relay.conductors().forEach(c -> conductors.add(c.id()));
        }
        if (relay.size() > 0) {
            node.put("size", relay.size());
        }
        if (!relay.to().isEmpty()) {
            node.put("to", relay.to());
        }
    }

    private static void writeSupply(ObjectNode node, Supply supply) {
        node.put("nominalVolts", supply.nominalVolts())
                .put("earthing", supply.earth().earthing().label())
                .put("declaredEarthing", supply.declared().earthing().label())
                .put("declaredZeOhms", supply.declaredZeOhms());
        ArrayNode lines = node.putArray("lines");
        supply.lines().forEach(l -> writeImpedance(lines.addObject(), l));
        writeImpedance(node.putObject("neutral"), supply.neutral());
        switch (supply.earth().earthing()) {
            case TN_S ->
                writeImpedance(node.putObject("earthPath"), supply.earth().path());
            case TT -> node.put("electrodeOhms", supply.earth().electrodeOhms());
            case TN_C_S -> {}
        }
        node.put("sourceElectrodeOhms", supply.earth().sourceElectrodeOhms());
        supply.tails()
                .ifPresent(
                        t -> node.putObject("tails").put("csaMm2", t.csaMm2()).put("lengthMetres", t.lengthMetres()));
    }

    private static void writeImpedance(ObjectNode node, Impedance impedance) {
        node.put("ohms", impedance.ohms()).put("reactanceOhms", impedance.reactanceOhms());
    }

    private static void writeBonds(ObjectNode root, Rig rig) {
        ArrayNode bonds = root.putArray("bonds");
        rig.bonds()
                .forEach(bond -> bonds.addObject()
                        .put("id", bond.id().value())
                        .put("part", bond.part())
                        .put("csaMm2", bond.csaMm2())
                        .put("lengthMetres", bond.lengthMetres())
                        .put("partToEarthOhms", bond.partToEarthOhms()));
        ArrayNode supplementary = root.putArray("supplementaryBonds");
        rig.earthing()
                .supplementaryBonds()
                .forEach(bond -> supplementary
                        .addObject()
                        .put("id", bond.id().value())
                        .put("label", bond.label())
                        .put("circuit", bond.circuit().value())
                        .put("point", bond.point().value())
                        .put("part", bond.part().value())
                        .put("csaMm2", bond.csaMm2())
                        .put("lengthMetres", bond.lengthMetres()));
    }

    private static void writeBoard(ObjectNode node, Board board) {
        node.put("id", board.id().value()).put("label", board.label());
        board.mainRcd().ifPresent(r -> writeResidual(node.putObject("mainRcd"), r));
        if (board.surge() == SurgeProtection.TO_EARTH) {
            node.put("surgeProtection", board.surge().id());
        } else {
            node.put("surgeProtection", board.surgeProtection());
        }
        ArrayNode sections = node.putArray("sections");
        for (Board.Section section : board.sections()) {
            ObjectNode child =
                    sections.addObject().put("id", section.id().value()).put("label", section.label());
            section.rcd().ifPresent(r -> writeResidual(child.putObject("rcd"), r));
        }
    }

    private static void writeResidual(ObjectNode node, ResidualDevice device) {
        ResidualDevice.Behaviour behaviour = device.behaviour();
        node.put("type", device.type().name())
                .put("ratedResidualMilliamps", device.ratedResidualMilliamps())
                .put("delayed", device.delayed())
                .put("tripMilliamps", behaviour.tripMilliamps());
        node.putArray("ratedMillis").add(behaviour.ratedMillis0()).add(behaviour.ratedMillis180());
        node.putArray("fiveTimesMillis").add(behaviour.fiveMillis0()).add(behaviour.fiveMillis180());
        node.put("buttonWorks", behaviour.buttonWorks());
    }

    private static void writeCircuit(ObjectNode node, Circuit circuit) {
        node.put("id", circuit.id().value()).put("label", circuit.label());
        node.put(
                        "kind",
                        switch (circuit) {
                            case Radial radial -> "radial";
                            case Ring ring -> "ring";
                            case Lighting lighting -> "lighting";
                            case Submain submain -> "submain";
                        })
                .put("board", circuit.way().board().value())
                .put("section", circuit.way().section().value())
                .put("way", circuit.way().number())
                .put("phase", circuit.way().phase());
        if (circuit.nature() != Nature.LOW) {
            node.put("nature", circuit.nature().id());
        }
        writeDevice(node.putObject("device"), circuit.device());
        writeCable(node.putObject("cable"), circuit.cable());
        switch (circuit) {
            case Radial radial -> {
                node.put("threePhase", radial.threePhase());
                writePoints(node.putArray("points"), radial.points());
            }
            case Ring ring -> {
                node.put("ringMetres", ring.ringMetres());
                writePoints(node.putArray("points"), ring.points());
            }
            case Lighting lighting -> {
                ArrayNode groups = node.putArray("groups");
                lighting.groups().forEach(g -> writeGroup(groups.addObject(), g));
            }
            case Submain submain ->
                node.put("threePhase", submain.threePhase())
                        .put("lengthMetres", submain.lengthMetres())
                        .put("feeds", submain.feeds().value());
        }
    }

    private static void writeDevice(ObjectNode node, Device device) {
        node.put("kind", device.kind().id());
        switch (device.overcurrent()) {
            case Breaker breaker -> node.put("curve", breaker.curve().name());
            case Fuse fuse -> node.put("standard", fuse.standard());
        }
        node.put("ratedAmps", device.overcurrent().ratedAmps()).put("breakingKiloamps", device.breakingKiloamps());
        device.residual().ifPresent(r -> writeResidual(node.putObject("residual"), r));
    }

    private static void writeCable(ObjectNode node, Cable cable) {
        node.put("liveMm2", cable.liveMm2()).put("cpcMm2", cable.cpcMm2());
        cable.enclosure()
                .ifPresent(e -> node.putObject("enclosure")
                        .put("kind", e.kind().id())
                        .put("milliohmPerMetre", e.milliohmPerMetre()));
    }

    private static void writePoints(ArrayNode array, List<Point> points) {
        for (Point point : points) {
            ObjectNode node = array.addObject()
                    .put("id", point.id().value())
                    .put("label", point.label())
                    .put("kind", point.kind().id())
                    .put("atMetres", point.atMetres());
            point.after().ifPresent(a -> node.put("after", a.value()));
            point.load().ifPresent(l -> writeLoad(node.putObject("load"), l));
            if (point.metal()) {
                node.put("metal", true);
            }
        }
    }

    private static void writeLoad(ObjectNode node, Load load) {
        node.put("kind", load.kind().id()).put("watts", load.watts());
        if (load.leakMegohms() > 0) {
            node.put("leakMegohms", load.leakMegohms());
        }
    }

    private static void writeGroup(ObjectNode node, LightGroup group) {
        node.put("id", group.id())
                .put("label", group.label())
                .put("feed", group.feed().id());
        ArrayNode lamps = node.putArray("lamps");
        for (LightGroup.Lamp lamp : group.lamps()) {
            ObjectNode child = lamps.addObject()
                    .put("id", lamp.id().value())
                    .put("label", lamp.label())
                    .put("runMetres", lamp.runMetres());
            writeLoad(child.putObject("load"), lamp.load());
            if (lamp.metal()) {
                child.put("metal", true);
            }
        }
        ArrayNode switches = node.putArray("switches");
        for (LightSwitch s : group.switches()) {
            ObjectNode child = switches.addObject()
                    .put("id", s.id().value())
                    .put("label", s.label())
                    .put("runMetres", s.runMetres());
            if (s.secondStrapperMoreMetres() > 0) {
                child.put("secondStrapperMoreMetres", s.secondStrapperMoreMetres());
            }
        }
    }
}
