package org.diligentbough.server.archive;

import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import jakarta.validation.Validator;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import org.diligentbough.server.access.Memberships;
import org.diligentbough.server.archive.Archive.ArchivedSurvey;
import org.diligentbough.server.archive.Archive.ArchivedTree;
import org.diligentbough.server.archive.ArchiveRecords.Places;
import org.diligentbough.server.crew.PeopleService;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.photo.PhotoArchive;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.survey.SurveyMapper.SurveyRow;
import org.diligentbough.server.survey.SurveyService;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Orchard archives in. What is imported is imported whole or not at all. */
@Service
public class ArchiveService {
    private static final int MOST_TREES = 10_000;

    private final OrchardService orchard;
    private final SiteMapper sites;
    private final TreeMapper trees;
    private final SurveyService surveys;
    private final PeopleService people;
    private final Memberships memberships;
    private final WorkImport work;
    private final ArchiveRecords records;
    private final RecordMapper tables;
    private final MemberImport members;
    private final PhotoArchive photos;
    private final History history;
    private final Validator validator;
    private final Today today;
    private final JsonMapper json;
    /** Lists of an archive hold no nulls: each of its things is there or left out. */
    private final JsonMapper reader;

    ArchiveService(
            OrchardService orchard,
            SiteMapper sites,
            TreeMapper trees,
            SurveyService surveys,
            PeopleService people,
            Memberships memberships,
            WorkImport work,
            ArchiveRecords records,
            RecordMapper tables,
            MemberImport members,
            PhotoArchive photos,
            History history,
            Validator validator,
            Today today,
            JsonMapper json) {
        this.orchard = orchard;
        this.sites = sites;
        this.trees = trees;
        this.surveys = surveys;
        this.people = people;
        this.memberships = memberships;
        this.work = work;
        this.records = records;
        this.tables = tables;
        this.members = members;
        this.photos = photos;
        this.history = history;
        this.validator = validator;
        this.today = today;
        this.json = json;
        this.reader = json.rebuild()
                .withConfigOverride(
                        List.class, list -> list.setNullHandling(JsonSetter.Value.forContentNulls(Nulls.FAIL)))
                .build();
    }

    /**
     * Adds a site from an archive.
     *
     * @throws ProblemException 400 when it is no archive, 422 naming every wrong field by JSON pointer
     */
    @Transactional
    public SiteRow add(byte[] file) {
        return add(file, key -> Optional.empty());
    }

    /** The same with pictures beside it: the bytes of each, by the key it has in the archive. */
    @Transactional
    SiteRow add(byte[] file, Function<String, Optional<byte[]>> pictures) {
        Archive archive = read(file);
        Problems problems = new Problems(validator);
        look(archive, problems);
        problems.refuseIfAny();
        MemberImport.Before before = members.before();
        long siteId = sites.add(archive.site());
        memberships.founded(siteId);
        SiteRow site = orchard.site(siteId);
        history.imported(new About("site", siteId, siteId, null), site);
        DayWords words = new DayWords(today.in(site.zone()), site.latitude() < 0);
        List<TreeRow> added = new ArrayList<>();
        for (int i = 0; i < archive.trees().size(); i++) {
            added.add(addTree(site, archive, i, words, problems));
        }
        problems.refuseIfAny();
        Places places = work.add(site, archive, added, words, problems);
        problems.refuseIfAny();
        if (archive.records() != null) {
            records.add(archive.records(), places, problems).forEach((known, here) -> pictures.apply(known)
                    .ifPresent(picture -> photos.bring(UUID.fromString(here), picture)));
        }
        members.add(archive, siteId, before, words, problems);
        problems.refuseIfAny();
        return site;
    }

    private Archive read(byte[] file) {
        try {
            Archive archive = reader.readValue(file, Archive.class);
            if (archive == null) {
                throw ProblemException.unreadable("This is not an orchard archive: it is empty.");
            }
            return archive;
        } catch (DatabindException e) {
            if (e.getPath().isEmpty()) {
                throw ProblemException.unreadable("This is not an orchard archive.");
            }
            StringBuilder pointer = new StringBuilder();
            e.getPath().forEach(step -> pointer.append('/')
                    .append(step.getPropertyName() == null ? step.getIndex() : step.getPropertyName()));
            throw ProblemException.wrongField(
                    pointer.toString(), "is not what an archive has there; look it up in the archive's format");
        } catch (JacksonException e) {
            String where = e.getLocation() == null
                    ? ""
                    : " Look at line " + e.getLocation().getLineNr() + ", column "
                            + e.getLocation().getColumnNr() + ".";
            throw ProblemException.unreadable("This is not an orchard archive." + where);
        }
    }

    private void look(Archive archive, Problems problems) {
        if (!Archive.FORMAT.equals(archive.format())) {
            problems.add("/format", "is not known here; give " + Archive.FORMAT);
        }
        if (archive.version() == null || archive.version() < 1 || archive.version() > Archive.VERSION) {
            problems.add("/version", "is not known here; give 1 to " + Archive.VERSION);
        }
        if (archive.site() == null) {
            problems.add("/site", "is missing; give the site");
        } else {
            problems.check(archive.site(), "/site");
            if (archive.site().name() != null
                    && sites.named(archive.site().name().strip())) {
                problems.add("/site/name", "is the name of a site here already; choose another");
            }
        }
        if (archive.trees() == null) {
            problems.add("/trees", "is missing; give a list, empty if there are none");
            return;
        }
        if (archive.trees().size() > MOST_TREES) {
            problems.add("/trees", "is longer than " + MOST_TREES + " trees; send it in parts");
            return;
        }
        Set<String> tags = new HashSet<>();
        for (int i = 0; i < archive.trees().size(); i++) {
            ArchivedTree tree = archive.trees().get(i);
            String at = "/trees/" + i;
            if (tree == null || tree.tree() == null) {
                problems.add(at + "/tree", "is missing; give the tree");
                continue;
            }
            problems.check(tree.tree(), at + "/tree");
            if (tree.tree().tag() != null && !tags.add(tree.tree().tag().strip())) {
                problems.add(at + "/tree/tag", "hangs on another tree already; give each its own");
            }
        }
    }

    private TreeRow addTree(SiteRow site, Archive archive, int number, DayWords words, Problems problems) {
        ArchivedTree archived = archive.trees().get(number);
        String at = "/trees/" + number;
        long treeId = trees.add(site.id(), archived.tree());
        TreeRow tree = orchard.tree(treeId);
        if (!archive.bringsHistory()) {
            history.imported(new About("tree", treeId, site.id(), treeId), tree);
        }
        List<ArchivedSurvey> list = archived.surveys() == null ? List.of() : archived.surveys();
        for (int i = 0; i < list.size(); i++) {
            ArchivedSurvey survey = list.get(i);
            String surveyAt = at + "/surveys/" + i;
            if (survey == null || !problems.named(survey.by(), surveyAt + "/by")) {
                continue;
            }
            problems.under(surveyAt + "/survey", () -> {
                SurveyRow added =
                        surveys.keep(tree, dated(survey.survey(), words), people.named(survey.by(), site.id()));
                if (survey.key() != null) {
                    tables.surveyCameAs(added.id(), survey.key().toString());
                }
                if (!archive.bringsHistory()) {
                    history.imported(new About("survey", added.id(), site.id(), treeId), added);
                }
            });
        }
        return tree;
    }

    /** The survey with its days counted from today turned into dates; what is no day is left for the survey's own checks. */
    private JsonNode dated(JsonNode survey, DayWords words) {
        if (!(survey instanceof ObjectNode node)) {
            return survey == null ? json.getNodeFactory().nullNode() : survey;
        }
        ObjectNode copy = node.deepCopy();
        resolve(copy, "surveyedOn", words);
        if (copy.get("observedStage") instanceof ObjectNode stage) {
            resolve(stage, "on", words);
        }
        return copy;
    }

    private static void resolve(ObjectNode node, String field, DayWords words) {
        words.day(node.path(field).asString("")).ifPresent(day -> node.put(field, day.toString()));
    }
}
