package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.JSON;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;
import static org.diligentbough.server.TestServer.sendBytes;
import static org.diligentbough.server.TestServer.sql;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** An archive carries everything of a site, and what comes in goes out the same, byte for byte. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class WholeArchiveTest {
    private static final String PLACE = "A place with everything";

    /** What an archive holds in its sections of trees, days and people. */
    private static final List<String> IN_SECTIONS = List.of(
            "site",
            "tree",
            "survey",
            "person",
            "person_ticket",
            "person_free_day",
            "membership",
            "stage_sighting",
            "work_day",
            "work_day_person",
            "tree_visit",
            "tree_visit_person",
            "visit_log",
            "visit_log_person",
            "report",
            "fruit_year",
            "tree_removal",
            "tree_plan",
            "plan_version",
            "season_hours",
            "programme_lock");

    /** What is worked out anew from that. */
    private static final List<String> WORKED_OUT = List.of(
            "tree_judgement",
            "plan_lane",
            "lane_work",
            "stale_tree",
            "job",
            "job_piece",
            "day_proposal",
            "tree_grade",
            "walk_light");

    /** Keys to the door are of this house alone; what was sent under which key besides surveys, logs and pictures too. */
    private static final List<String> OF_THIS_HOUSE = List.of(
            "account",
            "invitation",
            "calendar_link",
            "day_answer_link",
            "letter",
            "person_contact",
            "access_event",
            "spring_session",
            "spring_session_attributes",
            "sent_once",
            "flyway_schema_history");

    private long siteId;

    @BeforeAll
    void aSiteWithEverything() throws IOException {
        ObjectNode demo =
                (ObjectNode) JSON.readTree(WholeArchiveTest.class.getResourceAsStream("/sample/kilnfield.json"));
        ((ObjectNode) demo.get("site")).put("name", PLACE);
        siteId = post("/api/archives", JSON.writeValueAsString(demo))
                .expect(201)
                .get("siteId")
                .longValue();
        JsonNode tree = get("/api/sites/" + siteId + "/trees").json().at("/trees/0");
        long treeId = tree.get("id").longValue();
        String limb = get("/api/trees/" + treeId + "/judgement")
                .expect(200)
                .at("/evaluation/limbs/0/id")
                .stringValue();
        String at = "/api/trees/" + treeId + "/limbs/" + limb;
        put(at + "/opinion", "{\"verdict\": \"keep\", \"note\": \"it bears\"}").expect(200);
        put(at + "/decision", "{\"version\": 0, \"verdict\": \"keep\", \"note\": \"it \\\"bears\\\"\"}")
                .expect(200);
        put("/api/sites/" + siteId + "/figures/two-people-kg", "{\"version\": 0, \"value\": 12.5}")
                .expect(200);
        put("/api/sites/" + siteId + "/figures/two-people-kg?kind=plum", "{\"version\": 0, \"value\": 11}")
                .expect(200);
        put("/api/trees/" + treeId + "/crop", "{\"counted\": 120}").expect(200);
        put("/api/sites/" + siteId + "/learned", "{\"always\": true}").expect(200);
        sendBytes(
                        "/api/trees/" + treeId + "/photos?takenOn=2027-02-20&spot=gate&key=" + UUID.randomUUID(),
                        "image/jpeg",
                        PhotoApiTest.jpeg(300, 200))
                .expect(201);
        JsonNode walk = JSON.readTree(TestServer.walkJson());
        post("/api/trees/" + treeId + "/surveys?sentAs=" + UUID.randomUUID(), JSON.writeValueAsString(walk))
                .expect(201);
        long me = TestServer.whoId();
        sql("insert into tree_owner (tree_id, person_id) values (" + treeId + ", "
                + TestServer.personNamed("Olwen Owner") + ")");
        sql("insert into membership (person_id, site_id, role) select person_id, " + siteId
                + ", 'owner' from tree_owner where tree_id = " + treeId
                + " on conflict (person_id, site_id) do update set role = 'owner'");
        sql("insert into care_done (site_id, task, species, year, done_on, done_by, note) values (" + siteId
                + ", 'spread', 'apple', 2027, '2027-02-01', " + me + ", 'straw')");
        sql("insert into weather_day (site_id, on_day, min_c, max_c, rain_mm, wind_kmh, file) values (" + siteId
                + ", '2027-02-01', -1.25, 6, 0.1, 12, 'feb.csv')");
        sql("insert into survey_draft (tree_id, person_id, document, version) values (" + treeId + ", " + me
                + ", jsonb_build_object('b', 1, 'a', jsonb_build_object('é', 2.50)), 3)");
        sql("insert into what_if (tree_id, name, wish, made_by, made_on) values (" + treeId
                + ", 'lower', jsonb_build_object('targetHeightM', 3.5), " + me + ", '2027-02-02')");
        sql("insert into consent (tree_id, plan, limits, state, asked_by) values (" + treeId
                + ", 1, 'only the dead', 'asked', " + me + ")");
        sql("insert into contentment (tree_id, person_id, year, grade, said) values (" + treeId + ", " + me
                + ", 2026, 4, 'good')");
        sql("insert into day_note (work_day_id, said_by, note) select id, " + me
                + ", 'bring gloves' from work_day where site_id = " + siteId + " order by id limit 1");
        sql(
                "insert into task (site_id, tree_id, kind, title, opens, closes, minutes, people, kit, source, source_key, substance,"
                        + " label_rate, harvest_days, made_by, work_day_id, done_on, done_by, done_note) select "
                        + siteId + ", min(t.id), "
                        + "'treatment', 'Spray', '2027-02-01', '2027-02-20', 30, 2, '{ladder}', 'work', 'work:x', 'soap', '2 %', 0, "
                        + me
                        + ", (select min(id) from work_day where site_id = " + siteId + "), '2027-02-10', " + me
                        + ", 'done well' from tree t where t.site_id = " + siteId);
        sql("insert into day_attendance (work_day_id, person_id, came_at, went_at, entered_by) select min(id), " + me
                + ", '2027-02-10 09:00+00', '2027-02-10 12:00+00', " + me + " from work_day where site_id = " + siteId);
        sql(
                "insert into day_first_list (work_day_id, answers, said_by) select min(id), jsonb_build_object('nests', true), "
                        + me + " from work_day where site_id = " + siteId);
        sql(
                "insert into old_wound (tree_id, name, on_limb, found_on, diameter_cm, face, hollow_cm, note, found_by) values ("
                        + treeId + ", 'old 9', 'A', '2026-05-01', 9, 'hollow', 3, 'by the fork', " + me + ")");
        sql("insert into wound_look (tree_id, wound, looked_on, long_mm, short_mm, state, note, looked_by) values ("
                + treeId + ", 'old 9', '2026-12-01', 84, 80.5, 'dry', 'with a lip', " + me + ")");
        sql("insert into disease_seen (tree_id, disease, seen_on, state, limb, note, seen_by) values (" + treeId
                + ", 'unknown', '2026-11-01', 'suspected', 'A', 'weeping', " + me + ")");
        sql(
                "insert into fruit_picking (tree_id, picked_on, year, kilos, number, spoilt_kilos, note, picked_by) values ("
                        + treeId + ", '2026-09-12', 2026, 12.5, 110, 0.5, 'windfalls left', " + me + ")");
        sql("insert into incident (site_id, work_day_id, on_date, near_miss, what, entered_by) select " + siteId
                + ", min(id), '2027-02-10', true, 'A ladder slipped', " + me + " from work_day where site_id = "
                + siteId);
        sql(
                "insert into day_invitation (work_day_id, person_id, invited_by, invited_at, answer, from_time, until_time, remark,"
                        + " answered_at, told) select id, " + me + ", " + me
                        + ", '2027-02-01', 'yes', '10:00', '12:00', 'by bicycle', '2027-02-02', 'a digest' from work_day where site_id = "
                        + siteId);
        sql(
                "insert into work_day (site_id, on_date, starts, ends, state, shed) select site_id, on_date, '13:00', '15:00', 'planned', shed "
                        + "from work_day where site_id = " + siteId + " and state = 'planned' order by id limit 1");
        sql(
                "update tree_visit set crew = 2, starts = '10:05', ends = '10:40' where id = (select v.id from tree_visit v join work_day d "
                        + "on d.id = v.work_day_id where d.site_id = " + siteId
                        + " and not v.logged order by v.id limit 1)");
        long gone = TestServer.personNamed("Gerda Gone");
        sql("insert into membership (person_id, site_id, role) values (" + gone + ", " + siteId
                + ", 'volunteer') on conflict (person_id, site_id) do update set role = 'volunteer'");
        sql("insert into work_day_person (work_day_id, person_id) select id, " + gone
                + " from work_day where site_id = " + siteId + " order by id limit 1");
        sql("update person set left_on = '2027-01-31' where id = " + gone);
    }

    private static byte[] archive(long siteId) {
        return TestServer.bytes("/api/sites/" + siteId + "/archive");
    }

    private static String text(byte[] archive) {
        return new String(archive, StandardCharsets.UTF_8);
    }

    @Test
    void everyTableIsCarriedOrWorkedOutAnewOrOfThisHouse() throws SQLException {
        List<String> tables = new ArrayList<>();
        try (Connection database = TestServer.database();
                ResultSet rows = database.createStatement()
                        .executeQuery("select tablename from pg_tables where schemaname = current_schema()")) {
            while (rows.next()) {
                tables.add(rows.getString(1));
            }
        }
        List<String> carried = List.of(
                "tree_owner",
                "limb_decision",
                "limb_opinion",
                "site_figure",
                "learning",
                "care_done",
                "weather_day",
                "survey_draft",
                "what_if",
                "consent",
                "contentment",
                "day_note",
                "day_invitation",
                "task",
                "day_attendance",
                "day_first_list",
                "incident",
                "old_wound",
                "wound_look",
                "disease_seen",
                "fruit_picking",
                "crop_reckoned",
                "photo",
                "history");
        assertThat(tables)
                .containsExactlyInAnyOrderElementsOf(Stream.of(IN_SECTIONS, WORKED_OUT, OF_THIS_HOUSE, carried)
                        .flatMap(List::stream)
                        .toList());
        JsonNode records = JSON.readTree(archive(siteId)).get("records");
        assertThat(records.propertyNames()).hasSameSizeAs(carried);
        records.forEach(rows -> assertThat(rows).isNotEmpty());
    }

    @Test
    void whatComesInGoesOutTheSameByteForByte() {
        String out = text(archive(siteId)).replace(PLACE, "It moved house");
        long there = post("/api/archives", out).expect(201).get("siteId").longValue();
        assertThat(text(archive(there))).isEqualTo(out);
        String plan = "/judgement";
        List<Long> here = trees(siteId);
        List<Long> moved = trees(there);
        for (int i = 0; i < 3; i++) {
            assertThat(get("/api/trees/" + moved.get(i) + plan).expect(200).at("/evaluation"))
                    .isEqualTo(
                            get("/api/trees/" + here.get(i) + plan).expect(200).at("/evaluation"));
        }
        assertThat(get("/api/sites/" + there + "/history").expect(200)).isNotEmpty();
    }

    private static List<Long> trees(long siteId) {
        List<Long> ids = new ArrayList<>();
        get("/api/sites/" + siteId + "/trees")
                .json()
                .get("trees")
                .forEach(tree -> ids.add(tree.get("id").longValue()));
        return ids;
    }

    @Test
    void picturesComeBesideItAndTheZipIsTheSameTooAfterTheFirstIsGone() throws IOException {
        byte[] out = zip(TestServer.bytes("/api/sites/" + siteId + "/archive.zip"), "It is a sample", false);
        long there = sendBytes("/api/archives", "application/zip", out)
                .expect(201)
                .get("siteId")
                .longValue();
        byte[] again = TestServer.bytes("/api/sites/" + there + "/archive.zip");
        assertThat(entries(again)).containsExactlyElementsOf(entries(out)).hasSize(2);
        assertThat(zip(again, "It is a sample", false)).isEqualTo(out);
        assertThat(TestServer.bytes("/api/sites/" + there + "/archive.zip")).isEqualTo(again);
        JsonNode photo =
                get("/api/trees/" + trees(there).get(0) + "/photos").json().get(0);
        assertThat(TestServer.bytes("/api/photos/" + photo.get("key").stringValue()))
                .isNotEmpty();
    }

    @Test
    void whatAPhoneSentBeforeIsKnownWhereItCameTo() {
        String out = text(archive(siteId)).replace(PLACE, "Keys move too");
        long there = post("/api/archives", out).expect(201).get("siteId").longValue();
        assertThat(out).contains("\"key\":");
        assertThat(JSON.readTree(archive(there)).at("/trees/0/surveys").get(1).get("key"))
                .isEqualTo(JSON.readTree(archive(siteId))
                        .at("/trees/0/surveys")
                        .get(1)
                        .get("key"));
    }

    @Test
    void hostileArchivesAreRefusedWhole() throws IOException {
        refused(
                "figures",
                "{\"figure\": \"height-of-folly\", \"value\": 1, \"changedBy\": \"A\", \"changedAt\": \"2027-01-01T00:00:00Z\"}",
                "/figure");
        refused(
                "figures",
                "{\"figure\": \"two-people-kg\", \"value\": 1e9, \"changedBy\": \"A\", \"changedAt\": \"2027-01-01T00:00:00Z\"}",
                "/value");
        refused(
                "figures",
                "{\"figure\": \"two-people-kg\", \"kind\": \"oak\", \"value\": 12, \"changedBy\": \"A\", \"changedAt\": \"2027-01-01T00:00:00Z\"}",
                "/kind");
        refused(
                "decisions",
                "{\"tree\": \"nowhere\", \"limb\": \"A\", \"verdict\": \"keep\", \"decidedBy\": \"A\", \"decidedOn\": \"2027-01-01\"}",
                "/tree");
        refused(
                "decisions",
                "{\"tree\": \"K-01\", \"limb\": \"A\", \"verdict\": \"burn\", \"decidedBy\": \"A\", \"decidedOn\": \"2027-01-01\"}",
                "");
        refused("decisions", "{\"tree\": \"K-01\", \"id); drop table tree; --\": 1}", "/id); drop table tree; --");
        refused(
                "whatIfs",
                "{\"tree\": \"K-01\", \"name\": \"x\", \"wish\": {\"years\": 99}, \"madeOn\": \"2027-01-01\"}",
                "/wish/years");
        refused("dayNotes", "{\"day\": 99, \"note\": \"x\", \"saidBy\": \"A\"}", "/day");
        refused("photos", "{\"tree\": \"K-01\", \"key\": \"../../etc/passwd\"}", "/key");
        refused("history", "{\"at\": \"yesterday\", \"entity\": \"tree\", \"thing\": 1, \"action\": \"added\"}", "/at");
        refused("account", "{\"login\": \"me\"}", null);
        assertThat(sendBytes("/api/archives", "application/zip", new byte[] {1, 2, 3})
                        .expect(400)
                        .get("detail")
                        .stringValue())
                .contains("zip");
        byte[] whole = zip(TestServer.bytes("/api/sites/" + siteId + "/archive.zip"), "Not a picture", true);
        sendBytes("/api/archives", "application/zip", whole).expect(400);
        assertThat(get("/api/sites").json())
                .noneMatch(site -> site.at("/data/name").stringValue().equals("Not a picture"));
    }

    private void refused(String table, String row, String field) {
        ObjectNode bad = (ObjectNode) JSON.readTree(archive(siteId));
        ((ObjectNode) bad.get("site")).put("name", "Refused");
        ((ObjectNode) bad.get("records")).set(table, JSON.readTree("[" + row + "]"));
        JsonNode problem = post("/api/archives", JSON.writeValueAsString(bad)).expect(422);
        assertThat(problem.at("/errors/0/pointer").stringValue())
                .isEqualTo("/records/" + table + (field == null ? "" : "/0" + field));
    }

    private static List<String> entries(byte[] zip) throws IOException {
        List<String> names = new ArrayList<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                names.add(entry.getName());
            }
        }
        return names;
    }

    /** The same zip for a site of another name, perhaps with no picture where its picture was. */
    private static byte[] zip(byte[] zip, String name, boolean spoilt) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip));
                ZipOutputStream out = new ZipOutputStream(bytes)) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                out.putNextEntry(new ZipEntry(entry.getName()) {
                    {
                        setTime(0);
                    }
                });
                byte[] content = in.readAllBytes();
                if (entry.getName().equals("archive.json")) {
                    content = text(content).replace(PLACE, name).getBytes(StandardCharsets.UTF_8);
                } else if (spoilt) {
                    content = "<script>".getBytes(StandardCharsets.UTF_8);
                }
                out.write(content);
                out.closeEntry();
            }
        }
        return bytes.toByteArray();
    }
}
