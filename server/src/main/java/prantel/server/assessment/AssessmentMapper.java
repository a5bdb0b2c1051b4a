package prantel.server.assessment;

import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
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

    @Select("select " + COLUMNS + " from assessment order by prepared_at, assessment_id")
    List<AssessmentRow> all();

    @Select("select " + COLUMNS + " from assessment where candidate_id = #{id} order by prepared_at desc")
    List<AssessmentRow> ofCandidate(String id);

    @Select("select " + COLUMNS + " from assessment where bay_id = #{id} order by prepared_at desc")
    List<AssessmentRow> ofBay(String id);

    @Select("""
        select assessment_id, seq, event_id, kind, subject, payload, happened_at, account_id
        from assessment_event where assessment_id = #{id} order by seq""")
    List<EventRow> events(String id);

    @Select("""
        select assessment_id, seq, event_id, kind, subject, payload, happened_at, account_id
        from assessment_event where event_id = #{eventId}""")
    @Nullable
    EventRow event(String eventId);

    @Select("""
        select coalesce(max(seq), 0) from assessment_event where assessment_id = #{id} and subject = #{subject}""")
    int lastSeqAbout(@Param("id") String id, @Param("subject") String subject);

    @Insert("""
        insert into assessment_event (assessment_id, seq, event_id, kind, subject, payload, happened_at, account_id)
        select #{assessmentId}, coalesce(max(seq), 0) + 1, #{eventId}, #{kind}, #{subject}, #{payload},
            #{happenedAt}, #{accountId}
        from assessment_event where assessment_id = #{assessmentId}""")
    void append(EventRow row);
}
