package org.diligentbough.server.visit;

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
import org.diligentbough.core.crew.Kit;

/** The tables of tree-visits and of what was logged of them. */
@Mapper
public interface VisitMapper {
    String VISIT = """
            v.id, v.tree_id, v.work_day_id, v.place, v.cuts, v.shoots, v.shoots_minutes, v.shoots_share, v.upkeep_minutes, v.tasks,
            v.kit, v.sick, v.logged,
            array(select person_id from tree_visit_person where tree_visit_id = v.id order by person_id) as people,
            v.crew, to_char(v.starts, 'HH24:MI') as starts, to_char(v.ends, 'HH24:MI') as ends
            """;
    String LOG = """
            l.id, l.tree_visit_id as visit_id, v.tree_id, l.corrects, l.on_date as on_day, l.minutes, l.prunings, l.pile_kilos,
            l.shoots,
            l.note, l.cuts, p.name as logged_by, l.logged_at,
            (select string_agg(o.name, ', ' order by o.name) from visit_log_person lp join person o on o.id = lp.person_id
             where lp.visit_log_id = l.id) as people,
            array(select person_id from visit_log_person where visit_log_id = l.id order by person_id) as people_ids,
            exists (select from visit_log c where c.corrects = l.id) as corrected
            """;
    String LOGS = " from visit_log l join tree_visit v on v.id = l.tree_visit_id join person p on p.id = l.logged_by ";

    /** A row of the tree-visit table; {@code people} are numbers of persons. */
    record VisitRow(
            Long id,
            Long treeId,
            Long workDayId,
            Integer place,
            List<VisitCut> cuts,
            Integer shoots,
            Integer shootsMinutes,
            Double shootsShare,
            Integer upkeepMinutes,
            List<VisitTask> tasks,
            List<Kit> kit,
            Boolean sick,
            Boolean logged,
            List<Long> people,
            Integer crew,
            String starts,
            String ends) {

        /** Person-minutes it was planned to take: its cuts, counted shoots, work of the kind and ordinary cutting. */
        public int minutes() {
            return cuts.stream().mapToInt(VisitCut::minutes).sum()
                    + shootsMinutes
                    + upkeepMinutes
                    + tasks.stream().mapToInt(VisitTask::minutes).sum();
        }
    }

    /** What is stored of a new visit. */
    record NewVisit(
            long treeId,
            Long workDayId,
            List<VisitCut> cuts,
            int shoots,
            int shootsMinutes,
            double shootsShare,
            int upkeepMinutes,
            List<VisitTask> tasks,
            List<Kit> kit,
            boolean sick) {}

    /** A row of the log table. */
    record LogRow(
            Long id,
            Long visitId,
            Long treeId,
            Long corrects,
            LocalDate onDay,
            Integer minutes,
            String prunings,
            Double pileKilos,
            Integer shoots,
            String note,
            List<LoggedCut> cuts,
            String loggedBy,
            Instant loggedAt,
            String people,
            List<Long> peopleIds,
            Boolean corrected) {}

    /** What is stored of a log. */
    record NewLog(
            long visitId,
            String key,
            Long corrects,
            LocalDate on,
            int minutes,
            String prunings,
            Double pileKilos,
            int shoots,
            String note,
            List<LoggedCut> cuts,
            long loggedBy) {}

    @Select("select " + VISIT + " from tree_visit v where v.id = #{id}")
    Optional<VisitRow> visit(long id);

    /** Has whoever else logs the visit wait until this transaction ends. */
    @Select("select id from tree_visit where id = #{id} for no key update")
    Optional<Long> take(long id);

    /** Those of a day, sick trees last. */
    @Select("select " + VISIT + " from tree_visit v where v.work_day_id = #{dayId} order by v.sick, v.place, v.id")
    List<VisitRow> ofDay(long dayId);

    @Select("select " + VISIT + " from tree_visit v where v.tree_id = #{treeId} order by v.id")
    List<VisitRow> ofTree(long treeId);

    /** Those of a site's trees that wait on a work day for their log. */
    @Select("select " + VISIT + " from tree_visit v join tree t on t.id = v.tree_id where t.site_id = #{siteId}"
            + " and v.work_day_id is not null and not v.logged")
    List<VisitRow> waitingOnDays(long siteId);

    /** Those of every tree of a site; of a day sick trees last. */
    @Select("select " + VISIT + " from tree_visit v join tree t on t.id = v.tree_id where t.site_id = #{siteId}"
            + " order by v.sick, v.place, v.id")
    List<VisitRow> ofSite(long siteId);

    @Select(value = """
                    insert into tree_visit (tree_id, work_day_id, place, cuts, shoots, shoots_minutes, shoots_share, upkeep_minutes, tasks, kit, sick)
                    values (#{treeId}, #{workDayId},
                            (select coalesce(max(place), 0) + 1 from tree_visit where work_day_id = #{workDayId}),
                            #{cuts,typeHandler=json}, #{shoots}, #{shootsMinutes}, #{shootsShare}, #{upkeepMinutes},
                            #{tasks,typeHandler=json}, #{kit,typeHandler=array}, #{sick})
                    returning id
                    """, affectData = true)
    long add(NewVisit visit);

    @Delete("delete from tree_visit where id = #{id} and not logged")
    int drop(long id);

    @Update("update tree_visit set work_day_id = #{dayId} where id = #{id}")
    int move(@Param("id") long id, @Param("dayId") long dayId);

    /** In which crew and when by the clock it has its turn, behind the place before it. */
    @Update("""
            update tree_visit set crew = #{crew}, starts = #{starts}::time, ends = #{ends}::time, place = #{place} where id = #{id}
            """)
    void clock(
            @Param("id") long id,
            @Param("crew") int crew,
            @Param("starts") String starts,
            @Param("ends") String ends,
            @Param("place") int place);

    /** Whoever changes a day by hand stops its clock. */
    @Update(
            "update tree_visit set crew = null, starts = null, ends = null where work_day_id = #{dayId} and crew is not null and not logged")
    void stopClock(long dayId);

    @Update("update tree_visit set place = #{place} where id = #{id}")
    int place(@Param("id") long id, @Param("place") int place);

    @Update("update tree_visit set logged = true where id = #{id}")
    int markLogged(long id);

    @Delete("delete from tree_visit_person where tree_visit_id = #{id}")
    int clearPeople(long id);

    @Insert(
            "insert into tree_visit_person (tree_visit_id, person_id) values (#{id}, #{personId}) on conflict do nothing")
    int addPerson(@Param("id") long id, @Param("personId") long personId);

    @Select("select " + LOG + LOGS + " where l.id = #{id}")
    Optional<LogRow> log(long id);

    @Select("select " + LOG + LOGS + " where l.sent_key = #{key}::uuid")
    Optional<LogRow> logSentAs(String key);

    /** Every log of a tree, those corrected since included, oldest first. */
    @Select("select " + LOG + LOGS + " where v.tree_id = #{treeId} order by l.on_date, l.id")
    List<LogRow> logsOf(long treeId);

    /** The same of every tree of a site. */
    @Select("select " + LOG + LOGS
            + " join tree t on t.id = v.tree_id where t.site_id = #{siteId} order by l.on_date, l.id")
    List<LogRow> logsAt(long siteId);

    @Select(value = """
                    insert into visit_log (tree_visit_id, sent_key, corrects, on_date, minutes, prunings, pile_kilos, shoots, note, cuts, logged_by)
                    values (#{visitId}, #{key}::uuid, #{corrects}, #{on}, #{minutes}, #{prunings}, #{pileKilos}, #{shoots}, #{note},
                            #{cuts,typeHandler=json}, #{loggedBy})
                    returning id
                    """, affectData = true)
    long addLog(NewLog log);

    @Insert("insert into visit_log_person (visit_log_id, person_id) values (#{id}, #{personId}) on conflict do nothing")
    int addLogPerson(@Param("id") long id, @Param("personId") long personId);

    /** How many of some people belong to a site. */
    @Select("select count(*) from membership where site_id = #{siteId} and person_id = any(#{ids,typeHandler=array})")
    int members(@Param("siteId") long siteId, @Param("ids") List<Long> ids);
}
