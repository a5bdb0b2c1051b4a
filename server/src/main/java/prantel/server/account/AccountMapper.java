package prantel.server.account;

import java.time.OffsetDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

@Mapper
interface AccountMapper {
    @Select("""
        select account_id, name, role, password_hash, failed_sign_ins, locked_until
        from account where account_id = #{id}""")
    @Nullable
    Account byId(String id);

    @Select("""
        select account_id, name, role, password_hash, failed_sign_ins, locked_until
        from account order by role, name""")
    List<Account> all();

    @Insert("""
        insert into account (account_id, name, role, password_hash)
        values (#{accountId}, #{name}, #{role}, #{passwordHash})""")
    void insert(Account account);

    @Update("""
        update account set failed_sign_ins = #{failed}, locked_until = #{lockedUntil} where account_id = #{id}""")
    void setGuessing(
            @Param("id") String id,
            @Param("failed") int failed,
            @Param("lockedUntil") @Nullable OffsetDateTime lockedUntil);
}
