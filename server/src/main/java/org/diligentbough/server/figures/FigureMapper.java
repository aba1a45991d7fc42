package org.diligentbough.server.figures;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** The table of numbers a site goes by instead of the shipped ones. */
@Mapper
interface FigureMapper {
    /** A number changed. */
    record FigureRow(String figure, Double value, String note, String changedBy, Instant changedAt, Long version) {}

    @Select("""
            select f.figure, f.value, f.note, p.name as changed_by, f.changed_at, f.version
            from site_figure f join person p on p.id = f.changed_by where f.site_id = #{siteId} order by f.figure
            """)
    List<FigureRow> ofSite(long siteId);

    /** Returns how many rows were kept: 1, or 0 when somebody was quicker; version 0 for the shipped number. */
    @Insert("""
            insert into site_figure as f (site_id, figure, value, note, changed_by)
            select #{siteId}, #{figure}, #{value}, #{note}, #{person}
            where #{version} = 0 or exists (select from site_figure where site_id = #{siteId} and figure = #{figure})
            on conflict (site_id, figure) do update
                set value = excluded.value, note = excluded.note, changed_by = excluded.changed_by, changed_at = now(),
                    version = nextval('edit_version')
                where f.version = #{version}
            """)
    int keep(
            @Param("siteId") long siteId,
            @Param("figure") String figure,
            @Param("version") long version,
            @Param("value") double value,
            @Param("note") String note,
            @Param("person") long person);

    @Delete("delete from site_figure where site_id = #{siteId} and figure = #{figure} and version = #{version}")
    int putBack(@Param("siteId") long siteId, @Param("figure") String figure, @Param("version") long version);
}
