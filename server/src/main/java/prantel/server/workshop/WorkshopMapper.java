package prantel.server.workshop;

import java.time.OffsetDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

@Mapper
interface WorkshopMapper {
    String BAY = "select bay_id, number, rig_id, rig_version, fault_box, bench_tester, retired from bay";

    /** Retired ones too. */
    @Select(BAY + " order by number")
    List<Bay> bays();

    @Select(BAY + " where bay_id = #{id}")
    @Nullable
    Bay bay(String id);

    @Update("""
        update bay set number = #{number}, rig_id = #{rigId}, rig_version = #{rigVersion}, retired = #{retired}
        where bay_id = #{bayId}""")
    void change(
            @Param("bayId") String bayId,
            @Param("number") int number,
            @Param("rigId") String rigId,
            @Param("rigVersion") int rigVersion,
            @Param("retired") boolean retired);

    @Select("select document_id from retired_document where kind = #{kind}")
    List<String> retired(String kind);

    @Insert("insert into retired_document (kind, document_id) values (#{kind}, #{id})")
    void retire(@Param("kind") String kind, @Param("id") String id);

    @Delete("delete from retired_document where kind = #{kind} and document_id = #{id}")
    void useAgain(@Param("kind") String kind, @Param("id") String id);

    /** Holds the bay, so that it is not prepared and changed at once. */
    @Select("select bay_id from bay where bay_id = #{id} for update")
    @Nullable
    String lockBay(String id);

    @Select("select assessment_id from assessment_standing where bay_id = #{bayId}")
    @Nullable
    String assessmentIn(String bayId);

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

    /** One saves after the other: a lock by kind, since a new id has no row of its own to hold. */
    @Select("select kind from saving_lock where kind = #{kind} for update")
    @Nullable
    String lockDocuments(String kind);

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
