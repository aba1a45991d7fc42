package org.diligentbough.server.survey;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.diligentbough.core.verdict.Triage;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The tables of surveys and of drafts. */
@Mapper
public interface SurveyMapper {
    String COLUMNS = """
            s.id, s.version, s.tree_id, s.surveyed_on, p.name as surveyed_by, s.document, s.judged_as,
            s.trunk_girth_cm, s.saved_at
            """;

    /** A row of the survey table. */
    record SurveyRow(
            Long id,
            Integer version,
            Long treeId,
            LocalDate surveyedOn,
            String surveyedBy,
            ObjectNode document,
            Triage judgedAs,
            Double trunkGirthCm,
            Instant savedAt) {}

    /**
     * What is stored of a survey: its document, and what lists and maps need of it.
     *
     * @param judgedAs the tree's triage by it; null where the judgement that follows writes it
     */
    record SurveyRecord(
            long treeId,
            LocalDate surveyedOn,
            long personId,
            ObjectNode document,
            double heightM,
            double spreadM,
            double trunkGirthCm,
            Triage judgedAs) {}

    /** A row of the draft table. */
    record DraftRow(Integer version, JsonNode document, Instant savedAt) {}

    @Select(
            "select " + COLUMNS
                    + " from survey s join person p on p.id = s.surveyed_by where s.tree_id = #{treeId} order by s.surveyed_on desc, s.id desc")
    List<SurveyRow> ofTree(long treeId);

    @Select(
            "select " + COLUMNS
                    + " from survey s join person p on p.id = s.surveyed_by where s.tree_id = #{treeId} order by s.surveyed_on desc, s.id desc limit 1")
    Optional<SurveyRow> newest(long treeId);

    /** Those of every tree of a site, the newest first. */
    @Select(
            "select " + COLUMNS
                    + " from survey s join person p on p.id = s.surveyed_by join tree t on t.id = s.tree_id where t.site_id = #{siteId} order by s.surveyed_on desc, s.id desc")
    List<SurveyRow> ofSite(long siteId);

    @Select("select " + COLUMNS + " from survey s join person p on p.id = s.surveyed_by where s.id = #{id}")
    Optional<SurveyRow> find(long id);

    @Select("select " + COLUMNS + " from survey s join person p on p.id = s.surveyed_by where s.sent_as = #{key}::uuid")
    Optional<SurveyRow> sentAs(String key);

    @Update("update survey set sent_as = #{key}::uuid where id = #{id}")
    int mark(@Param("id") long id, @Param("key") String key);

    @Select(value = """
                    insert into survey (tree_id, surveyed_on, surveyed_by, document, height_m, spread_m, trunk_girth_cm, judged_as)
                    values (#{treeId}, #{surveyedOn}, #{personId}, #{document,typeHandler=json}, #{heightM}, #{spreadM}, #{trunkGirthCm},
                            #{judgedAs})
                    returning id
                    """, affectData = true)
    long add(SurveyRecord survey);

    /** Returns how many rows had the version: 1, or 0 when somebody was quicker. */
    @Update("""
            update survey set surveyed_on = #{s.surveyedOn}, document = #{s.document,typeHandler=json}, height_m = #{s.heightM},
                spread_m = #{s.spreadM}, trunk_girth_cm = #{s.trunkGirthCm}, judged_as = #{s.judgedAs},
                saved_at = now(), version = version + 1
            where id = #{id} and version = #{version}
            """)
    int change(@Param("id") long id, @Param("version") int version, @Param("s") SurveyRecord survey);

    /** What the tree was judged to be by its newest survey as it was saved; later judgements leave that. */
    @Update("""
            update survey set judged_as = #{triage} where judged_as is null and id = (
                select id from survey where tree_id = #{treeId} order by surveyed_on desc, id desc limit 1)
            """)
    int judgedAs(@Param("treeId") long treeId, @Param("triage") Triage triage);

    @Update("update survey set judged_as = #{triage} where id = #{id}")
    int judgedByItself(@Param("id") long id, @Param("triage") Triage triage);

    @Select(
            "select version, document, saved_at from survey_draft where tree_id = #{treeId} and person_id = #{personId}")
    Optional<DraftRow> draft(@Param("treeId") long treeId, @Param("personId") long personId);

    /** Keeps a draft; returns its version, or nothing when a newer one is kept already. */
    @Select(value = """
                    insert into survey_draft as d (tree_id, person_id, document)
                    values (#{treeId}, #{personId}, #{document,typeHandler=json})
                    on conflict (tree_id, person_id) do update
                        set document = excluded.document, version = d.version + 1, saved_at = now()
                        where d.version = #{version}
                    returning version
                    """, affectData = true)
    Optional<Integer> keepDraft(
            @Param("treeId") long treeId,
            @Param("personId") long personId,
            @Param("version") int version,
            @Param("document") JsonNode document);

    @Delete("delete from survey_draft where tree_id = #{treeId} and person_id = #{personId}")
    int dropDraft(@Param("treeId") long treeId, @Param("personId") long personId);
}
