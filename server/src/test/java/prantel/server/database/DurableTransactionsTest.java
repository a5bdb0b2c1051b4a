package prantel.server.database;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.stream.IntStream;
import org.h2.jdbcx.JdbcConnectionPool;
import org.h2.store.fs.FilePath;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.transaction.support.TransactionTemplate;

/** What is acknowledged is on the disk: with the same settings of H2 as in application.yaml, on a disk that loses power. */
class DurableTransactionsTest {
    @TempDir
    Path folder;

    @BeforeAll
    static void disk() {
        FilePath.register(new PowerCut());
    }

    private JdbcConnectionPool pool(String prefix, Path at) {
        return JdbcConnectionPool.create(
                "jdbc:h2:" + prefix + at.resolve("prantel") + ";DB_CLOSE_ON_EXIT=FALSE;WRITE_DELAY=0", "sa", "");
    }

    @Test
    void nothingAcknowledgedIsLostWhenThePowerIsCutAtOnce() throws Exception {
        JdbcConnectionPool pool = pool("cut:", folder);
        TransactionTemplate transactions = new TransactionTemplate(new DurableTransactions(pool));
        JdbcTemplate sql = new JdbcTemplate(pool);
        transactions.executeWithoutResult(t -> sql.execute("create table reading (n int primary key, text varchar)"));
        for (int n = 0; n < 60; n++) {
            int number = n;
            transactions.executeWithoutResult(t -> sql.update("insert into reading values (?, ?)", number, "0.43"));
            if (n % 10 == 9) {
                assertThat(afterTheCut(n)).as("rows after a cut at row " + n).isEqualTo(n + 1);
            }
        }
        pool.dispose();
    }

    @Test
    void withoutItAcknowledgedRowsAreLost() throws Exception {
        // the test above can fail: H2 alone forces nothing at a commit
        JdbcConnectionPool pool = pool("cut:", folder);
        JdbcTemplate sql = new JdbcTemplate(pool);
        sql.execute("create table reading (n int primary key, text varchar)");
        sql.execute("checkpoint sync");
        for (int n = 0; n < 20; n++) {
            sql.update("insert into reading values (?, ?)", n, "0.43");
        }
        assertThat(afterTheCut(0)).isLessThan(20);
        pool.dispose();
    }

    @Test
    void nothingOfManyWritersAtOnceIsLost() throws Exception {
        JdbcConnectionPool pool = pool("cut:", folder);
        TransactionTemplate transactions = new TransactionTemplate(new DurableTransactions(pool));
        JdbcTemplate sql = new JdbcTemplate(pool);
        transactions.executeWithoutResult(t -> sql.execute("create table reading (n int primary key, text varchar)"));
        try (var threads = Executors.newFixedThreadPool(8)) {
            List<Callable<Void>> writes = IntStream.range(0, 200)
                    .<Callable<Void>>mapToObj(n -> () -> {
                        transactions.executeWithoutResult(t -> sql.update("insert into reading values (?, ?)", n, "x"));
                        return null;
                    })
                    .toList();
            for (var done : threads.invokeAll(writes)) {
                done.get();
            }
        }
        assertThat(afterTheCut(1)).isEqualTo(200);
        pool.dispose();
    }

    /** Rows that a database has which is opened on what was forced so far. */
    private int afterTheCut(int name) throws Exception {
        Path other = Files.createDirectories(folder.resolve("after-" + name));
        for (Map.Entry<String, byte[]> file : PowerCut.ON_DISK.entrySet()) {
            Path path = Path.of(file.getKey());
            if (path.getParent().equals(folder)) {
                Files.write(other.resolve(path.getFileName()), file.getValue());
            }
        }
        JdbcConnectionPool pool = pool("", other);
        try {
            Integer rows = new JdbcTemplate(pool).queryForObject("select count(*) from reading", Integer.class);
            return rows == null ? 0 : rows;
        } finally {
            pool.dispose();
        }
    }
}
