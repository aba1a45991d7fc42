package org.diligentbough.server.wood;

import java.time.LocalDate;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** The tables of wounds found on walks, of looks at wounds and of disease seen. */
@Mapper
public interface WoundMapper {
    /** A row of the table of old wounds. */
    record OldWoundRow(
            Long treeId,
            String name,
            String onLimb,
            LocalDate foundOn,
            Double diameterCm,
            String face,
            Double hollowCm,
            String note,
            String foundBy) {}

    /** A row of the table of looks. */
    record LookRow(
            Long treeId,
            String wound,
            LocalDate lookedOn,
            Double longMm,
            Double shortMm,
            String state,
            Integer shoots,
            Double longestCm,
            String note,
            String lookedBy) {}

    /** A row of the table of disease seen. */
    record DiseaseRow(
            Long treeId, String disease, LocalDate seenOn, String state, String limb, String note, String seenBy) {}

    String OLD = """
            select w.tree_id, w.name, w.on_limb, w.found_on, w.diameter_cm, w.face, w.hollow_cm, w.note, p.name as found_by
            from old_wound w join person p on p.id = w.found_by join tree t on t.id = w.tree_id
            """;
    String LOOKS = """
            select l.tree_id, l.wound, l.looked_on, l.long_mm, l.short_mm, l.state, l.shoots, l.longest_cm, l.note, p.name as looked_by
            from wound_look l join person p on p.id = l.looked_by join tree t on t.id = l.tree_id
            """;
    String DISEASE = """
            select d.tree_id, d.disease, d.seen_on, d.state, d.limb, d.note, p.name as seen_by
            from disease_seen d join person p on p.id = d.seen_by join tree t on t.id = d.tree_id
            """;

    @Select(OLD + " where t.site_id = #{siteId} order by w.tree_id, w.name")
    List<OldWoundRow> oldAt(long siteId);

    @Select(OLD + " where w.tree_id = #{treeId} order by w.name")
    List<OldWoundRow> oldOf(long treeId);

    @Select(LOOKS + " where t.site_id = #{siteId} order by l.tree_id, l.looked_on")
    List<LookRow> looksAt(long siteId);

    @Select(LOOKS + " where l.tree_id = #{treeId} order by l.looked_on")
    List<LookRow> looksOf(long treeId);

    @Select(DISEASE + " where t.site_id = #{siteId} order by d.tree_id, d.seen_on")
    List<DiseaseRow> diseaseAt(long siteId);

    @Select(DISEASE + " where d.tree_id = #{treeId} order by d.seen_on")
    List<DiseaseRow> diseaseOf(long treeId);

    /** Returns how many rows were kept: 1, or 0 where the name is another wound's. */
    @Insert("""
            insert into old_wound (tree_id, name, on_limb, found_on, diameter_cm, face, hollow_cm, note, found_by)
            values (#{treeId}, #{d.name}, nullif(btrim(#{d.onLimb}), ''), #{d.foundOn}, #{d.diameterCm}, #{d.face}, #{d.hollowCm},
                    nullif(btrim(#{d.note}), ''), #{who})
            on conflict (tree_id, name) do nothing
            """)
    int add(@Param("treeId") long treeId, @Param("d") WoundData data, @Param("who") long who);

    @Delete("delete from old_wound where tree_id = #{treeId} and name = #{name}")
    int drop(@Param("treeId") long treeId, @Param("name") String name);

    /** A second look on a day takes the place of the first. */
    @Insert("""
            insert into wound_look (tree_id, wound, looked_on, long_mm, short_mm, state, shoots, longest_cm, note, looked_by)
            values (#{treeId}, #{d.wound}, #{d.on}, #{d.longMm}, #{d.shortMm}, #{d.state}, #{d.shoots}, #{d.longestCm},
                    nullif(btrim(#{d.note}), ''), #{who})
            on conflict (tree_id, wound, looked_on) do update set long_mm = excluded.long_mm, short_mm = excluded.short_mm,
                state = excluded.state, shoots = excluded.shoots, longest_cm = excluded.longest_cm, note = excluded.note, looked_by = excluded.looked_by
            """)
    int look(@Param("treeId") long treeId, @Param("d") LookData data, @Param("who") long who);

    @Delete("delete from wound_look where tree_id = #{treeId} and wound = #{wound} and looked_on = #{on}")
    int dropLook(@Param("treeId") long treeId, @Param("wound") String wound, @Param("on") LocalDate on);

    /** What is seen a second time on a day takes the place of the first. */
    @Insert("""
            insert into disease_seen (tree_id, disease, seen_on, state, limb, note, seen_by)
            values (#{treeId}, #{d.disease}, #{d.on}, #{d.state}, nullif(btrim(#{d.limb}), ''), nullif(btrim(#{d.note}), ''), #{who})
            on conflict (tree_id, disease, seen_on) do update set state = excluded.state, limb = excluded.limb,
                note = excluded.note, seen_by = excluded.seen_by
            """)
    int see(@Param("treeId") long treeId, @Param("d") DiseaseData data, @Param("who") long who);

    @Delete("delete from disease_seen where tree_id = #{treeId} and disease = #{disease} and seen_on = #{on}")
    int dropSeen(@Param("treeId") long treeId, @Param("disease") String disease, @Param("on") LocalDate on);

    /** A row of the table of grades. */
    record GradeRow(Long treeId, Integer year, String grade, String worst) {}

    @Select("""
            select g.tree_id, g.year, g.grade, g.worst from tree_grade g join tree t on t.id = g.tree_id
            where t.site_id = #{siteId}
            """)
    List<GradeRow> gradesAt(long siteId);

    @Delete("delete from tree_grade where tree_id = #{treeId}")
    int dropGrades(long treeId);

    @Insert("insert into tree_grade (tree_id, year, grade, worst) values (#{treeId}, #{year}, #{grade}, #{worst})")
    int keepGrade(
            @Param("treeId") long treeId,
            @Param("year") int year,
            @Param("grade") String grade,
            @Param("worst") String worst);

    /** Light of a tree today and when its plan is done; null where nothing fruits. */
    record LightRow(Long treeId, Double light, Double inLight, Double inLightStaying, Double inLightAfter) {}

    @Select("""
            select j.tree_id, j.light, j.in_light, j.in_light_staying, j.in_light_after
            from tree_judgement j join tree t on t.id = j.tree_id where t.site_id = #{siteId}
            """)
    List<LightRow> lightAt(long siteId);

    /** Whether the newest thing entered of some disease of a tree is that it is active or suspected. */
    @Select("""
            select exists (select from disease_seen d where d.tree_id = #{treeId} and d.state in ('active', 'suspected')
                and not exists (select from disease_seen l where l.tree_id = d.tree_id and l.disease = d.disease
                    and l.seen_on > d.seen_on))
            """)
    boolean sick(long treeId);
}
