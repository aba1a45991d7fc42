package org.diligentbough.server.fruit;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.diligentbough.server.fruit.FruitService.FruitData;

/** The fruit table. */
@Mapper
interface FruitMapper {
    /** A row of the fruit table. */
    record FruitRow(
            Long treeId,
            Integer year,
            Integer version,
            Integer bloom,
            Integer number,
            Double kilos,
            String note,
            String byName) {
        FruitData data() {
            return new FruitData(bloom, number, kilos, note);
        }
    }

    String ROWS = """
            select f.tree_id, f.year, f.version, f.bloom, f.number, f.kilos, f.note, p.name as by_name
            from fruit_year f join person p on p.id = f.by_person
            """;

    @Select(ROWS + " join tree t on t.id = f.tree_id where t.site_id = #{siteId} order by f.year")
    List<FruitRow> ofSite(long siteId);

    @Select(ROWS + " where f.tree_id = #{treeId} order by f.year")
    List<FruitRow> ofTree(long treeId);

    @Delete("delete from fruit_year where tree_id = #{treeId} and year = #{year} and version = #{version}")
    int drop(@Param("treeId") long treeId, @Param("year") int year, @Param("version") int version);

    @Select(ROWS + " where f.tree_id = #{treeId} and f.year = #{year}")
    Optional<FruitRow> find(@Param("treeId") long treeId, @Param("year") int year);

    /** The first day on which anything was logged of a tree. */
    @Select(
            "select min(l.on_date) from visit_log l join tree_visit v on v.id = l.tree_visit_id where v.tree_id = #{treeId}")
    Optional<LocalDate> firstCut(long treeId);

    /** Returns how many rows were kept: 1, or 0 when somebody was quicker. */
    @Insert("""
            insert into fruit_year as f (tree_id, year, bloom, number, kilos, note, by_person)
            values (#{treeId}, #{year}, #{d.bloom}, #{d.number}, #{d.kilos}, nullif(btrim(#{d.note}), ''), #{who})
            on conflict (tree_id, year) do update set bloom = excluded.bloom, number = excluded.number,
                kilos = excluded.kilos, note = excluded.note, by_person = excluded.by_person, version = f.version + 1
                where f.version = #{version}
            """)
    int keep(
            @Param("treeId") long treeId,
            @Param("year") int year,
            @Param("version") int version,
            @Param("d") FruitData data,
            @Param("who") long who);
}
