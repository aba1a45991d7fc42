package org.diligentbough.server.task;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.diligentbough.core.task.TaskKind;
import org.diligentbough.server.visit.LoggedCut;
import org.diligentbough.server.visit.VisitCut;

/** The table of tasks. */
@Mapper
public interface TaskMapper {
    /** Where a task comes from. */
    enum Source {
        CARE,
        WORK,
        WOUND,
        HAND
    }

    String COLUMNS = """
            k.id, k.version, k.site_id, k.tree_id, t.tag, coalesce(t.east_m, 0) as east_m, coalesce(t.north_m, 0) as north_m, k.limb,
            k.species, k.kind, k.title, k.opens, k.closes, k.minutes, k.people, k.kit, k.source, k.source_key, k.repeats_months,
            k.substance, k.label_rate, k.interval_days, k.harvest_days, k.note, k.work_day_id, d.on_date as day_on, k.place, k.crew,
            to_char(k.starts, 'HH24:MI') as starts, to_char(k.ends, 'HH24:MI') as ends, k.done_on, p.name as done_by, k.done_note
            """;
    String FROM = " from task k left join tree t on t.id = k.tree_id left join work_day d on d.id = k.work_day_id"
            + " left join person p on p.id = k.done_by ";

    /** A row of the table. */
    record TaskRow(
            Long id,
            Integer version,
            Long siteId,
            Long treeId,
            String tag,
            Double eastM,
            Double northM,
            String limb,
            String species,
            TaskKind kind,
            String title,
            LocalDate opens,
            LocalDate closes,
            Integer minutes,
            Integer people,
            List<String> kit,
            Source source,
            String sourceKey,
            Integer repeatsMonths,
            String substance,
            String labelRate,
            Integer intervalDays,
            Integer harvestDays,
            String note,
            Long workDayId,
            LocalDate dayOn,
            Integer place,
            Integer crew,
            String starts,
            String ends,
            LocalDate doneOn,
            String doneBy,
            String doneNote) {}

    /** What is stored of a new one. */
    record NewTask(
            long siteId,
            Long treeId,
            String limb,
            String species,
            TaskKind kind,
            String title,
            LocalDate opens,
            LocalDate closes,
            int minutes,
            int people,
            List<String> kit,
            Source source,
            String sourceKey,
            Integer repeatsMonths,
            String substance,
            String labelRate,
            Integer intervalDays,
            Integer harvestDays,
            String note) {}

    @Select("select " + COLUMNS + FROM + "where k.id = #{id}")
    Optional<TaskRow> find(long id);

    /** Open ones, and those done since a day. */
    @Select("select " + COLUMNS + FROM + """
            where k.site_id = #{siteId} and (k.done_on is null or k.done_on >= #{since}) order by k.closes, k.opens, k.id
            """)
    List<TaskRow> ofSite(@Param("siteId") long siteId, @Param("since") LocalDate since);

    /** Keys of those taken up, each with the tree it is about where there is one. */
    @Select("""
            select source_key || case when tree_id is null then '' else '@' || tree_id end from task
            where site_id = #{siteId} and source_key is not null
            """)
    List<String> takenUp(long siteId);

    @Select("select " + COLUMNS + FROM + "where k.work_day_id = #{dayId} order by k.place, k.id")
    List<TaskRow> ofDay(long dayId);

    @Select(
            "select " + COLUMNS + FROM
                    + "where k.site_id = #{siteId} and k.source_key || case when k.tree_id is null then '' else '@' || k.tree_id end = #{key}")
    Optional<TaskRow> byKey(@Param("siteId") long siteId, @Param("key") String key);

    @Select(value = """
            insert into task (site_id, tree_id, limb, species, kind, title, opens, closes, minutes, people, kit, source, source_key,
                              repeats_months, substance, label_rate, interval_days, harvest_days, note, made_by)
            values (#{t.siteId}, #{t.treeId}, #{t.limb}, #{t.species}, #{t.kind}, #{t.title}, #{t.opens}, #{t.closes}, #{t.minutes},
                    #{t.people}, #{t.kit,typeHandler=array}, #{t.source}, #{t.sourceKey}, #{t.repeatsMonths}, #{t.substance},
                    #{t.labelRate}, #{t.intervalDays}, #{t.harvestDays}, #{t.note}, #{by})
            returning id
            """, affectData = true)
    long add(@Param("t") NewTask task, @Param("by") Long by);

    /** One that stands as it was added and nothing was done about it. */
    @Select("""
            select id from task
            where site_id = #{siteId} and tree_id is not distinct from #{treeId,jdbcType=BIGINT}
                and limb is not distinct from #{limb,jdbcType=VARCHAR} and kind = #{kind} and title = #{title} and opens = #{opens}
                and source_key is null and done_on is null and work_day_id is null and version = 1
            order by id desc limit 1
            """)
    Optional<Long> untouched(NewTask like);

    @Update("""
            update task set version = version + 1, tree_id = #{t.treeId}, limb = #{t.limb}, species = #{t.species}, kind = #{t.kind},
                title = #{t.title}, opens = #{t.opens}, closes = #{t.closes}, minutes = #{t.minutes}, people = #{t.people},
                kit = #{t.kit,typeHandler=array}, repeats_months = #{t.repeatsMonths}, substance = #{t.substance},
                label_rate = #{t.labelRate}, interval_days = #{t.intervalDays}, harvest_days = #{t.harvestDays}, note = #{t.note}
            where id = #{id} and version = #{version}
            """)
    int change(@Param("id") long id, @Param("version") int version, @Param("t") NewTask task);

    /** Puts it on a day, or off every day with null; the clock it had is gone. */
    @Update("""
            update task set version = version + 1, work_day_id = #{dayId,jdbcType=BIGINT}, crew = null, starts = null, ends = null,
                place = 0
            where id = #{id}
            """)
    void onDay(@Param("id") long id, @Param("dayId") Long dayId);

    @Update("""
            update task set version = version + 1, done_on = #{on}, done_by = #{by}, done_note = #{note} where id = #{id}
            """)
    void done(@Param("id") long id, @Param("on") LocalDate on, @Param("by") Long by, @Param("note") String note);

    @Delete("delete from task where id = #{id}")
    void drop(long id);

    /** What is not done goes off a day that does not take place. */
    @Update("""
            update task set work_day_id = null, crew = null, starts = null, ends = null, version = version + 1
            where work_day_id = #{dayId} and done_on is null
            """)
    void offDay(long dayId);

    @Update("update task set crew = null, starts = null, ends = null where work_day_id = #{dayId} and done_on is null")
    void stopClock(long dayId);

    @Update("""
            update task set crew = #{crew}, starts = #{starts}::time, ends = #{ends}::time, place = #{place} where id = #{id}
            """)
    void clock(
            @Param("id") long id,
            @Param("crew") int crew,
            @Param("starts") String starts,
            @Param("ends") String ends,
            @Param("place") int place);

    /** A tree's work as it was logged, with what was planned. */
    record WorkRow(
            Long logId,
            Long treeId,
            String tag,
            String species,
            LocalDate onDay,
            List<LoggedCut> cuts,
            List<VisitCut> planned) {}

    @Select("""
            select l.id as log_id, t.id as tree_id, t.tag, t.species, l.on_date as on_day, l.cuts, v.cuts as planned
            from visit_log l join tree_visit v on v.id = l.tree_visit_id join tree t on t.id = v.tree_id
            where t.site_id = #{siteId} and l.on_date >= #{since} and not exists (select from tree_removal r where r.tree_id = t.id)
              and not exists (select from visit_log c where c.corrects = l.id)
            """)
    List<WorkRow> work(@Param("siteId") long siteId, @Param("since") LocalDate since);

    /** Yearly work that a tree's plan has besides cuts, with its window. */
    record PlannedRow(
            Long treeId,
            String tag,
            String species,
            LocalDate opens,
            LocalDate closes,
            String code,
            String text,
            Integer minutes) {}

    @Select("""
            select t.id as tree_id, t.tag, t.species, w.opens, w.closes, task ->> 'code' as code, task ->> 'text' as text,
                   (task ->> 'minutes')::integer as minutes
            from lane_work w join tree t on t.id = w.tree_id, jsonb_array_elements(w.work -> 'tasks') task
            where t.site_id = #{siteId} and w.closes >= #{from} and w.opens <= #{until} and not exists (select from tree_removal r where r.tree_id = t.id)
            order by w.closes, t.tag
            """)
    List<PlannedRow> planned(
            @Param("siteId") long siteId, @Param("from") LocalDate from, @Param("until") LocalDate until);
}
