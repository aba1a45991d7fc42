package org.diligentbough.server.crew;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** The register of what went wrong, or nearly. */
@Mapper
interface IncidentMapper {
    record IncidentRow(
            Long id,
            Long workDayId,
            Long treeId,
            String tag,
            LocalDate onDate,
            Boolean nearMiss,
            String what,
            String who,
            String hurt,
            String done,
            String follows,
            String enteredBy,
            Instant enteredAt) {}

    @Select("""
            select i.id, i.work_day_id, i.tree_id, t.tag, i.on_date, i.near_miss, i.what, i.who, i.hurt, i.done, i.follows,
                   p.name as entered_by, i.entered_at
            from incident i left join tree t on t.id = i.tree_id left join person p on p.id = i.entered_by
            where i.site_id = #{siteId} order by i.on_date desc, i.id desc
            """)
    List<IncidentRow> ofSite(long siteId);

    @Select(value = """
            insert into incident (site_id, work_day_id, tree_id, on_date, near_miss, what, who, hurt, done, follows, entered_by)
            values (#{siteId}, #{i.dayId}, #{i.treeId}, #{i.on}, #{i.nearMiss}, #{i.what}, #{i.who}, #{i.hurt}, #{i.done}, #{i.follows},
                    #{by})
            returning id
            """, affectData = true)
    long add(@Param("siteId") long siteId, @Param("i") IncidentService.IncidentData incident, @Param("by") long by);
}
