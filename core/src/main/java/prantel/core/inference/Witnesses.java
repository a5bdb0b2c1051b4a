package prantel.core.inference;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What speaks beside a record for another rig than was meant, or against it: the readings that proved the set, and what other
 * people read at the same rig. A cause of the rig is everybody's.
 */
final class Witnesses {
    /** What was proved can come apart afterwards: a share of so much is left to it, natural logarithm. */
    private static final double CHANGED_SINCE = -4;

    /** One other record speaks for a cause by so much at most: two people can make the same mistake. */
    private static final double MOST_OF_ONE = 4;

    /** And all of them together. */
    private static final double MOST_OF_ALL = 6;

    /** Whoever read rightly stood there before it was left, or after it was taken out: that is rare. */
    private static final double NOT_YET = -1;

    private final Boxes boxes;
    private final Witness checks;
    private @Nullable List<Witness> others;

    Witnesses(Boxes boxes) {
        this.boxes = boxes;
        this.checks = witness(WrittenSheet.read(boxes.beside().checks(), boxes.key()));
    }

    /** Readings of one hand. @param asMeant how likely they are with the set as it was meant, natural logarithm */
    private record Witness(Likelihood likelihood, double asMeant) {
        double of(World world) {
            return likelihood.of(world.says()).log() - asMeant;
        }
    }

    private Witness witness(WrittenSheet sheet) {
        Likelihood likelihood = new Likelihood(new Boxes(boxes.key(), boxes.all(), sheet, Beside.NOTHING));
        return new Witness(likelihood, likelihood.of(Map.of()).log());
    }

    /** How much likelier what they read is in a world, natural logarithm; nothing where it is not about the rig. */
    double of(World world) {
        return world.cause().isOfWhoeverStandsThere() ? Math.max(CHANGED_SINCE, checks.of(world)) + ofOthers(world) : 0;
    }

    private double ofOthers(World world) {
        double least = leastOfOthers(world.cause());
        double sum = 0;
        for (Witness other : others()) {
            sum += Math.clamp(other.of(world), least, MOST_OF_ONE);
        }
        return Math.clamp(sum, least, MOST_OF_ALL);
    }

    /** The set is put in anew for each of them; what was left over is not, and cable stays as it is. */
    private static double leastOfOthers(Cause cause) {
        return cause == Cause.FAULT_LEFT_OVER ? NOT_YET : cause == Cause.CIRCUIT_AS_BUILT ? -MOST_OF_ONE : 0;
    }

    private List<Witness> others() {
        List<Witness> made = others;
        if (made == null) {
            made = new ArrayList<>();
            for (var readings : boxes.beside().atThisRig()) {
                made.add(witness(WrittenSheet.read(readings, boxes.key())));
            }
            others = made;
        }
        return made;
    }
}
