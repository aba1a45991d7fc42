package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.Test;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import tools.jackson.databind.JsonNode;

/** A server whose database goes away and comes back: it says so soon, loses nothing, and goes on by itself. */
class DatabaseAwayTest {
    /** Three seconds, and something for a loaded machine. */
    private static final Duration SOON = Duration.ofSeconds(8);

    private static final HttpClient HTTP = HttpClient.newHttpClient();

    /** A way to the database that can be cut and mended. */
    private static final class Way implements Closeable {
        private final String host;
        private final int port;
        private final int own;
        private final ExecutorService carriers = Executors.newCachedThreadPool();
        private final List<Socket> open = new CopyOnWriteArrayList<>();
        private ServerSocket door;

        Way(String host, int port) throws IOException {
            this.host = host;
            this.port = port;
            this.door = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
            this.own = door.getLocalPort();
            listen();
        }

        private void listen() {
            ServerSocket here = door;
            carriers.submit(() -> {
                while (!here.isClosed()) {
                    Socket in = here.accept();
                    Socket out = new Socket(host, port);
                    open.add(in);
                    open.add(out);
                    carriers.submit(() -> carry(in, out));
                    carriers.submit(() -> carry(out, in));
                }
                return null;
            });
        }

        private void carry(Socket from, Socket to) {
            try (from;
                    to;
                    InputStream in = from.getInputStream();
                    OutputStream out = to.getOutputStream()) {
                in.transferTo(out);
            } catch (IOException e) {
                // Cut: that is what it is for.
            }
        }

        void cut() throws IOException {
            door.close();
            for (Socket one : open) {
                one.close();
            }
            open.clear();
        }

        void mend() throws IOException {
            door = new ServerSocket(own, 50, InetAddress.getLoopbackAddress());
            listen();
        }

        @Override
        public void close() throws IOException {
            cut();
            carriers.shutdownNow();
        }
    }

    private static HttpResponse<String> ask(String base, String method, String path, String body, UUID key)
            throws IOException, InterruptedException {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base + path))
                .timeout(SOON)
                .header("Content-Type", "application/json")
                .headers(TestServer.signedIn())
                .method(
                        method,
                        body == null ? HttpRequest.BodyPublishers.noBody() : HttpRequest.BodyPublishers.ofString(body));
        if (key != null) {
            request.header("Idempotency-Key", key.toString());
        }
        return HTTP.send(request.build(), HttpResponse.BodyHandlers.ofString());
    }

    @Test
    void itSaysSoWithinSecondsAndGoesOnByItself() throws Exception {
        long tree = TestServer.tree(TestServer.site("Database away"), "D-1");
        TestServer.post("/api/trees/" + tree + "/surveys", TestServer.walkJson())
                .expect(201);
        URI database = URI.create(TestServer.databaseUrl().substring("jdbc:".length()));
        try (Way way = new Way(database.getHost(), database.getPort());
                ConfigurableApplicationContext second = SpringApplication.run(
                        Application.class,
                        "--server.port=0",
                        "--spring.datasource.url=jdbc:postgresql://127.0.0.1:" + way.own + database.getPath(),
                        "--spring.datasource.username=" + TestServer.USER,
                        "--spring.datasource.password=" + TestServer.PASSWORD,
                        "--bough.door.https=false",
                        "--bough.door.rates=false",
                        "--bough.today=" + TestServer.TODAY)) {
            String base = "http://127.0.0.1:"
                    + ((WebServerApplicationContext) second).getWebServer().getPort();
            String path = "/api/trees/" + tree + "/reports";
            String report = "{\"on\": \"2027-02-19\", \"kind\": \"leaning\", \"dangerous\": false}";
            assertThat(ask(base, "GET", "/api/trees/" + tree, null, null).statusCode())
                    .isEqualTo(200);

            way.cut();
            UUID key = UUID.randomUUID();
            for (HttpResponse<String> answer : List.of(
                    ask(base, "GET", "/api/trees/" + tree, null, null),
                    ask(base, "POST", path, report, key),
                    ask(
                            base,
                            "PUT",
                            "/api/trees/" + tree + "/fruit/2026",
                            "{\"version\":0,\"data\":{\"kilos\":3}}",
                            key))) {
                assertThat(answer.statusCode()).as(answer.body()).isEqualTo(503);
                assertThat(answer.headers().firstValue("Retry-After")).hasValue("2");
                JsonNode problem = TestServer.JSON.readTree(answer.body());
                assertThat(problem.get("detail").stringValue()).contains("Nothing is lost");
            }

            way.mend();
            HttpResponse<String> kept = ask(base, "POST", path, report, key);
            for (int tries = 0; kept.statusCode() == 503 && tries < 20; tries++) {
                Thread.sleep(250);
                kept = ask(base, "POST", path, report, key);
            }
            assertThat(kept.statusCode()).as(kept.body()).isEqualTo(201);
            assertThat(ask(base, "POST", path, report, key).statusCode()).isEqualTo(201);
            assertThat(TestServer.get(path).json()).hasSize(1);
        }
    }
}
