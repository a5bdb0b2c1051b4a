package prantel.server.faultbox;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ThreadLocalRandom;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.ReentrantLock;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import prantel.core.fault.BoxTruth;
import prantel.devices.FaultBoxClient;
import prantel.devices.FaultBoxException;
import prantel.server.web.Refusal;
import prantel.server.workshop.Bay;
import prantel.server.workshop.Workshop;

/**
 * Talks to the fault box of each bay that has one: about once a second, so that the box's watchdog stays quiet and a wrong
 * relay or a lost box shows. Each box has a thread of its own: one that does not answer keeps no other waiting. After lost
 * contact nothing is pulled in again by itself: the box has released everything, and somebody has to arm it anew.
 */
@Service
public class FaultBoxes implements DisposableBean {
    private static final long EVERY_MILLIS = 1000;
    /** What was not heard for this long is not known. */
    private static final Duration STALE = Duration.ofSeconds(6);
    /** How long a command waits for a poll that is under way. */
    private static final long PATIENCE_SECONDS = 5;

    private final Workshop workshop;
    private final Clock clock;
    /** This server's name in the owner register of every box. */
    private final int token = ThreadLocalRandom.current().nextInt(1, 0x10000);

    private final Map<String, Line> lines = new ConcurrentHashMap<>();

    FaultBoxes(Workshop workshop, Clock clock) {
        this.workshop = workshop;
        this.clock = clock;
    }

    /** The line to one box. */
    private final class Line {
        private final String address;
        private final FaultBoxClient client;
        private final ReentrantLock talking = new ReentrantLock();
        private final ScheduledExecutorService poller;
        private Set<Integer> commanded = Set.of();
        private int powerUps = -1;
        private int relays;
        private volatile long heardNanos = System.nanoTime();
        private volatile BoxState state = new BoxState(false, 0, Set.of(), Set.of(), null, "not heard yet");

        Line(String bay, String address) {
            this.address = address;
            int colon = address.lastIndexOf(':');
            client = new FaultBoxClient(
                    address.substring(0, colon), Integer.parseInt(address.substring(colon + 1)), token);
            poller = Executors.newSingleThreadScheduledExecutor(
                    Thread.ofPlatform().daemon().name("fault-box-" + bay).factory());
            poller.scheduleWithFixedDelay(this::poll, 0, EVERY_MILLIS, TimeUnit.MILLISECONDS);
        }

        /** A command that is under way is as good as a poll. */
        void poll() {
            if (!talking.tryLock()) {
                return;
            }
            try {
                if (!commanded.isEmpty()) {
                    client.claim();
                }
                heard(client.read());
            } catch (FaultBoxException e) {
                lost(e.says());
            } catch (RuntimeException e) {
                // whatever a box answers, it must not stop its polls
                lost("Fault box " + address + " answers what cannot be understood.");
            } finally {
                talking.unlock();
            }
        }

        /** The same at once, for who must know it now: a command or poll under way is waited for. */
        void ask() {
            try {
                if (!talking.tryLock(PATIENCE_SECONDS, TimeUnit.SECONDS)) {
                    return;
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return;
            }
            try {
                poll();
            } finally {
                talking.unlock();
            }
        }

        private void heard(FaultBoxClient.State read) {
            heardNanos = System.nanoTime();
            relays = read.relays();
            boolean restarted = powerUps >= 0 && read.powerUps() != powerUps;
            powerUps = read.powerUps();
            if (restarted && !commanded.isEmpty()) {
                commanded = Set.of();
                state = new BoxState(
                        true,
                        read.relays(),
                        commanded,
                        read.closed(),
                        OffsetDateTime.now(clock),
                        "its power was cut and all relays fell out: arm it again");
                return;
            }
            boolean fellOut = !commanded.isEmpty() && read.closed().isEmpty() && !state.contact();
            if (fellOut) {
                commanded = Set.of();
            }
            String says = fellOut
                    ? "contact was lost and the box released all relays: arm it again"
                    : commanded.isEmpty() && !state.says().isEmpty() && state.contact() ? state.says() : "";
            state = new BoxState(true, read.relays(), commanded, read.closed(), OffsetDateTime.now(clock), says);
        }

        private void lost(String says) {
            state = new BoxState(false, state.relays(), commanded, Set.of(), state.heardAt(), says);
        }

        /** As last heard; nothing is known of what is too old. */
        BoxState state() {
            BoxState known = state;
            boolean stale = known.contact() && System.nanoTime() - heardNanos > STALE.toNanos();
            return stale
                    ? new BoxState(
                            false,
                            known.relays(),
                            known.commanded(),
                            Set.of(),
                            known.heardAt(),
                            "Fault box " + address + " was not heard for some seconds.")
                    : known;
        }

        BoxState command(Collection<Integer> wanted) {
            try {
                if (!talking.tryLock(PATIENCE_SECONDS, TimeUnit.SECONDS)) {
                    throw Refusal.conflict("fault-box", "the fault box is still busy; try again in a moment");
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw Refusal.conflict("fault-box", "the server is stopping");
            }
            try {
                if (wanted.isEmpty()
                        && commanded.isEmpty()
                        && state().contact()
                        && state.closed().isEmpty()) {
                    return state;
                }
                client.claim();
                int count = relays > 0 ? relays : client.read().relays();
                wanted.forEach(r -> {
                    if (r > count) {
                        throw Refusal.conflict(
                                "no-such-relay", "the box has " + count + " relays; the rig file names relay " + r);
                    }
                });
                client.command(wanted, count);
                commanded = new TreeSet<>(wanted);
                FaultBoxClient.State read = client.read();
                powerUps = read.powerUps();
                heardNanos = System.nanoTime();
                state = new BoxState(true, count, commanded, read.closed(), OffsetDateTime.now(clock), "");
                if (commanded.isEmpty()) {
                    client.release();
                }
            } catch (FaultBoxException e) {
                lost(e.says());
                throw Refusal.conflict("fault-box", e.says());
            } finally {
                talking.unlock();
            }
            return state;
        }

        void close() {
            poller.shutdownNow();
            client.close();
        }
    }

    /** The state of a bay's box as it was last heard; empty for a bay without one. Never waits for the box. */
    public Optional<BoxState> of(String bayId) {
        return Optional.ofNullable(line(workshop.bay(bayId))).map(Line::state);
    }

    /** Asks a bay's box at once, so that {@link #of} says what it is now and not a second ago. May take some seconds. */
    public void ask(String bayId) {
        Line line = line(workshop.bay(bayId));
        if (line != null) {
            line.ask();
        }
    }

    /**
     * What is the matter with a bay's box.
     *
     * @param commanded relays that were told to be in
     * @param unplugged whether somebody took its plug out of the rig
     */
    public BoxTruth truth(String bayId, Collection<Integer> commanded, boolean unplugged) {
        BoxTruth.Heard heard = unplugged
                ? new BoxTruth.Heard.Unplugged()
                : of(bayId).<BoxTruth.Heard>map(FaultBoxes::heard).orElseGet(BoxTruth.Heard.NoBox::new);
        return new BoxTruth(Set.copyOf(commanded), heard);
    }

    private static BoxTruth.Heard heard(BoxState state) {
        return state.contact() ? new BoxTruth.Heard.Answering(state.closed()) : new BoxTruth.Heard.Silent();
    }

    /**
     * Pulls in these relays and no others, and reads back.
     *
     * @throws Refusal if the bay has no box, or the box does not do it
     */
    public BoxState command(String bayId, Collection<Integer> relays) {
        Line line = line(workshop.bay(bayId));
        if (line == null) {
            if (relays.isEmpty()) {
                return new BoxState(false, 0, Set.of(), Set.of(), null, "");
            }
            throw Refusal.conflict("no-box", "this bay has no fault box; set the faults by hand from the card");
        }
        return line.command(relays);
    }

    private @Nullable Line line(Bay bay) {
        String address = bay.faultBox();
        return lines.compute(bay.bayId(), (id, known) -> {
            if (known != null && known.address.equals(address)) {
                return known;
            }
            if (known != null) {
                known.close();
            }
            return address == null || !Workshop.isAddress(address) ? null : new Line(id, address);
        });
    }

    /** A new box is talked to before anybody asks for it. */
    @Scheduled(fixedDelay = EVERY_MILLIS)
    void lookForBoxes() {
        workshop.bays().forEach(this::line);
    }

    /** Boxes are left to their watchdogs: relays fall out within seconds when this server goes. */
    @Override
    public void destroy() {
        List.copyOf(lines.values()).forEach(Line::close);
    }
}
