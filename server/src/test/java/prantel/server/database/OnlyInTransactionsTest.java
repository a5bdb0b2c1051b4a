package prantel.server.database;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import org.apache.ibatis.mapping.MappedStatement;
import org.apache.ibatis.mapping.SqlCommandType;
import org.apache.ibatis.session.SqlSession;
import org.apache.ibatis.session.SqlSessionFactory;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;

/** An own password that was changed was the old one again after a power cut, in 4 of 6: it was written outside a transaction. */
@SpringBootTest(properties = "spring.datasource.url=jdbc:h2:mem:${random.uuid};DB_CLOSE_DELAY=-1")
class OnlyInTransactionsTest {
    @Autowired
    private SqlSessionFactory sessions;

    @Test
    void everyStatementOfEveryMapperThatWritesRefusesToOutsideATransaction() throws Exception {
        List<String> refused = new ArrayList<>();
        Collection<MappedStatement> statements = sessions.getConfiguration().getMappedStatements();
        for (Object each : statements) {
            // short names stand twice in it, as something else
            if (each instanceof MappedStatement statement && statement.getSqlCommandType() != SqlCommandType.SELECT) {
                try (SqlSession session = sessions.openSession()) {
                    assertThatThrownBy(() -> session.update(statement.getId(), null))
                            .as(statement.getId())
                            .hasStackTraceContaining("writes outside a transaction");
                    refused.add(statement.getId());
                }
            }
        }
        assertThat(refused).as("all mappers are looked at").hasSizeGreaterThan(30);
    }
}
