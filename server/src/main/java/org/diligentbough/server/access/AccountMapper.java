package org.diligentbough.server.access;

import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** The table of accounts. */
@Mapper
interface AccountMapper {
    /** A row of it with the person's name; {@code login} and {@code secret} are null where only phones are let in. */
    record AccountRow(
            Long personId, String name, String login, String secret, Boolean enabled, Boolean founder, Integer epoch) {}

    String ROW = """
            select a.person_id, p.name, a.login, a.secret, a.enabled, a.founder, a.epoch
            from account a join person p on p.id = a.person_id
            """;

    @Select("select exists (select from account)")
    boolean any();

    @Select("select exists (select from account where person_id = #{personId} and founder and enabled)")
    boolean founds(long personId);

    @Select(ROW + "where a.person_id = #{personId}")
    Optional<AccountRow> of(long personId);

    @Select(ROW + "where a.login = #{login}")
    Optional<AccountRow> byLogin(String login);

    /** Lets somebody in, again if they were kept out. */
    @Insert("""
            insert into account (person_id, founder) values (#{personId}, #{founder})
            on conflict (person_id) do update set enabled = true, founder = account.founder or excluded.founder
            """)
    void open(@Param("personId") long personId, @Param("founder") boolean founder);

    /** Lets in a made-up person whoever tries the demo can be. */
    @Insert("insert into account (person_id, demo) values (#{personId}, true) on conflict do nothing")
    void openDemo(long personId);

    /** Sets login and password; ends all sessions there were. */
    @Update("""
            update account set login = #{login}, secret = #{secret}, epoch = epoch + 1 where person_id = #{personId}
            """)
    void secure(@Param("personId") long personId, @Param("login") String login, @Param("secret") String secret);

    /** Ends all sessions of somebody. */
    @Update("update account set epoch = epoch + 1 where person_id = #{personId}")
    void end(long personId);

    /** Keeps somebody out. */
    @Update("update account set enabled = false, epoch = epoch + 1 where person_id = #{personId}")
    void shut(long personId);

    @Insert("insert into access_event (person_id, what) values (#{personId}, #{what})")
    void tell(@Param("personId") Long personId, @Param("what") String what);

    @Update("delete from access_event where at < now() - interval '90 days'")
    void forgetOldEvents();
}
