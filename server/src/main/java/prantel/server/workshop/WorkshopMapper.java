package prantel.server.workshop;

import java.time.OffsetDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

@Mapper
interface WorkshopMapper {
    @Select("select bay_id, number, rig_id, rig_version, fault_box, bench_tester from bay order by number")
    List<Bay> bays();

    @Select("select bay_id, number, rig_id, rig_version, fault_box, bench_tester from bay where bay_id = #{id}")
    @Nullable
    Bay bay(String id);

    @Insert(
            "insert into bay (bay_id, number, rig_id, rig_version) values (#{bayId}, #{number}, #{rigId}, #{rigVersion})")
    void insertBay(Bay bay);

    @Update("update bay set fault_box = #{address} where bay_id = #{bayId}")
    void setFaultBox(@Param("bayId") String bayId, @Param("address") @Nullable String address);

    @Update("update bay set bench_tester = #{address} where bay_id = #{bayId}")
    void setBenchTester(@Param("bayId") String bayId, @Param("address") @Nullable String address);

    @Update("update bay set rig_version = #{version} where rig_id = #{rigId}")
    void useRigVersion(@Param("rigId") String rigId, @Param("version") int version);

    @Select("""
        select json from document where kind = #{kind} and document_id = #{id} and version = #{version}""")
    @Nullable
    String json(@Param("kind") String kind, @Param("id") String id, @Param("version") int version);

    @Select("select coalesce(max(version), 0) from document where kind = #{kind} and document_id = #{id}")
    int latestVersion(@Param("kind") String kind, @Param("id") String id);

    @Select("""
        select document_id as id, max(version) as version
        from document where kind = #{kind} group by document_id order by document_id""")
    List<DocumentRef> latest(String kind);

    @Select("""
        select d.version, d.saved_at, a.name as saved_by
        from document d join account a on a.account_id = d.saved_by
        where d.kind = #{kind} and d.document_id = #{id} order by d.version""")
    List<Workshop.Kept> versions(@Param("kind") String kind, @Param("id") String id);

    @Insert("""
        insert into document (kind, document_id, version, json, saved_at, saved_by)
        values (#{kind}, #{id}, #{version}, #{json}, #{savedAt}, #{savedBy})""")
    void insertDocument(
            @Param("kind") String kind,
            @Param("id") String id,
            @Param("version") int version,
            @Param("json") String json,
            @Param("savedAt") OffsetDateTime savedAt,
            @Param("savedBy") String savedBy);
}
