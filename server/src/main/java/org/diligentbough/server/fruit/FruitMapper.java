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
            Integer fruitSet,
            Integer thinned,
            Integer number,
            Double kilos,
            Double meanFruitG,
            Integer colour,
            Double spoiltShare,
            Double reachKilos,
            Double firstKilos,
            Double keptKilos,
            Double sharedKilos,
            Double givenKilos,
            Double pressedKilos,
            String note,
            String byName) {
        FruitData data() {
            return new FruitData(
                    bloom,
                    fruitSet,
                    thinned,
                    number,
                    kilos,
                    meanFruitG,
                    colour,
                    spoiltShare,
                    reachKilos,
                    firstKilos,
                    keptKilos,
                    sharedKilos,
                    givenKilos,
                    pressedKilos,
                    note);
        }
    }

    String ROWS = """
            select f.tree_id, f.year, f.version, f.bloom, f.number, f.kilos, f.note,
                   f.fruit_set, f.thinned, f.mean_fruit_g, f.colour, f.spoilt_share, f.reach_kilos, f.first_kilos, f.kept_kilos, f.shared_kilos, f.given_kilos, f.pressed_kilos, p.name as by_name
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
            insert into fruit_year as f (tree_id, year, bloom, number, kilos, note, by_person, fruit_set, thinned, mean_fruit_g, colour, spoilt_share, reach_kilos, first_kilos, kept_kilos, shared_kilos, given_kilos, pressed_kilos)
            values (#{treeId}, #{year}, #{d.bloom}, #{d.number}, #{d.kilos}, nullif(btrim(#{d.note}), ''), #{who},
                    #{d.fruitSet}, #{d.thinned}, #{d.meanFruitG}, #{d.colour}, #{d.spoiltShare}, #{d.reachKilos}, #{d.firstKilos}, #{d.keptKilos}, #{d.sharedKilos}, #{d.givenKilos}, #{d.pressedKilos})
            on conflict (tree_id, year) do update set bloom = excluded.bloom, number = excluded.number,
                kilos = excluded.kilos, note = excluded.note,
                fruit_set = excluded.fruit_set, thinned = excluded.thinned, mean_fruit_g = excluded.mean_fruit_g, colour = excluded.colour, spoilt_share = excluded.spoilt_share, reach_kilos = excluded.reach_kilos, first_kilos = excluded.first_kilos, kept_kilos = excluded.kept_kilos, shared_kilos = excluded.shared_kilos, given_kilos = excluded.given_kilos, pressed_kilos = excluded.pressed_kilos, by_person = excluded.by_person, version = f.version + 1
                where f.version = #{version}
            """)
    int keep(
            @Param("treeId") long treeId,
            @Param("year") int year,
            @Param("version") int version,
            @Param("d") FruitData data,
            @Param("who") long who);

    /** A row of the table of pickings. */
    record PickingRow(
            Long id,
            LocalDate pickedOn,
            Integer year,
            Double kilos,
            Integer number,
            Double spoiltKilos,
            String note,
            String pickedBy) {}

    @Select("""
            select k.id, k.picked_on, k.year, k.kilos, k.number, k.spoilt_kilos, k.note, p.name as picked_by
            from fruit_picking k join person p on p.id = k.picked_by where k.tree_id = #{treeId} order by k.picked_on, k.id
            """)
    List<PickingRow> pickingsOf(long treeId);

    @Insert("""
            insert into fruit_picking (tree_id, picked_on, year, kilos, number, spoilt_kilos, note, picked_by)
            values (#{treeId}, #{d.on}, #{year}, #{d.kilos}, #{d.number}, #{d.spoiltKilos}, nullif(btrim(#{d.note}), ''), #{who})
            """)
    int pick(
            @Param("treeId") long treeId,
            @Param("year") int year,
            @Param("d") FruitService.PickingData data,
            @Param("who") long who);

    @Delete("delete from fruit_picking where id = #{id}")
    int unpick(long id);

    /** What its pickings come to; a year of which nothing else is known comes and goes with them. */
    @Insert("""
            with gone as (
                delete from fruit_year where tree_id = #{treeId} and year = #{year} and bloom is null
                    and #{kilos,jdbcType=DOUBLE}::double precision is null and #{number,jdbcType=INTEGER}::integer is null returning 1)
            insert into fruit_year as f (tree_id, year, kilos, number, by_person)
            select #{treeId}, #{year}, #{kilos,jdbcType=DOUBLE}::double precision, #{number,jdbcType=INTEGER}::integer, #{who}
            where #{kilos,jdbcType=DOUBLE}::double precision is not null or #{number,jdbcType=INTEGER}::integer is not null
                or exists (select from fruit_year o where o.tree_id = #{treeId} and o.year = #{year} and o.bloom is not null)
            on conflict (tree_id, year) do update set kilos = excluded.kilos, number = excluded.number, version = f.version + 1
            """)
    int sum(
            @Param("treeId") long treeId,
            @Param("year") int year,
            @Param("kilos") Double kilos,
            @Param("number") Integer number,
            @Param("who") long who);
}
