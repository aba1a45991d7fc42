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
    /** A number changed; of a kind alone, or without one of all. */
    record FigureRow(
            String figure, String kind, Double value, String note, String changedBy, Instant changedAt, Long version) {}

    @Select("""
            select f.figure, f.kind, f.value, f.note, p.name as changed_by, f.changed_at, f.version
            from site_figure f join person p on p.id = f.changed_by where f.site_id = #{siteId}
            order by f.figure, f.kind nulls first
            """)
    List<FigureRow> ofSite(long siteId);

    /** What a number was changed to; null where the shipped one was put back. */
    record CourseRow(Instant at, Double value) {}

    @Select("""
            select at, (after_json -> 'changed' ->> 'value')::double precision as value from history
            where site_id = #{siteId} and entity = 'figure' and after_json ->> 'figure' = #{figure} order by id
            """)
    List<CourseRow> course(@Param("siteId") long siteId, @Param("figure") String figure);

    /** Returns how many rows were kept: 1, or 0 when somebody was quicker; version 0 for the shipped number. */
    @Insert("""
            insert into site_figure as f (site_id, figure, kind, value, note, changed_by)
            select #{siteId}, #{of.figure}, #{of.kind,jdbcType=VARCHAR}, #{value}, #{note}, #{person}
            where #{version} = 0 or exists (
                select from site_figure where site_id = #{siteId} and figure = #{of.figure}
                    and kind is not distinct from #{of.kind,jdbcType=VARCHAR})
            on conflict (site_id, figure, kind) do update
                set value = excluded.value, note = excluded.note, changed_by = excluded.changed_by, changed_at = now(),
                    version = nextval('edit_version')
                where f.version = #{version}
            """)
    int keep(
            @Param("siteId") long siteId,
            @Param("of") Of of,
            @Param("version") long version,
            @Param("value") double value,
            @Param("note") String note,
            @Param("person") long person);

    @Delete("""
            delete from site_figure where site_id = #{siteId} and figure = #{of.figure}
                and kind is not distinct from #{of.kind,jdbcType=VARCHAR} and version = #{version}
            """)
    int putBack(@Param("siteId") long siteId, @Param("of") Of of, @Param("version") long version);

    /** Which number: of a kind alone, or with null of all. */
    record Of(String figure, String kind) {}
}
