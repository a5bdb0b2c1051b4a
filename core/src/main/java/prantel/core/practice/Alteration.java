package prantel.core.practice;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import prantel.core.procedure.Deed;
import prantel.core.procedure.End;
import prantel.core.procedure.LightStates;
import prantel.core.procedure.Position;
import prantel.core.rig.LightGroup;
import prantel.core.rig.Lighting;
import prantel.core.rig.Rig;

/**
 * One thing by which a rig differs from one in service with its loads out.
 *
 * @param made the deed that makes it so
 * @param undone the deed that takes it back
 */
record Alteration(Deed made, Deed undone) {
    /** Of the deeds that stand, one by one, in their order. */
    static Set<Alteration> of(Rig rig, List<Deed> standing) {
        Set<Alteration> all = new LinkedHashSet<>();
        for (Deed deed : standing) {
            all.addAll(of(rig, deed));
        }
        return all;
    }

    private static List<Alteration> of(Rig rig, Deed deed) {
        return switch (deed) {
            case Deed.MainSwitchOff off -> List.of(off(off.board()));
            case Deed.TakeOut out -> out.ends().stream().map(Alteration::out).toList();
            case Deed.PutElsewhere elsewhere ->
                List.of(new Alteration(elsewhere, new Deed.PutBack(List.of(elsewhere.end()))));
            case Deed.Link link ->
                link.joints().stream()
                        .map(j -> new Alteration(new Deed.Link(j), new Deed.Unlink(j)))
                        .toList();
            case Deed.Cross cross -> List.of(new Alteration(cross, new Deed.Uncross(cross.ring())));
            case Deed.Operate operate -> of(rig, operate.position());
            case Deed.LoadIn in -> List.of(new Alteration(in, new Deed.LoadOut(in.circuit(), in.point())));
            case Deed.SurgeProtectionIn in -> List.of(new Alteration(in, new Deed.SurgeProtectionOut(in.board())));
            // these leave nothing standing
            default -> List.of();
        };
    }

    private static Alteration off(prantel.core.rig.BoardId board) {
        return new Alteration(new Deed.MainSwitchOff(board), new Deed.Energise(board));
    }

    private static Alteration out(End end) {
        return new Alteration(new Deed.TakeOut(end), new Deed.PutBack(List.of(end)));
    }

    private static List<Alteration> of(Rig rig, Position position) {
        return switch (position) {
            case Position.Device device -> device.on() ? List.of() : List.of(operated(device, on(device)));
            case Position.Feed feed ->
                feed.on() ? List.of() : List.of(operated(feed, new Position.Feed(feed.board(), feed.section(), true)));
            case Position.FarSwitch far -> far.on() ? List.of() : List.of(off(far.board()));
            case Position.AllTogether all ->
                all.board().equals(rig.origin().id()) ? List.of() : List.of(off(all.board()));
            case Position.Isolator isolator ->
                isolator.on()
                        ? List.of()
                        : List.of(
                                operated(isolator, new Position.Isolator(isolator.circuit(), isolator.point(), true)));
            case Position.Timer timer ->
                timer.on()
                        ? List.of()
                        : List.of(operated(timer, new Position.Timer(timer.circuit(), timer.point(), true)));
            case Position.Lights lights -> lights(rig, lights);
            case Position.Round round -> {
                List<Alteration> all = new ArrayList<>();
                Lighting lighting = (Lighting) rig.circuit(round.circuit());
                for (LightGroup group : lighting.groups()) {
                    if (group.switches().size() > 1) {
                        all.addAll(lights(
                                rig,
                                new Position.Lights(
                                        round.circuit(), group.id(), LightStates.after(group, round.operated()))));
                    }
                }
                yield all;
            }
        };
    }

    private static Position on(Position.Device device) {
        return new Position.Device(device.circuit(), true);
    }

    private static List<Alteration> lights(Rig rig, Position.Lights lights) {
        LightGroup group = ((Lighting) rig.circuit(lights.circuit())).group(lights.group());
        boolean asFound = lights.state().operated().stream().noneMatch(o -> o);
        return asFound
                ? List.of()
                : List.of(operated(
                        lights, new Position.Lights(lights.circuit(), lights.group(), LightStates.after(group, 0))));
    }

    private static Alteration operated(Position to, Position back) {
        return new Alteration(new Deed.Operate(to), new Deed.Operate(back));
    }

    boolean isLoad() {
        return made instanceof Deed.LoadIn || made instanceof Deed.SurgeProtectionIn;
    }

    boolean isMainSwitch() {
        return made instanceof Deed.MainSwitchOff;
    }
}
