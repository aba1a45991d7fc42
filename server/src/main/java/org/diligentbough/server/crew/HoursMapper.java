package org.diligentbough.server.crew;

import java.time.LocalDate;
import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** What people worked, from logs, tasks that were ticked, and when they came and went. */
@Mapper
interface HoursMapper {
    /**
     * Somebody's date, minutes each.
     *
     * @param cutting their share of what was logged
     * @param tasks their share of tasks they ticked off, as planned
     * @param there between coming and going; 0 where nobody signed them in and out
     */
    record WorkedDay(Long personId, String name, LocalDate onDay, Double cutting, Double tasks, Double there) {}

    @Select("""
            with logged as (
                select p.person_id, l.on_date as on_day,
                       sum(l.minutes::double precision
                           / (select count(*) from visit_log_person o where o.visit_log_id = l.id)) as minutes
                from visit_log_person p join visit_log l on l.id = p.visit_log_id join tree_visit v on v.id = l.tree_visit_id
                     join tree t on t.id = v.tree_id
                where t.site_id = #{siteId} and l.on_date >= #{since} and not exists (select from visit_log c where c.corrects = l.id)
                group by p.person_id, l.on_date),
            ticked as (
                select done_by as person_id, done_on as on_day, sum(minutes::double precision / people) as minutes
                from task where site_id = #{siteId} and done_on >= #{since} group by done_by, done_on),
            there as (
                select a.person_id, d.on_date as on_day, sum(extract(epoch from a.went_at - a.came_at) / 60)::double precision as minutes
                from day_attendance a join work_day d on d.id = a.work_day_id
                where d.site_id = #{siteId} and d.on_date >= #{since} and a.went_at is not null
                group by a.person_id, d.on_date),
            dates as (
                select person_id, on_day from logged union select person_id, on_day from ticked
                union select person_id, on_day from there)
            select d.person_id, p.name, d.on_day, coalesce(l.minutes, 0) as cutting, coalesce(k.minutes, 0) as tasks,
                   coalesce(t.minutes, 0) as there
            from dates d join person p on p.id = d.person_id
                 left join logged l on l.person_id = d.person_id and l.on_day = d.on_day
                 left join ticked k on k.person_id = d.person_id and k.on_day = d.on_day
                 left join there t on t.person_id = d.person_id and t.on_day = d.on_day
            order by p.name, d.person_id, d.on_day
            """)
    List<WorkedDay> since(@Param("siteId") long siteId, @Param("since") LocalDate since);
}
