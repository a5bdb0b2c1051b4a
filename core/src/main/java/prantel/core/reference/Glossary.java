package prantel.core.reference;

import java.util.List;

/** The words of the trade as Prantel uses them, and the few that are its own. Meanings: common practice, unless a source is named. */
public final class Glossary {
    private Glossary() {}

    /**
     * @param word as it stands on a screen
     * @param meaning one or two sentences
     * @param ours whether it is a word of this application and not of the trade
     */
    public record Term(String word, String meaning, boolean ours) {}

    private static Term trade(String word, String meaning) {
        return new Term(word, meaning, false);
    }

    private static Term ours(String word, String meaning) {
        return new Term(word, meaning, true);
    }

    private static final List<Term> TERMS = List.of(
            trade(
                    "AFDD",
                    "Arc fault detection device: switches a circuit off when it recognises the current of an arc. Its test"
                            + " function is pressed, nothing is measured."),
            trade(
                    "Bonding conductor",
                    "Keeps metal that comes into the building at the same potential as the main earthing terminal."),
            trade(
                    "Breaking capacity",
                    "The largest fault current that a device can switch off, kA. It has to be at least the prospective fault"
                            + " current where the device sits."),
            trade(
                    "CPC",
                    "Circuit protective conductor: joins exposed metalwork of a circuit to the main earthing terminal (BS 7671"
                            + " part 2, from memory)."),
            trade(
                    "Crossed ring",
                    "Line of one leg joined to the neutral of the other and the other way round (step 2), then line with CPC"
                            + " (step 3): each socket then reads alike."),
            trade(
                    "Exposed conductive part",
                    "Metal of equipment that can be touched and becomes live when its insulation fails."),
            trade(
                    "Extraneous conductive part",
                    "Metal that is no part of the installation and can bring in a potential, such as a water pipe."),
            trade(
                    "Functional test",
                    "Switches, isolators, interlocks and test buttons are operated and watched. It comes last."),
            trade("IΔn", "Rated residual current of a residual-current device, mA."),
            trade(
                    "Indicator",
                    "Two-pole voltage indicator. It is proved on a proving unit before and after it is used to prove dead."),
            trade(
                    "Insulation resistance",
                    "Between conductors that must not be connected, MΩ, measured with 250, 500 or 1000 V DC on a dead circuit."),
            trade("Ipf", "Prospective fault current: the larger of PSCC and PEFC."),
            trade(
                    "Line–earth loop",
                    "The path of an earth fault: from the transformer along the line, through the fault, back by CPC and earth."),
            trade("Link", "Joins line and CPC at the board for R1+R2. It is out again before anything is live."),
            trade("Main bond", "Joins gas, water, oil or structural steel to the main earthing terminal."),
            trade("Main earthing terminal", "Where earthing conductor, CPCs and bonds come together: MET."),
            trade(
                    "Null",
                    "Takes the resistance of the leads off each reading. It is done with the clips that are used, and again after"
                            + " each change of clip."),
            trade(
                    "Over-range",
                    "The instrument shows that the value lies above its range. It is written with the range: >999 MΩ."),
            trade("PEFC", "Prospective earth fault current: line to earth."),
            trade(
                    "Polarity",
                    "Every single-pole device and switch is in the line, and terminals hold the conductor they are for."),
            trade(
                    "Prove dead",
                    "Each pair at the place of work tested with a proved indicator: L–N, L–E, N–E, and all lines."),
            trade("PSCC", "Prospective short-circuit current: line to neutral, or between lines."),
            trade("r1, rn, r2", "Line, neutral and CPC of a ring from end to end, with both ends out."),
            trade(
                    "R1+R2",
                    "Line and CPC of a circuit from the board to a point, in series. R1+Rn is the same with the neutral."),
            trade("R2", "CPC alone, read with a long lead from the main earthing terminal: method 2."),
            trade("RCBO", "A circuit-breaker and a residual-current device in one."),
            trade(
                    "RCD",
                    "Residual-current device: switches off when what goes out and what comes back differ by its IΔn."),
            trade(
                    "Ring final circuit",
                    "Leaves a way and comes back to it, so that each socket is fed from two sides."),
            trade(
                    "Safe isolation",
                    "Off, locked, key in the pocket, indicator proved, dead proved, indicator proved again."),
            trade("Spur", "A branch from a ring or radial to a point that is not on its way."),
            trade("Strapper", "Conductor between two switches that work the same light."),
            trade(
                    "Supplementary bond",
                    "Joins metalwork that can be touched at the same time, such as in a shower room."),
            trade(
                    "TN-C-S, TN-S, TT",
                    "How the supply is earthed: by the combined neutral, by a conductor of its own, by an electrode."),
            trade("Zdb", "Loop impedance at a board that is not the origin."),
            trade(
                    "Ze",
                    "Loop impedance of the supply alone, with the earthing conductor off the main earthing terminal."),
            trade(
                    "Zs",
                    "Loop impedance at a point: Ze + R1+R2. It has to be low enough for the device to switch off in time (BS 7671"
                            + " 411.4.4)."),
            ours("As built", "A reading of the sound rig that was measured on the real one. The key follows it."),
            ours("Bay", "A place in the workshop with one rig."),
            ours("Box", "One place on the sheet for one reading."),
            ours(
                    "Cause",
                    "What wrong readings may have come from, with how likely that is. It is a proposal: ask, or look, then decide."),
            ours("Criterion", "What a scheme gives points for."),
            ours("Figure", "One value that stands for a whole circuit, such as its highest Zs."),
            ours("Finding", "How well a fault shows: findable, borderline or hidden by what a sound rig may read."),
            ours("Key", "What each box must read on this rig with these faults, and within what window."),
            ours(
                    "Look first",
                    "A mark that waits: the rig or the instrument is likelier to be wrong than the candidate."),
            ours("Part", "What can be done again by itself: a step, or the finding of faults."),
            ours("Prove set", "Readings that show that a fault is really on the rig, before the candidate comes."),
            ours("Scheme", "A school's way as a file: steps, practice, order, criteria, pass rule."),
            ours("Sheet", "What a candidate writes: tests by circuits."),
            ours("Spared", "A box that counts neither way, since the rig or the instrument was at fault."),
            ours(
                    "Window",
                    "Between what and what a reading of this rig lies, with tolerances of cable, joints, supply and instrument."));

    /** Sorted by word. */
    public static List<Term> terms() {
        return TERMS.stream()
                .sorted((a, b) -> a.word().compareToIgnoreCase(b.word()))
                .toList();
    }
}
