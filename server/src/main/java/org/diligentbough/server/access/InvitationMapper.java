package org.diligentbough.server.access;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** The table of invitations. */
@Mapper
interface InvitationMapper {
    /** join: to come in; password: to set another one; first: the first coordinator of all. */
    enum Kind {
        JOIN,
        PASSWORD,
        FIRST
    }

    record InvitationRow(
            Long id,
            Kind kind,
            Long siteId,
            String siteName,
            Long personId,
            String personName,
            String madeBy,
            Instant madeAt,
            Instant goodUntil) {}

    String ROW = """
            select i.id, i.kind, i.site_id, s.name as site_name, i.person_id, p.name as person_name, b.name as made_by,
                   i.made_at, i.good_until
            from invitation i left join site s on s.id = i.site_id left join person p on p.id = i.person_id
            left join person b on b.id = i.made_by
            """;
    String OPEN = " i.used_at is null and i.revoked_at is null and i.good_until > now() ";

    @Select(value = """
            insert into invitation (hash, kind, site_id, person_id, made_by, good_until)
            values (#{hash}, #{kind}, #{siteId}, #{personId}, #{madeBy}, #{goodUntil}) returning id
            """, affectData = true)
    long add(
            @Param("hash") String hash,
            @Param("kind") Kind kind,
            @Param("siteId") Long siteId,
            @Param("personId") Long personId,
            @Param("madeBy") Long madeBy,
            @Param("goodUntil") Instant goodUntil);

    @Select(ROW + "where i.hash = #{hash} and" + OPEN)
    Optional<InvitationRow> open(String hash);

    @Select(ROW + "where i.site_id = #{siteId} and" + OPEN + "order by i.made_at desc")
    List<InvitationRow> openAt(long siteId);

    /** Uses one up: 1, or 0 when it was used, taken back or ran out meanwhile. */
    @Update("update invitation i set used_at = now() where i.id = #{id} and" + OPEN)
    int use(long id);

    @Update("update invitation set revoked_at = now() where id = #{id} and used_at is null and revoked_at is null")
    int revoke(long id);

    /** Whoever gets a new one of a kind needs the older ones no more. */
    @Update("""
            update invitation set revoked_at = now()
            where kind = #{kind} and person_id is not distinct from #{personId} and used_at is null and revoked_at is null
            """)
    void revokeOlder(@Param("kind") Kind kind, @Param("personId") Long personId);

    /** A person of that name for an account of their own. */
    @Select(value = "insert into person (name) values (#{name}) returning id", affectData = true)
    long addPerson(String name);

    @Update("update person set left_on = current_date, version = version + 1 where id = #{id} and left_on is null")
    void leave(long id);
}
