package prantel.server.database;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.OffsetDateTime;
import java.util.Locale;
import org.flywaydb.core.api.migration.BaseJavaMigration;
import org.flywaydb.core.api.migration.Context;
import org.springframework.stereotype.Component;
import prantel.core.assessment.Chain;

/**
 * Schemes are documents; a decision keeps the result it was made on; the kind of an event is its own name and each event
 * carries the hash that links it to the one before. Records of before are chained as they are.
 */
@Component
@SuppressWarnings("checkstyle:TypeName") // Flyway reads the version from the name
public class V7__Schemes_results_and_a_chain extends BaseJavaMigration {
    @Override
    public void migrate(Context context) throws SQLException {
        Connection connection = context.getConnection();
        try (Statement statement = connection.createStatement()) {
            statement.execute("insert into document_kind values ('SCHEME')");
            statement.execute("""
                    create table assessment_result (
                        assessment_id varchar(40) primary key references assessment,
                        json clob not null,
                        engine_version int not null,
                        decided_at timestamp with time zone not null)""");
            statement.execute("alter table assessment_event add column chain varchar(64)");
        }
        chain(connection);
        try (Statement statement = connection.createStatement()) {
            statement.execute("alter table assessment_event alter column chain set not null");
        }
    }

    private static void chain(Connection connection) throws SQLException {
        String before = Chain.START;
        String last = "";
        try (Statement statement = connection.createStatement();
                ResultSet rows = statement.executeQuery("""
                        select assessment_id, seq, event_id, kind, payload, happened_at, account_id
                        from assessment_event order by assessment_id, seq""");
                PreparedStatement update = connection.prepareStatement(
                        "update assessment_event set kind = ?, chain = ? where assessment_id = ? and seq = ?")) {
            while (rows.next()) {
                String id = rows.getString(1);
                before = id.equals(last) ? before : Chain.START;
                last = id;
                before = Chain.next(
                        before,
                        new Chain.Link(
                                id,
                                rows.getInt(2),
                                rows.getString(3),
                                rows.getString(5),
                                rows.getObject(6, OffsetDateTime.class),
                                rows.getString(7)));
                update.setString(1, stable(rows.getString(4)));
                update.setString(2, before);
                update.setString(3, id);
                update.setInt(4, rows.getInt(2));
                update.addBatch();
            }
            update.executeBatch();
        }
    }

    /** "FaultsChosen", the name of a class, was stored; "faults-chosen" is the event's own. */
    private static String stable(String kind) {
        return kind.replaceAll("(?<=[a-z])(?=[A-Z])", "-").toLowerCase(Locale.ROOT);
    }
}
