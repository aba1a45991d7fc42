package org.diligentbough.server.orchard;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Trees of a site. */
@RestController
@RequestMapping("/api")
class TreeApi {
    private static final int MOST_PER_PAGE = 500;
    private static final int HISTORY_SHOWN = 200;
    private static final Map<String, String> ORDERS = Map.of(
            "tag", "length(t.tag), t.tag",
            "species", "t.species",
            "planted", "t.planted_year nulls last",
            "height", "s.height_m desc nulls last",
            "triage",
                    "(select count(*) from report p where p.tree_id = t.id and p.dealt_on is null) desc, array_position(array['refer','take-out','rest','renovate','maintain'], coalesce(j.triage, s.judged_as)) nulls last",
            "surveyed", "s.surveyed_on nulls first",
            "light", "j.in_light nulls last");

    private final OrchardService service;
    private final History history;

    TreeApi(OrchardService service, History history) {
        this.service = service;
        this.history = history;
    }

    /**
     * A tree.
     *
     * @param version to be sent back when changing it
     * @param survey what its newest survey says, or null while there is none
     * @param removedOn the day it was taken out, or null while it stands
     * @param openReports things reported of it that nobody has dealt with
     */
    record TreeView(
            long id,
            int version,
            long siteId,
            TreeData data,
            @MayBeNull SurveySummary survey,
            @MayBeNull LightSummary light,
            @MayBeNull LocalDate removedOn,
            int openReports) {}

    /** What the newest survey of a tree says of it as a whole. */
    record SurveySummary(
            long id,
            LocalDate surveyedOn,
            double heightM,
            double spreadM,
            double trunkGirthCm,
            String triage,
            int urgentLimbs) {}

    /**
     * Light as last worked out, shares of open-sky light or of fruiting wood, 0 to 1.
     *
     * @param mean on its limbs
     * @param inLight share of its fruiting wood with light enough, null when none is known to fruit
     * @param inLightAfter the same when its plan is done
     */
    record LightSummary(
            double mean,
            @MayBeNull Double inLight,
            @MayBeNull Double inLightAfter) {}

    /** One page of trees. */
    record TreePage(List<TreeView> trees, int page, int size, int total) {}

    /** A change to a tree, with the version it was based on. */
    record TreeChange(
            @NotNull(message = "is missing; send the version the change is based on")
            Integer version,

            @Valid @NotNull(message = "is missing") TreeData data) {}

    /** Trees of a site, found, sorted and paged. */
    @GetMapping("/sites/{siteId}/trees")
    TreePage trees(
            @PathVariable long siteId,
            @RequestParam(defaultValue = "") String q,
            @RequestParam(defaultValue = "") String species,
            @RequestParam(defaultValue = "") String triage,
            @RequestParam(defaultValue = "false") boolean removed,
            @RequestParam(defaultValue = "tag") String sort,
            @RequestParam(defaultValue = "0") int page,
            @RequestParam(defaultValue = "100") int size) {
        String order = ORDERS.get(sort);
        if (order == null) {
            throw ProblemException.wrongField(
                    "/sort",
                    "is not known; choose one of "
                            + String.join(
                                    ", ", ORDERS.keySet().stream().sorted().toList()));
        }
        if (page < 0 || size < 1 || size > MOST_PER_PAGE) {
            throw ProblemException.wrongField("/size", "give a page from 0 and a size from 1 to " + MOST_PER_PAGE);
        }
        TreeMapper.Query query = new TreeMapper.Query(q.strip(), species, triage, removed, null);
        return new TreePage(
                service.trees(siteId, query, order, size, page).stream()
                        .map(TreeApi::view)
                        .toList(),
                page,
                size,
                service.countTrees(siteId, query));
    }

    @PostMapping("/sites/{siteId}/trees")
    @ResponseStatus(HttpStatus.CREATED)
    TreeView addTree(@PathVariable long siteId, @Valid @RequestBody TreeData tree) {
        return view(service.addTree(siteId, tree));
    }

    @GetMapping("/trees/{treeId}")
    TreeView tree(@PathVariable long treeId) {
        return view(service.tree(treeId));
    }

    @PutMapping("/trees/{treeId}")
    TreeView changeTree(@PathVariable long treeId, @Valid @RequestBody TreeChange change) {
        return view(service.changeTree(treeId, change.version(), change.data()));
    }

    /** What was changed about a tree and its surveys, newest first. */
    @GetMapping("/trees/{treeId}/history")
    List<History.Entry> treeHistory(@PathVariable long treeId) {
        return history.ofTree(service.tree(treeId).id(), HISTORY_SHOWN);
    }

    private static TreeView view(TreeRow row) {
        SurveySummary survey = row.surveyId() == null
                ? null
                : new SurveySummary(
                        row.surveyId(),
                        row.surveyedOn(),
                        row.heightM(),
                        row.spreadM(),
                        row.trunkGirthCm(),
                        row.triage(),
                        row.urgentLimbs());
        LightSummary light =
                row.light() == null ? null : new LightSummary(row.light(), row.inLight(), row.inLightAfter());
        return new TreeView(
                row.id(), row.version(), row.siteId(), row.data(), survey, light, row.removedOn(), row.openReports());
    }
}
