package org.diligentbough.server.crew;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** The tables of work days and of who comes. */
@Mapper
public interface DayMapper {
    String COLUMNS = """
            d.id, d.version, d.site_id, d.on_date as on_day, to_char(d.starts, 'HH24:MI') as starts,
            to_char(d.ends, 'HH24:MI') as ends, d.state, d.shed, d.note,
            array(select person_id from work_day_person where work_day_id = d.id order by person_id) as people
            """;

    /** How far a day has come. */
    enum State {
        PLANNED,
        CONFIRMED,
        RAINED_OFF,
        CALLED_OFF
    }

    /** A row of the table; {@code people} are numbers of persons. */
    record DayRow(
            Long id,
            Integer version,
            Long siteId,
            LocalDate onDay,
            String starts,
            String ends,
            State state,
            Map<String, Integer> shed,
            String note,
            List<Long> people) {
        /** Whether it takes no more changes: it was rained off or called off. */
        boolean over() {
            return state == State.RAINED_OFF || state == State.CALLED_OFF;
        }
    }

    @Select("select " + COLUMNS + " from work_day d where d.id = #{id}")
    Optional<DayRow> find(long id);

    @Select("select " + COLUMNS + " from work_day d where d.site_id = #{siteId} order by d.on_date desc, d.id desc")
    List<DayRow> ofSite(long siteId);

    @Select(value = """
                    insert into work_day (site_id, on_date, starts, ends, state, shed, note)
                    values (#{siteId}, #{d.on}, #{d.starts}::time, #{d.ends}::time, 'planned', #{d.shed,typeHandler=json}, #{d.note})
                    returning id
                    """, affectData = true)
    long add(@Param("siteId") long siteId, @Param("d") DayData day);

    @Update("""
            update work_day set on_date = #{d.on}, starts = #{d.starts}::time, ends = #{d.ends}::time, shed = #{d.shed,typeHandler=json},
                note = #{d.note} where id = #{id}
            """)
    int change(@Param("id") long id, @Param("d") DayData day);

    @Update("update work_day set state = #{state} where id = #{id}")
    int state(@Param("id") long id, @Param("state") State state);

    /** Takes the day for a change; returns how many rows had the version: 1, or 0 when somebody was quicker. */
    @Update("update work_day set version = version + 1 where id = #{id} and version = #{version}")
    int take(@Param("id") long id, @Param("version") int version);

    /** Those who are not among these come no more. */
    @Delete(
            "delete from work_day_person where work_day_id = #{id} and not person_id = any(#{stay,typeHandler=array}::bigint[])")
    int keepPeople(@Param("id") long id, @Param("stay") List<Long> stay);

    @Insert("insert into work_day_person (work_day_id, person_id) values (#{id}, #{personId}) on conflict do nothing")
    int addPerson(@Param("id") long id, @Param("personId") long personId);

    @Delete("delete from work_day_person where work_day_id = #{id} and person_id = #{personId}")
    int removePerson(@Param("id") long id, @Param("personId") long personId);

    /** In which crew somebody was laid. */
    record CrewRow(Long personId, Integer crew) {}

    @Select("select person_id, crew from work_day_person where work_day_id = #{id} and crew is not null")
    List<CrewRow> crews(long id);

    @Update("update work_day_person set crew = #{crew} where work_day_id = #{id} and person_id = #{personId}")
    void crew(@Param("id") long id, @Param("personId") long personId, @Param("crew") int crew);

    @Update("update work_day_person set crew = null where work_day_id = #{id} and crew = #{crew}")
    void emptyCrew(@Param("id") long id, @Param("crew") int crew);

    @Update("update work_day_person set crew = null where work_day_id = #{id} and crew is not null")
    void noCrews(long id);

    /** What somebody who was asked said; the hours are null for the whole day. */
    record SaidRow(Long personId, String answer, String fromTime, String untilTime) {}

    @Select("""
            select person_id, answer, to_char(from_time, 'HH24:MI') as from_time, to_char(until_time, 'HH24:MI') as until_time
            from day_invitation where work_day_id = #{id} and answer is not null
            """)
    List<SaidRow> said(long id);

    /** Something noted of a day as a whole. */
    record NoteRow(Long id, String note, String saidBy, Instant saidAt) {}

    @Select("""
            select n.id, n.note, p.name as said_by, n.said_at from day_note n join person p on p.id = n.said_by
            where n.work_day_id = #{id} order by n.id
            """)
    List<NoteRow> notes(long id);

    @Select(
            value = "insert into day_note (work_day_id, said_by, note) values (#{id}, #{person}, #{note}) returning id",
            affectData = true)
    long addNote(@Param("id") long id, @Param("person") long person, @Param("note") String note);

    /** Takes somebody off every day from one on, and off its trees that are not logged. */
    @Delete("""
            with days as (select id from work_day where on_date >= #{from}),
                 trees as (delete from tree_visit_person where person_id = #{personId} and tree_visit_id in (
                               select id from tree_visit where not logged and work_day_id in (select id from days)))
            delete from work_day_person where person_id = #{personId} and work_day_id in (select id from days)
            """)
    int takeOff(@Param("personId") long personId, @Param("from") LocalDate from);

    /** Those who no longer come are on no tree of the day either. */
    @Delete("""
            delete from tree_visit_person where tree_visit_id in (select id from tree_visit where work_day_id = #{id})
              and person_id not in (select person_id from work_day_person where work_day_id = #{id})
            """)
    int dropAbsent(long id);
}
