package prantel.server.account;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Set;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

@Mapper
interface AccountMapper {
    String ACCOUNT = """
        select a.account_id, a.name, coalesce(r.roles, '') as role_names, a.password_hash, a.generation, a.blocked, a.left_at
        from account a left join (
            select account_id, listagg(role, ',') within group (order by role) as roles
            from person_role group by account_id) r on r.account_id = a.account_id""";

    @Select(ACCOUNT + " where a.account_id = #{id}")
    @Nullable
    Account byId(String id);

    /** Names alone: no roles are put together for them. */
    @Select("""
        <script>
        select account_id, name from account where account_id in
        <foreach item="id" collection="ids" open="(" separator="," close=")">#{id}</foreach>
        </script>""")
    List<Accounts.Named> named(@Param("ids") Set<String> ids);

    @Select(ACCOUNT + " order by a.name")
    List<Account> all();

    @Insert("insert into account (account_id, name, password_hash) values (#{id}, #{name}, #{hash})")
    void insert(@Param("id") String id, @Param("name") String name, @Param("hash") String hash);

    @Delete("delete from person_role where account_id = #{id}")
    void dropRoles(String id);

    @Insert("insert into person_role (account_id, role) values (#{id}, #{role})")
    void addRole(@Param("id") String id, @Param("role") String role);

    @Update("update account set generation = generation + 1 where account_id = #{id}")
    void endSessions(String id);

    @Update("update account set password_hash = #{hash} where account_id = #{id}")
    void setPassword(@Param("id") String id, @Param("hash") String hash);

    @Update("update account set name = #{name} where account_id = #{id}")
    void rename(@Param("id") String id, @Param("name") String name);

    /** Until the end of the transaction: two administrators who shut each other out do it one after the other. */
    @Select("select account_id from person_role where role = 'ADMINISTRATOR' order by account_id for update")
    List<String> lockAdministrators();

    @Update("update account set blocked = #{blocked} where account_id = #{id}")
    void setBlocked(@Param("id") String id, @Param("blocked") boolean blocked);

    @Update("update account set left_at = #{at} where account_id = #{id}")
    void setLeft(@Param("id") String id, @Param("at") @Nullable OffsetDateTime at);

    @Select("select account_id, code_hash, expires_at from invitation where account_id = #{id}")
    @Nullable
    Invitation invitation(String id);

    @Insert("""
        insert into invitation (account_id, code_hash, made_by, expires_at)
        values (#{id}, #{hash}, #{by}, #{expires})""")
    void invite(
            @Param("id") String id,
            @Param("hash") String hash,
            @Param("by") String by,
            @Param("expires") OffsetDateTime expires);

    /** @return 1 for whoever is first; 0 if it was used, taken back or changed meanwhile */
    @Delete("delete from invitation where account_id = #{id} and code_hash = #{hash}")
    int useInvitation(@Param("id") String id, @Param("hash") String hash);

    @Delete("delete from invitation where account_id = #{id}")
    void forgetInvitation(String id);

    @Select("select account_id from invitation where expires_at > #{now}")
    List<String> invited(OffsetDateTime now);

    @Insert("""
        insert into sign_in (account_id, happened_at, address, device)
        values (#{id}, #{at}, #{address}, #{device})""")
    void signedIn(
            @Param("id") String id,
            @Param("at") OffsetDateTime at,
            @Param("address") String address,
            @Param("device") String device);

    @Select("""
        select happened_at as at, address, device from sign_in
        where account_id = #{id} order by sign_in_id desc limit #{most}""")
    List<Accounts.SignedIn> signIns(@Param("id") String id, @Param("most") int most);

    record Invitation(String accountId, String codeHash, OffsetDateTime expiresAt) {}
}
