package org.diligentbough.server.archive;

import java.time.DateTimeException;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.ToLongFunction;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.season.CareTask;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.Face;
import org.diligentbough.core.wood.Sighting;
import org.diligentbough.core.wood.Wound;
import org.diligentbough.server.archive.RecordMapper.ColumnRow;
import org.diligentbough.server.outlook.Wish;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * What an archive carries row by row as it stands in the database: columns by their names, trees by their tags, people by
 * their names, work days by their place in the archive. Row numbers stay behind, so that what comes in goes out the same.
 */
@Component
class ArchiveRecords {
    private static final String OF_TREE = "r.tree_id in (select id from tree where site_id = #{siteId})";
    private static final String OF_SITE = "r.site_id = #{siteId}";
    private static final String OF_DAY = "r.work_day_id in (select id from work_day where site_id = #{siteId})";
    private static final String TAG = "(select tag from tree t where t.id = r.tree_id) collate \"C\"";
    private static final String NAME = "(select name from person p where p.id = r.person_id) collate \"C\"";
    private static final String AS_ADDED = "r.id";
    static final String PHOTOS = "photos";
    private static final String HISTORY = "history";
    private static final String TREE_ID = "tree_id";
    private static final String TREE = "tree";
    private static final String DAY_ID = "work_day_id";
    private static final String DAY = "day";
    private static final String THING = "entity_id";
    static final String KEY = "key";
    private static final String CAME_AS = "came_as";
    private static final String SITE_ID = "site_id";
    private static final String NOT_KNOWN = "is not known here; look it up in the archive's format";
    /** What numbers rows in what was before and after. */
    private static final List<String> OF_THE_ROW =
            List.of("id", "siteId", "treeId", "personId", "surveyId", "visitId", "workDayId", "peopleIds", "corrects");

    /**
     * A table that is carried.
     *
     * @param people columns that hold somebody
     * @param left columns that stay behind
     */
    record Carried(String name, String table, String ofSite, String order, Set<String> people, Set<String> left) {}

    /** In the order they are taken in. */
    static final List<Carried> ALL = List.of(
            new Carried("owners", "tree_owner", OF_TREE, TAG + ", " + NAME, Set.of("person_id"), Set.of()),
            new Carried(
                    "decisions",
                    "limb_decision",
                    OF_TREE,
                    TAG + ", r.limb collate \"C\"",
                    Set.of("decided_by"),
                    Set.of("version")),
            new Carried(
                    "opinions",
                    "limb_opinion",
                    OF_TREE,
                    TAG + ", r.limb collate \"C\", " + NAME,
                    Set.of("person_id"),
                    Set.of()),
            new Carried(
                    "figures",
                    "site_figure",
                    OF_SITE,
                    "r.figure collate \"C\", r.kind collate \"C\" nulls first",
                    Set.of("changed_by"),
                    Set.of("version")),
            new Carried("learning", "learning", OF_SITE, "r.since", Set.of("always_by"), Set.of("looked_on")),
            new Carried("care", "care_done", OF_SITE, AS_ADDED, Set.of("done_by"), Set.of()),
            new Carried("weather", "weather_day", OF_SITE, "r.on_day", Set.of(), Set.of()),
            new Carried("drafts", "survey_draft", OF_TREE, TAG + ", " + NAME, Set.of("person_id"), Set.of()),
            new Carried("whatIfs", "what_if", OF_TREE, TAG + ", r.name collate \"C\"", Set.of("made_by"), Set.of()),
            new Carried("consents", "consent", OF_TREE, AS_ADDED, Set.of("asked_by", "answered_by"), Set.of()),
            new Carried(
                    "contentments",
                    "contentment",
                    OF_TREE,
                    TAG + ", " + NAME + ", r.year",
                    Set.of("person_id"),
                    Set.of()),
            new Carried("dayNotes", "day_note", OF_DAY, AS_ADDED, Set.of("said_by"), Set.of()),
            new Carried(
                    "invitations",
                    "day_invitation",
                    OF_DAY,
                    "r.work_day_id, " + NAME,
                    Set.of("person_id", "invited_by"),
                    Set.of("at_address")),
            new Carried("tasks", "task", OF_SITE, AS_ADDED, Set.of("made_by", "done_by"), Set.of("version")),
            new Carried("attendance", "day_attendance", OF_DAY, AS_ADDED, Set.of("person_id", "entered_by"), Set.of()),
            new Carried("firstLists", "day_first_list", OF_DAY, "r.work_day_id", Set.of("said_by"), Set.of()),
            new Carried("incidents", "incident", OF_SITE, AS_ADDED, Set.of("entered_by"), Set.of()),
            new Carried(
                    "oldWounds", "old_wound", OF_TREE, TAG + ", r.name collate \"C\"", Set.of("found_by"), Set.of()),
            new Carried(
                    "woundLooks",
                    "wound_look",
                    OF_TREE,
                    TAG + ", r.wound collate \"C\", r.looked_on",
                    Set.of("looked_by"),
                    Set.of()),
            new Carried(
                    "diseaseSeen",
                    "disease_seen",
                    OF_TREE,
                    TAG + ", r.disease collate \"C\", r.seen_on",
                    Set.of("seen_by"),
                    Set.of()),
            new Carried("pickings", "fruit_picking", OF_TREE, AS_ADDED, Set.of("picked_by"), Set.of()),
            new Carried("crops", "crop_reckoned", OF_TREE, TAG + ", r.year", Set.of("counted_by"), Set.of()),
            new Carried(PHOTOS, "photo", OF_TREE, AS_ADDED, Set.of("added_by"), Set.of(CAME_AS)),
            new Carried(
                    HISTORY,
                    HISTORY,
                    OF_SITE + " and not (r.entity = 'site' and r.action = 'imported')",
                    AS_ADDED,
                    Set.of("person_id"),
                    Set.of()));

    private final RecordMapper mapper;
    private final JsonMapper json;

    ArchiveRecords(RecordMapper mapper, JsonMapper json) {
        this.mapper = mapper;
        this.json = json;
    }

    /** How rows of a site are named in an archive. */
    record Names(Map<Long, String> tags, Map<Long, String> people, List<Long> days) {}

    /** What a site has of every table, those that are empty left out, and the names that stand in it. */
    record Written(Map<String, List<ObjectNode>> records, Set<String> people) {}

    Written of(long siteId, Names names) {
        Map<String, List<ObjectNode>> records = new LinkedHashMap<>();
        Set<String> people = new LinkedHashSet<>();
        for (Carried one : ALL) {
            List<ColumnRow> columns = mapper.columns(one.table());
            List<String> rows = mapper.rows(one.table(), one.ofSite(), one.order(), siteId);
            Map<String, Integer> things = new HashMap<>();
            if (!rows.isEmpty()) {
                records.put(
                        one.name(),
                        rows.stream()
                                .map(row ->
                                        written(one, columns, (ObjectNode) json.readTree(row), names, people, things))
                                .toList());
            }
        }
        return new Written(records, people);
    }

    private ObjectNode written(
            Carried one,
            List<ColumnRow> columns,
            ObjectNode row,
            Names names,
            Set<String> people,
            Map<String, Integer> things) {
        ObjectNode out = json.createObjectNode();
        for (ColumnRow column : columns) {
            JsonNode value = row.get(column.name());
            if (value.isNull() || staysBehind(one, column.name())) {
                continue;
            }
            String field = field(one, column.name());
            if (one.people().contains(column.name())) {
                String name = names.people().get(value.longValue());
                people.add(name);
                out.put(field, name);
            } else if (column.name().equals(TREE_ID)) {
                out.put(field, names.tags().get(value.longValue()));
            } else if (column.name().equals(DAY_ID)) {
                out.put(field, names.days().indexOf(value.longValue()));
            } else if (column.name().equals(THING)) {
                String thing = row.get("entity").stringValue() + " " + value.longValue();
                things.putIfAbsent(thing, things.size() + 1);
                out.put(field, things.get(thing));
            } else if (column.name().equals(KEY) && row.hasNonNull(CAME_AS)) {
                out.set(field, row.get(CAME_AS));
            } else if (column.type().startsWith("timestamp")) {
                out.put(
                        field,
                        OffsetDateTime.parse(value.stringValue()).toInstant().toString());
            } else {
                out.set(field, bare(one, value));
            }
        }
        return out;
    }

    private static boolean staysBehind(Carried one, String column) {
        return column.equals("id") || column.equals(SITE_ID) || one.left().contains(column);
    }

    /** What was before and after a change without the numbers of rows, which are others elsewhere. */
    private static JsonNode bare(Carried one, JsonNode value) {
        if (one.name().equals(HISTORY) && value instanceof ObjectNode state) {
            state.remove(OF_THE_ROW);
        }
        return value;
    }

    private static String field(Carried one, String column) {
        if (column.equals(TREE_ID)) {
            return TREE;
        }
        if (column.equals(DAY_ID)) {
            return DAY;
        }
        if (column.equals(THING)) {
            return "thing";
        }
        String name = one.people().contains(column) && column.endsWith("_id")
                ? column.substring(0, column.length() - "_id".length())
                : column;
        StringBuilder camel = new StringBuilder();
        for (String word : name.split("_")) {
            camel.append(camel.isEmpty() ? word : Character.toUpperCase(word.charAt(0)) + word.substring(1));
        }
        return camel.toString();
    }

    /** Where what an archive names is found here. */
    record Places(
            long siteId, Map<String, Long> trees, ToLongFunction<String> person, List<Long> days, DayWords words) {}

    /**
     * Takes rows in. Pictures get the key they had, or another where that one is taken.
     *
     * @return the keys pictures have here, by those they have in the archive
     */
    Map<String, String> add(Map<String, List<ObjectNode>> records, Places places, Problems problems) {
        for (String name : records.keySet()) {
            if (ALL.stream().noneMatch(one -> one.name().equals(name))) {
                problems.add("/records/" + name, NOT_KNOWN);
            }
        }
        Map<String, String> pictures = new LinkedHashMap<>();
        for (Carried one : ALL) {
            Reading reading = new Reading(one, places, problems);
            List<ObjectNode> rows = records.getOrDefault(one.name(), List.of());
            List<ObjectNode> read = new ArrayList<>();
            for (int i = 0; i < rows.size(); i++) {
                read.add(reading.row(rows.get(i), "/records/" + one.name() + "/" + i));
            }
            problems.refuseIfAny();
            for (int i = 0; i < read.size(); i++) {
                add(one, read.get(i), problems, "/records/" + one.name() + "/" + i);
            }
            if (one.name().equals(PHOTOS)) {
                read.forEach(photo -> pictures.put(
                        photo.get(CAME_AS).stringValue(), photo.get(KEY).stringValue()));
            }
        }
        return pictures;
    }

    private void add(Carried one, ObjectNode row, Problems problems, String at) {
        try {
            mapper.add(one.table(), String.join(", ", row.propertyNames()), json.writeValueAsString(row));
        } catch (DataAccessException e) {
            problems.add(at, "is not what an archive has there: something is missing, twice, or out of its range");
            problems.refuseIfAny(); // the database takes nothing more in this transaction
        }
    }

    /** Rows of one table, read from an archive. */
    private final class Reading {
        private final Carried one;
        private final List<ColumnRow> columns;
        private final Places places;
        private final Problems problems;

        private Reading(Carried one, Places places, Problems problems) {
            this.one = one;
            this.columns = mapper.columns(one.table());
            this.places = places;
            this.problems = problems;
        }

        private ObjectNode row(ObjectNode given, String at) {
            ObjectNode row = json.createObjectNode();
            Set<String> known = new LinkedHashSet<>();
            for (ColumnRow column : columns) {
                if (column.name().equals(SITE_ID)) {
                    row.put(SITE_ID, places.siteId());
                } else if (!staysBehind(one, column.name())) {
                    String field = field(one, column.name());
                    known.add(field);
                    if (given.hasNonNull(field)) {
                        cell(column, given.get(field), row, at + "/" + field);
                    }
                }
            }
            for (String field : given.propertyNames()) {
                if (!known.contains(field)) {
                    problems.add(at + "/" + field, NOT_KNOWN);
                }
            }
            look(given, at);
            return row;
        }

        private void cell(ColumnRow column, JsonNode value, ObjectNode row, String at) {
            String text = value.asString("");
            if (one.people().contains(column.name())) {
                if (problems.named(text, at)) {
                    row.put(column.name(), places.person().applyAsLong(text));
                }
            } else if (column.name().equals(TREE_ID)) {
                if (places.trees().containsKey(text)) {
                    row.put(TREE_ID, places.trees().get(text));
                } else {
                    problems.add(at, "is the tag of no tree of this archive");
                }
            } else if (column.name().equals(DAY_ID)) {
                int day = value.asInt(-1);
                if (day >= 0 && day < places.days().size()) {
                    row.put(DAY_ID, places.days().get(day));
                } else {
                    problems.add(at, "is the place of no work day of this archive");
                }
            } else if (column.name().equals(THING)) {
                row.put(THING, -Math.abs(value.asLong(1)));
            } else if (one.name().equals(PHOTOS) && column.name().equals(KEY)) {
                key(text, row, at);
            } else if (column.type().equals("date")) {
                problems.day(places.words(), text, at).ifPresent(on -> row.put(column.name(), on.toString()));
            } else if (column.type().startsWith("timestamp")) {
                try {
                    row.put(column.name(), OffsetDateTime.parse(text).toString());
                } catch (DateTimeException e) {
                    problems.add(at, "is no moment; give one such as 2027-02-20T09:30:00Z");
                }
            } else {
                row.set(column.name(), value);
            }
        }

        private void key(String text, ObjectNode row, String at) {
            try {
                String key = UUID.fromString(text).toString();
                row.put(CAME_AS, key);
                row.put(KEY, mapper.photoTaken(key) ? UUID.randomUUID().toString() : key);
            } catch (IllegalArgumentException e) {
                problems.add(at, "is no key; give a UUID");
            }
        }

        /** What the database does not look at and the rules go by. */
        private void look(ObjectNode given, String at) {
            switch (one.name()) {
                case "figures" -> {
                    if (given.hasNonNull("kind")) {
                        code(Species.class, given, "kind", at);
                    }
                    Optional<Figure> figure = code(Figure.class, given, "figure", at);
                    double value = given.path("value").asDouble(Double.NaN);
                    if (figure.isPresent()
                            && !(value >= figure.get().min()
                                    && value <= figure.get().max())) {
                        problems.add(
                                at + "/value",
                                "makes no sense; give " + figure.get().min() + " to "
                                        + figure.get().max());
                    }
                }
                case "care" -> {
                    code(CareTask.class, given, "task", at);
                    if (given.hasNonNull("species")) {
                        code(Species.class, given, "species", at);
                    }
                }
                case "oldWounds" -> {
                    if (given.hasNonNull("face")) {
                        code(Face.class, given, "face", at);
                    }
                }
                case "woundLooks" -> code(Wound.State.class, given, "state", at);
                case "diseaseSeen" -> {
                    code(Disease.class, given, "disease", at);
                    code(Sighting.State.class, given, "state", at);
                }
                case "whatIfs" -> {
                    try {
                        problems.check(json.treeToValue(given.path("wish"), Wish.class), at + "/wish");
                    } catch (JacksonException e) {
                        problems.add(at + "/wish", "is not what people want of a plan");
                    }
                }
                case "drafts" -> {
                    if (!given.path("document").isObject()) {
                        problems.add(at + "/document", "is missing; give what was walked so far");
                    }
                }
                case PHOTOS -> {
                    if (!given.hasNonNull(KEY)) {
                        problems.add(at + "/" + KEY, "is missing; give the picture's key");
                    }
                }
                default -> {
                    // the database says what fits the others
                }
            }
        }

        private <E extends Enum<E>> Optional<E> code(Class<E> type, ObjectNode given, String field, String at) {
            Optional<E> code = Codes.parse(type, given.path(field).asString(""));
            if (code.isEmpty()) {
                problems.add(at + "/" + field, "is not known here");
            }
            return code;
        }
    }
}
