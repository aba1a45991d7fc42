package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.sendWithKey;

import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.diligentbough.server.TestServer.Answer;
import org.junit.jupiter.api.Test;

/** What is sent again, or by several at once, is kept once; what may be only once is. */
class NothingTwiceTest {
    private static final int AT_ONCE = 8;

    /** The answers of so many who do the same at the same time. */
    private static List<Answer> atOnce(int many, Callable<Answer> what) throws Exception {
        ExecutorService phones = Executors.newFixedThreadPool(many);
        try {
            List<Future<Answer>> sent =
                    IntStream.range(0, many).mapToObj(i -> phones.submit(what)).toList();
            List<Answer> answers = new ArrayList<>();
            for (Future<Answer> one : sent) {
                answers.add(one.get());
            }
            return answers;
        } finally {
            phones.shutdown();
        }
    }

    private static long tree(String site) {
        long tree = TestServer.tree(TestServer.site(site), "N-1");
        post("/api/trees/" + tree + "/surveys", TestServer.walkJson()).expect(201);
        return tree;
    }

    @Test
    void aSurveyRetriedByManyHandsAtOnceIsAnsweredAsKeptToEachOfThem() throws Exception {
        long tree = TestServer.tree(TestServer.site("Retried walk"), "N-1");
        String sent = "/api/trees/" + tree + "/surveys?basedOn=0&sentAs=" + UUID.randomUUID();
        List<Answer> answers = atOnce(AT_ONCE, () -> post(sent, TestServer.walkJson()));
        assertThat(answers).extracting(Answer::status).containsOnly(201);
        assertThat(answers.stream().map(one -> one.json().get("id").longValue()).distinct())
                .hasSize(1);
        assertThat(get("/api/trees/" + tree + "/surveys").json()).hasSize(1);
    }

    @Test
    void ofTenWalksBasedOnTheSameOneTheFirstIsTaken() throws Exception {
        long tree = TestServer.tree(TestServer.site("Ten walks"), "N-1");
        List<Answer> answers = atOnce(
                AT_ONCE,
                () -> post(
                        "/api/trees/" + tree + "/surveys?basedOn=0&sentAs=" + UUID.randomUUID(),
                        TestServer.walkJson()));
        assertThat(answers).extracting(Answer::status).containsOnlyOnce(201);
        assertThat(answers).extracting(Answer::status).containsOnly(201, 409);
        assertThat(get("/api/trees/" + tree + "/surveys").json()).hasSize(1);
    }

    @Test
    void aLogRetriedByManyHandsAtOnceIsAnsweredAsKeptToEachOfThem() throws Exception {
        long tree = tree("Retried log");
        long visit = post("/api/trees/" + tree + "/visits", "{}")
                .expect(201)
                .get("visitId")
                .longValue();
        long who = TestServer.person("Retrying Logger", null);
        String log = """
                {"key": "%s", "on": "2027-02-18", "minutes": 30, "people": [%d], "prunings": "stacked", "shoots": 0,
                 "cuts": [{"limb": "D", "outcome": "done"}]}
                """.formatted(UUID.randomUUID(), who);
        List<Answer> answers = atOnce(AT_ONCE, () -> post("/api/visits/" + visit + "/log", log));
        assertThat(answers).extracting(Answer::status).containsOnly(201);
        assertThat(get("/api/trees/" + tree + "/logs").json()).hasSize(1);
    }

    @Test
    void reportsVisitsStagesFruitAndNotesSentTwiceAreKeptOnce() throws Exception {
        long tree = tree("Keyed things");
        long site = get("/api/trees/" + tree).json().get("siteId").longValue();
        long day = TestServer.day(site, "2027-03-06");
        record Sent(String method, String path, String body) {}
        for (Sent sent : List.of(
                new Sent(
                        "POST",
                        "/api/trees/" + tree + "/reports",
                        "{\"on\": \"2027-02-19\", \"kind\": \"split\", \"dangerous\": true}"),
                new Sent("POST", "/api/trees/" + tree + "/visits", "{}"),
                new Sent(
                        "POST",
                        "/api/sites/" + site + "/sightings",
                        "{\"species\": \"apple\", \"stage\": \"buds-at-rest\", \"on\": \"2027-02-19\"}"),
                new Sent("PUT", "/api/trees/" + tree + "/fruit/2026", "{\"version\": 0, \"data\": {\"kilos\": 12}}"),
                new Sent("POST", "/api/days/" + day + "/notes", "{\"note\": \"The gate was locked\"}"))) {
            UUID key = UUID.randomUUID();
            Answer first = sendWithKey(key, sent.method(), sent.path(), sent.body());
            assertThat(first.status()).as(sent.path() + first.text()).isIn(200, 201);
            for (Answer again : atOnce(4, () -> sendWithKey(key, sent.method(), sent.path(), sent.body()))) {
                assertThat(again.status()).as(sent.path()).isEqualTo(first.status());
                assertThat(again.json()).as(sent.path()).isEqualTo(first.json());
            }
            // The same key with something else under it is refused, and nothing of it kept.
            String other = sent.body().equals("{}")
                    ? "{\"cuts\": []}"
                    : sent.body()
                            .replace("2027-02-19", "2027-02-18")
                            .replace("12", "13")
                            .replace("gate", "shed");
            Answer refused = sent.body().equals("{}")
                    ? sendWithKey(key, sent.method(), "/api/trees/" + tree("Another of it") + "/visits", other)
                    : sendWithKey(key, sent.method(), sent.path(), other);
            assertThat(refused.expect(409).get("conflict").stringValue()).isEqualTo("key-used");
        }
        assertThat(get("/api/trees/" + tree + "/reports").json()).hasSize(1);
        assertThat(get("/api/days/" + day + "/notes").json()).hasSize(1);
    }

    @Test
    void theSameCutsPutOnSixDaysAtOnceStandOnOne() throws Exception {
        long tree = tree("Six days");
        long site = get("/api/trees/" + tree).json().get("siteId").longValue();
        List<Long> days = IntStream.range(0, 6)
                .mapToObj(i -> TestServer.day(site, "2027-03-" + (10 + i)))
                .toList();
        java.util.Iterator<Long> next = days.iterator();
        List<Answer> answers = atOnce(6, () -> {
            long day;
            synchronized (next) {
                day = next.next();
            }
            return post("/api/days/" + day + "/visits", "{\"version\": 1, \"treeId\": " + tree + "}");
        });
        assertThat(answers).extracting(Answer::status).containsOnly(201, 422);
        assertThat(answers).extracting(Answer::status).containsOnlyOnce(201);
        long on = days.stream()
                .filter(day -> get("/api/days/" + day).json().get("visits").size() > 0)
                .count();
        assertThat(on).isEqualTo(1);
    }

    @Test
    void aJobStartedSixTimesAtOnceRunsOnce() throws Exception {
        long tree = tree("Six jobs");
        long site = get("/api/trees/" + tree).json().get("siteId").longValue();
        List<Answer> answers = atOnce(6, () -> post("/api/sites/" + site + "/programme/job", ""));
        assertThat(answers).extracting(Answer::status).containsOnly(202);
        try (var database = TestServer.database()) {
            // Whatever the servers do: the database has no room for two of a kind at work.
            database.createStatement()
                    .execute("insert into job (kind, site_id, started_by, total) select 'light', " + site
                            + ", min(id), 1 from person");
            assertThat(org.assertj.core.api.Assertions.catchThrowable(() -> database.createStatement()
                            .execute("insert into job (kind, site_id, started_by, total) select 'light', " + site
                                    + ", min(id), 1 from person")))
                    .hasMessageContaining("job_one_of_a_kind");
        }
    }

    @Test
    void aServerThatStopsLeavesItsJobsToTheOthers() throws Exception {
        long site = TestServer.site("Stopped jobs");
        for (int i = 0; i < 12; i++) {
            long tree = TestServer.tree(site, "J-" + i);
            post("/api/trees/" + tree + "/surveys", TestServer.walkJson()).expect(201);
        }
        int port;
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        AutoCloseable other = TestServer.another(port);
        try {
            HttpClient.newHttpClient()
                    .send(
                            HttpRequest.newBuilder(URI.create(
                                            "http://127.0.0.1:" + port + "/api/sites/" + site + "/light/job"))
                                    .headers(TestServer.signedIn())
                                    .POST(HttpRequest.BodyPublishers.noBody())
                                    .build(),
                            HttpResponse.BodyHandlers.discarding());
        } finally {
            TestServer.close(other);
        }
        String jobs = "/api/sites/" + site + "/light/job";
        TestServer.eventually(
                () -> get(jobs).json().at("/0/state").stringValue().equals("done"));
        assertThat(get(jobs).json().at("/0/done").intValue()).isEqualTo(12);
    }
}
