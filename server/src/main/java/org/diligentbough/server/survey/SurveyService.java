package org.diligentbough.server.survey;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.season.Seen;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.verdict.Triage;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.season.SightingService;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.FieldProblem;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.Once;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.survey.SurveyMapper.DraftRow;
import org.diligentbough.server.survey.SurveyMapper.SurveyRecord;
import org.diligentbough.server.survey.SurveyMapper.SurveyRow;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Surveys of registered trees. A survey is kept as its file; what the register knows of site and tree is put into the file
 * when it is read or sent, so that it is judged by what holds now.
 */
@Service
public class SurveyService {
    private final SurveyMapper surveys;
    private final OrchardService orchard;
    private final SurveyFileReader reader;
    private final SightingService sightings;
    private final Rulebook rules;
    private final History history;
    private final CurrentPerson person;
    private final Today today;
    private final Once once;
    private final ApplicationEventPublisher events;
    private final JsonMapper json;

    SurveyService(
            SurveyMapper surveys,
            OrchardService orchard,
            SurveyFileReader reader,
            SightingService sightings,
            Rulebook rules,
            History history,
            CurrentPerson person,
            Today today,
            Once once,
            ApplicationEventPublisher events,
            JsonMapper json) {
        this.surveys = surveys;
        this.orchard = orchard;
        this.reader = reader;
        this.sightings = sightings;
        this.rules = rules;
        this.history = history;
        this.person = person;
        this.today = today;
        this.once = once;
        this.events = events;
        this.json = json;
    }

    public List<SurveyRow> surveysOf(long treeId) {
        return surveys.ofTree(orchard.tree(treeId).id());
    }

    /** The newest survey of a tree. */
    public SurveyRow newest(long treeId) {
        return surveys.newest(orchard.tree(treeId).id())
                .orElseThrow(() -> ProblemException.notFound("This tree has not been surveyed yet."));
    }

    /** All surveys of a tree up to a day, as of that day, the oldest first. */
    public List<Survey> upTo(long treeId, LocalDate day) {
        TreeRow tree = orchard.tree(treeId);
        return upTo(day, tree, site(tree), sightings.of(tree.siteId(), tree.species(), day), surveys.ofTree(treeId));
    }

    /** The last survey of a tree up to a day, as of that day; empty where nobody had walked to it by then. */
    public Optional<Survey> lastUpTo(long treeId, LocalDate day) {
        TreeRow tree = orchard.tree(treeId);
        List<SurveyRow> last = surveys.ofTree(treeId).stream()
                .filter(survey -> !survey.surveyedOn().isAfter(day))
                .limit(1)
                .toList();
        return upTo(day, tree, site(tree), sightings.of(tree.siteId(), tree.species(), day), last).stream()
                .findFirst();
    }

    /** All surveys up to a day of many trees of a site at once, each asked for once; trees nobody has walked to are left out. */
    public Map<Long, List<Survey>> upTo(LocalDate day, SiteRow site, List<TreeRow> trees, List<SurveyRow> ofSite) {
        Map<Long, List<SurveyRow>> byTree = ofSite.stream().collect(Collectors.groupingBy(SurveyRow::treeId));
        Map<String, Seen> seen = new HashMap<>();
        Map<Long, List<Survey>> found = new HashMap<>();
        for (TreeRow tree : trees) {
            List<Survey> known = upTo(
                    day,
                    tree,
                    site,
                    seen.computeIfAbsent(tree.species(), kind -> sightings.of(site.id(), kind, day)),
                    byTree.getOrDefault(tree.id(), List.of()));
            if (!known.isEmpty()) {
                found.put(tree.id(), known);
            }
        }
        return found;
    }

    private List<Survey> upTo(LocalDate day, TreeRow tree, SiteRow site, Seen seen, List<SurveyRow> newestFirst) {
        List<Survey> found = new ArrayList<>();
        for (SurveyRow survey : newestFirst) {
            if (!survey.surveyedOn().isAfter(day)) {
                JsonNode file = new SurveyDocument(json, rules).complete(survey.document(), tree, site, day);
                found.add(0, SurveyMapping.toSurvey(reader.checked(file)).withSeen(seen));
            }
        }
        return found;
    }

    /** Every survey of every tree of a site, the newest first. */
    public List<SurveyRow> surveysAt(long siteId) {
        return surveys.ofSite(siteId);
    }

    /** One survey of a known tree as a complete survey file. */
    public JsonNode fileOf(SurveyRow survey, TreeRow tree, SiteRow site, LocalDate day) {
        return new SurveyDocument(json, rules).complete(survey.document(), tree, site, day);
    }

    /** One survey as a complete survey file, with site and tree as the register has them now. */
    public JsonNode fileOf(SurveyRow survey) {
        TreeRow tree = orchard.tree(survey.treeId());
        return fileOf(survey, tree, site(tree), todayAt(tree));
    }

    public SurveyRow survey(long id) {
        return surveys.find(id).orElseThrow(() -> ProblemException.notFound("There is no such survey."));
    }

    /** The survey of a complete file, with what was seen of the tree's kind at its site. */
    private Survey survey(JsonNode file, TreeRow tree) {
        return SurveyMapping.toSurvey(reader.checked(file))
                .withSeen(sightings.of(tree.siteId(), tree.species(), todayAt(tree)));
    }

    /**
     * How a survey is sent.
     *
     * @param sentAs a key of its own: sent again under the same key it is kept once
     * @param basedOn the newest survey the surveyor knew, 0 for none: refused when there is a newer one by now
     */
    public record Sending(Optional<UUID> sentAs, Optional<Long> basedOn) {}

    /** Keeps a new survey and lets go of the person's draft. */
    @Transactional
    public SurveyRow add(long treeId, JsonNode sent, Sending sending) {
        person.id();
        long kept = once.keep(sending.sentAs(), "survey of tree " + treeId, sent, () -> sending.sentAs()
                .map(UUID::toString)
                .flatMap(surveys::sentAs)
                .map(SurveyRow::id)
                .orElseGet(() -> addNew(treeId, sent, sending)));
        return survey(kept);
    }

    private long addNew(long treeId, JsonNode sent, Sending sending) {
        long who = person.id();
        TreeRow tree = orchard.taken(treeId);
        long newest = surveys.newest(treeId).map(SurveyRow::id).orElse(0L);
        if (sending.basedOn().filter(basedOn -> basedOn != newest).isPresent()) {
            throw ProblemException.stale("The newest survey of this tree");
        }
        SurveyRow added = survey(surveys.add(record(tree, sent, who, kept -> null)));
        sending.sentAs().ifPresent(key -> surveys.mark(added.id(), key.toString()));
        surveys.dropDraft(treeId, who);
        SurveyRow judged = judged(added.id(), tree, sent);
        history.added(about(judged), judged);
        return added.id();
    }

    /** Keeps a survey by a given person without a word to the history: for whoever writes that otherwise. */
    public SurveyRow keep(TreeRow tree, JsonNode sent, long personId) {
        return survey(surveys.add(record(tree, sent, personId, kept -> judgedByItself(kept, tree))));
    }

    /** Corrects a survey that was kept before. */
    @Transactional
    public SurveyRow correct(long id, int version, JsonNode sent) {
        long who = person.id();
        SurveyRow before = survey(id);
        TreeRow tree = orchard.tree(before.treeId());
        if (surveys.change(id, version, record(tree, sent, who, kept -> null)) == 0) {
            throw ProblemException.stale("This survey");
        }
        surveys.dropDraft(before.treeId(), who);
        SurveyRow after = judged(id, tree, sent);
        history.changed(about(after), before, after);
        return after;
    }

    /** Has the tree judged, which writes with its newest survey what it was judged to be; an older one is judged by itself. */
    private SurveyRow judged(long id, TreeRow tree, JsonNode sent) {
        outdated(tree, sent);
        SurveyRow saved = survey(id);
        if (saved.judgedAs() != null) {
            return saved;
        }
        surveys.judgedByItself(id, judgedByItself(saved.document(), tree));
        return survey(id);
    }

    /** A walk that tells of growth moves the windows of the whole kind. */
    private void outdated(TreeRow tree, JsonNode sent) {
        boolean seen = sent.path("observedStage").isObject()
                || sent.path("tree").path("stillGrowing").asBoolean(false);
        if (seen) {
            orchard.judgeKindAnew(tree.siteId(), tree.species());
        }
        events.publishEvent(new OrchardService.TreeOutdated(tree.id()));
    }

    private About about(SurveyRow survey) {
        return new About("survey", survey.id(), orchard.tree(survey.treeId()).siteId(), survey.treeId());
    }

    private SurveyRecord record(TreeRow tree, JsonNode sent, long who, Function<ObjectNode, Triage> judgedAs) {
        if (!(sent instanceof ObjectNode)) {
            throw ProblemException.wrongField("", "is not a survey; send an object");
        }
        SurveyDocument document = new SurveyDocument(json, rules);
        ObjectNode file = document.complete(sent, tree, site(tree), todayAt(tree));
        List<FieldProblem> problems = reader.problems(file);
        if (!problems.isEmpty()) {
            throw ProblemException.wrongFields(problems);
        }
        if (!file.path("tree").path("species").asString("").equals(tree.species())) {
            throw ProblemException.wrongField(
                    "/tree/species",
                    "is another kind than this tree is registered as (" + tree.species() + "); choose the right tree");
        }
        SurveyFile survey = reader.checked(file);
        LocalDate surveyedOn = survey.surveyedOn() == null ? survey.today() : survey.surveyedOn();
        ObjectNode kept = document.stored(file, surveyedOn);
        return new SurveyRecord(
                tree.id(),
                surveyedOn,
                who,
                kept,
                survey.tree().heightM(),
                survey.tree().spreadM(),
                survey.tree().trunkGirthCm(),
                judgedAs.apply(kept));
    }

    /** By what the register says, whatever the file said of that, and by this survey alone. */
    private Triage judgedByItself(ObjectNode kept, TreeRow tree) {
        JsonNode file = new SurveyDocument(json, rules).complete(kept, tree, site(tree), todayAt(tree));
        return Evaluation.found(survey(file, tree), rules).tree().triage();
    }

    private SiteRow site(TreeRow tree) {
        return orchard.site(tree.siteId());
    }

    private LocalDate todayAt(TreeRow tree) {
        return today.in(site(tree).zone());
    }

    /** Keeps with a survey that was just saved what its tree was judged to be by it. */
    public void judged(long treeId, Triage triage) {
        surveys.judgedAs(treeId, triage);
    }

    /** The person's draft of a survey of this tree, if there is one. */
    public Optional<DraftRow> draft(long treeId) {
        return surveys.draft(orchard.tree(treeId).id(), person.id());
    }

    /** Keeps a draft as it is, unchecked; returns its new version. */
    @Transactional
    public int keepDraft(long treeId, int version, JsonNode document) {
        return surveys.keepDraft(orchard.tree(treeId).id(), person.id(), version, document)
                .orElseThrow(() -> ProblemException.stale("This draft"));
    }

    @Transactional
    public void dropDraft(long treeId) {
        surveys.dropDraft(treeId, person.id());
    }
}
