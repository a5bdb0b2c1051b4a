package prantel.core.marking;

import java.util.List;
import prantel.core.sequence.SlotId;

/**
 * A proposed mark.
 *
 * @param id stable within a sheet: "sockets/r1r2/highest", so that a decision can refer to it
 * @param group what it belongs to on the sheet: a step's label, or "Faults"
 * @param title what it is given for
 * @param weight what it counts at most
 * @param key whether less than half of it refers the candidate by itself
 * @param evidence why, in one or two sentences
 * @param slots the boxes it rests on
 */
public record Mark(
        String id,
        String group,
        String title,
        double weight,
        boolean key,
        Award award,
        String evidence,
        List<SlotId> slots) {
    public Mark {
        slots = List.copyOf(slots);
    }

    public double points() {
        return weight * award.share();
    }

    /** The same mark with another award: an assessor's decision. */
    public Mark withAward(Award given) {
        return new Mark(id, group, title, weight, key, given, evidence, slots);
    }

    /** How much of a mark is given. */
    public enum Award {
        FULL(1),
        HALF(0.5),
        NONE(0);

        private final double share;

        Award(double share) {
            this.share = share;
        }

        public double share() {
            return share;
        }
    }
}
