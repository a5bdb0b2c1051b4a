package prantel.server.demo;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.SmartLifecycle;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import prantel.devices.SimulatedBenchTester;
import prantel.server.setting.BenchWorld;
import prantel.server.workshop.Bay;
import prantel.server.workshop.Workshop;

/** A simulated bench tester in each bay of the demo, on a free port of this machine. */
@Component
@ConditionalOnProperty(name = "prantel.demo", havingValue = "true")
class DemoBenchTesters implements SmartLifecycle {
    private final Workshop workshop;
    private final BenchWorld world;
    private final Map<String, SimulatedBenchTester> testers = new ConcurrentHashMap<>();
    private boolean running;

    DemoBenchTesters(Workshop workshop, BenchWorld world) {
        this.workshop = workshop;
        this.world = world;
    }

    /** Ports of last time may be taken by now: every start gives each bay's tester a new address. */
    @Override
    public synchronized void start() {
        running = true;
        forNewBays();
    }

    /** A bay that is added later has a tester too. */
    @Scheduled(fixedDelay = 1000)
    synchronized void forNewBays() {
        if (!running) {
            return;
        }
        for (Bay bay : workshop.bays()) {
            if (!testers.containsKey(bay.bayId())) {
                SimulatedBenchTester tester = new SimulatedBenchTester(
                        0,
                        "bay " + bay.number(),
                        (place, function, nulled, range) -> world.read(bay.bayId(), place, function, nulled, range));
                testers.put(bay.bayId(), tester);
                workshop.setBenchTester(bay.bayId(), "127.0.0.1:" + tester.port());
            }
        }
    }

    @Override
    public synchronized void stop() {
        running = false;
        testers.values().forEach(SimulatedBenchTester::close);
        testers.clear();
    }

    @Override
    public synchronized boolean isRunning() {
        return running;
    }

    /** After the workshop has its bays. */
    @Override
    public int getPhase() {
        return 1;
    }
}
