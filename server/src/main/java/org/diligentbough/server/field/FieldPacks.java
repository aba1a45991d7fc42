package org.diligentbough.server.field;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import org.diligentbough.server.orchard.OrchardService;
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
class FieldPacks {
    private final OrchardService orchard;
    private final SurveyService surveys;
    private final TreeRecords records;
    private final Today today;

    FieldPacks(OrchardService orchard, SurveyService surveys, TreeRecords records, Today today) {
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
     * @param newestSurvey its id, 0 while there is none: what a new survey is based on
     * @param start what a new survey starts from, or null
     */
    record FieldTree(
            long id,
            String tag,
            String species,
            @MayBeNull String cultivar,
            String triage,
            @MayBeNull LocalDate surveyedOn,
            long newestSurvey,

            @MayBeNull @Schema(implementation = SurveyFile.class, nullable = true)
            JsonNode start) {}

    @GetMapping("/api/sites/{siteId}/field")
    FieldPack fieldPack(@PathVariable long siteId) {
        var site = orchard.site(siteId);
        LocalDate day = today.in(site.zone());
        return new FieldPack(
                site.id(),
                site.name(),
                day,
                site.data().toSite().southern(),
                orchard.standing(siteId).stream()
                        .sorted(Comparator.comparing(
                                        TreeRow::surveyedOn, Comparator.nullsFirst(Comparator.naturalOrder()))
                                .thenComparing(TreeRow::id))
                        .map(tree -> tree(tree, day))
                        .toList());
    }

    /** The same of one tree. */
    @GetMapping("/api/trees/{treeId}/field")
    FieldTree fieldTree(@PathVariable long treeId) {
        TreeRow tree = orchard.tree(treeId);
        return tree(tree, today.in(orchard.site(tree.siteId()).zone()));
    }

    private FieldTree tree(TreeRow tree, LocalDate day) {
        if (tree.surveyId() == null) {
            return new FieldTree(tree.id(), tree.tag(), tree.species(), tree.cultivar(), "unsurveyed", null, 0, null);
        }
        SurveyRow newest = surveys.newest(tree.id());
        JsonNode last = surveys.fileOf(newest);
        JsonNode start = records.standing(tree.id(), day)
                .<JsonNode>map(standing -> NextSurvey.from(last, standing.survey()))
                .orElse(last);
        return new FieldTree(
                tree.id(),
                tree.tag(),
                tree.species(),
                tree.cultivar(),
                tree.triage(),
                newest.surveyedOn(),
                newest.id(),
                start);
    }
}
