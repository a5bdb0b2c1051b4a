package prantel.server.workshop;

import java.time.OffsetDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Notes on rigs. */
@Mapper
interface RigNoteMapper {
    @Insert("""
        insert into rig_note (rig_id, rig_version, bay_id, slots, text, noted_at, noted_by)
        values (#{rig.id}, #{rig.version}, #{bay}, #{slots}, #{text}, #{at}, #{by})""")
    void insert(
            @Param("rig") DocumentRef rig,
            @Param("bay") String bay,
            @Param("slots") String slots,
            @Param("text") String text,
            @Param("at") OffsetDateTime at,
            @Param("by") String by);

    @Select("""
        select count(*) from rig_note
        where rig_id = #{rig.id} and rig_version = #{rig.version} and bay_id = #{bay} and slots = #{slots}
            and done_at is null""")
    int open(@Param("rig") DocumentRef rig, @Param("bay") String bay, @Param("slots") String slots);

    @Select("""
        select r.note_id, r.rig_id, b.number as bay, r.text, r.noted_at, n.name as noted_by, r.done, r.done_at, d.name as done_by
        from rig_note r join bay b on b.bay_id = r.bay_id join account n on n.account_id = r.noted_by
        left join account d on d.account_id = r.done_by
        where r.rig_id = #{rigId} order by r.note_id desc limit 50""")
    List<RigNoteRow> of(String rigId);

    @Select("""
        select r.note_id, r.rig_id, b.number as bay, r.text, r.noted_at, n.name as noted_by, r.done, r.done_at, null as done_by
        from rig_note r join bay b on b.bay_id = r.bay_id join account n on n.account_id = r.noted_by
        where r.done_at is null order by r.note_id""")
    List<RigNoteRow> allOpen();

    @Update("""
        update rig_note set done = #{what}, done_at = #{at}, done_by = #{by} where note_id = #{id} and done_at is null""")
    int close(@Param("id") long id, @Param("what") String what, @Param("at") OffsetDateTime at, @Param("by") String by);
}
