package prantel.core.practice;

import prantel.core.procedure.Cover;

/** Why a deed cannot be done, right or wrong: things are not so. {@link PracticeWords} tells it. */
public sealed interface Cannot {
    /** A cover is in the way. */
    record Covered(Cover cover) implements Cannot {}

    /** All else. */
    enum Because implements Cannot {
        OFF_ALREADY,
        ON_ALREADY,
        LOCKED,
        /** A lock holds only a switch that is off. */
        NOTHING_TO_LOCK,
        NOT_LOCKED,
        OUT_ALREADY,
        IN_ITS_TERMINAL,
        NOT_OUT,
        SAME_PLACE,
        LINKED_ALREADY,
        NOT_LINKED,
        NO_LOAD_IN,
        LOAD_IN_ALREADY,
        SPOILT,
        COVER_OFF_ALREADY,
        COVER_ON_ALREADY,
        SUPPLY_LOST,
        NOT_TRIPPED,
        NO_SUCH_DEVICE,
        NOTHING_TO_NULL,
        PROBES_MISSING,
        TOO_MANY_PROBES,
        NOT_A_TESTERS,
        /** The box wants a reading, and no look. */
        A_TESTERS
    }
}
