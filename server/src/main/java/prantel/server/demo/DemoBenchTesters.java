package prantel.server.demo;

import java.util.ArrayList;
import java.util.List;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import prantel.devices.SimulatedBenchTester;
import prantel.server.setting.BenchWorld;
import prantel.server.workshop.Bay;
import prantel.server.workshop.Workshop;

/** A simulated bench tester in each bay of the demo, on a free port of this machine. */
@Component
@ConditionalOnProperty(name = "prantel.demo", havingValue = "true")
class DemoBenchTesters implements DisposableBean {
    private final Workshop workshop;
    private final BenchWorld world;
    private final List<SimulatedBenchTester> testers = new ArrayList<>();

    DemoBenchTesters(Workshop workshop, BenchWorld world) {
        this.workshop = workshop;
        this.world = world;
    }

    /** Ports of last time may be taken by now: every start gives each bay's tester a new address. */
    void start() {
        for (Bay bay : workshop.bays()) {
            SimulatedBenchTester tester = new SimulatedBenchTester(
                    0, "bay " + bay.number(), (place, function, nulled) ->
                            world.read(bay.bayId(), place, function, nulled));
            testers.add(tester);
            workshop.setBenchTester(bay.bayId(), "127.0.0.1:" + tester.port());
        }
    }

    @Override
    public void destroy() {
        testers.forEach(SimulatedBenchTester::close);
    }
}
