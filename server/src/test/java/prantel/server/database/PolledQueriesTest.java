package prantel.server.database;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.apache.ibatis.mapping.BoundSql;
import org.apache.ibatis.session.SqlSessionFactory;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import prantel.server.TestServer;
import prantel.server.assessment.Assessments;
import prantel.server.workshop.Schemes;

/**
 * What is asked at every change, or with every box that is written, costs the same after five years as on the first day:
 * the database says of each such query how many rows it looked at.
 */
@TestServer
class PolledQueriesTest {
    private static final String MAPPER = "prantel.server.";
    private static final Pattern SCANNED = Pattern.compile("scanCount: (\\d+)");
    /** A dozen shown, each from three tables, and some to spare. */
    private static final int FEW = 200;

    @Autowired
    private SqlSessionFactory sessions;

    @Autowired
    private JdbcTemplate sql;

    @Autowired
    private Assessments assessments;

    @Autowired
    private Schemes schemes;

    /** 3,000 sittings that are over, beside the one of today, and as many people who once sat here. */
    private void history() {
        sql.update("insert into account (account_id, name, password_hash)"
                + " select 'once-' || x, 'Once ' || x, 'none' from system_range(1, 3000)");
        assessments.prepare("bay-1", "olga", "t1", schemes.newest("workshop"), "ada");
        sql.update("insert into assessment select 'past-' || x, bay_id, candidate_id, assessor_id, rig_id, rig_version,"
                + " tester_id, tester_version, scheme_id, scheme_version, engine_version, dateadd('HOUR', -x, prepared_at)"
                + " from assessment, system_range(1, 3000)");
        sql.update("insert into assessment_standing select 'past-' || x, seq, null, null, true, true, 'PASS', false,"
                + " dateadd('HOUR', -x, current_timestamp), null from assessment_standing, system_range(1, 3000)");
        sql.execute("analyze");
    }

    /** Rows looked at, in all tables together. */
    private int rows(String statement, Object parameter) {
        BoundSql bound = sessions.getConfiguration()
                .getMappedStatement(MAPPER + statement)
                .getBoundSql(parameter);
        List<Object> given = new ArrayList<>();
        bound.getParameterMappings()
                .forEach(m -> given.add(
                        bound.hasAdditionalParameter(m.getProperty())
                                ? bound.getAdditionalParameter(m.getProperty())
                                : parameter instanceof Map<?, ?> map ? map.get(m.getProperty()) : parameter));
        String plan =
                String.valueOf(sql.queryForObject("explain analyze " + bound.getSql(), String.class, given.toArray()));
        return SCANNED.matcher(plan)
                .results()
                .mapToInt(m -> Integer.parseInt(m.group(1)))
                .sum();
    }

    @Test
    void nothingThatIsAskedAllDayReadsHistory() {
        history();
        Map<String, Object> asked = Map.of(
                "assessment.StandingMapper.open", "",
                "assessment.StandingMapper.inBay", "bay-1",
                "assessment.StandingMapper.liveBayOf", "ada",
                "assessment.StandingMapper.everCleared", "",
                "assessment.StandingMapper.kept", 20,
                "assessment.StandingMapper.lastDecision", "",
                "assessment.StandingMapper.opinionsAskedOf", "ada",
                "assessment.StandingMapper.seq", "past-7",
                "assessment.AssessmentMapper.lastSeq", "past-7",
                "assessment.AssessmentMapper.event", "none");
        asked.forEach((statement, parameter) ->
                assertThat(rows(statement, parameter)).as(statement).isLessThan(FEW));
        assertThat(rows("assessment.StandingMapper.everCleared", ""))
                .as("counted at all")
                .isPositive();
        assertThat(rows("account.AccountMapper.named", Map.of("ids", Set.of("olga", "ada"))))
                .as("names of those on the Floor, and of nobody else")
                .isBetween(1, FEW);
        assertThat(rows("assessment.AssessmentMapper.usesOfSchemes", ""))
                .as("a query that has to read all of it is seen to")
                .isGreaterThanOrEqualTo(3000);
    }
}
