package prantel.core.sequence;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.PointId;

/**
 * How an address is spelled as an id. Records keep these, so a spelling never changes. An id of the rig that is also a word
 * of the boxes' own gets a tilde, which no file can spell: a point called "device" never meets the box of the device.
 */
final class BoxSpelling {
    private static final Set<String> FIRST = Set.of(
            "origin",
            "isolation",
            "bond",
            "supplementary-bond",
            "earthing-conductor",
            "indicator",
            "inspection",
            "closing");
    private static final Set<String> LATER = Set.of("device", "whole", "zdb", "ipf", "main-rcd");

    private BoxSpelling() {}

    static String of(BoxAddress address) {
        return switch (address.site()) {
            case Site.Origin origin -> origin(address);
            case Site.Electrode electrode ->
                switch (address.test()) {
                    case ELECTRODE_LOOP -> "origin/electrode-loop";
                    case ELECTRODE -> "origin/electrode";
                    default -> throw unspelled(address);
                };
            case Site.EarthingConductor conductor -> "earthing-conductor";
            case Site.Bond bond -> "bond/" + bond.bond() + (bond.part() ? "/part" : "/clamp");
            case Site.SupplementaryBond bond -> "supplementary-bond/" + bond.bond();
            case Site.AtBoard at -> first(at.board().value()) + atBoard(address);
            case Site.AtSection at ->
                first(at.board().value()) + "/" + later(at.section().value()) + insulation(address);
            case Site.Whole whole -> of(whole.of()) + ofCircuit(address);
            case Site.FarEnd end -> of(end.of()) + (address.is(Quantity.R2) ? "/r2/far-end" : "/r1r2/" + one(address));
            case Site.AtPoint at -> of(at.of()) + atPoint(address, at.at());
            case Site.Metalwork metal -> of(metal.of()) + "/r2/" + metal.at() + "/metalwork";
            case Site.IsolatorOff off ->
                of(off.of()) + "/polarity/" + off.at() + (address.is(Quantity.THROUGH) ? "/off-neutral" : "/off");
            case Site.LampFrom from -> of(from.of()) + "/polarity/" + from.at() + "/" + from.operated();
            case Site.LampOn on -> of(on.of()) + "/r1r2/" + on.at() + "/position-" + on.position();
            case Site.Lights lights -> of(lights.of()) + "/works/" + later(lights.group());
            case Site.OfDevice device -> device.device() + ofDevice(address);
            case Site.Item item -> "inspection/" + item.id();
            case Site.Proving proving -> "indicator/" + proving.name().toLowerCase(Locale.ROOT);
            case Site.Left left -> "closing/" + left(address);
        };
    }

    private static String of(CircuitId circuit) {
        return first(circuit.value());
    }

    private static String origin(BoxAddress address) {
        return switch (address.test()) {
            case SAFE_ISOLATION -> "isolation/" + letters(address);
            case LIVE_POLARITY -> "origin/volts/" + letters(address);
            case INSPECTION -> "inspection";
            case IPF -> "origin/ipf" + current(address);
            case SEQUENCE -> "origin/sequence";
            case ZE -> "origin/ze" + suffix(address, "/");
            default -> throw unspelled(address);
        };
    }

    private static String atBoard(BoxAddress address) {
        return switch (address.quantity()) {
            case INSULATION -> "/whole" + insulation(address);
            case MAIN_SWITCH -> "/main-switch";
            case SURGE_STATUS -> "/surge-status";
            case ZDB -> "/zdb" + suffix(address, "/");
            case PSCC, PEFC, IPF -> "/ipf" + current(address);
            default -> throw unspelled(address);
        };
    }

    private static String ofCircuit(BoxAddress address) {
        return switch (address.quantity()) {
            case R1_R2 -> "/r1r2";
            case R1_RN -> "/r1rn";
            case R2 -> "/r2";
            case ZS -> address.isForTheRecord() ? "/zs" : "/zs-calculated";
            case INSULATION -> insulation(address);
            case RING_LINE, RING_NEUTRAL, RING_CPC ->
                "/ring/" + address.quantity().label();
            case RING_ENDS_APART -> "/ring-even/ends";
            case RING_SPREAD -> "/ring-even/step-2";
            case AFDD_TEST -> "/afdd-test";
            case DEVICE_SWITCHES -> "/works/device";
            case CIRCUIT_WORKS -> "/works/whole";
            case POINTS_RIGHT -> "/volts";
            case LOWEST_OPEN -> "/polarity";
            default -> throw unspelled(address);
        };
    }

    private static String atPoint(BoxAddress address, PointId point) {
        String line = suffix(address, "-");
        return switch (address.test()) {
            case R1_R2 -> "/r1r2/" + point + line;
            case R1_RN -> "/r1rn/" + point + line;
            case R2 -> "/r2/" + point;
            case RING -> (address.is(Quantity.R1_RN) ? "/ring/step-2/" : "/ring/step-3/") + point;
            case POLARITY -> "/polarity/" + point;
            case POINT_POLARITY ->
                "/volts/" + point + "/"
                        + address.detail().conductors().stream()
                                .map(Conductor::id)
                                .collect(Collectors.joining("-"));
            case ZS -> "/zs/" + point + line;
            case SEQUENCE -> "/sequence/" + point;
            case SWITCHGEAR -> "/timer/" + point;
            case FUNCTIONAL ->
                address.is(Quantity.LOAD_CURRENT) ? "/load-current/" + point : "/works/" + later(point.value());
            default -> throw unspelled(address);
        };
    }

    private static String ofDevice(BoxAddress address) {
        String half = address.isForTheRecord() ? "" : address.detail().negativeHalf() ? "/180" : "/0";
        return switch (address.quantity()) {
            case TRIP_AT_HALF -> "/half" + half;
            case TRIP_AT_1 -> "/1x" + half;
            case TRIP_AT_2 -> "/2x" + half;
            case TRIP_AT_5 -> "/5x" + half;
            case RAMP -> "/ramp";
            case TEST_BUTTON -> "/button";
            default -> throw unspelled(address);
        };
    }

    private static String left(BoxAddress address) {
        return switch (address.quantity()) {
            case LINKS_OUT -> "links-out";
            case CONDUCTORS_BACK -> "conductors";
            case EARTH_BACK -> "earth";
            case RESET -> "reset";
            default -> throw unspelled(address);
        };
    }

    private static String insulation(BoxAddress address) {
        int round = address.detail().round();
        return "/ir" + address.detail().volts() + "/" + letters(address) + (round == 0 ? "" : "/round-" + round);
    }

    /** "l-n", "l1-e". */
    private static String letters(BoxAddress address) {
        return address.detail().conductors().stream()
                .map(c -> c.letter().toLowerCase(Locale.ROOT))
                .collect(Collectors.joining("-"));
    }

    private static String current(BoxAddress address) {
        List<Conductor> conductors = address.detail().conductors();
        if (address.is(Quantity.IPF)) {
            return "";
        }
        // to neutral and to earth the quantity says it; a single line has no letter of its own
        String lines = conductors.stream()
                .filter(c -> Conductor.THREE_LINES.contains(c))
                .map(c -> "-" + c.id())
                .collect(Collectors.joining());
        return "/" + address.quantity().label().toLowerCase(Locale.ROOT) + lines;
    }

    private static String suffix(BoxAddress address, String before) {
        return address.detail().conductors().isEmpty() ? "" : before + one(address);
    }

    private static String one(BoxAddress address) {
        return address.detail().conductors().getFirst().id();
    }

    private static String first(String id) {
        return FIRST.contains(id) ? "~" + id : id;
    }

    private static String later(String id) {
        return LATER.contains(id) ? "~" + id : id;
    }

    private static IllegalStateException unspelled(BoxAddress address) {
        return new IllegalStateException("no spelling for " + address);
    }
}
