package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Queue;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.diligentbough.core.Chance;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A server killed at random moments while it is answering: what it said is kept is kept, nothing is there by half. */
class KillTest {
    private static final int KILLS = 6;
    private static final int WRITERS = 4;
    private static final long SEED = 6;
    private static final Duration START = Duration.ofSeconds(90);

    private static final HttpClient HTTP = HttpClient.newHttpClient();

    @TempDir
    Path folder;

    private int port;
    private Process server;

    private void start() throws IOException, InterruptedException {
        server = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-XX:TieredStopAtLevel=1",
                        "-cp",
                        System.getProperty("java.class.path"),
                        Application.class.getName(),
                        "--server.port=" + port,
                        "--spring.datasource.url=" + TestServer.databaseUrl(),
                        "--spring.datasource.username=" + TestServer.USER,
                        "--spring.datasource.password=" + TestServer.PASSWORD,
                        "--bough.door.https=false",
                        "--bough.door.rates=false",
                        "--bough.today=" + TestServer.TODAY,
                        "--bough.photos.folder=" + folder.resolve("photos"))
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.appendTo(new File(folder.toFile(), "server.log")))
                .start();
        long until = System.nanoTime() + START.toNanos();
        while (ask("GET", "/api/sites", null, null) != 200) {
            assertThat(server.isAlive()).as("the server lives").isTrue();
            assertThat(System.nanoTime()).as("the server answers in time").isLessThan(until);
            Thread.sleep(100);
        }
    }

    /** The status, 0 where nothing was heard. */
    private int ask(String method, String path, String body, UUID key) {
        try {
            HttpRequest.Builder request = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
                    .timeout(Duration.ofSeconds(10))
                    .header("Content-Type", "application/json")
                    .headers(TestServer.signedIn())
                    .method(
                            method,
                            body == null
                                    ? HttpRequest.BodyPublishers.noBody()
                                    : HttpRequest.BodyPublishers.ofString(body));
            if (key != null) {
                request.header("Idempotency-Key", key.toString());
            }
            return HTTP.send(request.build(), HttpResponse.BodyHandlers.discarding())
                    .statusCode();
        } catch (IOException e) {
            return 0;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return 0;
        }
    }

    @Test
    void everyAnswerGivenHoldsAndNothingIsThereByHalf() throws Exception {
        long site = TestServer.site("Killed field");
        List<Long> trees = new ArrayList<>();
        for (int i = 0; i < WRITERS; i++) {
            trees.add(TestServer.tree(site, "K-" + i));
        }
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        Queue<String> acknowledged = new ConcurrentLinkedQueue<>();
        Random chance = new Random(Chance.seed(SEED));
        for (int kill = 0; kill < KILLS; kill++) {
            start();
            AtomicBoolean over = new AtomicBoolean();
            ExecutorService writers = Executors.newFixedThreadPool(WRITERS + 1);
            for (long tree : trees) {
                writers.submit(() -> write(tree, acknowledged, over));
            }
            String name = "Imported " + kill;
            writers.submit(() -> ask("POST", "/api/archives", archive(name), null));
            Thread.sleep(300 + chance.nextInt(1200));
            server.destroyForcibly().waitFor();
            over.set(true);
            writers.shutdown();
            assertThat(writers.awaitTermination(60, TimeUnit.SECONDS)).isTrue();
            looked(trees, acknowledged, name);
        }
        System.out.println("acknowledged over " + KILLS + " kills: " + acknowledged.size());
        assertThat(acknowledged).hasSizeGreaterThan(KILLS * WRITERS);
    }

    /** Reports one after the other, each sent again under its key while nothing is heard. */
    private void write(long tree, Queue<String> acknowledged, AtomicBoolean over) {
        for (int i = 0; !over.get(); i++) {
            UUID key = UUID.randomUUID();
            String body =
                    "{\"on\": \"2027-02-19\", \"kind\": \"leaning\", \"dangerous\": false, \"note\": \"" + key + "\"}";
            if (ask("POST", "/api/trees/" + tree + "/reports", body, key) == 201) {
                acknowledged.add(key.toString());
            }
        }
    }

    private void looked(List<Long> trees, Queue<String> acknowledged, String name) throws Exception {
        try (Connection database = TestServer.database()) {
            String ofTrees = trees.toString().replace('[', '(').replace(']', ')');
            List<String> kept = texts(database, "select note from report where tree_id in " + ofTrees);
            assertThat(kept).containsAll(acknowledged).doesNotHaveDuplicates();
            // A row, its place in the history and its key stand together or not at all.
            List<String> told = texts(
                    database,
                    "select after_json #>> '{data,note}' from history where entity = 'report' and tree_id in "
                            + ofTrees);
            assertThat(told).containsExactlyInAnyOrderElementsOf(kept);
            assertThat(texts(database, "select key::text from sent_once where key::text in (select note from report)"))
                    .containsAll(kept);
            // An import is whole or not there.
            List<String> imported = texts(
                    database,
                    "select count(t.id)::text from site s left join tree t on t.site_id = s.id where s.name = '" + name
                            + "' group by s.id");
            assertThat(imported).isSubsetOf("30");
        }
    }

    private static List<String> texts(Connection database, String query) throws Exception {
        List<String> found = new ArrayList<>();
        try (ResultSet rows = database.createStatement().executeQuery(query)) {
            while (rows.next()) {
                found.add(rows.getString(1));
            }
        }
        return found;
    }

    private static String archive(String name) {
        List<String> trees = new ArrayList<>();
        for (int i = 0; i < 30; i++) {
            trees.add("{\"tree\": " + TestServer.treeJson("I-" + i)
                    + ", \"surveys\": [{\"by\": \"Kim Import\", \"survey\": " + TestServer.walkJson() + "}]}");
        }
        return "{\"format\": \"diligent-bough/archive\", \"version\": 1, \"site\": " + TestServer.siteJson(name)
                + ", \"trees\": [" + String.join(",", trees) + "]}";
    }
}
