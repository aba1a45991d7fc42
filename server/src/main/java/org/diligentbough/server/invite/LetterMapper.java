package org.diligentbough.server.invite;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** The outbox. */
@Mapper
interface LetterMapper {
    /** What a letter is about. */
    enum Kind {
        INVITATION,
        TOLD,
        CHANGED,
        REMINDER,
        OFF
    }

    /** What became of it. */
    enum State {
        BY_HAND,
        KEPT,
        WAITING,
        SENT,
        GIVEN_UP
    }

    /** A letter as it is read on screen. */
    record LetterRow(
            Long id,
            Long personId,
            String name,
            Long workDayId,
            Kind kind,
            String mailTo,
            String subject,
            String body,
            String link,
            Instant madeAt,
            State state,
            String failure) {}

    @Insert("""
            insert into letter (site_id, person_id, work_day_id, kind, mail_to, subject, body, link, eml, state)
            values (#{siteId}, #{personId}, #{dayId}, #{kind}, #{to}, #{subject}, #{body}, #{link}, #{eml}, #{state})
            """)
    void add(
            @Param("siteId") long siteId,
            @Param("personId") long personId,
            @Param("dayId") long dayId,
            @Param("kind") Kind kind,
            @Param("to") String to,
            @Param("subject") String subject,
            @Param("body") String body,
            @Param("link") String link,
            @Param("eml") byte[] eml,
            @Param("state") State state);

    @Select("""
            select l.id, l.person_id, p.name, l.work_day_id, l.kind, l.mail_to, l.subject, l.body, l.link, l.made_at, l.state,
                   l.failure
            from letter l join person p on p.id = l.person_id
            where l.site_id = #{siteId} and l.id < #{before} order by l.id desc limit #{most}
            """)
    List<LetterRow> ofSite(@Param("siteId") long siteId, @Param("before") long before, @Param("most") int most);

    /** A letter as it goes out. */
    record EmlRow(Long id, byte[] eml, Integer tries) {}

    @Select("select id, eml, tries from letter where id = #{id}")
    Optional<EmlRow> eml(long id);

    /** The next one that waits to be sent; nobody else gets it meanwhile. */
    @Select(value = """
            update letter set tries = tries + 1, try_after = now() + make_interval(secs => #{holdSeconds})
            where id = (select id from letter where state = 'waiting' and try_after <= now() order by id limit 1 for update skip locked)
            returning id, eml, tries
            """, affectData = true)
    Optional<EmlRow> takeNext(double holdSeconds);

    @Update("update letter set state = 'sent', failure = null where id = #{id}")
    void sent(long id);

    @Update("""
            update letter set failure = #{why}, state = #{state}, try_after = now() + make_interval(secs => #{waitSeconds})
            where id = #{id}
            """)
    void failed(
            @Param("id") long id,
            @Param("why") String why,
            @Param("state") State state,
            @Param("waitSeconds") double waitSeconds);

    @Delete("delete from letter where made_at < now() - make_interval(days => #{days})")
    void dropOlder(int days);

    /** Letters to somebody, and those to others in which their name stands. */
    @Delete("""
            delete from letter l using person p
            where p.id = #{personId} and (l.person_id = p.id or strpos(l.body, p.name) > 0)
            """)
    void forget(long personId);
}
