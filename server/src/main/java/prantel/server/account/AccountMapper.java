package prantel.server.account;

import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

@Mapper
interface AccountMapper {
    @Select("select account_id, name, role, password_hash from account where account_id = #{id}")
    @Nullable
    Account byId(String id);

    @Select("select account_id, name, role, password_hash from account order by role, name")
    List<Account> all();

    @Insert("""
        insert into account (account_id, name, role, password_hash)
        values (#{accountId}, #{name}, #{role}, #{passwordHash})""")
    void insert(Account account);
}
