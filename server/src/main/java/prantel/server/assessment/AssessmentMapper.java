package prantel.server.assessment;

import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** Inserts and reads; there is nothing here that changes or removes. */
@Mapper
interface AssessmentMapper {
    String COLUMNS = """
        assessment_id, bay_id, candidate_id, assessor_id, rig_id, rig_version, tester_id, tester_version,
        scheme_id, scheme_version, engine_version, prepared_at""";

    @Insert("""
        insert into assessment (assessment_id, bay_id, candidate_id, assessor_id, rig_id, rig_version, tester_id,
            tester_version, scheme_id, scheme_version, engine_version, prepared_at)
        values (#{assessmentId}, #{bayId}, #{candidateId}, #{assessorId}, #{rigId}, #{rigVersion}, #{testerId},
            #{testerVersion}, #{schemeId}, #{schemeVersion}, #{engineVersion}, #{preparedAt})""")
    void insert(AssessmentRow row);

    @Select("select " + COLUMNS + " from assessment where assessment_id = #{id}")
    @Nullable
    AssessmentRow byId(String id);

    /** Holds the assessment until the end of the transaction, so that its events get their numbers one by one. */
    @Select("select assessment_id from assessment where assessment_id = #{id} for update")
    @Nullable
    String lock(String id);

    /** Holds the bay, so that it is not prepared twice at once. */
    @Select("select bay_id from bay where bay_id = #{id} for update")
    @Nullable
    String lockBay(String id);

    @Select("select " + COLUMNS + " from assessment where candidate_id = #{id} order by prepared_at desc")
    List<AssessmentRow> ofCandidate(String id);

    @Select("select candidate_id as id, count(*) as times from assessment group by candidate_id")
    List<Assessments.Count> attempts();

    @Select("""
        select cast(rig_version as varchar) as id, count(*) as times from assessment
        where rig_id = #{rigId} group by rig_version""")
    List<Assessments.Count> usesOfRig(String rigId);

    /** The newest before a moment on the same rig in the same bay. */
    @Select("""
        select assessment_id from assessment
        where bay_id = #{bayId} and rig_id = #{rigId} and rig_version = #{rigVersion} and prepared_at < #{preparedAt}
        order by prepared_at desc limit 1""")
    @Nullable
    String before(AssessmentRow row);

    @Select("""
        select assessment_id, seq, event_id, kind, subject, payload, happened_at, account_id
        from assessment_event where assessment_id = #{id} order by seq""")
    List<EventRow> events(String id);

    @Select("""
        select assessment_id, seq, event_id, kind, subject, payload, happened_at, account_id
        from assessment_event where event_id = #{eventId}""")
    @Nullable
    EventRow event(String eventId);

    @Select("select coalesce(max(seq), 0) from assessment_event where assessment_id = #{id}")
    int lastSeq(String id);

    @Insert("""
        insert into assessment_event (assessment_id, seq, event_id, kind, subject, payload, happened_at, account_id)
        values (#{assessmentId}, #{seq}, #{eventId}, #{kind}, #{subject}, #{payload}, #{happenedAt}, #{accountId})""")
    void append(EventRow row);
}
