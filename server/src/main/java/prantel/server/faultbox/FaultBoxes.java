package prantel.server.faultbox;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Collection;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ThreadLocalRandom;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import prantel.devices.FaultBoxClient;
import prantel.devices.FaultBoxException;
import prantel.server.web.Refusal;
import prantel.server.workshop.Bay;
import prantel.server.workshop.Workshop;

/**
 * Talks to the fault box of each bay that has one: once a second, so that the box's watchdog stays quiet and a wrong relay or a
 * lost box shows. After lost contact nothing is pulled in again by itself: the box has released everything, and somebody has
 * to arm it anew.
 */
@Service
public class FaultBoxes implements DisposableBean {
    private final Workshop workshop;
    private final Clock clock;
    /** This server's name in the owner register of every box. */
    private final int token = ThreadLocalRandom.current().nextInt(1, 0x10000);

    private final ExecutorService pollers = Executors.newVirtualThreadPerTaskExecutor();

    private final Map<String, Line> lines = new ConcurrentHashMap<>();

    FaultBoxes(Workshop workshop, Clock clock) {
        this.workshop = workshop;
        this.clock = clock;
    }

    /** The line to one box. */
    private final class Line {
        private final String address;
        private final FaultBoxClient client;
        private Set<Integer> commanded = Set.of();
        private int powerUps = -1;
        private volatile BoxState state = new BoxState(false, 0, Set.of(), Set.of(), null, "not heard yet");

        Line(String address) {
            this.address = address;
            int colon = address.lastIndexOf(':');
            client = new FaultBoxClient(
                    address.substring(0, colon), Integer.parseInt(address.substring(colon + 1)), token);
        }

        synchronized BoxState poll() {
            try {
                if (!commanded.isEmpty()) {
                    client.claim();
                }
                heard(client.read());
            } catch (FaultBoxException e) {
                lost(e);
            }
            return state;
        }

        private void heard(FaultBoxClient.State read) {
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

        private void lost(FaultBoxException e) {
            state = new BoxState(false, state.relays(), commanded, Set.of(), state.heardAt(), e.says());
        }

        synchronized BoxState command(Collection<Integer> relays) {
            try {
                client.claim();
                int count = client.read().relays();
                relays.forEach(r -> {
                    if (r > count) {
                        throw Refusal.conflict(
                                "no-such-relay", "the box has " + count + " relays; the rig file names relay " + r);
                    }
                });
                client.command(relays, count);
                commanded = new TreeSet<>(relays);
                FaultBoxClient.State read = client.read();
                powerUps = read.powerUps();
                state = new BoxState(true, count, commanded, read.closed(), OffsetDateTime.now(clock), "");
                if (commanded.isEmpty()) {
                    client.release();
                }
            } catch (FaultBoxException e) {
                lost(e);
                throw Refusal.conflict("fault-box", e.says());
            }
            return state;
        }
    }

    /** The state of a bay's box; empty for a bay without one. */
    public Optional<BoxState> of(String bayId) {
        Line line = line(workshop.bay(bayId));
        return Optional.ofNullable(line).map(l -> l.state.heardAt() == null ? l.poll() : l.state);
    }

    /**
     * Pulls in these relays and no others, and reads back.
     *
     * @throws Refusal if the bay has no box, or the box does not do it
     */
    public BoxState command(String bayId, Collection<Integer> relays) {
        Line line = line(workshop.bay(bayId));
        if (line == null) {
            throw Refusal.conflict("no-box", "this bay has no fault box; set the faults by hand from the card");
        }
        return line.command(relays);
    }

    private @Nullable Line line(Bay bay) {
        String address = bay.faultBox();
        if (address == null) {
            lines.remove(bay.bayId());
            return null;
        }
        return lines.compute(
                bay.bayId(), (id, known) -> known != null && known.address.equals(address) ? known : new Line(address));
    }

    @Scheduled(fixedDelay = 1000)
    void pollAll() {
        workshop.bays().forEach(bay -> {
            Line line = line(bay);
            if (line != null) {
                // a box that does not answer must not keep the others waiting until their watchdogs bite
                pollers.execute(line::poll);
            }
        });
    }

    /** Boxes are left to their watchdogs: relays fall out within seconds when this server goes. */
    @Override
    public void destroy() {
        pollers.shutdownNow();
        lines.values().forEach(l -> l.client.close());
    }
}
