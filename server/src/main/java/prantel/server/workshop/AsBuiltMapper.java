package prantel.server.workshop;

import java.time.OffsetDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

@Mapper
interface AsBuiltMapper {
    /** Oldest first. */
    @Select("""
        select r.slot, r.text, r.taken_at, a.name as taken_by
        from as_built_reading r join account a on a.account_id = r.taken_by
        where r.rig_id = #{rigId} and r.rig_version = #{version} order by r.reading_id""")
    List<AsBuiltReadings.Taken> ofRig(@Param("rigId") String rigId, @Param("version") int version);

    @Insert("""
        insert into as_built_reading (rig_id, rig_version, slot, text, taken_at, taken_by)
        values (#{rigId}, #{version}, #{slot}, #{text}, #{takenAt}, #{takenBy})""")
    void insert(
            @Param("rigId") String rigId,
            @Param("version") int version,
            @Param("slot") String slot,
            @Param("text") String text,
            @Param("takenAt") OffsetDateTime takenAt,
            @Param("takenBy") String takenBy);
}
