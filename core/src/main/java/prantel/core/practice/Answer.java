package prantel.core.practice;

import java.util.List;
import java.util.Optional;
import prantel.core.procedure.Need;

/**
 * What became of a deed.
 *
 * @param moment afterwards; as before where the deed could not be done
 * @param cannot why it could not be done; empty if it was
 * @param slips what should have been done before it
 */
public record Answer(Moment moment, Optional<Cannot> cannot, List<Need> slips, List<Consequence> consequences) {
    public Answer {
        slips = List.copyOf(slips);
        consequences = List.copyOf(consequences);
    }

    static Answer cannot(Moment moment, Cannot why) {
        return new Answer(moment, Optional.of(why), List.of(), List.of());
    }
}
