package prantel.core.rig;

import java.util.List;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;

/** A conductor of a final circuit. Colours after IEC 60445. */
public enum Conductor {
    LINE("line", "L", "brown"),
    L1("l1", "L1", "brown"),
    L2("l2", "L2", "black"),
    L3("l3", "L3", "grey"),
    NEUTRAL("neutral", "N", "blue"),
    CPC("cpc", "E", "green-yellow"),
    /** From a switch to a lamp; a sleeved core. */
    SWITCHED_LINE("switched-line", "SL", "brown"),
    STRAPPER_1("strapper-1", "S1", "black"),
    STRAPPER_2("strapper-2", "S2", "grey");

    public static final List<Conductor> SINGLE_PHASE = List.of(LINE, NEUTRAL, CPC);
    public static final List<Conductor> THREE_PHASE = List.of(L1, L2, L3, NEUTRAL, CPC);
    public static final List<Conductor> THREE_LINES = List.of(L1, L2, L3);

    private final String id;
    private final String letter;
    private final String colour;

    Conductor(String id, String letter, String colour) {
        this.id = id;
        this.letter = letter;
        this.colour = colour;
    }

    /** @throws prantel.core.quantity.ProblemsException if no conductor is called so, naming those that are */
    public static Conductor of(String id) {
        for (Conductor conductor : values()) {
            if (conductor.id.equals(id)) {
                return conductor;
            }
        }
        throw new ProblemsException(new Problem(
                "unknown-conductor",
                "conductors",
                Check.quoted(id),
                "give "
                        + String.join(
                                ", ",
                                java.util.Arrays.stream(values()).map(c -> c.id).toList())));
    }

    /** The word used in files and ids. */
    public String id() {
        return id;
    }

    /** The letter of the terminal it belongs to. */
    public String letter() {
        return letter;
    }

    public String colour() {
        return colour;
    }

    /** "CPC" for one conductor, "L–E" for a pair, empty for none. */
    public static String labelOf(List<Conductor> conductors) {
        return conductors.size() == 1
                ? conductors.getFirst().word()
                : String.join("–", conductors.stream().map(Conductor::letter).toList());
    }

    /** The word used in sentences. */
    public String word() {
        return switch (this) {
            case CPC -> "CPC";
            case L1, L2, L3 -> letter;
            case SWITCHED_LINE -> "switched line";
            case STRAPPER_1, STRAPPER_2 -> letter.replace("S", "strapper ");
            case LINE, NEUTRAL -> id;
        };
    }
}
