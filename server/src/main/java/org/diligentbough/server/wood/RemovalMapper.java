package org.diligentbough.server.wood;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.diligentbough.server.wood.RemovalService.RemovalData;

/** The removal table. */
@Mapper
interface RemovalMapper {
    /** A row of the removal table. */
    record RemovalRow(
            Long treeId,
            Integer version,
            String tag,
            String species,
            String cultivar,
            Integer plantedYear,
            LocalDate onDay,
            String grounds,
            String permission,
            String removedBy,
            String replacement,
            String note,
            String recordedBy) {}

    String ROWS = """
            select r.tree_id, r.version, t.tag, t.species, t.cultivar, t.planted_year, r.on_date as on_day, r.grounds,
                   r.permission, r.removed_by, r.replacement, r.note, p.name as recorded_by
            from tree_removal r join tree t on t.id = r.tree_id join person p on p.id = r.recorded_by
            """;

    @Select(ROWS + " where r.tree_id = #{treeId}")
    Optional<RemovalRow> find(long treeId);

    @Select(ROWS + " where t.site_id = #{siteId} order by r.on_date desc, t.tag")
    List<RemovalRow> ofSite(long siteId);

    /** Returns how many rows were kept: 1, or 0 when somebody was quicker. */
    @Insert("""
            insert into tree_removal as r (tree_id, on_date, grounds, permission, removed_by, replacement, note, recorded_by)
            values (#{treeId}, #{d.on}, #{d.grounds}, btrim(#{d.permission}), btrim(#{d.removedBy}),
                    nullif(btrim(#{d.replacement}), ''), nullif(btrim(#{d.note}), ''), #{who})
            on conflict (tree_id) do update set on_date = excluded.on_date, grounds = excluded.grounds,
                permission = excluded.permission, removed_by = excluded.removed_by, replacement = excluded.replacement,
                note = excluded.note, recorded_by = excluded.recorded_by, version = r.version + 1
                where r.version = #{version}
            """)
    int keep(
            @Param("treeId") long treeId,
            @Param("version") int version,
            @Param("d") RemovalData data,
            @Param("who") long who);

    @Delete("delete from tree_removal where tree_id = #{treeId} and version = #{version}")
    int drop(@Param("treeId") long treeId, @Param("version") int version);

    @Delete("delete from tree_visit where tree_id = #{treeId} and not logged")
    int dropOpenVisits(long treeId);
}
