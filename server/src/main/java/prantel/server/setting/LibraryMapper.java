package prantel.server.setting;

import java.time.OffsetDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

@Mapper
interface LibraryMapper {
    /** One version of a set. */
    record LibraryRow(
            String setId,
            int version,
            String rigId,
            String name,
            String json,
            OffsetDateTime savedAt,
            String savedBy) {}

    @Select("""
        select set_id, version, rig_id, name, json, saved_at, saved_by from fault_set s
        where version = (select max(version) from fault_set where set_id = s.set_id)
        order by rig_id, name""")
    List<LibraryRow> latest();

    @Select("""
        select set_id, version, rig_id, name, json, saved_at, saved_by from fault_set
        where set_id = #{id} order by version""")
    List<LibraryRow> versions(String id);

    @Select("""
        select set_id, version, rig_id, name, json, saved_at, saved_by from fault_set
        where set_id = #{id} and version = #{version}""")
    @Nullable
    LibraryRow version(@Param("id") String id, @Param("version") int version);

    /** One saves after the other. */
    @Select("select kind from saving_lock where kind = 'FAULT_SET' for update")
    String lock();

    @Insert("""
        insert into fault_set (set_id, version, rig_id, name, json, saved_at, saved_by)
        values (#{setId}, #{version}, #{rigId}, #{name}, #{json}, #{savedAt}, #{savedBy})""")
    void insert(LibraryRow row);
}
