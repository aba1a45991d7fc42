package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.JSON;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.diligentbough.server.TestServer.Answer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Many who change the same site at once: each is answered, nobody with a failure, and nobody waits for one who waits for them. */
class StormTest {
    private static final int HANDS = 8;
    private static final int EDITS = 96;

    private static long deadlocks() throws SQLException {
        try (Connection database = TestServer.database();
                ResultSet row = database.createStatement()
                        .executeQuery("select deadlocks from pg_stat_database where datname = current_database()")) {
            row.next();
            return row.getLong(1);
        }
    }

    /** Changes whatever is at an address as it stands now, somebody else's change or not. */
    private static Answer change(String path, Consumer<ObjectNode> change) {
        JsonNode now = get(path).json();
        ObjectNode data = (ObjectNode) now.get("data").deepCopy();
        change.accept(data);
        ObjectNode body = JSON.createObjectNode();
        body.set("version", now.get("version"));
        body.set("data", data);
        return put(path, JSON.writeValueAsString(body));
    }

    @Test
    void aStormOfEditsIsAnsweredWithoutAFailure() throws Exception {
        long siteId = TestServer.site("Storm");
        List<Long> trees = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            long tree = TestServer.tree(siteId, "S-" + i);
            post("/api/trees/" + tree + "/surveys", TestServer.walkJson()).expect(201);
            trees.add(tree);
        }
        String site = "/api/sites/" + siteId;
        long before = deadlocks();
        ExecutorService hands = Executors.newFixedThreadPool(HANDS);
        List<Future<Answer>> answers = new ArrayList<>();
        for (int i = 0; i < EDITS; i++) {
            answers.add(hands.submit(edit(i, siteId, site, trees)::get));
        }
        List<String> failed = new ArrayList<>();
        for (Future<Answer> answer : answers) {
            if (answer.get().status() >= 500) {
                failed.add(answer.get().text());
            }
        }
        hands.shutdown();
        assertThat(failed).isEmpty();
        assertThat(deadlocks() - before).isZero();
    }

    @Test
    void whatTheDatabaseEndsForWaitingInARingIsTriedOnceMore() throws Exception {
        long tree = TestServer.tree(TestServer.site("Ring"), "R-1");
        TestServer.sql("insert into stale_tree (tree_id, not_before) values (" + tree + ", 'infinity')");
        long before = deadlocks();
        ExecutorService hand = Executors.newSingleThreadExecutor();
        try (Connection other = TestServer.database()) {
            other.setAutoCommit(false);
            other.createStatement().execute("select from stale_tree where tree_id = " + tree + " for update");
            Future<Answer> answer =
                    hand.submit(() -> change("/api/trees/" + tree, data -> data.put("note", "by the gate")));
            waitsForALock();
            // Now each waits for the other; the one that waits longer is ended.
            other.createStatement().execute("update tree set version = version where id = " + tree);
            other.rollback();
            assertThat(answer.get().status()).isEqualTo(200);
        }
        hand.shutdown();
        assertThat(get("/api/trees/" + tree).json().at("/data/note").stringValue())
                .isEqualTo("by the gate");
        assertThat(deadlocksSince(before)).as("there was a ring").isPositive();
    }

    private static void waitsForALock() throws SQLException, InterruptedException {
        try (Connection database = TestServer.database()) {
            for (int i = 0; i < 400; i++) {
                try (ResultSet row = database.createStatement()
                        .executeQuery(
                                "select from pg_stat_activity where datname = current_database() and wait_event_type = 'Lock'")) {
                    if (row.next()) {
                        return;
                    }
                }
                Thread.sleep(10);
            }
        }
    }

    /** The database counts them a little later. */
    private static long deadlocksSince(long before) throws SQLException, InterruptedException {
        for (int i = 0; i < 50 && deadlocks() == before; i++) {
            Thread.sleep(100);
        }
        return deadlocks() - before;
    }

    private static Supplier<Answer> edit(int number, long siteId, String site, List<Long> trees) {
        Random random = new Random(number);
        long treeId = trees.get(random.nextInt(trees.size()));
        String tree = "/api/trees/" + treeId;
        return switch (number % 8) {
            case 0 -> () -> change(site, data -> data.put("name", "Storm " + number));
            case 1 -> () -> change(tree, data -> data.put("tag", "S-" + treeId + "-" + number));
            case 2 -> () -> post(tree + "/surveys", TestServer.walkJson());
            case 3 ->
                () -> put(site + "/figures/two-people-kg", "{\"version\": 0, \"value\": " + (10 + number % 5) + "}");
            case 4 -> () -> put(tree + "/limbs/C/decision", "{\"version\": 0, \"verdict\": \"keep\"}");
            case 5 -> () -> put(tree + "/limbs/C/opinion", "{\"verdict\": \"remove\"}");
            case 6 ->
                () -> post(
                        site + "/sightings",
                        "{\"species\": \"apple\", \"treeId\": " + treeId
                                + ", \"stage\": \"full-bloom\", \"on\": \"2026-05-0" + (1 + number % 9) + "\"}");
            default ->
                () -> {
                    JsonNode plan = get(tree + "/judgement").json();
                    return put(
                            tree + "/plan",
                            "{\"version\": " + plan.path("version").asInt(0) + ", \"edits\": {\"years\": "
                                    + (3 + number % 3) + "}}");
                };
        };
    }
}
