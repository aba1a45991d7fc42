package org.diligentbough.server.invite;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** The tables of who was asked to come on a day, and what they said. */
@Mapper
interface DayInvitationMapper {
    String COLUMNS = """
            i.work_day_id, i.person_id, p.name, c.mail, i.invited_at, i.answer, to_char(i.from_time, 'HH24:MI') as from_time,
            to_char(i.until_time, 'HH24:MI') as until_time, i.remark, i.answered_at, i.at_address, i.reminded_at, i.told
            """;
    String FROM = " from day_invitation i join person p on p.id = i.person_id"
            + " left join person_contact c on c.person_id = i.person_id ";

    /** What somebody says to an invitation. */
    enum Answer {
        YES,
        PERHAPS,
        NO
    }

    /** Somebody who was asked; {@code answer} and the hours are null where nothing was said. */
    record AskedRow(
            Long workDayId,
            Long personId,
            String name,
            String mail,
            Instant invitedAt,
            Answer answer,
            String fromTime,
            String untilTime,
            String remark,
            Instant answeredAt,
            String atAddress,
            Instant remindedAt,
            String told) {}

    @Select("select " + COLUMNS + FROM + "where i.work_day_id = #{dayId} order by p.name, p.id")
    List<AskedRow> ofDay(long dayId);

    @Select("select " + COLUMNS + FROM + "where i.work_day_id = #{dayId} and i.person_id = #{personId}")
    Optional<AskedRow> one(@Param("dayId") long dayId, @Param("personId") long personId);

    /** Asks somebody; whoever was asked before stays asked, with what they said. */
    @Insert("""
            insert into day_invitation (work_day_id, person_id, invited_by, at_address)
            values (#{dayId}, #{personId}, #{by,jdbcType=BIGINT}, #{at})
            on conflict (work_day_id, person_id) do update set at_address = excluded.at_address
            """)
    void ask(
            @Param("dayId") long dayId, @Param("personId") long personId, @Param("by") Long by, @Param("at") String at);

    @Insert("""
            insert into day_answer_link (secret_hash, work_day_id, person_id) values (#{hash}, #{dayId}, #{personId})
            """)
    void addLink(@Param("hash") String hash, @Param("dayId") long dayId, @Param("personId") long personId);

    @Select("select " + COLUMNS + FROM + """
            join day_answer_link l on l.work_day_id = i.work_day_id and l.person_id = i.person_id
            where l.secret_hash = #{hash}
            """)
    Optional<AskedRow> bySecret(String hash);

    @Update("""
            update day_invitation set answer = #{answer}, from_time = #{from}::time, until_time = #{until}::time,
                remark = #{remark}, answered_at = now()
            where work_day_id = #{dayId} and person_id = #{personId}
            """)
    void answer(
            @Param("dayId") long dayId,
            @Param("personId") long personId,
            @Param("answer") Answer answer,
            @Param("from") String from,
            @Param("until") String until,
            @Param("remark") String remark);

    /** What was said holds for another date no more. */
    @Update("""
            update day_invitation set answer = null, answered_at = null, from_time = null, until_time = null, reminded_at = null,
                told = null
            where work_day_id = #{dayId} and answer is distinct from 'no'
            """)
    void askAnew(long dayId);

    @Update("update day_invitation set told = #{told} where work_day_id = #{dayId} and person_id = #{personId}")
    void told(@Param("dayId") long dayId, @Param("personId") long personId, @Param("told") String told);

    /**
     * Takes those of a day who are to be reminded: once, when they did not say no and were asked before that date.
     *
     * @param before the first moment of the date on which reminders go out
     */
    @Select(value = """
            update day_invitation set reminded_at = now()
            where work_day_id = #{dayId} and reminded_at is null and answer is distinct from 'no' and invited_at < #{before}
            returning person_id
            """, affectData = true)
    List<Long> takeToRemind(@Param("dayId") long dayId, @Param("before") Instant before);

    /** Days that stand, from one date to another, on which somebody was asked. */
    @Select("""
            select d.id from work_day d where d.on_date between #{from} and #{to} and d.state in ('planned', 'confirmed')
              and exists (select from day_invitation i where i.work_day_id = d.id) order by d.id
            """)
    List<Long> daysBetween(@Param("from") LocalDate from, @Param("to") LocalDate to);

    @Delete("delete from day_invitation where person_id = #{personId}")
    void forget(long personId);
}
