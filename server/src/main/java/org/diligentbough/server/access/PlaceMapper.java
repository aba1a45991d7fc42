package org.diligentbough.server.access;

import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Where a thing is and who entered it; empty when there is no such thing. */
@Mapper
interface PlaceMapper {
    /**
     * Where something is.
     *
     * @param siteId null when it is of no site
     * @param treeId null when it is of no tree
     * @param by who entered it; null when the program did, or where nobody is asked
     * @param enteredToday whether that was today, where it is
     * @param dayId the work day it is of, or null
     * @param visitId the visit it is of, or null
     */
    record Place(Long siteId, Long treeId, Long by, Boolean enteredToday, Long dayId, Long visitId) {}

    String OF_NO_DAY = ", false as entered_today, null::bigint as day_id, null::bigint as visit_id ";
    String NOTHING_ELSE = ", null::bigint as by" + OF_NO_DAY;
    String OF_NO_TREE = ", null::bigint as tree_id";

    @Select("select id as site_id" + OF_NO_TREE + NOTHING_ELSE + "from site where id = #{id}")
    Optional<Place> site(long id);

    @Select("select site_id, id as tree_id" + NOTHING_ELSE + "from tree where id = #{id}")
    Optional<Place> tree(long id);

    @Select("""
            select site_id, null::bigint as tree_id, null::bigint as by, false as entered_today, id as day_id, null::bigint as visit_id
            from work_day where id = #{id}
            """)
    Optional<Place> day(long id);

    @Select("""
            select t.site_id, t.id as tree_id, null::bigint as by, false as entered_today, v.work_day_id as day_id, v.id as visit_id
            from tree_visit v join tree t on t.id = v.tree_id where v.id = #{id}
            """)
    Optional<Place> visit(long id);

    @Select("""
            select t.site_id, t.id as tree_id, l.logged_by as by,
                   (l.logged_at at time zone s.time_zone)::date = (now() at time zone s.time_zone)::date as entered_today,
                   v.work_day_id as day_id, v.id as visit_id
            from visit_log l join tree_visit v on v.id = l.tree_visit_id join tree t on t.id = v.tree_id
            join site s on s.id = t.site_id where l.id = #{id}
            """)
    Optional<Place> log(long id);

    @Select("select t.site_id, t.id as tree_id, r.seen_by as by" + OF_NO_DAY
            + "from report r join tree t on t.id = r.tree_id where r.id = #{id}")
    Optional<Place> report(long id);

    @Select("""
            select t.site_id, t.id as tree_id, v.surveyed_by as by,
                   (v.saved_at at time zone s.time_zone)::date = (now() at time zone s.time_zone)::date as entered_today,
                   null::bigint as day_id, null::bigint as visit_id
            from survey v join tree t on t.id = v.tree_id join site s on s.id = t.site_id where v.id = #{id}
            """)
    Optional<Place> survey(long id);

    @Select("select t.site_id, t.id as tree_id, p.added_by as by" + OF_NO_DAY
            + "from photo p join tree t on t.id = p.tree_id where p.key = #{key}::uuid")
    Optional<Place> photo(String key);

    @Select("select site_id" + OF_NO_TREE + ", started_by as by" + OF_NO_DAY + "from job where id = #{id}")
    Optional<Place> job(long id);

    @Select("select site_id" + OF_NO_TREE + ", seen_by as by" + OF_NO_DAY + "from stage_sighting where id = #{id}")
    Optional<Place> sighting(long id);

    @Select("select site_id" + OF_NO_TREE + NOTHING_ELSE + "from letter where id = #{id}")
    Optional<Place> letter(long id);

    @Select("""
            select site_id, tree_id, made_by as by, false as entered_today, work_day_id as day_id, null::bigint as visit_id
            from task where id = #{id}
            """)
    Optional<Place> task(long id);

    @Select("select site_id" + OF_NO_TREE + ", done_by as by" + OF_NO_DAY + "from care_done where id = #{id}")
    Optional<Place> care(long id);

    @Select("select site_id, tree_id, person_id as by" + OF_NO_DAY + "from history where id = #{id}")
    Optional<Place> change(long id);

    /** Of a change to a person: whom it is about. */
    @Select("select entity_id from history where id = #{id} and entity = 'person'")
    Optional<Long> changedPerson(long id);

    @Select("select t.site_id, t.id as tree_id, f.by_person as by" + OF_NO_DAY
            + "from fruit_year f join tree t on t.id = f.tree_id where t.id = #{treeId} and f.year = #{year}")
    Optional<Place> fruit(@Param("treeId") long treeId, @Param("year") int year);

    @Select("select t.site_id, t.id as tree_id, w.made_by as by" + OF_NO_DAY
            + "from what_if w join tree t on t.id = w.tree_id where w.id = #{id}")
    Optional<Place> whatIf(long id);

    @Select("select site_id" + OF_NO_TREE + ", made_by as by" + OF_NO_DAY
            + "from invitation where id = #{id} and site_id is not null")
    Optional<Place> invitation(long id);

    @Select("select exists (select from person where id = #{id})")
    boolean person(long id);

    @Select("select exists (select from work_day_person where work_day_id = #{dayId} and person_id = #{personId})")
    boolean onDay(@Param("personId") long personId, @Param("dayId") long dayId);

    @Select("select exists (select from work_day_person where work_day_id = #{dayId})")
    boolean anybodyOnDay(long dayId);

    @Select(
            "select exists (select from tree_visit_person where tree_visit_id = #{visitId} and person_id = #{personId})")
    boolean onVisit(@Param("personId") long personId, @Param("visitId") long visitId);
}
