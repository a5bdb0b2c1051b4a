package prantel.bench;

import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Tester;
import prantel.core.rig.Rig;
import prantel.formats.ShippedSchemes;

/** Whole keys, and one fault more on a known rig. */
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 5, time = 2)
@Measurement(iterations = 3, time = 2)
@Fork(1)
@State(Scope.Thread)
@SuppressWarnings("NullAway.Init") // JMH fills the state
public class KeyBench {
    @Param({"creamery", "100 points"})
    public String which;

    private Rig rig;
    private FaultSet fault;
    private Key healthy;

    @Setup
    public void prepare() throws IOException {
        rig = which.equals("creamery")
                ? BenchRigs.creamery(Path.of(System.getProperty("prantel.demo", "demo")))
                : BenchRigs.generated(12, 100);
        fault = BenchRigs.joint(rig, which.equals("creamery") ? 3 : 4);
        healthy = Key.of(rig, FaultSet.NONE, Tester.usual(), ShippedSchemes.everyTest());
    }

    /** Compile and every reading, nominal and at both ends of the tolerances. */
    @Benchmark
    public Key fullKey() {
        return Key.of(rig, FaultSet.NONE, Tester.usual(), ShippedSchemes.everyTest());
    }

    @Benchmark
    public Key freshKeyWithFault() {
        return Key.of(rig, fault, Tester.usual(), ShippedSchemes.everyTest());
    }

    @Benchmark
    public Key oneFaultOnKnownRig() {
        return healthy.with(fault);
    }
}
