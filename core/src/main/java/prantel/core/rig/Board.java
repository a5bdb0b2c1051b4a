package prantel.core.rig;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;

/**
 * A distribution board.
 *
 * <pre>
 *   incoming ─ main switch (with RCD or without) ─┬─ section 1 (RCD) ─ line bar, neutral bar ─ ways
 *                                                 ├─ section 2 (RCD) ─ line bar, neutral bar ─ ways
 *                                                 └─ surge protection
 * </pre>
 *
 * @param mainRcd an RCD that is the main switch: everything is behind it
 * @param sections each with its own neutral bar; at least one
 * @param surge the SPD behind the main switch
 */
public record Board(
        BoardId id, String label, Optional<ResidualDevice> mainRcd, List<Section> sections, SurgeProtection surge) {
    public static final BoardId MAIN = new BoardId("board");
    public static final SectionId ONLY = new SectionId("main");

    public Board {
        Check.name(label, "label");
        sections = List.copyOf(sections);
        Check.that(
                !sections.isEmpty() && sections.size() <= 8,
                "bad-count",
                "sections",
                sections.size() + " sections",
                "give 1 to 8 sections");
        Check.distinct(sections, s -> s.id().value(), "sections");
    }

    /** One main switch, one neutral bar, no RCD. */
    public static Board plain() {
        return new Board(
                MAIN, "Board", Optional.empty(), List.of(new Section(ONLY, "All ways", Optional.empty())), false);
    }

    /** @param surgeProtection whether an SPD of the usual kind, lines to neutral, sits behind the main switch */
    public Board(
            BoardId id,
            String label,
            Optional<ResidualDevice> mainRcd,
            List<Section> sections,
            boolean surgeProtection) {
        this(id, label, mainRcd, sections, surgeProtection ? SurgeProtection.TO_NEUTRAL : SurgeProtection.NONE);
    }

    /** Whether it has surge protection. */
    public boolean surgeProtection() {
        return surge != SurgeProtection.NONE;
    }

    /** @throws ProblemsException if there is no such section, naming those there are */
    public Section section(SectionId wanted) {
        return sections.stream()
                .filter(s -> s.id().equals(wanted))
                .findFirst()
                .orElseThrow(() -> new ProblemsException(new Problem(
                        "unknown-section",
                        "section",
                        Check.quoted(wanted.value()),
                        "give a section of board " + id + ": "
                                + sections.stream().map(s -> s.id().value()).collect(Collectors.joining(", ")))));
    }

    /** Ways that share a neutral bar and, where there is one, an RCD. */
    public record Section(SectionId id, String label, Optional<ResidualDevice> rcd) {
        public Section {
            Check.name(label, "label");
        }
    }
}
