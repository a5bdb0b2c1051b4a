package prantel.server.assessment;

import java.time.OffsetDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

/** The projection that is kept up with the events. */
@Mapper
interface StandingMapper {
    @Insert("""
        insert into assessment_standing (assessment_id, seq, bay_id, live_with, marked, cleared, verdict, overridden,
            decided_at, from_library)
        values (#{assessmentId}, #{seq}, #{held.bayId}, #{held.liveWith}, #{end.marked}, #{cleared}, #{end.verdict}, #{end.overridden},
            #{end.decidedAt}, #{fromLibrary})""")
    void insert(StandingRow row);

    @Update("""
        update assessment_standing set seq = #{seq}, bay_id = #{held.bayId}, live_with = #{held.liveWith}, marked = #{end.marked},
            cleared = #{cleared}, verdict = #{end.verdict}, overridden = #{end.overridden}, decided_at = #{end.decidedAt},
            from_library = #{fromLibrary}
        where assessment_id = #{assessmentId}""")
    void update(StandingRow row);

    @Select("select seq from assessment_standing where assessment_id = #{id}")
    @Nullable
    Integer seq(String id);

    /** Those whose rig is not cleared or whose sheet is not marked, in the order they were prepared. */
    @Select("""
        select a.assessment_id from assessment a
        where a.assessment_id in (
            select assessment_id from assessment_standing where marked = false
            union select assessment_id from assessment_standing where cleared = false)
        order by a.prepared_at, a.assessment_id""")
    List<String> open();

    @Select("""
        select s.assessment_id from assessment_standing s join assessment a on a.assessment_id = s.assessment_id
        where s.marked = false and a.candidate_id = #{candidate}""")
    List<String> unmarkedOf(String candidate);

    @Select("select assessment_id from assessment_standing where bay_id = #{bayId}")
    @Nullable
    String inBay(String bayId);

    @Select("""
        select a.bay_id from assessment_standing s join assessment a on a.assessment_id = s.assessment_id
        where s.live_with = #{assessor}""")
    @Nullable
    String liveBayOf(String assessor);

    /** Assessments that have no row yet: those of a database from before there were any. */
    @Select("""
        select a.assessment_id from assessment a
        where not exists (select 1 from assessment_standing s where s.assessment_id = a.assessment_id)
        order by a.prepared_at desc""")
    List<String> missing();

    @Select("""
        select a.assessment_id, c.name as candidate, a.rig_id, a.rig_version, s.verdict, s.overridden, s.decided_at as at
        from (select * from assessment_standing where decided_at is not null
            order by decided_at desc limit #{most}) s
        join assessment a on a.assessment_id = s.assessment_id
        join account c on c.account_id = a.candidate_id
        order by s.decided_at desc""")
    List<Assessments.Kept> kept(int most);

    String WANTED = """
        from assessment_standing s
        join assessment a on a.assessment_id = s.assessment_id
        join account c on c.account_id = a.candidate_id
        join account o on o.account_id = a.assessor_id
        where s.decided_at is not null
            and not exists (select 1 from opinion_open b where b.assessment_id = a.assessment_id and b.account_id = #{viewer})
            and (#{w.person} = '' or lower(c.name) like #{w.person} escape '\\' or lower(o.name) like #{w.person} escape '\\')
            and (#{w.rig} = '' or a.rig_id = #{w.rig})
            and (#{w.scheme} = '' or a.scheme_id = #{w.scheme})
            and (#{w.verdict} = '' or s.verdict = #{w.verdict})
            and s.decided_at >= #{w.from} and s.decided_at < #{w.until}""";

    @Select("""
        select a.assessment_id, c.name as candidate, o.name as assessor, a.rig_id, a.rig_version, a.scheme_id, a.scheme_version,
            s.verdict, s.overridden, s.decided_at as at
        """ + WANTED + """
         order by s.decided_at desc, a.assessment_id limit #{most} offset #{from}""")
    List<FoundRow> find(
            @Param("w") Assessments.WantedRecords wanted,
            @Param("viewer") String viewer,
            @Param("most") int most,
            @Param("from") int from);

    @Select("select count(*) " + WANTED)
    int count(@Param("w") Assessments.WantedRecords wanted, @Param("viewer") String viewer);

    @Select("""
        select c.name as candidate, a.bay_id, a.prepared_at from assessment_standing s
        join assessment a on a.assessment_id = s.assessment_id
        join account c on c.account_id = a.candidate_id
        where s.from_library like #{prefix} order by a.prepared_at""")
    List<Assessments.Use> usesOf(String prefix);

    @Select("""
        select b.bay_id from bay b where exists (
            select 1 from assessment a join assessment_standing s on s.assessment_id = a.assessment_id
            where a.bay_id = b.bay_id and s.cleared)""")
    List<String> everCleared();

    @Delete("delete from opinion_open where assessment_id = #{id}")
    void forgetOpinions(String id);

    @Insert("insert into opinion_open (assessment_id, account_id) values (#{id}, #{account})")
    void insertOpinion(@Param("id") String id, @Param("account") String account);

    @Select("select assessment_id from opinion_open where account_id = #{account}")
    List<String> opinionsAskedOf(String account);

    @Delete("delete from fault_result where assessment_id = #{id}")
    void forgetResults(String id);

    @Insert("""
        insert into fault_result (assessment_id, position, kind, found)
        values (#{id}, #{position}, #{kind}, #{found})""")
    void insertResult(
            @Param("id") String id,
            @Param("position") int position,
            @Param("kind") String kind,
            @Param("found") boolean found);

    @Select("select kind, found, count(*) as times from fault_result group by kind, found")
    List<Assessments.FaultCount> results();

    @Select("select max(decided_at) from assessment_standing")
    @Nullable
    OffsetDateTime lastDecision();
}
