package prantel.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.ejml.data.DMatrixRMaj;
import org.ejml.data.DMatrixSparseCSC;
import org.ejml.data.DMatrixSparseTriplet;
import org.ejml.interfaces.linsol.LinearSolverSparse;
import org.ejml.ops.DConvertMatrixStruct;
import org.ejml.sparse.FillReducing;
import org.ejml.sparse.csc.factory.LinearSolverFactory_DSCC;
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
import prantel.core.network.Branch;
import prantel.core.network.Network;
import prantel.core.network.Terminal;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Places;
import prantel.core.rig.Point;
import prantel.core.rig.Rig;
import prantel.core.rig.RigCompiler;

/** One network, a reading at every point: the kept elimination tree beside a sparse Cholesky of a general library. */
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 3, time = 1)
@Fork(1)
@State(Scope.Thread)
@SuppressWarnings("NullAway.Init") // JMH fills the state
public class GrowthBench {
    @Param({"50", "150", "500", "1500", "5000"})
    public int points;

    private List<Branch> branches;
    private final List<Terminal[]> probes = new ArrayList<>();
    private final java.util.Map<Terminal, Integer> nodes = new java.util.HashMap<>();

    @Setup
    public void prepare() {
        Rig rig = BenchRigs.generated(Math.max(12, points / 100), points);
        branches = RigCompiler.compile(rig).branches().stream()
                .filter(b -> !b.isOpen())
                .toList();
        for (Branch branch : branches) {
            nodes.putIfAbsent(branch.from(), nodes.size());
            nodes.putIfAbsent(branch.to(), nodes.size());
        }
        for (Circuit circuit : rig.circuits()) {
            for (Point point : circuit.points()) {
                probes.add(new Terminal[] {
                    Places.front(circuit.id(), point.id(), Conductor.LINE),
                    Places.front(circuit.id(), point.id(), Conductor.CPC)
                });
            }
        }
    }

    @Benchmark
    public double starMesh() {
        Network network = Network.of(branches);
        double sum = 0;
        for (Terminal[] pair : probes) {
            sum += network.resistance(pair[0], pair[1]);
        }
        return sum;
    }

    @Benchmark
    public double sparseCholesky() {
        int n = nodes.size() - 1;
        DMatrixSparseTriplet triplets = new DMatrixSparseTriplet(n, n, 4 * branches.size());
        for (Branch branch : branches) {
            double g = 1 / branch.ohms();
            int i = node(branch.from()) - 1;
            int j = node(branch.to()) - 1;
            add(triplets, i, i, g);
            add(triplets, j, j, g);
            add(triplets, i, j, -g);
            add(triplets, j, i, -g);
        }
        DMatrixSparseCSC matrix = DConvertMatrixStruct.convert(triplets, (DMatrixSparseCSC) null);
        matrix.sortIndices(null);
        DMatrixSparseCSC merged = merged(matrix);
        LinearSolverSparse<DMatrixSparseCSC, DMatrixRMaj> solver = LinearSolverFactory_DSCC.cholesky(FillReducing.NONE);
        solver.setA(merged);
        DMatrixRMaj b = new DMatrixRMaj(n, 1);
        DMatrixRMaj x = new DMatrixRMaj(n, 1);
        double sum = 0;
        for (Terminal[] pair : probes) {
            int i = node(pair[0]) - 1;
            int j = node(pair[1]) - 1;
            b.zero();
            if (i >= 0) {
                b.set(i, 0, 1);
            }
            if (j >= 0) {
                b.set(j, 0, -1);
            }
            solver.solve(b, x);
            sum += (i >= 0 ? x.get(i, 0) : 0) - (j >= 0 ? x.get(j, 0) : 0);
        }
        return sum;
    }

    private int node(Terminal terminal) {
        // bars and other hubs come first in a compiled rig: numbered last they fill the library's factor least
        return nodes.size() - 1 - java.util.Objects.requireNonNull(nodes.get(terminal));
    }

    private static void add(DMatrixSparseTriplet triplets, int row, int column, double value) {
        if (row >= 0 && column >= 0) {
            triplets.addItem(row, column, value);
        }
    }

    /** The library keeps repeated entries apart; a matrix wants them added. */
    private static DMatrixSparseCSC merged(DMatrixSparseCSC matrix) {
        DMatrixSparseCSC zero = new DMatrixSparseCSC(matrix.numRows, matrix.numCols);
        DMatrixSparseTriplet sums = new DMatrixSparseTriplet(matrix.numRows, matrix.numCols, matrix.nz_length);
        for (int column = 0; column < matrix.numCols; column++) {
            int from = matrix.col_idx[column];
            int to = matrix.col_idx[column + 1];
            for (int at = from; at < to; ) {
                int row = matrix.nz_rows[at];
                double sum = 0;
                while (at < to && matrix.nz_rows[at] == row) {
                    sum += matrix.nz_values[at++];
                }
                sums.addItem(row, column, sum);
            }
        }
        return DConvertMatrixStruct.convert(sums, zero);
    }
}
