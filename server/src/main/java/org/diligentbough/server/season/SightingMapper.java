package org.diligentbough.server.season;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** What was seen of growth: noted by itself, or on a walk. */
@Mapper
public interface SightingMapper {
    String NOTED = """
            select g.id, g.site_id, g.species, g.tree_id, t.tag, g.bbch, g.seen_on, p.name as seen_by
            from stage_sighting g join person p on p.id = g.seen_by left join tree t on t.id = g.tree_id
            """;

    /**
     * Something seen.
     *
     * @param id of what was noted by itself; null for what a survey tells
     * @param bbch by the BBCH scale; null for a tree seen still growing
     */
    record SightingRow(
            Long id,
            Long siteId,
            String species,
            Long treeId,
            String tag,
            Integer bbch,
            LocalDate seenOn,
            String seenBy) {}

    @Select(NOTED + """
            where g.site_id = #{siteId} and (#{species} = '' or g.species = #{species})
              and g.seen_on > #{from} and g.seen_on <= #{until}
            union all
            select null, t.site_id, t.species, t.id, t.tag, s.seen_bbch, s.seen_bbch_on::date, p.name
            from survey s join tree t on t.id = s.tree_id join person p on p.id = s.surveyed_by
            where t.site_id = #{siteId} and (#{species} = '' or t.species = #{species})
              and s.seen_bbch is not null and s.seen_bbch_on::date > #{from} and s.seen_bbch_on::date <= #{until}
            union all
            select null, t.site_id, t.species, t.id, t.tag, null, s.surveyed_on, p.name
            from survey s join tree t on t.id = s.tree_id join person p on p.id = s.surveyed_by
            where t.site_id = #{siteId} and (#{species} = '' or t.species = #{species})
              and s.still_growing and s.surveyed_on > #{from} and s.surveyed_on <= #{until}
            order by seen_on desc, id desc nulls last
            """)
    List<SightingRow> seen(
            @Param("siteId") long siteId,
            @Param("species") String species,
            @Param("from") LocalDate from,
            @Param("until") LocalDate until);

    @Select(NOTED + """
            where g.id = #{id}
            """)
    Optional<SightingRow> find(long id);

    @Select(NOTED + """
            where g.site_id = #{siteId} order by g.seen_on, g.id
            """)
    List<SightingRow> noted(long siteId);

    @Select(value = """
            insert into stage_sighting (site_id, species, tree_id, bbch, seen_on, seen_by)
            values (#{siteId}, #{species}, #{treeId}, #{bbch}, #{seenOn}, #{by}) returning id
            """, affectData = true)
    long add(
            @Param("siteId") long siteId,
            @Param("species") String species,
            @Param("treeId") Long treeId,
            @Param("bbch") int bbch,
            @Param("seenOn") LocalDate seenOn,
            @Param("by") long by);

    @Delete("delete from stage_sighting where id = #{id}")
    int drop(long id);
}
