package prantel.core.network;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A network on alternating current. Everything resistive is eliminated down to the nodes that the sources join; these few
 * and the sources' impedances are a small complex network. Safe for use by several threads.
 */
public final class Alternating {
    private final Network passive;
    private final List<Driven> sources;
    private final KeptMesh mesh;
    private final KeptMesh.Currents driven;
    private volatile @Nullable Wired wired;

    /** A source with the branch it is part of. */
    private record Driven(Branch branch, Source source) {}

    /** @param sources those whose branch is open in the network are left out */
    public Alternating(Network network, List<Source> sources) {
        this(network, sources, null);
    }

    /** @param alike of a network that differs in resistances alone: what depends on the connections is taken from there */
    public Alternating(Network network, List<Source> sources, @Nullable Alternating alike) {
        this(on(network, sources), network, alike);
    }

    private Alternating(List<Driven> on, Network network, @Nullable Alternating alike) {
        this(
                on,
                network.with(
                        on.stream()
                                .<Edit>map(d -> new Edit.Open(d.branch().id()))
                                .toList(),
                        0,
                        alike == null ? null : alike.passive));
    }

    private Alternating(List<Driven> on, Network passive) {
        this.sources = on;
        this.passive = keeping(passive, on);
        this.mesh = new KeptMesh(this.passive.keptCount(), this.passive.betweenKept());
        Complex[] amps = new Complex[this.passive.keptCount()];
        Arrays.fill(amps, Complex.ZERO);
        for (Driven one : on) {
            int from = this.passive.kept(one.branch().from());
            int to = this.passive.kept(one.branch().to());
            Complex admittance = new Complex(1, 0)
                    .dividedBy(new Complex(one.branch().ohms(), one.source().reactanceOhms()));
            mesh.add(from, to, admittance);
            Complex norton = one.source().force().times(admittance);
            amps[to] = amps[to].plus(norton);
            amps[from] = amps[from].minus(norton);
        }
        mesh.eliminate();
        driven = mesh.new Currents(amps);
    }

    private static List<Driven> on(Network network, List<Source> sources) {
        List<Driven> on = new ArrayList<>();
        for (Source source : sources) {
            Branch branch = network.branch(source.branch());
            if (!branch.isOpen()) {
                on.add(new Driven(branch, source));
            }
        }
        return on;
    }

    /** A compiled rig keeps the ends of its sources to the last; a fault may have moved one elsewhere. */
    private static Network keeping(Network network, List<Driven> sources) {
        Set<Terminal> ends = new LinkedHashSet<>();
        sources.forEach(d -> {
            ends.add(d.branch().from());
            ends.add(d.branch().to());
        });
        return ends.stream().allMatch(network::isKept) ? network : network.keeping(List.copyOf(ends));
    }

    /** The same sources with something else of the network changed. @param edits none of a source's branch */
    public Alternating with(List<Edit> edits) {
        return new Alternating(sources, passive.with(edits));
    }

    /** @throws IllegalArgumentException if a terminal is not in the network */
    public Port port(Terminal from, Terminal to) {
        Flow flow = passive.flow(from, to);
        return new Port(flow, mesh.new Currents(flow.kept), driven);
    }

    /**
     * How edits would move what is seen at ports of this.
     *
     * @param volts as for {@link Network#with(List, double)}
     */
    public Disturbance disturbance(List<Edit> edits, double volts) {
        Network.Changes changes = passive.changes(edits, volts);
        return new Disturbance(this, changes.was(), changes.now(), changesSource(edits));
    }

    private boolean changesSource(List<Edit> edits) {
        for (Edit edit : edits) {
            for (Driven source : sources) {
                if (edit.branches().contains(source.branch().id())) {
                    return true;
                }
            }
        }
        return false;
    }

    /** Of every branch that is no source, then of every source with its reactance, Ω; 0 for an open branch. */
    Amounts impedances() {
        Wired wired = wired();
        Amounts ohms = new Amounts(wired.from.length);
        for (int i = 0; i < wired.branches; i++) {
            ohms.re[i] = wired.ohms[i];
        }
        for (int i = 0; i < sources.size(); i++) {
            Driven one = sources.get(i);
            ohms.set(
                    wired.branches + i,
                    new Complex(one.branch().ohms(), one.source().reactanceOhms()));
        }
        return ohms;
    }

    /** Current through each of {@link #impedances} that the sources drive, from FROM to TO, A. */
    Amounts standingAmps() {
        return amps(passive.potentials(driven.potentials(), null), true);
    }

    /** The same of 1 A put in at a port's first terminal and taken out at its second, no source driving. */
    Amounts ampsOf(Port port) {
        return amps(passive.potentials(port.currents().potentials(), port.flow()), false);
    }

    /**
     * Where 1 A goes that is put in at a port's first terminal and taken out at its second, no source driving.
     *
     * @return of every branch that carries some, open ones left out
     */
    public List<BranchCurrent> currents(Port port) {
        Amounts amps = ampsOf(port);
        List<Branch> all = new ArrayList<>(passive.branches());
        sources.forEach(s -> all.add(s.branch()));
        List<BranchCurrent> currents = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            double size = Math.hypot(amps.re[i], amps.im[i]);
            if (size > 0 && !all.get(i).isOpen()) {
                currents.add(new BranchCurrent(all.get(i), Math.copySign(size, amps.re[i])));
            }
        }
        return currents;
    }

    private Amounts amps(Potentials potentials, boolean forces) {
        Wired wired = wired();
        Amounts amps = new Amounts(wired.from.length);
        for (int i = 0; i < wired.branches; i++) {
            double siemens = wired.siemens[i];
            if (siemens > 0) {
                amps.re[i] = potentials.re(wired.from[i], wired.to[i]) * siemens;
                amps.im[i] = potentials.im(wired.from[i], wired.to[i]) * siemens;
            }
        }
        for (int i = 0; i < sources.size(); i++) {
            Driven one = sources.get(i);
            int at = wired.branches + i;
            Complex volts = potentials.between(wired.from[at], wired.to[at]);
            Complex driving = forces ? volts.plus(one.source().force()) : volts;
            amps.set(
                    at,
                    driving.dividedBy(
                            new Complex(one.branch().ohms(), one.source().reactanceOhms())));
        }
        return amps;
    }

    /** Branches and then sources with their nodes as numbers, for going through all of them. */
    private static final class Wired {
        private final int branches;
        private final int[] from;
        private final int[] to;
        /** Ω of each branch; 0 for an open one. */
        private final double[] ohms;
        /** S; 0 for an open one. */
        private final double[] siemens;

        Wired(Network passive, List<Driven> sources) {
            List<Branch> all = passive.branches();
            branches = all.size();
            from = new int[branches + sources.size()];
            to = new int[branches + sources.size()];
            ohms = new double[branches];
            siemens = new double[branches];
            for (int i = 0; i < branches; i++) {
                Branch branch = all.get(i);
                from[i] = passive.node(branch.from());
                to[i] = passive.node(branch.to());
                ohms[i] = branch.isOpen() ? 0 : branch.ohms();
                siemens[i] = branch.isOpen() ? 0 : 1 / branch.ohms();
            }
            for (int i = 0; i < sources.size(); i++) {
                from[branches + i] = passive.node(sources.get(i).branch().from());
                to[branches + i] = passive.node(sources.get(i).branch().to());
            }
        }
    }

    private Wired wired() {
        Wired known = wired;
        if (known == null) {
            known = new Wired(passive, sources);
            wired = known;
        }
        return known;
    }

    /** {@link Port#impedanceOhms} between two terminals. */
    public double impedanceOhms(Terminal a, Terminal b) {
        return port(a, b).impedanceOhms();
    }

    /** Voltage between two terminals while a resistance connects them, V; 0 where one of them floats. */
    public double voltsAcross(Terminal a, Terminal b, double ohms) {
        return port(a, b).ampsThrough(ohms).size() * ohms;
    }
}
