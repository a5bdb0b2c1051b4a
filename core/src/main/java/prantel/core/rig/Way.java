package prantel.core.rig;

import prantel.core.quantity.Check;

/**
 * Where in which board a circuit begins.
 *
 * @param number of the way, from 1; a three-phase way is one way
 * @param phase the line a single-phase circuit is on, 1 to 3
 */
public record Way(BoardId board, SectionId section, int number, int phase) {
    public Way {
        Check.all(
                () -> Check.between(number, 1, 60, "way", "(number of the way)"),
                () -> Check.between(phase, 1, 3, "phase", "(number of the line)"));
    }

    public static Way of(int number) {
        return new Way(Board.MAIN, Board.ONLY, number, 1);
    }
}
