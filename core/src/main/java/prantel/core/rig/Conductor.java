package prantel.core.rig;

import java.util.List;

/** A conductor of a final circuit. Colours after IEC 60445. */
public enum Conductor {
    LINE("line", "L", "brown"),
    NEUTRAL("neutral", "N", "blue"),
    CPC("cpc", "E", "green-yellow");

    private final String id;
    private final String letter;
    private final String colour;

    Conductor(String id, String letter, String colour) {
        this.id = id;
        this.letter = letter;
        this.colour = colour;
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
        return this == CPC ? "CPC" : id;
    }
}
