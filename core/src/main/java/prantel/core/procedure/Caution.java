package prantel.core.procedure;

import prantel.core.rig.BondId;

/** What is heeded and not done: what is left as it is, or what is watched for. Common practice, no source. */
public sealed interface Caution {
    /** The fused probes: HSE GS38, from memory. */
    enum Usual implements Caution {
        LIVE(
                "Caution, live: supervised and with permission only; fused probes with short tips, covers on where they can"
                        + " be, bystanders out. Local rules and licensed practice come first"),
        CPC_ON_BAR("CPC on the earth bar"),
        /** In conduit or armour, whose metal lies in parallel. */
        CPC_OFF_BAR_AS_WELL("Or the CPC off the bar and linked to the line: without the metal in parallel"),
        PARALLEL_PATHS("Main earth connected: parallel paths count"),
        INDICATOR("Two-pole indicator on its proving unit or a known source, before and after proving dead"),
        INSPECTION("Isolated and proved dead; looked at before any lead is put on"),
        CLOSING("Closing up: looked at and said, before the record is signed");

        private final String words;

        Usual(String words) {
            this.words = words;
        }

        String words() {
            return words;
        }
    }

    /** A bond that stays on. */
    record BondStays(BondId bond) implements Caution {}
}
