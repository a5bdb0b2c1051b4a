package prantel.server.demo;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import prantel.devices.SimulatedFaultBox;
import prantel.server.workshop.Bay;
import prantel.server.workshop.Workshop;

/** A simulated fault box for each bay of the demo, on a free port of this machine. */
@Component
@ConditionalOnProperty(name = "prantel.demo", havingValue = "true")
public class DemoFaultBoxes implements SmartLifecycle {
    private static final int MOST_TRIES = 10;

    private final Workshop workshop;
    private final Map<String, SimulatedFaultBox> boxes = new ConcurrentHashMap<>();
    private boolean running;

    DemoFaultBoxes(Workshop workshop) {
        this.workshop = workshop;
    }

    /** Ports of last time may be taken by now: every start gives each bay's box a new address. */
    @Override
    public void start() {
        running = true;
        for (Bay bay : workshop.bays()) {
            SimulatedFaultBox box = poweredOn();
            boxes.put(bay.bayId(), box);
            workshop.moveFaultBox(bay.bayId(), "127.0.0.1:" + box.port());
        }
    }

    /** A port that was free a moment ago may be somebody's by now: then another one. */
    private static SimulatedFaultBox poweredOn() {
        for (int tries = 1; ; tries++) {
            SimulatedFaultBox box = new SimulatedFaultBox(freePort(), SimulatedFaultBox.USUAL_RELAYS);
            try {
                box.powerOn();
                return box;
            } catch (IllegalStateException e) {
                box.close();
                if (tries == MOST_TRIES) {
                    throw e;
                }
            }
        }
    }

    private static int freePort() {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The box of a bay; null for a bay without one. */
    @Nullable
    SimulatedFaultBox of(String bayId) {
        return boxes.get(bayId);
    }

    @Override
    public void stop() {
        running = false;
        boxes.values().forEach(SimulatedFaultBox::close);
        boxes.clear();
    }

    @Override
    public boolean isRunning() {
        return running;
    }

    /** After the workshop has its bays. */
    @Override
    public int getPhase() {
        return 1;
    }
}
