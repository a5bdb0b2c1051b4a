package prantel.server.assessment;

import java.time.OffsetDateTime;
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

    @Select("select " + COLUMNS + " from assessment where candidate_id = #{id} order by prepared_at desc")
    List<AssessmentRow> ofCandidate(String id);

    @Select("select candidate_id as id, count(*) as times from assessment group by candidate_id")
    List<Assessments.Count> attempts();

    @Select("select scheme_id as id, count(*) as times from assessment group by scheme_id")
    List<Assessments.Count> usesOfSchemes();

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
    String before(
            @Param("bayId") String bayId,
            @Param("rigId") String rigId,
            @Param("rigVersion") int rigVersion,
            @Param("preparedAt") OffsetDateTime preparedAt);

    /**
     * The newest by other people on the same rig whose sheets are in.
     *
     * @param bayId null for whatever bay
     * @param before prepared before this moment; null for whenever
     */
    @Select("""
        <script>
        select a.assessment_id from assessment a
        where a.rig_id = #{rigId} and a.rig_version = #{rigVersion} and a.candidate_id &lt;&gt; #{candidateId}
            <if test="bayId != null">and a.bay_id = #{bayId}</if>
            <if test="before != null">and a.prepared_at &lt; #{before}</if>
            and exists (select 1 from assessment_event e
                where e.assessment_id = a.assessment_id and e.subject = '' and e.kind = 'handed-in')
        order by a.prepared_at desc limit #{most}
        </script>""")
    List<String> onTheSameRig(
            @Param("rigId") String rigId,
            @Param("rigVersion") int rigVersion,
            @Param("candidateId") String candidateId,
            @Param("bayId") @Nullable String bayId,
            @Param("before") @Nullable OffsetDateTime before,
            @Param("most") int most);

    @Select("select chain from assessment_event where assessment_id = #{id} and seq = #{seq}")
    String chain(@Param("id") String id, @Param("seq") int seq);

    @Insert("""
        insert into assessment_result (assessment_id, json, engine_version, decided_at)
        values (#{id}, #{json}, #{engine}, #{at})""")
    void keepResult(
            @Param("id") String id,
            @Param("json") String json,
            @Param("engine") int engine,
            @Param("at") OffsetDateTime at);

    @Select("select json from assessment_result where assessment_id = #{id}")
    @Nullable
    String result(String id);

    @Select("""
        select assessment_id, seq, event_id, kind, subject, payload, happened_at, account_id, chain
        from assessment_event where assessment_id = #{id} order by seq""")
    List<EventRow> events(String id);

    @Select("""
        select assessment_id, seq, event_id, kind, subject, payload, happened_at, account_id, chain
        from assessment_event where event_id = #{eventId}""")
    @Nullable
    EventRow event(String eventId);

    @Select("select coalesce(max(seq), 0) from assessment_event where assessment_id = #{id}")
    int lastSeq(String id);

    @Insert("""
        insert into assessment_event (assessment_id, seq, event_id, kind, subject, payload, happened_at, account_id,
            chain)
        values (#{assessmentId}, #{seq}, #{eventId}, #{kind}, #{subject}, #{payload}, #{happenedAt}, #{accountId},
            #{chain})""")
    void append(EventRow row);
}
