package org.diligentbough.server.programme;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.diligentbough.core.season.Season;

/** The hours of a site, and what was set of its programme by hand. */
@Mapper
public interface ProgrammeMapper {
    /** Hours in a season; year 0 stands for every year that has none of its own. */
    record HoursRow(Integer year, Season season, Double hours) {}

    @Select("select year, season, hours from season_hours where site_id = #{siteId} order by year, season")
    List<HoursRow> hours(long siteId);

    @Delete("delete from season_hours where site_id = #{siteId}")
    int clearHours(long siteId);

    @Insert("insert into season_hours (site_id, year, season, hours) values (#{siteId}, #{year}, #{season}, #{hours})")
    int addHours(
            @Param("siteId") long siteId,
            @Param("year") int year,
            @Param("season") Season season,
            @Param("hours") double hours);

    /** A tree of the programme. */
    record TreeRow(
            Long id,
            String tag,
            String species,
            String groupName,
            Boolean begun,
            Integer setTo,
            Long setVersion,
            Double inLight,
            Double inLightAfter) {}

    @Select("""
            select t.id, t.tag, t.species, t.group_name, k.year as set_to, k.version as set_version, l.in_light, l.in_light_after,
                   exists (select from visit_log g join tree_visit v on v.id = g.tree_visit_id
                           where v.tree_id = t.id and g.on_date >= #{since}) as begun
            from tree t left join programme_lock k on k.tree_id = t.id left join tree_judgement l on l.tree_id = t.id
            where t.site_id = #{siteId} and not exists (select from tree_removal r where r.tree_id = t.id)
              and exists (select from survey s where s.tree_id = t.id)
            order by length(t.tag), t.tag, t.id
            """)
    List<TreeRow> trees(@Param("siteId") long siteId, @Param("since") LocalDate since);

    /** The year a tree's work was set to begin in. */
    record SetRow(Long treeId, Integer year) {}

    @Select("""
            select k.tree_id, k.year from programme_lock k join tree t on t.id = k.tree_id where t.site_id = #{siteId}
            """)
    List<SetRow> allSet(long siteId);

    @Select("select year from programme_lock where tree_id = #{treeId}")
    Integer setTo(long treeId);

    @Select("select version from programme_lock where tree_id = #{treeId}")
    Optional<Long> setVersion(long treeId);

    /** Returns how many rows were kept: 1, or 0 when somebody was quicker; version 0 for a tree that was not set. */
    @Insert("""
            insert into programme_lock as k (tree_id, year)
            select #{treeId}, #{year}
            where #{version} = 0 or exists (select from programme_lock where tree_id = #{treeId})
            on conflict (tree_id) do update set year = excluded.year, version = nextval('edit_version')
                where k.version = #{version}
            """)
    int set(@Param("treeId") long treeId, @Param("version") long version, @Param("year") int year);

    @Delete("delete from programme_lock where tree_id = #{treeId} and version = #{version}")
    int free(@Param("treeId") long treeId, @Param("version") long version);

    /** Work on trees of one kind on a day, person-minutes. */
    record WorkedRow(String species, String form, LocalDate onDate, Double minutes) {}

    /** What people worked at a site since a day. */
    @Select("""
            select t.species, coalesce(t.form_wanted, t.form) as form, g.on_date,
                   sum(g.minutes) as minutes
            from visit_log g join tree_visit v on v.id = g.tree_visit_id join tree t on t.id = v.tree_id
            where t.site_id = #{siteId} and g.on_date >= #{since}
              and not exists (select from visit_log c where c.corrects = g.id)
            group by t.species, coalesce(t.form_wanted, t.form), g.on_date
            """)
    List<WorkedRow> worked(@Param("siteId") long siteId, @Param("since") LocalDate since);
}
