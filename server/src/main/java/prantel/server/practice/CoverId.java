package prantel.server.practice;

import prantel.core.practice.PracticeRig;
import prantel.core.procedure.Cover;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;

/** How a cover is called on the wire. */
final class CoverId {
    private CoverId() {}

    static String of(Cover cover) {
        return switch (cover) {
            case Cover.OfBoard of -> "board:" + of.board();
            case Cover.OfPoint of -> "point:" + of.circuit() + ":" + of.point();
        };
    }

    static Cover of(String id, PracticeRig practice) {
        return practice.places().covers().stream()
                .filter(c -> of(c).equals(id))
                .findFirst()
                .orElseThrow(() -> new ProblemsException(
                        new Problem("unknown-cover", "at", Check.quoted(id), "give a cover that the rig has")));
    }
}
