package prantel.core.rig;

import static prantel.core.rig.Conductor.CPC;
import static prantel.core.rig.Conductor.NEUTRAL;

import java.util.ArrayList;
import java.util.List;
import prantel.core.limits.ConductorTable;
import prantel.core.network.Network;
import prantel.core.network.Source;
import prantel.core.network.Terminal;

/**
 * Turns a rig into a network, as left in service: everything connected, main switch and devices closed, lights switched
 * on, no load. What a test needs changed is an edit of the result.
 */
public final class RigCompiler {
    private final Rig rig;
    private final Wiring wiring;

    private RigCompiler(Rig rig) {
        this.rig = rig;
        this.wiring = new Wiring(rig.workmanship());
    }

    /** The rig as declared. */
    public static Network compile(Rig rig) {
        return compileAll(rig).network(Variation.NONE);
    }

    /** The rig as it may be built. Terminals and branches are the same for every variation. */
    public static Network compile(Rig rig, Variation variation) {
        return compileAll(rig).network(variation);
    }

    /** The rig as declared, ready to be varied. */
    public static CompiledRig compileAll(Rig rig) {
        RigCompiler compiler = new RigCompiler(rig);
        compiler.addSupply();
        compiler.addEarthing();
        rig.boards().forEach(compiler::addBoard);
        for (Circuit circuit : rig.circuits()) {
            compiler.addDevice(circuit);
            switch (circuit) {
                case Radial radial -> new ChainWiring(radial, compiler.wiring).add(radial);
                case Ring ring -> new ChainWiring(ring, compiler.wiring).add(ring);
                case Lighting lighting -> new LightWiring(lighting, compiler.wiring).add();
                case Submain submain -> compiler.addSubmain(submain);
            }
        }
        rig.earthing().supplementaryBonds().forEach(compiler::addSupplementaryBond);
        return new CompiledRig(Network.of(compiler.wiring.branches(), sourceEnds(rig)), compiler.wiring.makes());
    }

    /** Where the branches of {@link #sources} end; the star point last, which all of them have. */
    private static List<Terminal> sourceEnds(Rig rig) {
        List<Terminal> ends = new ArrayList<>();
        for (Conductor pole : rig.poles(rig.origin().id())) {
            ends.add(Places.incoming(rig, rig.origin().id(), pole));
        }
        if (rig.supply().earth().earthing() == Supply.Earthing.TN_S) {
            ends.add(Places.SUPPLY_EARTH);
        }
        ends.add(Places.SOURCE);
        return ends;
    }

    /** The electromotive forces and reactances that go with the source branches of {@link #compile}. */
    public static List<Source> sources(Rig rig, Variation variation) {
        Supply supply = rig.supply();
        double volts = supply.nominalVolts() * variation.volts();
        List<Source> sources = new ArrayList<>();
        List<Conductor> lines = rig.lines(rig.origin().id());
        for (int i = 0; i < lines.size(); i++) {
            sources.add(new Source(
                    Places.source(lines.get(i)),
                    supply.lines().get(i).reactanceOhms() * variation.supply(),
                    volts,
                    -120.0 * i));
        }
        sources.add(Source.passive(Places.source(NEUTRAL), supply.neutral().reactanceOhms() * variation.supply()));
        if (supply.earth().earthing() == Supply.Earthing.TN_S) {
            sources.add(Source.passive(Places.source(CPC), supply.earth().path().reactanceOhms() * variation.supply()));
        }
        return sources;
    }

    /** Which of its board's lines a single-phase circuit is on. */
    static Conductor boardLine(Rig rig, Circuit circuit, Conductor line) {
        return line == Conductor.LINE && rig.isThreePhase(circuit.way().board())
                ? Conductor.THREE_LINES.get(circuit.way().phase() - 1)
                : line;
    }

    private void addSupply() {
        Supply supply = rig.supply();
        BoardId origin = rig.origin().id();
        List<Conductor> lines = rig.lines(rig.origin().id());
        for (int i = 0; i < lines.size(); i++) {
            addSource(lines.get(i), origin, supply.lines().get(i).ohms());
        }
        addSource(NEUTRAL, origin, supply.neutral().ohms());
        Terminal earth = Places.SUPPLY_EARTH;
        Supply.Earth how = supply.earth();
        switch (how.earthing()) {
            case TN_C_S ->
                wiring.add(Places.source(CPC), Places.incoming(rig, origin, NEUTRAL), earth, wiring.termination());
            case TN_S ->
                wiring.add(
                        Places.source(CPC),
                        Places.SOURCE,
                        earth,
                        Make.supply(how.path().ohms()));
            case TT -> wiring.add(Places.source(CPC), Places.MASS_OF_EARTH, earth, Make.supply(how.electrodeOhms()));
        }
        wiring.add(
                Places.SOURCE_ELECTRODE, Places.SOURCE, Places.MASS_OF_EARTH, Make.supply(how.sourceElectrodeOhms()));
    }

    private void addSource(Conductor pole, BoardId origin, double ohms) {
        wiring.add(Places.source(pole), Places.SOURCE, Places.incoming(rig, origin, pole), Make.supply(ohms));
    }

    private void addEarthing() {
        EarthingConductor conductor = rig.earthing().conductor();
        wiring.add(
                Places.EARTHING_CONDUCTOR,
                Places.SUPPLY_EARTH,
                Places.EARTHING_CONDUCTOR_END,
                copper(conductor.csaMm2(), conductor.lengthMetres()));
        wiring.add(Places.EARTHING_CONDUCTOR_AT_MET, Places.EARTHING_CONDUCTOR_END, Places.MET, wiring.termination());
        wiring.add(Places.EARTH_LINK, Places.MET, Places.earthBar(rig.origin().id()), wiring.termination());
        rig.bonds().forEach(this::addBond);
    }

    private void addBond(MainBond bond) {
        BondId id = bond.id();
        wiring.add(Places.bondAtMet(id), Places.MET, Places.bondMetEnd(id), wiring.termination());
        wiring.add(
                Places.bondConductor(id),
                Places.bondMetEnd(id),
                Places.clamp(id),
                copper(bond.csaMm2(), bond.lengthMetres()));
        wiring.add(Places.clampOnPart(id), Places.clamp(id), Places.part(id), wiring.termination());
        wiring.add(Places.partToEarth(id), Places.part(id), Places.MASS_OF_EARTH, Make.fixed(bond.partToEarthOhms()));
    }

    private void addSupplementaryBond(SupplementaryBond bond) {
        wiring.add(
                Places.supplementaryBond(bond.id()),
                Places.accessory(bond.circuit(), bond.point(), CPC),
                Places.part(bond.part()),
                copper(bond.csaMm2(), bond.lengthMetres())
                        .and(wiring.termination())
                        .and(wiring.termination()));
    }

    private void addBoard(Board board) {
        BoardId id = board.id();
        for (Conductor pole : rig.poles(id)) {
            Terminal behind = Places.behindMainSwitch(id, pole);
            wiring.add(Places.mainSwitch(id, pole), Places.incoming(rig, id, pole), behind, mainSwitch(id));
            for (Board.Section section : board.sections()) {
                wiring.add(
                        Places.feed(id, section.id(), pole),
                        behind,
                        Places.bar(id, section.id(), pole),
                        Wiring.CLOSED_CONTACT);
            }
            if (board.surgeProtection()) {
                boolean toEarth = pole == NEUTRAL || board.surge() == SurgeProtection.TO_EARTH;
                Terminal other = toEarth ? Places.earthBar(id) : Places.behindMainSwitch(id, NEUTRAL);
                wiring.addOpen(Places.surge(id, pole, toEarth ? CPC : NEUTRAL), behind, other);
            }
        }
    }

    /** One pole of a main switch; at the origin with its tail. */
    private Make mainSwitch(BoardId board) {
        return rig.supply()
                .tails()
                .filter(t -> rig.origin().id().equals(board))
                .map(t -> copper(t.csaMm2(), t.lengthMetres()).and(Wiring.CLOSED_CONTACT))
                .orElse(Wiring.CLOSED_CONTACT);
    }

    /** From the bars through the device to the conductors' ends at the board. */
    private void addDevice(Circuit circuit) {
        CircuitId id = circuit.id();
        Way way = circuit.way();
        for (Conductor line : circuit.lines()) {
            Terminal bar = Places.bar(way.board(), way.section(), boardLine(rig, circuit, line));
            if (circuit.nature().isSeparated()) {
                // a transformer is between the board and this circuit: no conductor of it is one of the board's
                wiring.addOpen(Places.breaker(id, line), bar, Places.breakerOut(id, line));
            } else {
                wiring.add(Places.breaker(id, line), bar, Places.breakerOut(id, line), Wiring.CLOSED_CONTACT);
            }
            addTermination(circuit, line, Places.breakerOut(id, line));
        }
        Terminal neutral = Places.bar(way.board(), way.section(), NEUTRAL);
        if (circuit.device().residual().isPresent()) {
            wiring.add(Places.breaker(id, NEUTRAL), neutral, Places.breakerOut(id, NEUTRAL), Wiring.CLOSED_CONTACT);
            neutral = Places.breakerOut(id, NEUTRAL);
        }
        addTermination(circuit, NEUTRAL, circuit.nature().isSeparated() ? Places.separatedNeutral(id) : neutral);
        addTermination(circuit, CPC, Places.earthBar(way.board()));
    }

    private void addTermination(Circuit circuit, Conductor conductor, Terminal at) {
        CircuitId id = circuit.id();
        wiring.add(
                Places.terminationAtBoard(id, conductor), at, Places.cableAtBoard(id, conductor), wiring.termination());
        if (circuit instanceof Ring) {
            wiring.add(
                    Places.secondTerminationAtBoard(id, conductor),
                    at,
                    Places.secondCableAtBoard(id, conductor),
                    wiring.termination());
        }
    }

    private void addSubmain(Submain submain) {
        CircuitId id = submain.id();
        List<Terminal> ends = new ArrayList<>();
        for (Conductor conductor : submain.conductors()) {
            Terminal end = conductor == CPC
                    ? Places.earthBar(submain.feeds())
                    : Places.incoming(rig, submain.feeds(), conductor);
            ends.add(end);
            wiring.add(
                    Places.submainRun(id, conductor),
                    Places.cableAtBoard(id, conductor),
                    end,
                    wiring.run(submain.cable(), conductor, submain.lengthMetres())
                            .and(wiring.termination()));
        }
        submain.cable()
                .enclosure()
                .ifPresent(e -> wiring.add(
                        Places.runEnclosure(id),
                        Places.earthBar(submain.way().board()),
                        Places.earthBar(submain.feeds()),
                        wiring.run(e, submain.lengthMetres())
                                .and(wiring.termination())
                                .and(wiring.termination())));
        wiring.addInsulation(
                (a, b) -> Places.runInsulation(id, a, b), submain.conductors(), ends, submain.lengthMetres());
    }

    private static Make copper(double csaMm2, double metres) {
        return Make.cable(ConductorTable.milliohmPerMetre(csaMm2) * metres / 1000);
    }
}
