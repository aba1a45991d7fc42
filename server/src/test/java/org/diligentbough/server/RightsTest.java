package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;

import java.io.IOException;
import java.io.StringReader;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.diligentbough.server.TestServer.Answer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * Every endpoint of the published document, asked by every role and by nobody, at one's own site and at another, is answered
 * as the table of rights says.
 */
class RightsTest {
    private static final List<String> ROLES = List.of("owner", "volunteer", "leader", "coordinator");
    /** What everybody may whatever stands in its way, and what would end the sessions this test asks with. */
    private static final Set<String> ENDS_SESSIONS = Set.of("DELETE /api/me/sessions", "DELETE /api/session");

    private static final String SAME_FOR_ALL = "There is no such";

    /** A line of the table. */
    private record Line(String method, String path, String of, Map<String, String> when, boolean nobody) {
        String name() {
            return method + " " + path;
        }
    }

    private static List<Line> table() {
        try (var csv = CSVFormat.DEFAULT
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .get()
                .parse(new StringReader(TestServer.file("server/src/main/resources/access/rights.csv")))) {
            List<Line> lines = new ArrayList<>();
            for (CSVRecord row : csv) {
                Map<String, String> when = new LinkedHashMap<>();
                ROLES.forEach(role -> when.put(role, row.get(role)));
                lines.add(new Line(
                        row.get("method"),
                        row.get("path"),
                        row.get("of"),
                        when,
                        row.get("nobody").equals("yes")));
            }
            return lines;
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    private static final JsonNode DOCUMENT = get("/api/openapi").json();

    /** How a body is sent to an endpoint: with the type the document wants, empty of what makes sense. */
    private static String type(Line line) {
        if (line.path().endsWith("/photos")) {
            return "image/jpeg";
        }
        JsonNode content = DOCUMENT.at("/paths")
                .path(line.path())
                .path(line.method().toLowerCase())
                .at("/requestBody/content");
        return content.isObject() ? content.propertyNames().iterator().next() : "application/json";
    }

    @Test
    void everyEndpointHasALineAndEveryLineAnEndpoint() {
        Set<String> published = new HashSet<>();
        DOCUMENT.get("paths").propertyStream().forEach(path -> path.getValue()
                .propertyNames()
                .forEach(method -> published.add(method.toUpperCase() + " " + path.getKey())));
        Set<String> lines = new HashSet<>();
        table().forEach(line -> lines.add(line.name()));
        assertThat(lines).containsAll(published);
        lines.removeAll(published);
        // Hidden from the document: a picture, progress, the document itself.
        assertThat(lines)
                .containsExactlyInAnyOrder(
                        "GET /api/photos/{key}", "GET /api/jobs/{jobId}/progress", "GET /api/openapi");
    }

    @Test
    void nobodySignedInHearsNothingButWhatIsOpen() {
        Things things = new Things("Closed to nobody", TestServer.whoId());
        for (Line line : table()) {
            Answer answer = ask(0, line, things);
            if (line.nobody()) {
                assertThat(answer.status()).as(line.name()).isNotIn(401, 403);
            } else {
                assertThat(answer.status()).as(line.name()).isEqualTo(401);
            }
        }
    }

    @Test
    void eachRoleMayWhatItsColumnSaysOfWhatOthersEntered() {
        Things things = new Things("Of others", TestServer.whoId());
        for (String role : ROLES) {
            long who = things.member(role, false);
            for (Line line : table()) {
                String when = line.when().get(role);
                boolean may = List.of("yes", "any-site").contains(when)
                        || line.when().get("owner").equals("own-trees") && role.equals("owner");
                check(who, role, line, things, may || line.nobody());
            }
        }
    }

    @Test
    void eachRoleMayWhatItsColumnSaysOfItsOwn() {
        for (String role : ROLES) {
            long who = TestServer.personNamed("Own " + role + " " + UUID.randomUUID());
            Things things = new Things("Own of " + role, who);
            things.make(who, role, true);
            for (Line line : table()) {
                boolean self = line.of().equals("person");
                if (!self || line.when().get(role).equals("self")) {
                    check(who, role, line, things, !line.when().get(role).equals("-") || line.nobody());
                }
            }
        }
    }

    @Test
    void whoBelongsToAnotherSiteHearsOfNothingHere() {
        Things here = new Things("Here", TestServer.whoId());
        Things there = new Things("There", TestServer.whoId());
        here.only(here.other, "volunteer", false);
        here.self = here.other;
        for (String role : ROLES) {
            long who = there.member(role, true);
            for (Line line : table()) {
                if (!line.of().equals("anything")) {
                    Answer answer = ask(who, line, here);
                    assertThat(answer.status())
                            .as(line.name() + " by a " + role + " of another site")
                            .isEqualTo(404);
                    assertThat(answer.text()).contains(SAME_FOR_ALL);
                }
            }
        }
    }

    private static void check(long who, String role, Line line, Things things, boolean may) {
        if (ENDS_SESSIONS.contains(line.name())) {
            return;
        }
        Answer answer = ask(who, line, things);
        String what = line.name() + " by a " + role + " said " + answer.status() + " " + answer.text();
        if (may) {
            assertThat(answer.status()).as(what).isNotIn(401, 403);
            assertThat(answer.text()).as(what).doesNotContain("\"detail\":\"" + SAME_FOR_ALL + " " + line.of());
        } else {
            assertThat(answer.status()).as(what).isEqualTo(403);
            assertThat(answer.text()).as(what).contains("Who may: ");
        }
    }

    private static Answer ask(long who, Line line, Things things) {
        String path = line.path();
        for (String part : line.path().split("/")) {
            if (part.startsWith("{")) {
                path = path.replace(part, things.part(part.substring(1, part.length() - 1), line));
            }
        }
        return TestServer.sendAs(
                who, line.method(), path, type(line), line.method().equals("GET") ? null : "{}");
    }

    /** A site with one of everything, entered by somebody. */
    private static final class Things {
        private static final String VISIT = """
                insert into tree_visit (tree_id, work_day_id, cuts, shoots, shoots_minutes, shoots_share, kit, sick)
                values (%d, %d, '[]', 0, 0, 0, '{}', false) returning id
                """;

        private final long site;
        private final long tree;
        private final long day;
        private final long visit;
        private final long survey;
        private final long by;
        private final long other;
        /** Whom an address names that one may ask about oneself. */
        private long self;

        Things(String name, long by) {
            this.by = by;
            self = by;
            site = TestServer.site(name + " " + UUID.randomUUID());
            tree = TestServer.tree(site, "R-1");
            survey = post("/api/trees/" + tree + "/surveys", TestServer.walkJson())
                    .expect(201)
                    .get("id")
                    .longValue();
            day = TestServer.day(site, "2027-03-06");
            visit = number(VISIT.formatted(tree, day));
            other = number("insert into person (name) values ('Somebody else') returning id");
            TestServer.sql("update survey set surveyed_by = " + by + " where id = " + survey
                    + "; insert into work_day_person values (" + day + ", " + by + ")"
                    + "; insert into tree_visit_person values (" + visit + ", " + by + ")");
            only(other, "volunteer", false);
        }

        /** Somebody new who is that here and nothing anywhere else. */
        long member(String role, boolean maySurvey) {
            long who = number(
                    "insert into person (name) values ('A " + role + " " + UUID.randomUUID() + "') returning id");
            make(who, role, maySurvey);
            return who;
        }

        void make(long who, String role, boolean maySurvey) {
            TestServer.session(who);
            only(who, role, maySurvey);
            if (role.equals("owner")) {
                TestServer.sql("insert into tree_owner values (" + tree + ", " + who + ")");
            }
        }

        private void only(long who, String role, boolean maySurvey) {
            TestServer.sql("delete from membership where person_id = " + who + "; insert into membership values (" + who
                    + ", " + site + ", '" + role + "', " + maySurvey + ")");
        }

        /** What stands in an address; what may be taken away is there anew each time. */
        String part(String variable, Line line) {
            return switch (variable) {
                case "siteId" -> String.valueOf(site);
                case "treeId" -> {
                    if (line.of().equals("fruit")) {
                        TestServer.sql("insert into fruit_year (tree_id, year, kilos, by_person) values (" + tree
                                + ", 2026, 5, " + by + ") on conflict do nothing");
                    }
                    yield String.valueOf(tree);
                }
                case "dayId" -> String.valueOf(day);
                case "visitId" -> String.valueOf(visitNow(line));
                case "surveyId" -> String.valueOf(survey);
                case "personId" -> {
                    // Whoever was taken from the site, or forgotten, is there again.
                    only(other, "volunteer", false);
                    yield String.valueOf(
                            line.of().equals("person") && line.when().containsValue("self") ? self : other);
                }
                case "species" -> "apple";
                case "figure" -> "cut-too-large-cm";
                case "limb" -> "A";
                case "year" -> "2026";
                default -> String.valueOf(thing(line.of()));
            };
        }

        private long visitNow(Line line) {
            return line.method().equals("DELETE") ? freshVisit() : visit;
        }

        private long freshVisit() {
            long made = number(VISIT.formatted(tree, day));
            TestServer.sql("insert into tree_visit_person values (" + made + ", " + by + ")");
            return made;
        }

        private Object thing(String of) {
            String tail = " returning id";
            return switch (of) {
                case "log" ->
                    number("insert into visit_log (tree_visit_id, sent_key, on_date, minutes, prunings, shoots, cuts,"
                            + " logged_by) values (" + freshVisit()
                            + ", gen_random_uuid(), '2027-02-01', 5, 'left', 0, '[]', " + by + ")" + tail);
                case "report" ->
                    number("insert into report (tree_id, on_date, kind, dangerous, seen_by) values (" + tree
                            + ", '2027-02-01', 'other', false, " + by + ")" + tail);
                case "photo" -> {
                    UUID key = UUID.randomUUID();
                    TestServer.sql(
                            "insert into photo (key, tree_id, taken_on, spot, bytes, width, height, added_by) values ('"
                                    + key + "', " + tree + ", '2027-02-01', 'cut', 4, 4, 4, " + by + ")");
                    yield key;
                }
                case "job" ->
                    number("insert into job (kind, site_id, total, done, state, started_by) values ('light', " + site
                            + ", 1, 1, 'done', " + by + ")" + tail);
                case "sighting" ->
                    number("insert into stage_sighting (site_id, species, bbch, seen_on, seen_by) values (" + site
                            + ", 'apple', 65, '2026-05-01', " + by + ")" + tail);
                case "care" ->
                    number("insert into care_done (site_id, task, year, done_on, done_by) values (" + site + ", '"
                            + UUID.randomUUID().toString().substring(0, 20) + "', 2027, '2027-02-01', " + by + ")"
                            + tail);
                case "change" ->
                    number("insert into history (person_id, site_id, tree_id, entity, entity_id, action) values (" + by
                            + ", " + site + ", " + tree + ", 'note', 1, 'changed')" + tail);
                case "what-if" ->
                    number("insert into what_if (tree_id, name, wish, made_by, made_on) values (" + tree + ", '"
                            + UUID.randomUUID() + "', '{}', " + by + ", '2027-02-01')" + tail);
                case "task" ->
                    number(
                            "insert into task (site_id, kind, title, opens, closes, minutes, people, kit, source, made_by, work_day_id)"
                                    + " values (" + site
                                    + ", 'other', 't', '2027-02-01', '2027-03-01', 5, 1, '{}', 'hand', " + by + ", "
                                    + day + ")" + tail);
                case "letter" ->
                    number("insert into letter (site_id, person_id, kind, subject, body, link, eml, state) values ("
                            + site + ", " + other + ", 'told', 's', 'b', '', 'e', 'by-hand')" + tail);
                case "invitation" ->
                    number("insert into invitation (hash, kind, site_id, person_id, good_until) values ('"
                            + UUID.randomUUID() + "', 'join', " + site + ", " + other + ", now())" + tail);
                default -> 1;
            };
        }

        private static long number(String statement) {
            try (Connection database = TestServer.database();
                    ResultSet found = database.createStatement().executeQuery(statement)) {
                found.next();
                return found.getLong(1);
            } catch (SQLException e) {
                throw new IllegalStateException(statement, e);
            }
        }
    }
}
