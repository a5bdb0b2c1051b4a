package prantel.server.practice;

import java.time.OffsetDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

/** Practices, each its owner's. */
@Mapper
interface PracticeMapper {
    String COLUMNS = """
        practice_id, account_id, rig_id, rig_version, tester_id, tester_version, scheme_id, scheme_version, way, drill,
        drill_file, purpose, beside, seed,
        faults, started_at, ended_at, deed_count, readings, named, box, slips, dangers, wrong, kinds""";

    @Insert("""
        insert into practice (practice_id, account_id, rig_id, rig_version, tester_id, tester_version, scheme_id,
            scheme_version, way, drill, drill_file, purpose, beside, seed, faults, started_at, deed_count, readings,
            named, box, slips, dangers, wrong, kinds)
        values (#{practiceId}, #{accountId}, #{rigId}, #{rigVersion}, #{testerId}, #{testerVersion}, #{schemeId},
            #{schemeVersion}, #{way}, #{drill}, #{drillFile}, #{purpose}, #{beside}, #{seed}, #{faults}, #{startedAt}, 0,
            '{}', '[]', #{box}, 0, 0, 0, '[]')""")
    void insert(PracticeRow row);

    @Select("select " + COLUMNS + " from practice where practice_id = #{id} and account_id = #{account}")
    @Nullable
    PracticeRow of(@Param("id") String id, @Param("account") String account);

    /** Holds it until the end of the transaction. */
    @Select("select " + COLUMNS + " from practice where practice_id = #{id} and account_id = #{account} for update")
    @Nullable
    PracticeRow hold(@Param("id") String id, @Param("account") String account);

    @Select("""
        select practice_id, way, drill, purpose, rig_id, started_at, ended_at, deed_count, slips, dangers, wrong from practice
        where account_id = #{account} order by started_at desc limit 200""")
    List<Practices.PracticePast> past(String account);

    @Update("""
        update practice set deed_count = #{count}, slips = #{slips}, dangers = #{dangers}
        where practice_id = #{id}""")
    void counted(
            @Param("id") String id,
            @Param("count") int count,
            @Param("slips") int slips,
            @Param("dangers") int dangers);

    /** In the order in which they were done. */
    @Select("select deed from practice_deed where practice_id = #{id} order by number")
    List<String> deeds(String id);

    @Insert("insert into practice_deed (practice_id, number, deed) values (#{id}, #{number}, #{deed})")
    void insertDeed(@Param("id") String id, @Param("number") int number, @Param("deed") String deed);

    @Delete("delete from practice_deed where practice_id = #{id} and number > #{number}")
    void deleteDeedsAfter(@Param("id") String id, @Param("number") int number);

    @Update("update practice set readings = #{readings}, box = #{box} where practice_id = #{id}")
    void readings(@Param("id") String id, @Param("readings") String readings, @Param("box") String box);

    @Update("update practice set named = #{named} where practice_id = #{id}")
    void named(@Param("id") String id, @Param("named") String named);

    @Update("update practice set ended_at = #{at}, wrong = #{wrong}, kinds = #{kinds} where practice_id = #{id}")
    void end(
            @Param("id") String id,
            @Param("at") OffsetDateTime at,
            @Param("wrong") int wrong,
            @Param("kinds") String kinds);

    /** One's own, finished ones, newest first. */
    @Select("""
        select kinds from practice
        where account_id = #{account} and purpose = 'OWN' and ended_at is not null and kinds <> '[]'
        order by started_at desc limit 200""")
    List<String> kinds(String account);

    @Select("select shown_to from practice_shown where account_id = #{account}")
    @Nullable
    String shownTo(String account);

    @Select("select account_id from practice_shown where shown_to = #{account} order by account_id")
    List<String> whoShows(String account);

    @Delete("delete from practice_shown where account_id = #{account}")
    void hide(String account);

    @Insert("insert into practice_shown (account_id, shown_to) values (#{account}, #{to})")
    void show(@Param("account") String account, @Param("to") String to);

    @Delete("delete from practice where account_id = #{account}")
    void eraseAll(String account);

    /** Another tab of the same person may have begun it again: that is no error. */
    @Delete("delete from practice where practice_id = #{id} and account_id = #{account}")
    void erase(@Param("id") String id, @Param("account") String account);
}
