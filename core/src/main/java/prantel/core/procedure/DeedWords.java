package prantel.core.procedure;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import prantel.core.quantity.Check;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.LightGroup;
import prantel.core.rig.Lighting;
import prantel.core.rig.PointId;
import prantel.core.rig.Residuals;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;

/** How deeds are told to somebody who does them, with the rig's labels. The only place that words a deed. */
public final class DeedWords {
    private static final String AND = " ";
    private static final String COMMA = ", ";
    private static final String SEMICOLON = "; ";

    private final Rig rig;

    public DeedWords(Rig rig) {
        this.rig = rig;
    }

    /** One deed by itself. */
    public String of(Deed deed) {
        return switch (deed) {
            case Deed.MainSwitchOff off ->
                off.board().equals(rig.origin().id())
                        ? "Main switch off"
                        : "Main switch of " + rig.board(off.board()).label() + " off";
            case Deed.LockOff lock -> "locked";
            case Deed.Unlock unlock -> "Lock off";
            case Deed.Uncross uncross ->
                "Ends of " + rig.circuit(uncross.ring()).label() + " apart again";
            case Deed.LoadOut out -> "Load of " + load(out.circuit(), out.point()) + " out";
            case Deed.SurgeProtectionOut out ->
                "Surge protection of " + rig.board(out.board()).label() + " out";
            case Deed.CoverOff off -> "Cover of " + cover(off.cover()) + " off";
            case Deed.CoverOn on -> "Cover of " + cover(on.cover()) + " on";
            case Deed.ProveIndicator prove -> "Indicator proved on its proving unit";
            case Deed.SetTestCurrent current ->
                "Test current " + Check.plain(current.milliamps()) + " mA, " + (current.negativeHalf() ? "180°" : "0°");
            case Deed.TakeReading take -> "Reading taken";
            case Deed.ProveDead dead -> Isolation.provedDead(rig);
            case Deed.TakeOut out -> takenOut(out.ends());
            case Deed.PutBack back -> names(back.ends()) + " back, to the stated torque";
            case Deed.PutElsewhere elsewhere -> end(elsewhere.end()) + " to the " + contact(elsewhere.where());
            case Deed.Link link -> linked(link.joints());
            case Deed.Unlink unlink ->
                "Link between " + contact(unlink.joint().a()) + " and "
                        + contact(unlink.joint().b()) + " out";
            case Deed.Cross cross -> crossed(cross);
            case Deed.Operate operate -> position(operate.position());
            case Deed.TakeLoadsOut out -> out.surge() ? "Loads and surge protection out" : "Loads out";
            case Deed.LoadIn in -> "Load of " + load(in.circuit(), in.point()) + " in";
            case Deed.SurgeProtectionIn in ->
                "Surge protection of " + rig.board(in.board()).label() + " in";
            case Deed.NullLeads leads ->
                switch (leads.leads()) {
                    case PAIR -> "Leads nulled";
                    case WANDER_ON_MET -> "Wander lead on the MET and nulled with it";
                    case WANDER_ON_FREE_END -> "Wander lead on the free end and nulled with it";
                };
            case Deed.Choose choose -> choose.function().label();
            case Deed.PutProbes probes -> probes(probes.at());
            case Deed.PressTestButton press -> "Test button of " + device(press.device());
            case Deed.Reset reset -> device(reset.device()) + " on again";
            case Deed.CloseUp up -> "Everything connected and closed up, earth on the MET";
            case Deed.Energise energise -> "supply on";
            case Deed.Heed heed -> caution(heed.caution());
        };
    }

    private String load(CircuitId id, PointId point) {
        Circuit circuit = rig.circuit(id);
        return circuit.label() + ", " + circuit.point(point).label();
    }

    private String cover(Cover cover) {
        return switch (cover) {
            case Cover.OfBoard of -> rig.board(of.board()).label();
            case Cover.OfPoint of -> load(of.circuit(), of.point());
        };
    }

    /** A list of deeds, a line for each sentence. */
    public List<String> lines(List<Deed> deeds) {
        List<String> lines = new ArrayList<>();
        Deed before = null;
        for (Deed deed : deeds) {
            Optional<String> joined = before == null ? Optional.empty() : joint(before, deed);
            String words = inCompany(deed, before, deeds);
            if (joined.isPresent()) {
                lines.add(lines.removeLast() + joined.get() + words);
            } else {
                lines.add(words);
            }
            before = deed;
        }
        return lines;
    }

    /** What is shorter, or said more fully, beside the others of its list. */
    private String inCompany(Deed deed, @Nullable Deed before, List<Deed> all) {
        if (deed instanceof Deed.MainSwitchOff off && all.stream().noneMatch(Deed.ProveDead.class::isInstance)) {
            return "Supply on, main switch of " + rig.board(off.board()).label() + " off";
        }
        // what earths the whole installation comes off with all of it isolated
        boolean ofTheWhole = deed instanceof Deed.TakeOut out && !(out.ends().getFirst() instanceof End.AtBoard);
        if (ofTheWhole && all.stream().anyMatch(Deed.ProveDead.class::isInstance)) {
            String words = of(deed);
            return "Whole installation isolated; " + Character.toLowerCase(words.charAt(0)) + words.substring(1);
        }
        if (deed instanceof Deed.Link link && isOfTheSameEnds(before, link)) {
            boolean intoBar = link.joints().stream().anyMatch(j -> j.b() instanceof Contact.EarthBar);
            return intoBar ? "and into the earth bar" : "and linked";
        }
        return of(deed);
    }

    /** What joins two deeds in one sentence; empty where the second is told by itself. */
    private static Optional<String> joint(Deed before, Deed deed) {
        if (deed instanceof Deed.LockOff || deed instanceof Deed.ProveDead || deed instanceof Deed.Energise) {
            return Optional.of(COMMA);
        }
        if (deed instanceof Deed.Link link && isOfTheSameEnds(before, link)) {
            return Optional.of(AND);
        }
        if (deed instanceof Deed.PutProbes && before instanceof Deed.NullLeads nulled) {
            return nulled.leads() == Deed.Leads.WANDER_ON_MET ? Optional.empty() : Optional.of(COMMA);
        }
        return deed instanceof Deed.PutProbes && before.equals(new Deed.Heed(Caution.Usual.CPC_ON_BAR))
                ? Optional.of(SEMICOLON)
                : Optional.empty();
    }

    /** Whether what is linked was taken out just before. */
    private static boolean isOfTheSameEnds(@Nullable Deed before, Deed.Link link) {
        return before instanceof Deed.TakeOut out
                && link.joints().getFirst().a() instanceof Contact.AtEnd(End end)
                && out.ends().contains(end);
    }

    private String takenOut(List<End> ends) {
        if (ends.getFirst() instanceof End.OfEarthing) {
            return "Earthing conductor off the MET; put it back straight afterwards";
        }
        if (ends.getFirst() instanceof End.AtPoint) {
            return names(ends) + " out of its terminal";
        }
        if (ends.getFirst() instanceof End.OfNeutralTail) {
            return names(ends) + " out of its bar";
        }
        if (ends.getFirst() instanceof End.OfBond bond) {
            return "Bond to the " + rig.bond(bond.bond()).part() + " off the MET";
        }
        Circuit circuit = rig.circuit(((End.AtBoard) ends.getFirst()).circuit());
        List<Conductor> conductors = conductors(ends);
        if (circuit instanceof Ring && conductors.size() == Conductor.SINGLE_PHASE.size()) {
            return "All six ends of " + circuit.label() + " out of their terminals";
        }
        if (conductors.size() > 1 && !conductors.contains(Conductor.CPC)) {
            return words(conductors) + " of " + circuit.label() + " out of their terminals";
        }
        Conductor first = conductors.getFirst();
        boolean otherLeg = ends.stream().allMatch(e -> e instanceof End.AtBoard at && at.second());
        String out = name(first) + " of " + circuit.label() + (otherLeg ? ", other leg," : "")
                + (first == Conductor.CPC ? " off " : " out of ") + "its " + from(first);
        return conductors.size() > 1 ? out + ", CPC off the earth bar" : out;
    }

    private static String from(Conductor conductor) {
        return switch (conductor) {
            case NEUTRAL -> "bar";
            case CPC -> "earth bar";
            case LINE, L1, L2, L3, SWITCHED_LINE, STRAPPER_1, STRAPPER_2 -> "device";
        };
    }

    private static List<Conductor> conductors(List<End> ends) {
        return ends.stream()
                .filter(End.AtBoard.class::isInstance)
                .map(e -> ((End.AtBoard) e).conductor())
                .distinct()
                .toList();
    }

    /** "Line and neutral". */
    private static String words(List<Conductor> conductors) {
        List<String> words = new ArrayList<>();
        for (Conductor conductor : conductors) {
            words.add(words.isEmpty() ? name(conductor) : conductor.word());
        }
        String last = words.removeLast();
        return words.isEmpty() ? last : String.join(COMMA, words) + " and " + last;
    }

    private static String name(Conductor conductor) {
        return switch (conductor) {
            case LINE -> "Line";
            case NEUTRAL -> "Neutral";
            case L1, L2, L3, CPC, SWITCHED_LINE, STRAPPER_1, STRAPPER_2 -> conductor.word();
        };
    }

    private String names(List<End> ends) {
        return ends.stream().map(this::end).collect(Collectors.joining(COMMA));
    }

    /** At the beginning of a sentence. */
    public String end(End end) {
        return switch (end) {
            case End.AtBoard at ->
                name(at.conductor()) + " of " + rig.circuit(at.circuit()).label() + (at.second() ? ", other leg" : "");
            case End.AtPoint at ->
                name(at.conductor()) + " at "
                        + rig.circuit(at.circuit()).point(at.point()).label()
                        + switch (at.side()) {
                            case INCOMING -> ", incoming";
                            case OUTGOING -> ", outgoing";
                            case DEPARTING -> ", where its cable starts";
                        };
            case End.OfBond bond -> "Bond to the " + rig.bond(bond.bond()).part();
            case End.OfNeutralTail tail ->
                "Neutral tail of "
                        + rig.board(tail.board()).section(tail.section()).label();
            case End.OfEarthing earthing -> "Earthing conductor";
        };
    }

    /** Within a sentence. */
    public String contact(Contact contact) {
        return switch (contact) {
            case Contact.AtEnd at -> end(at.end());
            case Contact.EarthBar bar ->
                "earth bar of " + rig.board(bar.board()).label();
            case Contact.Bar bar ->
                bar.pole().letter() + " bar of "
                        + rig.board(bar.board()).section(bar.section()).label();
            case Contact.BehindMainSwitch behind ->
                behind.pole().letter() + " behind the main switch of "
                        + rig.board(behind.board()).label();
            case Contact.Incoming in ->
                "incoming " + in.pole().letter() + " of "
                        + rig.board(in.board()).label();
            case Contact.Met met -> "MET";
            case Contact.DeviceOut out ->
                out.pole().letter() + " terminal of the device of "
                        + rig.circuit(out.circuit()).label();
            case Contact.SupplyEarth supply -> "earth terminal of the supply";
            case Contact.Stake stake -> "stake in the ground";
            case Contact.Behind behind ->
                behind.conductor().letter() + " terminal of "
                        + rig.circuit(behind.circuit()).point(behind.point()).label();
            case Contact.Front front ->
                front.conductor().letter() + " of "
                        + rig.circuit(front.circuit()).point(front.point()).label();
            case Contact.Metalwork metal ->
                "metalwork of "
                        + rig.circuit(metal.circuit()).point(metal.point()).label();
            case Contact.Clamp clamp -> "clamp on the " + rig.bond(clamp.bond()).part();
            case Contact.Part part -> rig.bond(part.bond()).part();
        };
    }

    private String linked(List<Deed.Joint> joints) {
        if (joints.stream()
                .allMatch(j -> j.b() instanceof Contact.AtEnd(End.AtBoard at) && at.conductor() == Conductor.NEUTRAL)) {
            return "Line and neutral joined at the board";
        }
        if (joints.stream().allMatch(j -> j.a() instanceof Contact.Bar || j.a() instanceof Contact.BehindMainSwitch)) {
            return "Lines and neutral joined";
        }
        return joints.stream()
                .map(j -> contact(j.a()) + " linked with " + contact(j.b()))
                .collect(Collectors.joining(COMMA));
    }

    private static String crossed(Deed.Cross cross) {
        String with = cross.with().word();
        return switch (cross.legs()) {
            case CROSSWISE -> "Line of each leg joined with the " + with + " of the other leg";
            case EACH_WITH_ITSELF -> "Line of each leg joined with the " + with + " of the same leg";
            case FIRST_LINE_ONLY -> "Line of the first leg joined with the " + with + " of the other leg";
            case SECOND_LINE_ONLY -> "Line of the second leg joined with the " + with + " of the other leg";
        };
    }

    private String position(Position position) {
        return switch (position) {
            case Position.Device device -> "Breaker" + onOff(device.on());
            case Position.Feed feed ->
                rig.board(feed.board()).section(feed.section()).label() + ": feed" + onOff(feed.on())
                        + ", all its devices on";
            case Position.FarSwitch far ->
                "Main switch of " + rig.board(far.board()).label() + onOff(far.on());
            case Position.AllTogether all ->
                "All devices of " + rig.board(all.board()).label() + " on, its main switch off";
            case Position.Isolator isolator ->
                rig.circuit(isolator.circuit()).point(isolator.point()).label() + onOff(isolator.on());
            case Position.Timer timer ->
                rig.circuit(timer.circuit()).point(timer.point()).label() + onOff(timer.on());
            case Position.Lights lights -> {
                LightGroup group = ((Lighting) rig.circuit(lights.circuit())).group(lights.group());
                yield group.label() + ": " + LightStates.words(group, lights.state());
            }
            case Position.Round round ->
                round.operated() == 0
                        ? "All switches so that the lamps would be on"
                        : "Switch " + round.operated() + " of each group operated as well";
        };
    }

    private static String onOff(boolean on) {
        return on ? " on" : " off";
    }

    private String probes(ProbesAt at) {
        return switch (at) {
            case ProbesAt.Usual usual -> words(usual);
            case ProbesAt.On on ->
                "Probes on " + on.contacts().stream().map(this::contact).collect(Collectors.joining(" and "));
        };
    }

    private String device(String id) {
        return Residuals.of(rig).stream()
                .filter(p -> p.id().equals(id))
                .map(Residuals.Placed::label)
                .findFirst()
                .orElse(id);
    }

    private String caution(Caution caution) {
        return switch (caution) {
            case Caution.Usual usual -> words(usual);
            case Caution.BondStays stays ->
                "Whole installation isolated; the bond to the "
                        + rig.bond(stays.bond()).part() + " stays connected";
        };
    }

    private static String words(ProbesAt.Usual probes) {
        return switch (probes) {
            case LINE_AND_NEUTRAL_OF_POINT -> "probes on the line and N of the point";
            case LINE_AND_EARTH_OF_POINT -> "probes on the line and E of the point";
            case EARTH_OF_POINT -> "The other lead on E of the point";
            case EARTH_AND_PART -> "Probes on the earth terminal of the point and on the bare part";
            case SUPPLY_EARTH -> "the other on the supply's earth terminal";
            case STAKES ->
                "Earth tester on the free conductor, current stake far out, voltage stake half-way;"
                        + " again with it nearer and further, and the mean written";
            case CONDUCTORS_AT_BOARD -> "probes on the conductors at the board";
            case SECTION_BARS -> "Probes on the section's line bar, neutral bar and the earth bar";
            case BEHIND_MAIN_SWITCH -> "Probes behind the main switch and on the earth bar";
            case PROVING_DEAD -> "Indicator proved before and after; probes behind the main switch";
            case INCOMING -> "Probes on the incoming terminals, earth or neutral first, line last";
            case INCOMING_AND_FREE_EARTH -> "Probes on the incoming line and the free earthing conductor";
            case INCOMING_AND_BAR -> "Earth connected; probes on the incoming line and the earth bar";
            case POINT_LIVE -> "Loads out; earth or neutral probe first, line last";
            case LOOP_AT_POINT -> "Loads out; probes on line and E of the point";
            case RCD -> "Loads out; the device on, reset after each test";
            case OPERATE -> "Operate and look";
        };
    }

    private static String words(Caution.Usual caution) {
        return switch (caution) {
            case LIVE ->
                "Caution, live: supervised and with permission only; fused probes with short tips, covers on where they can"
                        + " be, bystanders out. Local rules and licensed practice come first";
            case CPC_ON_BAR -> "CPC on the earth bar";
            case CPC_OFF_BAR_AS_WELL -> "Or the CPC off the bar and linked to the line: without the metal in parallel";
            case PARALLEL_PATHS -> "Main earth connected: parallel paths count";
            case INDICATOR -> "Two-pole indicator on its proving unit or a known source, before and after proving dead";
            case INSPECTION -> "Isolated and proved dead; looked at before any lead is put on";
            case CLOSING -> "Closing up: looked at and said, before the record is signed";
        };
    }
}
