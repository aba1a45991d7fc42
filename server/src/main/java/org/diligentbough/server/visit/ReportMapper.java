package org.diligentbough.server.visit;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.diligentbough.server.visit.ReportService.ReportData;

/** The report table. */
@Mapper
interface ReportMapper {
    /** A row of the report table. */
    record ReportRow(
            Long id,
            Integer version,
            Long treeId,
            String tag,
            LocalDate onDay,
            String kind,
            Boolean dangerous,
            String note,
            String seenBy,
            LocalDate dealtOn,
            String dealtHow,
            String dealtBy) {}

    String ROWS = """
            select r.id, r.version, r.tree_id, t.tag, r.on_date as on_day, r.kind, r.dangerous, r.note, p.name as seen_by,
                   r.dealt_on, r.dealt_how, d.name as dealt_by
            from report r join tree t on t.id = r.tree_id join person p on p.id = r.seen_by
                 left join person d on d.id = r.dealt_by
            """;

    @Select(ROWS + " where r.id = #{id}")
    Optional<ReportRow> find(long id);

    @Select(ROWS + " where r.tree_id = #{treeId} order by r.on_date, r.id")
    List<ReportRow> ofTree(long treeId);

    @Select(ROWS + " where t.site_id = #{siteId} order by r.on_date, r.id")
    List<ReportRow> ofSite(long siteId);

    @Select(ROWS + """
             where t.site_id = #{siteId} and r.dealt_on is null
               and t.id not in (select tree_id from tree_removal) order by r.dangerous desc, r.on_date, r.id
            """)
    List<ReportRow> openAt(long siteId);

    @Select(value = """
                    insert into report (tree_id, on_date, kind, dangerous, note, seen_by)
                    values (#{treeId}, #{r.on}, #{r.kind}, #{r.dangerous}, nullif(btrim(#{r.note}), ''), #{who}) returning id
                    """, affectData = true)
    long add(@Param("treeId") long treeId, @Param("r") ReportData report, @Param("who") long who);

    /** Returns how many rows had the version: 1, or 0 when somebody was quicker. */
    @Update("""
            update report set dealt_on = #{on}, dealt_how = #{how}, dealt_by = #{who}, version = version + 1
            where id = #{id} and version = #{version} and dealt_on is null
            """)
    int dealt(
            @Param("id") long id,
            @Param("version") int version,
            @Param("on") LocalDate on,
            @Param("how") String how,
            @Param("who") long who);
}
