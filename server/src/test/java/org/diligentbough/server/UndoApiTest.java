package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;
import static org.diligentbough.server.TestServer.send;

import java.sql.ResultSet;
import java.sql.SQLException;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

class UndoApiTest {
    /** The newest change about a kind of thing. */
    static long newest(String entity) {
        try (var sql = TestServer.database()) {
            ResultSet found =
                    sql.createStatement().executeQuery("select max(id) from history where entity = '" + entity + "'");
            found.next();
            return found.getLong(1);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    static void undo(long id) {
        post("/api/changes/" + id + "/undo", "").expect(204);
    }

    private static JsonNode changed(String path, String field, String value) {
        JsonNode before = get(path).json();
        ObjectNode data = ((ObjectNode) before.get("data")).put(field, value);
        return put(path, "{\"version\": " + before.get("version") + ", \"data\": " + data + "}")
                .expect(200);
    }

    @Test
    void aChangedTreeIsLookedAtBeforeAndAfterAndUndoneAndDoneAgain() {
        long site = TestServer.site("To undo");
        String tree = "/api/trees/" + TestServer.tree(site, "U-1");
        changed(tree, "note", "by the gate");
        long change = newest("tree");
        JsonNode seen = get("/api/changes/" + change).json();
        assertThat(seen.get("undoable").booleanValue()).isTrue();
        assertThat(seen.get("changes")).hasSize(1);
        assertThat(seen.at("/changes/0/field").stringValue()).isEqualTo("note");
        assertThat(seen.at("/changes/0/before").stringValue()).isEmpty();
        assertThat(seen.at("/changes/0/after").stringValue()).isEqualTo("by the gate");

        undo(change);
        assertThat(get(tree).json().at("/data/note").isNull()).isTrue();
        // Undoing is a change as any other: it is kept, and can be undone.
        undo(newest("tree"));
        assertThat(get(tree).json().at("/data/note").stringValue()).isEqualTo("by the gate");
    }

    @Test
    void whatWasChangedSinceIsNotUndoneOverIt() {
        long site = TestServer.site("Changed since");
        String tree = "/api/trees/" + TestServer.tree(site, "U-2");
        changed(tree, "note", "first");
        long first = newest("tree");
        changed(tree, "note", "second");
        post("/api/changes/" + first + "/undo", "").expect(409);
        assertThat(get("/api/changes/" + first).json().get("undoable").booleanValue())
                .isFalse();
        assertThat(get(tree).json().at("/data/note").stringValue()).isEqualTo("second");
        post("/api/changes/999999999/undo", "").expect(404);
    }

    @Test
    void whatWasAddedCannotBeUndoneWhereNothingIsEverLost() {
        TestServer.tree(TestServer.site("Added"), "U-3");
        post("/api/changes/" + newest("tree") + "/undo", "").expect(422);
    }

    @Test
    void aTreeThatIsGoneByMistakeStandsAgain() {
        long tree = TestServer.tree(TestServer.site("Gone"), "U-4");
        put("/api/trees/" + tree + "/removal", """
                {"version": 0, "data": {"on": "2027-02-01", "grounds": "beyond-saving", "permission": "the owner, by letter",
                 "removedBy": "the group"}}""").expect(200);
        assertThat(get("/api/trees/" + tree).json().get("removedOn").isNull()).isFalse();
        undo(newest("removal"));
        assertThat(get("/api/trees/" + tree).json().get("removedOn").isNull()).isTrue();
    }

    @Test
    void somebodyTakenOffTheListComesBackAndIsChangedBack() {
        long who = TestServer.person("Bracken Undone", 1980, "ladder");
        JsonNode known = get("/api/people")
                .json()
                .valueStream()
                .filter(one -> one.get("id").longValue() == who)
                .findFirst()
                .orElseThrow();
        send("DELETE", "/api/people/" + who + "?version=" + known.get("version"), null)
                .expect(204);
        assertThat(get("/api/people").text()).doesNotContain("Bracken Undone");
        undo(newest("person"));
        assertThat(get("/api/people").text()).contains("Bracken Undone");
    }

    @Test
    void fruitANumberAndASiteGoBackToWhatTheyWere() {
        long site = TestServer.site("Back to before");
        long tree = TestServer.tree(site, "U-5");
        String fruit = "/api/trees/" + tree + "/fruit";
        put(fruit + "/2026", "{\"version\": 0, \"data\": {\"kilos\": 12}}").expect(200);
        put(fruit + "/2026", "{\"version\": 1, \"data\": {\"kilos\": 30}}").expect(200);
        undo(newest("fruit"));
        assertThat(get(fruit).json().at("/years/0/data/kilos").doubleValue()).isEqualTo(12);

        put("/api/sites/" + site + "/figures/big-cut-cm", "{\"version\": 0, \"value\": 6}")
                .expect(200);
        undo(newest("figure"));
        JsonNode figure = get("/api/sites/" + site + "/figures")
                .json()
                .valueStream()
                .filter(one -> one.get("figure").stringValue().equals("big-cut-cm"))
                .findFirst()
                .orElseThrow();
        assertThat(figure.get("changed").isNull()).isTrue();

        changed("/api/sites/" + site, "policyNote", "as the committee wishes");
        undo(newest("site"));
        assertThat(get("/api/sites/" + site).json().at("/data/policyNote").isNull())
                .isTrue();
    }
}
