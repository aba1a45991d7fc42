package org.diligentbough.server.archive;

import jakarta.validation.Validator;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.diligentbough.server.archive.Archive.ArchivedSurvey;
import org.diligentbough.server.archive.Archive.ArchivedTree;
import org.diligentbough.server.crew.People;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.shared.FieldProblem;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.survey.SurveyMapper.SurveyRow;
import org.diligentbough.server.survey.SurveyService;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Orchard archives out and in. What is imported is imported whole or not at all. */
@Service
public class ArchiveService {
    /** A day counted from the day of the import, so that an archive need not go stale: today, today-310, today+5. */
    private static final Pattern FROM_TODAY = Pattern.compile("today(?:([+-])([0-9]{1,5}))?");

    private final OrchardService orchard;
    private final SiteMapper sites;
    private final TreeMapper trees;
    private final SurveyService surveys;
    private final People.PersonMapper people;
    private final History history;
    private final Validator validator;
    private final Today today;
    private final JsonMapper json;

    ArchiveService(
            OrchardService orchard,
            SiteMapper sites,
            TreeMapper trees,
            SurveyService surveys,
            People.PersonMapper people,
            History history,
            Validator validator,
            Today today,
            JsonMapper json) {
        this.orchard = orchard;
        this.sites = sites;
        this.trees = trees;
        this.surveys = surveys;
        this.people = people;
        this.history = history;
        this.validator = validator;
        this.today = today;
        this.json = json;
    }

    /** Everything of a site. */
    @Transactional(readOnly = true)
    public Archive of(long siteId) {
        SiteRow site = orchard.site(siteId);
        List<ArchivedTree> archived = trees.idsOf(siteId).stream()
                .map(orchard::tree)
                .map(tree -> new ArchivedTree(tree.data(), surveysOf(tree)))
                .toList();
        return new Archive(Archive.FORMAT, Archive.VERSION, site.data(), archived);
    }

    private List<ArchivedSurvey> surveysOf(TreeRow tree) {
        List<ArchivedSurvey> oldestFirst = new ArrayList<>();
        for (SurveyRow survey : surveys.surveysOf(tree.id())) {
            oldestFirst.add(0, new ArchivedSurvey(survey.surveyedBy(), json.readTree(survey.document())));
        }
        return oldestFirst;
    }

    /**
     * Adds a site from an archive.
     *
     * @throws ProblemException 400 when it is no archive, 422 naming every wrong field by JSON pointer
     */
    @Transactional
    public SiteRow add(byte[] file) {
        Archive archive = read(file);
        List<FieldProblem> problems = new ArrayList<>(problemsOf(archive));
        if (!problems.isEmpty()) {
            throw ProblemException.wrongFields(problems);
        }
        long siteId = sites.add(archive.site());
        SiteRow site = orchard.site(siteId);
        history.imported(new About("site", siteId, siteId, null), site);
        for (int i = 0; i < archive.trees().size(); i++) {
            addTree(site, archive.trees().get(i), "/trees/" + i, problems);
        }
        if (!problems.isEmpty()) {
            throw ProblemException.wrongFields(problems);
        }
        return site;
    }

    private Archive read(byte[] file) {
        try {
            return json.readValue(file, Archive.class);
        } catch (JacksonException e) {
            String where = e.getLocation() == null
                    ? ""
                    : " Look at line " + e.getLocation().getLineNr() + ", column "
                            + e.getLocation().getColumnNr() + ".";
            throw ProblemException.unreadable("This is not an orchard archive." + where);
        }
    }

    private List<FieldProblem> problemsOf(Archive archive) {
        List<FieldProblem> problems = new ArrayList<>();
        if (!Archive.FORMAT.equals(archive.format())) {
            problems.add(new FieldProblem("/format", "is not known here; give " + Archive.FORMAT));
        }
        if (archive.version() == null || archive.version() != Archive.VERSION) {
            problems.add(new FieldProblem("/version", "is not known here; give " + Archive.VERSION));
        }
        if (archive.site() == null) {
            problems.add(new FieldProblem("/site", "is missing; give the site"));
        } else {
            check(archive.site(), "/site", problems);
            if (archive.site().name() != null
                    && sites.named(archive.site().name().strip())) {
                problems.add(new FieldProblem("/site/name", "is the name of a site here already; choose another"));
            }
        }
        if (archive.trees() == null) {
            problems.add(new FieldProblem("/trees", "is missing; give a list, empty if there are none"));
            return problems;
        }
        Set<String> tags = new HashSet<>();
        for (int i = 0; i < archive.trees().size(); i++) {
            ArchivedTree tree = archive.trees().get(i);
            String at = "/trees/" + i;
            if (tree == null || tree.tree() == null) {
                problems.add(new FieldProblem(at + "/tree", "is missing; give the tree"));
                continue;
            }
            check(tree.tree(), at + "/tree", problems);
            if (tree.tree().tag() != null && !tags.add(tree.tree().tag().strip())) {
                problems.add(new FieldProblem(at + "/tree/tag", "hangs on another tree already; give each its own"));
            }
        }
        return problems;
    }

    private void check(Object given, String at, List<FieldProblem> problems) {
        validator
                .validate(given)
                .forEach(wrong -> problems.add(new FieldProblem(
                        at + "/"
                                + wrong.getPropertyPath()
                                        .toString()
                                        .replaceAll("\\.<[^>]*>", "")
                                        .replace('.', '/')
                                        .replace('[', '/')
                                        .replace("]", ""),
                        wrong.getMessage())));
    }

    private void addTree(SiteRow site, ArchivedTree archived, String at, List<FieldProblem> problems) {
        long treeId = trees.add(site.id(), archived.tree());
        TreeRow tree = orchard.tree(treeId);
        history.imported(new About("tree", treeId, site.id(), treeId), tree);
        List<ArchivedSurvey> list = archived.surveys() == null ? List.of() : archived.surveys();
        for (int i = 0; i < list.size(); i++) {
            ArchivedSurvey survey = list.get(i);
            String surveyAt = at + "/surveys/" + i;
            if (survey.by() == null || survey.by().isBlank() || survey.by().length() > 80) {
                problems.add(new FieldProblem(surveyAt + "/by", "is missing or too long; name who walked"));
                continue;
            }
            try {
                SurveyRow added = surveys.keep(
                        tree,
                        dated(survey.survey(), ZoneId.of(site.timeZone())),
                        people.named(survey.by().strip()).id());
                history.imported(new About("survey", added.id(), site.id(), treeId), added);
            } catch (ProblemException e) {
                e.errors()
                        .forEach(wrong ->
                                problems.add(new FieldProblem(surveyAt + "/survey" + wrong.pointer(), wrong.detail())));
            }
        }
    }

    /** The survey with its days counted from today turned into dates. */
    private JsonNode dated(JsonNode survey, ZoneId zone) {
        if (!(survey instanceof ObjectNode node)) {
            return survey == null ? json.getNodeFactory().nullNode() : survey;
        }
        ObjectNode copy = node.deepCopy();
        resolve(copy, "surveyedOn", zone);
        if (copy.get("observedStage") instanceof ObjectNode stage) {
            resolve(stage, "on", zone);
        }
        return copy;
    }

    private void resolve(ObjectNode node, String field, ZoneId zone) {
        Matcher fromToday = FROM_TODAY.matcher(node.path(field).asString(""));
        if (fromToday.matches()) {
            int days = fromToday.group(2) == null ? 0 : Integer.parseInt(fromToday.group(2));
            LocalDate day = today.in(zone).plusDays("-".equals(fromToday.group(1)) ? -days : days);
            node.put(field, day.toString());
        }
    }
}
