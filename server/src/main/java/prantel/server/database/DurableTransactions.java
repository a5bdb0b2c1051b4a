package prantel.server.database;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import javax.sql.DataSource;
import org.springframework.jdbc.datasource.DataSourceUtils;
import org.springframework.jdbc.support.JdbcTransactionManager;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionSystemException;
import org.springframework.transaction.support.DefaultTransactionStatus;

/**
 * A commit is over when it is on disk. H2 hands its pages to the operating system and leaves the rest to it; a power cut
 * then takes half a minute of acknowledged writes. So each commit is followed by {@code CHECKPOINT SYNC}, which writes and
 * forces the file; those who commit while it runs share the next one.
 */
@Component("transactionManager")
class DurableTransactions extends JdbcTransactionManager {
    private static final long serialVersionUID = 1L;

    private final transient DataSource source;
    private final transient Object syncing = new Object();
    private long committed;
    private long onDisk;

    DurableTransactions(DataSource source) {
        super(source);
        this.source = source;
    }

    @Override
    protected void doCommit(DefaultTransactionStatus status) {
        super.doCommit(status);
        if (!status.isReadOnly()) {
            sync();
        }
    }

    private void sync() {
        long mine;
        synchronized (this) {
            mine = ++committed;
        }
        synchronized (syncing) {
            if (onDisk >= mine) {
                return;
            }
            long upTo;
            synchronized (this) {
                upTo = committed;
            }
            force();
            onDisk = upTo;
        }
    }

    private void force() {
        // the connection of this very transaction: a second one could be waited for in vain
        Connection connection = DataSourceUtils.getConnection(source);
        try (Statement statement = connection.createStatement()) {
            statement.execute("checkpoint sync");
        } catch (SQLException e) {
            throw new TransactionSystemException("Committed, but not known to be on disk", e);
        } finally {
            DataSourceUtils.releaseConnection(connection, source);
        }
    }
}
