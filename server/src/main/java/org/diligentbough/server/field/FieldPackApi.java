package org.diligentbough.server.field;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.diligentbough.core.visit.TreeToday;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.survey.SurveyFile;
import org.diligentbough.server.survey.SurveyMapper.SurveyRow;
import org.diligentbough.server.survey.SurveyService;
import org.diligentbough.server.visit.TreeRecords;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** All that a phone takes along to walk an orchard without signal. */
@RestController
class FieldPackApi {
    private final OrchardService orchard;
    private final SurveyService surveys;
    private final TreeRecords records;
    private final Today today;

    FieldPackApi(OrchardService orchard, SurveyService surveys, TreeRecords records, Today today) {
        this.orchard = orchard;
        this.surveys = surveys;
        this.records = records;
        this.today = today;
    }

    /** The trees of a site that stand, those longest unvisited first. */
    record FieldPack(long siteId, String name, LocalDate today, boolean southern, List<FieldTree> trees) {}

    /**
     * One tree.
     *
     * @param form the one wanted, else the one it has
     * @param newestSurvey its id, 0 while there is none: what a new survey is based on
     * @param start what a new survey starts from, or null
     */
    record FieldTree(
            long id,
            String tag,
            String species,
            @MayBeNull String cultivar,
            @MayBeNull String form,
            String triage,
            @MayBeNull LocalDate surveyedOn,
            long newestSurvey,

            @MayBeNull @Schema(implementation = SurveyFile.class, nullable = true)
            JsonNode start) {}

    /** A whole site at once: a few queries, however many trees stand there. */
    @GetMapping("/api/sites/{siteId}/field")
    FieldPack fieldPack(@PathVariable long siteId) {
        SiteRow site = orchard.site(siteId);
        LocalDate day = today.in(site.zone());
        List<TreeRow> trees = orchard.standing(siteId);
        List<SurveyRow> all = surveys.surveysAt(siteId);
        Map<Long, SurveyRow> newest = new HashMap<>();
        all.forEach(survey -> newest.putIfAbsent(survey.treeId(), survey));
        Map<Long, TreeToday> standing = records.standing(siteId, surveys.upTo(day, site, trees, all), day);
        return new FieldPack(
                site.id(),
                site.name(),
                day,
                site.data().toSite().southern(),
                trees.stream()
                        .sorted(Comparator.comparing(
                                        TreeRow::surveyedOn, Comparator.nullsFirst(Comparator.naturalOrder()))
                                .thenComparing(TreeRow::id))
                        .map(tree -> tree(
                                tree,
                                site,
                                day,
                                Optional.ofNullable(newest.get(tree.id())),
                                Optional.ofNullable(standing.get(tree.id()))))
                        .toList());
    }

    /** The same of one tree. */
    @GetMapping("/api/trees/{treeId}/field")
    FieldTree fieldTree(@PathVariable long treeId) {
        TreeRow tree = orchard.tree(treeId);
        SiteRow site = orchard.site(tree.siteId());
        LocalDate day = today.in(site.zone());
        Optional<SurveyRow> newest = Optional.ofNullable(tree.surveyId()).map(surveys::survey);
        return tree(tree, site, day, newest, records.standing(treeId, day));
    }

    private FieldTree tree(
            TreeRow tree, SiteRow site, LocalDate day, Optional<SurveyRow> newest, Optional<TreeToday> standing) {
        if (newest.isEmpty()) {
            return new FieldTree(
                    tree.id(), tree.tag(), tree.species(), tree.cultivar(), form(tree), "unsurveyed", null, 0, null);
        }
        JsonNode last = surveys.fileOf(newest.get(), tree, site, day);
        JsonNode start = standing.<JsonNode>map(stands -> NextSurvey.from(last, stands.survey()))
                .orElse(last);
        return new FieldTree(
                tree.id(),
                tree.tag(),
                tree.species(),
                tree.cultivar(),
                form(tree),
                tree.triage(),
                newest.get().surveyedOn(),
                newest.get().id(),
                start);
    }

    private static String form(TreeRow tree) {
        return tree.formWanted() == null ? tree.form() : tree.formWanted();
    }
}
