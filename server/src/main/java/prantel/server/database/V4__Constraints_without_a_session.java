package prantel.server.database;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import org.flywaydb.core.api.migration.BaseJavaMigration;
import org.flywaydb.core.api.migration.Context;
import org.springframework.stereotype.Component;

/**
 * Takes out every CHECK constraint and lists what is allowed in tables instead. An expression of H2 stays bound to the
 * session that made it; once the pool has replaced that connection every later write of the table fails.
 */
@Component
class V4__Constraints_without_a_session extends BaseJavaMigration {
    @Override
    public void migrate(Context context) throws SQLException {
        Connection connection = context.getConnection();
        try (Statement statement = connection.createStatement()) {
            for (String[] check : checks(connection)) {
                statement.execute("alter table \"" + check[0] + "\" drop constraint \"" + check[1] + "\"");
            }
            statement.execute("create table account_role (role varchar(20) primary key)");
            statement.execute("insert into account_role values ('ADMINISTRATOR'), ('ASSESSOR'), ('CANDIDATE')");
            statement.execute(
                    "alter table account add constraint account_has_role foreign key (role) references account_role");
            statement.execute("create table document_kind (kind varchar(20) primary key)");
            statement.execute("insert into document_kind values ('RIG'), ('TESTER')");
            statement.execute(
                    "alter table document add constraint document_has_kind foreign key (kind) references document_kind");
        }
    }

    private static List<String[]> checks(Connection connection) throws SQLException {
        List<String[]> checks = new ArrayList<>();
        try (Statement statement = connection.createStatement();
                ResultSet rows = statement.executeQuery("""
                        select table_name, constraint_name from information_schema.table_constraints
                        where constraint_type = 'CHECK' and table_schema = 'PUBLIC'""")) {
            while (rows.next()) {
                checks.add(new String[] {rows.getString(1), rows.getString(2)});
            }
        }
        return checks;
    }
}
