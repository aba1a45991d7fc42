package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.walkJson;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.IntStream;
import org.diligentbough.server.judgement.JudgementService;
import org.diligentbough.server.judgement.JudgingQueue;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Trees are judged outside requests, each once, whatever dies meanwhile. */
class JudgingQueueTest {
    @AfterEach
    void leaveNoneWaiting() {
        TestServer.judged();
    }

    private static JsonNode judging(long siteId) {
        return get("/api/sites/" + siteId + "/judging").expect(200);
    }

    private static List<Long> trees(long siteId) {
        return get("/api/sites/" + siteId + "/trees?size=500")
                .expect(200)
                .get("trees")
                .valueStream()
                .map(tree -> tree.get("id").longValue())
                .toList();
    }

    /** Has a site go by a third a year and cut in late summer, and does not wait for what follows. */
    private static void changeSchool(long siteId) {
        JsonNode site = get("/api/sites/" + siteId).expect(200);
        ObjectNode data = (ObjectNode) site.get("data");
        ((ObjectNode) data.get("policy")).put("allowance", "third").put("pome", "late-summer");
        TestServer.sendAs(
                        TestServer.whoId(),
                        "PUT",
                        "/api/sites/" + siteId,
                        "{\"version\": " + site.get("version").intValue() + ", \"data\": " + data + "}")
                .expect(200);
    }

    /** When each lane opens; schools differ in that. */
    private static List<String> planned(long siteId) throws SQLException {
        try (Connection database = TestServer.database();
                ResultSet rows = database.createStatement()
                        .executeQuery(
                                "select l.opens::text from plan_lane l join tree t on t.id = l.tree_id where t.site_id = "
                                        + siteId + " order by l.tree_id, l.year, l.opens")) {
            List<String> opens = new ArrayList<>();
            while (rows.next()) {
                opens.add(rows.getString(1));
            }
            return opens;
        }
    }

    private static void awaitWaiting(long siteId, int waiting) throws InterruptedException {
        for (int i = 0; i < 1000 && judging(siteId).get("waiting").intValue() > waiting; i++) {
            Thread.sleep(20);
        }
        assertThat(judging(siteId).get("waiting").intValue()).isEqualTo(waiting);
    }

    /** Lets nobody judge a tree until closed. */
    private static Connection holding(long treeId) throws SQLException {
        Connection database = TestServer.database();
        database.createStatement().execute("select pg_advisory_lock(" + treeId + ")");
        return database;
    }

    @Test
    void aSchoolChangedAnswersAtOnceAndItsTreesAreJudgedInTheirTurn() throws Exception {
        long siteId = TestServer.orchard("Queue " + UUID.randomUUID(), 12);
        List<Long> trees = trees(siteId);
        List<String> before = planned(siteId);
        try (Connection held = holding(trees.get(0))) {
            changeSchool(siteId);
            assertThat(judging(siteId).get("waiting").intValue()).isEqualTo(12);
            assertThat(judging(siteId).get("trees").intValue()).isEqualTo(12);
            // Lists show what was kept and wait for nothing; a tree that is opened is judged by the new school.
            assertThat(get("/api/sites/" + siteId + "/today").expect(200).get("open"))
                    .isNotEmpty();
            assertThat(get("/api/trees/" + trees.get(5) + "/judgement")
                            .expect(200)
                            .at("/evaluation/tree/allowance/year")
                            .doubleValue())
                    .isGreaterThan(0.3);
            assertThat(planned(siteId)).isEqualTo(before);
            held.createStatement().execute("select pg_advisory_unlock_all()");
        }
        TestServer.judged();
        assertThat(judging(siteId).get("waiting").intValue()).isZero();
        assertThat(planned(siteId)).hasSizeGreaterThanOrEqualTo(12).isNotEqualTo(before);
    }

    @Test
    void aTreeThatIsWorkedOnIsJudgedAtOnceAndNoSecondTime() throws Exception {
        long siteId = TestServer.orchard("Queue " + UUID.randomUUID(), 4);
        List<Long> trees = trees(siteId);
        try (Connection held = holding(trees.get(0))) {
            changeSchool(siteId);
            TestServer.sendAs(TestServer.whoId(), "POST", "/api/trees/" + trees.get(2) + "/surveys", walkJson())
                    .expect(201);
            assertThat(judging(siteId).get("waiting").intValue()).isEqualTo(3);
            held.createStatement().execute("select pg_advisory_unlock_all()");
        }
    }

    @Test
    void aTreeThatCannotBeJudgedHoldsUpNoOther() throws Exception {
        long siteId = TestServer.orchard("Queue " + UUID.randomUUID(), 5);
        long broken = trees(siteId).get(1);
        try (Connection database = TestServer.database()) {
            database.createStatement()
                    .execute("insert into tree_plan (tree_id, version, edits) values (" + broken + ", 1, '[]')");
            changeSchool(siteId);
            TestServer.judged();
            assertThat(judging(siteId).get("waiting").intValue()).isEqualTo(1);
            assertThat(judging(siteId).get("failing").intValue()).isEqualTo(1);
            database.createStatement().execute("delete from tree_plan where tree_id = " + broken);
            database.createStatement().execute("update stale_tree set not_before = '-infinity', tries = 0");
        }
        TestServer.judged();
        assertThat(judging(siteId).get("failing").intValue()).isZero();
    }

    /** Whoever had trees in hand when it was killed took a lock with it, and nothing else. */
    @Test
    void whatAKilledServerHadInHandIsJudgedByAnother() throws Exception {
        long siteId = TestServer.orchard("Queue " + UUID.randomUUID(), 6);
        List<Long> trees = trees(siteId);
        try (Connection held = holding(trees.get(0));
                Connection killed = TestServer.database()) {
            changeSchool(siteId);
            killed.setAutoCommit(false);
            killed.createStatement()
                    .execute("select 1 from stale_tree where tree_id = " + trees.get(3) + " for update");
            killed.createStatement().execute("delete from plan_lane where tree_id = " + trees.get(3));
            killed.abort(Runnable::run);
            held.createStatement().execute("select pg_advisory_unlock_all()");
        }
        TestServer.judged();
        assertThat(judging(siteId).get("waiting").intValue()).isZero();
        assertThat(planned(siteId)).hasSizeGreaterThanOrEqualTo(6);
    }

    @Test
    void twoServersShareTheQueueAndJudgeNoTreeTwice() throws Exception {
        long siteId = TestServer.orchard("Queue " + UUID.randomUUID(), 20);
        try (Connection database = TestServer.database()) {
            database.createStatement().execute("""
                    create table judged_log (tree_id bigint, backend int);
                    create function log_judged() returns trigger language plpgsql as
                    $$ begin insert into judged_log values (new.tree_id, pg_backend_pid()); return new; end $$;
                    create trigger log_judged after insert on tree_judgement
                    for each row execute function log_judged()
                    """);
            AutoCloseable other = TestServer.another(0);
            // Whose hand holds the one that is held leaves the others to the other.
            try (Connection held = holding(trees(siteId).get(0))) {
                changeSchool(siteId);
                awaitWaiting(siteId, 1);
                held.createStatement().execute("select pg_advisory_unlock_all()");
                TestServer.judged();
            } finally {
                TestServer.close(other);
                database.createStatement().execute("drop trigger log_judged on tree_judgement");
            }
            Map<Long, Integer> times = new TreeMap<>();
            try (ResultSet rows = database.createStatement()
                    .executeQuery(
                            "select tree_id from judged_log where tree_id in (select id from tree where site_id = "
                                    + siteId + ")")) {
                while (rows.next()) {
                    times.merge(rows.getLong(1), 1, Integer::sum);
                }
            }
            assertThat(times).hasSize(20).allSatisfy((tree, count) -> assertThat(count)
                    .isEqualTo(1));
            try (ResultSet hands =
                    database.createStatement().executeQuery("select count(distinct backend) from judged_log")) {
                hands.next();
                assertThat(hands.getInt(1)).isGreaterThan(1);
            }
            database.createStatement().execute("drop table judged_log; drop function log_judged()");
        }
    }

    @Test
    void whatLapsedIsJudgedByTheQueueAndNotByAPage() throws Exception {
        long siteId = TestServer.orchard("Queue " + UUID.randomUUID(), 8);
        long asked = TestServer.part(JudgementService.class).asked();
        try (Connection database = TestServer.database()) {
            database.createStatement()
                    .execute("update tree_judgement set good_until = '2026-10-31' where tree_id in (select id from tree"
                            + " where site_id = " + siteId + ")");
        }
        get("/api/sites/" + siteId + "/today").expect(200);
        get("/api/sites/" + siteId + "/programme").expect(200);
        assertThat(TestServer.part(JudgementService.class).asked()).isEqualTo(asked);
        TestServer.part(JudgingQueue.class).markLapsed();
        TestServer.judged();
        assertThat(TestServer.part(JudgementService.class).asked()).isEqualTo(asked + 8);
    }

    /** What a page costs, whatever stands at the site. */
    record Cost(long statements, long judgements) {}

    private static Cost cost(String path) {
        assertThat(get(path).status()).isEqualTo(200);
        long statements = CountedSql.statements();
        long judgements = TestServer.part(JudgementService.class).asked();
        assertThat(get(path).status()).isEqualTo(200);
        return new Cost(
                CountedSql.statements() - statements,
                TestServer.part(JudgementService.class).asked() - judgements);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/api/sites/{site}",
                "/api/sites/{site}/trees?size=50",
                "/api/sites/{site}/trees?size=50&page=0&sort=height&triage=renovate",
                "/api/sites/{site}/today",
                "/api/sites/{site}/programme",
                "/api/sites/{site}/judging",
                "/api/sites/{site}/days",
                "/api/days/{day}",
                "/api/days/{day}/candidates",
                "/api/sites/{site}/season",
                "/api/sites/{site}/kinds/apple",
                "/api/sites/{site}/care",
                "/api/sites/{site}/weather",
                "/api/sites/{site}/removals",
                "/api/sites/{site}/figures",
                "/api/sites/{site}/light",
                "/api/sites/{site}/field",
                "/api/sites/{site}/archive",
                "/api/sites/{site}/trees.csv",
                "/api/sites/{site}/trees.geojson",
                "/api/sites/{site}/programme.csv",
                "/api/sites/{site}/season.ics",
                "/api/sites/{site}/kinds/apple/may-cut?on=2027-03-06",
                "/api/days/{day}/notes"
            })
    void aPageAsksAsMuchForFiveHundredTreesAsForFifty(String path) {
        Cost few =
                cost(path.replace("{site}", String.valueOf(Sizes.FEW)).replace("{day}", String.valueOf(Sizes.DAY_FEW)));
        Cost many = cost(
                path.replace("{site}", String.valueOf(Sizes.MANY)).replace("{day}", String.valueOf(Sizes.DAY_MANY)));
        assertThat(many).isEqualTo(few);
        assertThat(many.judgements()).isZero();
        assertThat(many.statements()).isLessThan(400);
    }

    /** Two orchards, made once. */
    private static final class Sizes {
        static final long FEW = TestServer.orchard("Fifty " + UUID.randomUUID(), 50);
        static final long MANY = TestServer.orchard("Five hundred " + UUID.randomUUID(), 500);
        static final long DAY_FEW = day(FEW);
        static final long DAY_MANY = day(MANY);

        private static long day(long siteId) {
            long dayId = TestServer.day(siteId, "2027-03-06");
            List<Long> trees = trees(siteId);
            IntStream.range(0, 3).forEach(i -> post(
                            "/api/days/" + dayId + "/visits",
                            "{\"version\": " + (i + 1) + ", \"treeId\": " + trees.get(i) + "}")
                    .expect(201));
            return dayId;
        }
    }
}
