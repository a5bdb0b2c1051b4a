package prantel.core.fault;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * What is really the matter with a fault box: what it was told, and what it says of itself. One place decides it, and
 * whoever opens a sheet, goes live, clears a rig or shows a bay asks here. What is not known is never taken for sound.
 *
 * @param commanded relays that were told to be in
 * @param heard what the box says of itself
 */
public record BoxTruth(Set<Integer> commanded, Heard heard) {
    public BoxTruth {
        commanded = Set.copyOf(commanded);
    }

    /** What a box says of itself. */
    public sealed interface Heard {
        /** There is no box in the bay. */
        record NoBox() implements Heard {}

        /** Somebody said that its plug is out of the rig: whatever its relays do, the rig does not have it. */
        record Unplugged() implements Heard {}

        /** There is one, and it does not answer. */
        record Silent() implements Heard {}

        /** @param in relays whose contacts say that they are in */
        record Answering(Set<Integer> in) implements Heard {
            public Answering {
                in = Set.copyOf(in);
            }
        }
    }

    /** What can be the matter. */
    public enum Trouble {
        /** In, and nobody told it to. */
        NOT_COMMANDED,
        /** Told to be in, and out. */
        NOT_IN,
        /** What is in is not known. */
        SILENT
    }

    /** @param relays in order; none where the box is silent */
    public record Matter(Trouble trouble, List<Integer> relays) {
        public Matter {
            relays = List.copyOf(relays);
        }

        /** A sentence for people. */
        public String words() {
            String which = (relays.size() == 1 ? "Relay " : "Relays ")
                    + relays.stream().map(String::valueOf).collect(Collectors.joining(", "));
            boolean one = relays.size() == 1;
            return switch (trouble) {
                case NOT_COMMANDED ->
                    which + " of the fault box " + (one ? "is" : "are") + " in, and nobody pulled "
                            + (one ? "it" : "them") + " in: a fault is set that no key knows.";
                case NOT_IN -> which + " of the fault box should be in and " + (one ? "is" : "are") + " out.";
                case SILENT -> "The fault box does not answer: nobody knows what is set.";
            };
        }
    }

    /** The gravest of what is the matter in a few words, for a glance; empty for nothing. */
    public String brief() {
        return matters().stream()
                .findFirst()
                .map(m -> switch (m.trouble()) {
                    case NOT_COMMANDED -> "fault box: a relay is in that nobody pulled in";
                    case NOT_IN -> "fault box: its relays fell out";
                    case SILENT -> "fault box does not answer";
                })
                .orElse("");
    }

    /** Everything that is the matter, the gravest first; empty where the box is as it was told. */
    public List<Matter> matters() {
        return switch (heard) {
            case Heard.Unplugged unplugged ->
                commanded.isEmpty() ? List.of() : List.of(matter(Trouble.NOT_IN, commanded));
            case Heard.NoBox none -> commanded.isEmpty() ? List.of() : List.of(matter(Trouble.SILENT, Set.of()));
            case Heard.Silent silent -> List.of(matter(Trouble.SILENT, Set.of()));
            case Heard.Answering answering -> {
                List<Matter> matters = new ArrayList<>();
                Set<Integer> astray = new TreeSet<>(answering.in());
                astray.removeAll(commanded);
                if (!astray.isEmpty()) {
                    matters.add(matter(Trouble.NOT_COMMANDED, astray));
                }
                Set<Integer> missing = new TreeSet<>(commanded);
                missing.removeAll(answering.in());
                if (!missing.isEmpty()) {
                    matters.add(matter(Trouble.NOT_IN, missing));
                }
                yield List.copyOf(matters);
            }
        };
    }

    private static Matter matter(Trouble trouble, Set<Integer> relays) {
        return new Matter(trouble, List.copyOf(new TreeSet<>(relays)));
    }

    /** Whether it is known to be as it was told. */
    public boolean isAsTold() {
        return matters().isEmpty();
    }

    /** Relays of one trouble; empty for none. */
    public List<Integer> relays(Trouble trouble) {
        return matters().stream()
                .filter(m -> m.trouble() == trouble)
                .flatMap(m -> m.relays().stream())
                .toList();
    }

    /** Relays that are known to be in, whoever pulled them in. */
    public List<Integer> in() {
        return heard instanceof Heard.Answering answering ? List.copyOf(new TreeSet<>(answering.in())) : List.of();
    }

    /** All that is the matter, as sentences; empty for nothing. */
    public String words() {
        return matters().stream().map(Matter::words).collect(Collectors.joining(" "));
    }
}
