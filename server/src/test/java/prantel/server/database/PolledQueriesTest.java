package prantel.server.database;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
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
    private static final String MAPPER = "prantel.server.assessment.";
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

    /** 3,000 sittings that are over, beside the one of today. */
    private void history() {
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
                .forEach(m -> given.add(parameter instanceof Map<?, ?> map ? map.get(m.getProperty()) : parameter));
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
                "StandingMapper.open", "",
                "StandingMapper.inBay", "bay-1",
                "StandingMapper.liveBayOf", "ada",
                "StandingMapper.everCleared", "",
                "StandingMapper.kept", 20,
                "StandingMapper.lastDecision", "",
                "StandingMapper.opinionsAskedOf", "ada",
                "StandingMapper.seq", "past-7",
                "AssessmentMapper.lastSeq", "past-7",
                "AssessmentMapper.event", "none");
        asked.forEach((statement, parameter) ->
                assertThat(rows(statement, parameter)).as(statement).isLessThan(FEW));
        assertThat(rows("StandingMapper.everCleared", "")).as("counted at all").isPositive();
        assertThat(rows("AssessmentMapper.usesOfSchemes", ""))
                .as("a query that has to read all of it is seen to")
                .isGreaterThanOrEqualTo(3000);
    }
}
