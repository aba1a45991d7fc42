package org.diligentbough.server.crew;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** The tables of who came when, and of what was answered before the first cut. */
@Mapper
interface AttendanceMapper {
    /** When somebody came and went; {@code wentAt} is null while they are there. */
    record AttendanceRow(Long id, Long personId, String name, Instant cameAt, Instant wentAt) {}

    @Select("""
            select a.id, a.person_id, p.name, a.came_at, a.went_at from day_attendance a join person p on p.id = a.person_id
            where a.work_day_id = #{dayId} order by a.came_at, a.id
            """)
    List<AttendanceRow> ofDay(long dayId);

    @Insert("""
            insert into day_attendance (work_day_id, person_id, came_at, entered_by) values (#{dayId}, #{personId}, #{at}, #{by})
            """)
    void came(
            @Param("dayId") long dayId,
            @Param("personId") long personId,
            @Param("at") Instant at,
            @Param("by") long by);

    @Update("update day_attendance set came_at = least(came_at, #{at}) where id = #{id}")
    void cameSooner(@Param("id") long id, @Param("at") Instant at);

    @Update("update day_attendance set went_at = #{at} where id = #{id}")
    void went(@Param("id") long id, @Param("at") Instant at);

    /** Has whoever else signs somebody in or out on the day wait until this transaction ends. */
    @Select("select id from work_day where id = #{dayId} for no key update")
    Optional<Long> take(long dayId);

    /** What was answered, by whom and when. */
    record FirstListRow(FirstListService.FirstListData answers, String saidBy, Instant saidAt) {}

    @Select("""
            select l.answers, p.name as said_by, l.said_at from day_first_list l left join person p on p.id = l.said_by
            where l.work_day_id = #{dayId}
            """)
    Optional<FirstListRow> firstList(long dayId);

    @Insert("""
            insert into day_first_list (work_day_id, answers, said_by) values (#{dayId}, #{answers,typeHandler=json}, #{by})
            on conflict (work_day_id) do update set answers = excluded.answers, said_by = excluded.said_by, said_at = now()
            """)
    void keepFirstList(
            @Param("dayId") long dayId, @Param("answers") FirstListService.FirstListData answers, @Param("by") long by);
}
