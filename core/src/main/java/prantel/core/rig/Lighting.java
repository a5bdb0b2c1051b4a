package prantel.core.rig;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;

/** A lighting circuit: groups of lamps along a trunk, each with its switches. */
public record Lighting(CircuitHead head, List<LightGroup> groups) implements Circuit {
    public Lighting {
        Check.that(
                head.nature() == Nature.LOW,
                "wrong-nature",
                "nature",
                head.nature().id(),
                "only a radial may be SELV, PELV, FELV or above 500 V; leave it out");
        groups = List.copyOf(groups);
        Check.that(
                !groups.isEmpty() && groups.size() <= 20,
                "bad-count",
                "groups",
                groups.size() + " groups",
                "give 1 to 20 groups");
        Check.distinct(groups, LightGroup::id, "groups");
        checkPointIds(groups);
    }

    private static void checkPointIds(List<LightGroup> groups) {
        List<Problem> problems = new ArrayList<>();
        Set<PointId> seen = new HashSet<>();
        for (int g = 0; g < groups.size(); g++) {
            List<LightGroup.Lamp> lamps = groups.get(g).lamps();
            for (int i = 0; i < lamps.size(); i++) {
                checkNew(lamps.get(i).id(), seen, "groups/" + g + "/lamps/" + i + "/id", problems);
            }
            List<LightSwitch> switches = groups.get(g).switches();
            for (int i = 0; i < switches.size(); i++) {
                checkNew(switches.get(i).id(), seen, "groups/" + g + "/switches/" + i + "/id", problems);
            }
        }
        ProblemsException.throwIfAny(problems);
    }

    private static void checkNew(PointId id, Set<PointId> seen, String where, List<Problem> problems) {
        if (!seen.add(id)) {
            problems.add(new Problem("duplicate-id", where, Check.quoted(id.value()), "give each its own id"));
        }
    }

    /** @throws java.util.NoSuchElementException if it has no such group */
    public LightGroup group(String id) {
        return groups.stream().filter(g -> g.id().equals(id)).findFirst().orElseThrow();
    }

    /** Lamps and switches with their cable distance from the board. */
    @Override
    public List<Point> points() {
        return points(groups);
    }

    private static List<Point> points(List<LightGroup> groups) {
        List<Point> points = new ArrayList<>();
        double trunk = 0;
        for (LightGroup group : groups) {
            boolean atLamp = group.feed() == LightGroup.Feed.LAMP;
            double lampsFrom = trunk;
            double switchesFrom = trunk;
            if (atLamp) {
                trunk += group.lamps().getFirst().runMetres();
                switchesFrom = trunk;
            } else {
                trunk += group.switches().getFirst().runMetres();
                lampsFrom = trunk;
                if (group.feed() == LightGroup.Feed.THROUGH) {
                    lampsFrom += betweenSwitches(group);
                }
            }
            addLamps(points, group, lampsFrom);
            addSwitches(points, group, switchesFrom);
        }
        return points;
    }

    /** From the first switch of a group to its last, m. */
    static double betweenSwitches(LightGroup group) {
        return group.switches().stream()
                .skip(1)
                .mapToDouble(LightSwitch::runMetres)
                .sum();
    }

    private static void addLamps(List<Point> points, LightGroup group, double from) {
        double at = from;
        for (LightGroup.Lamp lamp : group.lamps()) {
            at += lamp.runMetres();
            points.add(new Point(
                    lamp.id(),
                    lamp.label(),
                    PointKind.LAMP,
                    at,
                    Optional.empty(),
                    Optional.of(lamp.load()),
                    lamp.metal()));
        }
    }

    private static void addSwitches(List<Point> points, LightGroup group, double from) {
        double at = from;
        for (LightSwitch lightSwitch : group.switches()) {
            at += lightSwitch.runMetres();
            points.add(new Point(lightSwitch.id(), lightSwitch.label(), PointKind.SWITCH, at));
        }
    }

    @Override
    public List<Conductor> conductors() {
        return Conductor.SINGLE_PHASE;
    }

    @Override
    public boolean goesOn(PointId point) {
        return false;
    }
}
