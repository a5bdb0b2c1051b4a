package prantel.core.assessment;

import java.util.List;
import java.util.Optional;

/**
 * What is looked at and said before something may go on. Each item is ticked by somebody at some time; a list holds when
 * every item is. What is on them: common practice, no source.
 */
public enum Checklist {
    /** By the assessor, before the candidate starts. */
    PREPARE(
            "Before the day",
            List.of(
                    new Item("calibration", "Instrument in date and tried on the resistor box"),
                    new Item("leads", "Batteries, leads, fuses and clips looked at"),
                    new Item("proving-unit", "Proving unit, locks and tags at hand"),
                    new Item("healthy", "Rig proved healthy before faults went in"),
                    new Item("identity", "Candidate’s identity seen, earlier attempts known"),
                    new Item("sheet", "Sheet and brief ready"),
                    new Item("bay", "Bay free of onlookers; people warned before power goes off"))),
    /** By the candidate, before the first reading. */
    READY(
            "Before you start",
            List.of(
                    new Item("identity", "I am the person this sheet is for"),
                    new Item("fit", "I am fit to work today"),
                    new Item("instrument", "I have looked at the instrument and its leads and accept them"),
                    new Item("rules", "I have read the brief; I stop, or am stopped, when something is unsafe"))),
    /** By the candidate, each time the rig is to go live. */
    LIVE_ASKED(
            "Before it goes live",
            List.of(
                    new Item("links", "Links are out, conductors back in their devices"),
                    new Item("earth", "Earthing conductor and bonds are back and tight"),
                    new Item("covers", "Covers are on, loads are safe"),
                    new Item("ask", "I ask for permission to energise"))),
    /** By the assessor, each time the rig goes live. */
    LIVE_GIVEN(
            "Seen by the assessor",
            List.of(
                    new Item("links", "Links out, conductors back in their devices"),
                    new Item("earth", "Earthing conductor and bonds back and tight"),
                    new Item("covers", "Covers on, loads safe"),
                    new Item("isolation", "Locks off, each by the person who put it on"),
                    new Item("warned", "Everybody near is warned"),
                    new Item("permission", "Permission given"))),
    /** By the assessor, after a stop for safety. */
    MAKE_SAFE(
            "Make safe",
            List.of(
                    new Item("away", "Everybody is away from the rig"),
                    new Item("off", "It is off and locked off; the key is with me"),
                    new Item("proved", "It is proved dead, indicator tried before and after"),
                    new Item("told", "The candidate knows why it was stopped")));

    private final String title;
    private final List<Item> items;

    Checklist(String title, List<Item> items) {
        this.title = title;
        this.items = items;
    }

    /** @param id stable: it is kept in records */
    public record Item(String id, String words) {}

    public String title() {
        return title;
    }

    public List<Item> items() {
        return items;
    }

    public Optional<Item> item(String id) {
        return items.stream().filter(i -> i.id().equals(id)).findFirst();
    }

    /** As subjects of events name it: "live-given". */
    public String fileName() {
        return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }
}
