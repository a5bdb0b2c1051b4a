package prantel.core.procedure;

import prantel.core.rig.BondId;

/** What is heeded and not done: what is left as it is, or what is watched for. Common practice, no source. */
public sealed interface Caution {
    /** The fused probes: HSE GS38, from memory. */
    enum Usual implements Caution {
        LIVE,
        CPC_ON_BAR,
        /** In conduit or armour, whose metal lies in parallel. */
        CPC_OFF_BAR_AS_WELL,
        PARALLEL_PATHS,
        INDICATOR,
        INSPECTION,
        CLOSING
    }

    /** A bond that stays on. */
    record BondStays(BondId bond) implements Caution {}
}
