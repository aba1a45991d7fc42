package org.diligentbough.server.answers;

import java.time.LocalDate;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** The table of what crops were reckoned to before they were picked. */
@Mapper
interface CropMapper {
    /** Fruits counted on a tree, and what they were reckoned to come to, kg. */
    record CropRow(Long treeId, Integer year, Integer counted, Double kilos, LocalDate countedOn, String countedBy) {}

    String ROWS = """
            select c.tree_id, c.year, c.counted, c.kilos, c.counted_on, p.name as counted_by
            from crop_reckoned c join person p on p.id = c.counted_by
            """;

    @Select(ROWS + " where c.tree_id = #{treeId} order by c.year")
    List<CropRow> ofTree(long treeId);

    @Select(ROWS + " join tree t on t.id = c.tree_id where t.site_id = #{siteId} order by t.tag, c.year")
    List<CropRow> ofSite(long siteId);

    @Insert("""
            insert into crop_reckoned (tree_id, year, counted, kilos, counted_on, counted_by)
            values (#{treeId}, #{year}, #{counted}, #{kilos,jdbcType=DOUBLE}, #{on}, #{who})
            on conflict (tree_id, year) do update set counted = excluded.counted, kilos = excluded.kilos,
                counted_on = excluded.counted_on, counted_by = excluded.counted_by
            """)
    void keep(long treeId, int year, int counted, Double kilos, LocalDate on, long who);

    @Delete("delete from crop_reckoned where tree_id = #{treeId} and year = #{year}")
    int drop(long treeId, int year);
}
