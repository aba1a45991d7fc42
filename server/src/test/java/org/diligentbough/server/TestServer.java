package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.diligentbough.server.shared.ApiDocument;
import org.diligentbough.server.shared.Once;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The real application on a fresh database, started once for all tests; today is 20 February 2027. */
public final class TestServer {
    public static final String TODAY = "2027-02-20";
    public static final JsonMapper JSON = new JsonMapper();

    /** Takes the mail this server sends. */
    public static final GreenMail MAIL = new GreenMail(ServerSetup.SMTP.dynamicPort());

    private static final HttpClient HTTP = HttpClient.newHttpClient();
    private static final String ADMIN_URL = System.getenv("BOUGH_TEST_DB");
    static final String USER = System.getenv("BOUGH_TEST_DB_USER");
    static final String PASSWORD = System.getenv("BOUGH_TEST_DB_PASSWORD");
    private static final String DATABASE =
            "bough_" + UUID.randomUUID().toString().replace("-", "");

    /** Whatever changes something shows a token that is in a cookie too; any will do, as both come from the same browser. */
    public static final String TOKEN = "4e1243bd-22c6-6f77-8cc0-6e7a5a1b0e2a";

    private static final String TOKEN_COOKIE = "bough-token=" + TOKEN;
    private static final String SECRET = "correct horse battery";
    private static final Map<Long, String> SESSIONS = new ConcurrentHashMap<>();
    private static final AtomicInteger ADDRESSES = new AtomicInteger();

    private static ConfigurableApplicationContext running;
    private static long person;

    private TestServer() {}

    /** An answer of the server. */
    public record Answer(int status, String text) {
        public JsonNode json() {
            return JSON.readTree(text);
        }

        /** The answer's content when it has the status expected. */
        public JsonNode expect(int wanted) {
            assertThat(status).as(text).isEqualTo(wanted);
            return text.isEmpty() ? JSON.createObjectNode() : json();
        }
    }

    public static synchronized String url() {
        if (running == null) {
            start();
        }
        int port = ((WebServerApplicationContext) running).getWebServer().getPort();
        return "http://127.0.0.1:" + port;
    }

    private static void start() {
        MAIL.start();
        if (ADMIN_URL == null) {
            throw new IllegalStateException("These tests need a PostgreSQL of their own: run them by ./test");
        }
        try (Connection admin = DriverManager.getConnection(ADMIN_URL, USER, PASSWORD)) {
            admin.createStatement().execute("create database " + DATABASE);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
        running = new SpringApplication(Application.class, CountedSql.class)
                .run(
                        "--server.port=0",
                        "--spring.datasource.url=" + databaseUrl(),
                        "--spring.datasource.username=" + USER,
                        "--spring.datasource.password=" + PASSWORD,
                        "--bough.today=" + TODAY,
                        "--bough.door.https=false",
                        "--bough.door.rates=false",
                        "--springdoc.api-docs.path=" + ApiDocument.PATH,
                        "--springdoc.paths-to-match=/api/**",
                        "--springdoc.default-produces-media-type=application/json",
                        "--springdoc.writer-with-order-by-keys=true",
                        "--springdoc.writer-with-default-pretty-printer=true",
                        "--bough.mail.host=127.0.0.1",
                        "--bough.mail.port=" + MAIL.getSmtp().getPort(),
                        "--bough.mail.tls=false",
                        "--bough.photos.folder=" + photos());
        everybodyEverywhere();
        person = firstCoordinator();
        // Whoever comes later belongs somewhere, and so may add sites.
        site("Brook Field");
    }

    /** Whoever is added belongs to every site and coordinates it, and so does everybody at every site that is added. */
    private static void everybodyEverywhere() {
        sql("""
                create function everybody_everywhere() returns trigger language plpgsql as $$
                begin
                    if tg_table_name = 'person' then
                        insert into membership (person_id, site_id, role, may_survey)
                        select new.id, id, 'coordinator', true from site on conflict do nothing;
                    else
                        insert into membership (person_id, site_id, role, may_survey)
                        select id, new.id, 'coordinator', true from person on conflict do nothing;
                    end if;
                    return null;
                end $$;
                create trigger everywhere after insert on person for each row execute function everybody_everywhere();
                create trigger everybody after insert on site for each row execute function everybody_everywhere();
                """);
    }

    private static long firstCoordinator() {
        String secret = invitation("first", 0);
        HttpResponse<String> in = enter("/api/first-coordinator", """
                {"token": "%s", "name": "Tess Ferrier", "login": "tess@example.org", "password": "%s"}
                """.formatted(secret, SECRET));
        long id = JSON.readTree(in.body()).get("personId").longValue();
        SESSIONS.put(id, cookie(in));
        return id;
    }

    /** A way in of that kind for somebody, past the server; its secret. */
    public static String invitation(String kind, long personId) {
        String secret = "secret-" + UUID.randomUUID();
        sql("insert into invitation (hash, kind, site_id, person_id, good_until) values ('"
                + Once.sha256(secret.getBytes(StandardCharsets.UTF_8)) + "', '" + kind + "', "
                + (personId == 0 ? "null, null" : "(select min(id) from site), " + personId)
                + ", now() + interval '1 day')");
        return secret;
    }

    /** The person of a name, who comes to be if nobody bears it. */
    public static synchronized long personNamed(String name) {
        url();
        try (Connection database = database();
                PreparedStatement find = database.prepareStatement("""
                        with found as (select id from person where name = ? order by id limit 1),
                             added as (insert into person (name) select ? where not exists (select from found) returning id)
                        select id from found union all select id from added
                        """)) {
            find.setString(1, name);
            find.setString(2, name);
            try (ResultSet found = find.executeQuery()) {
                found.next();
                return found.getLong(1);
            }
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Does something to the database past the server. */
    public static void sql(String statements) {
        try (Connection database = DriverManager.getConnection(databaseUrl(), USER, PASSWORD)) {
            database.createStatement().execute(statements);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The session of somebody, who comes in by an invitation when they are needed first. */
    public static String session(long personId) {
        url();
        return SESSIONS.computeIfAbsent(personId, TestServer::comeIn);
    }

    /** Ends the sessions of somebody; asked for again they come in anew. */
    public static void signOut(long personId) {
        sql("update account set epoch = epoch + 1 where person_id = " + personId);
        SESSIONS.remove(personId);
    }

    private static String comeIn(long personId) {
        return cookie(enter("/api/invitations/accept", """
                {"token": "%s", "login": "person-%d", "password": "%s", "asMe": false}
                """.formatted(invitation("join", personId), personId, SECRET)));
    }

    /** The headers of a request of hers whose requests these are. */
    public static String[] signedIn() {
        return new String[] {"Cookie", TOKEN_COOKIE + "; " + session(person), "Bough-Token", TOKEN};
    }

    private static HttpResponse<String> enter(String path, String body) {
        try {
            HttpResponse<String> in = HTTP.send(
                    HttpRequest.newBuilder(URI.create(url() + path))
                            .POST(HttpRequest.BodyPublishers.ofString(body))
                            .header("Content-Type", "application/json")
                            .header("Cookie", TOKEN_COOKIE)
                            .header("Bough-Token", TOKEN)
                            // Each from an address of its own, as people are.
                            .header("X-Forwarded-For", "203.0.113." + ADDRESSES.incrementAndGet() % 250)
                            .build(),
                    HttpResponse.BodyHandlers.ofString(StandardCharsets.UTF_8));
            assertThat(in.statusCode()).as(in.body()).isEqualTo(200);
            return in;
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private static String cookie(HttpResponse<String> in) {
        return in.headers().allValues("Set-Cookie").stream()
                .filter(cookie -> cookie.startsWith("bough-session="))
                .findFirst()
                .orElseThrow()
                .replaceFirst(";.*", "");
    }

    /** The same application once more on the same database, on a port of its own; stopped by closing it. */
    public static AutoCloseable another(int port) {
        url();
        return SpringApplication.run(
                Application.class,
                "--server.port=" + port,
                "--spring.datasource.url=" + databaseUrl(),
                "--spring.datasource.username=" + USER,
                "--spring.datasource.password=" + PASSWORD,
                "--bough.today=" + TODAY,
                "--bough.door.https=false",
                "--bough.door.rates=false",
                "--bough.photos.folder=" + photos());
    }

    /** Stops what {@link #another} started. */
    public static void close(AutoCloseable server) {
        try {
            server.close();
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    private static Path photos() {
        try {
            return Files.createTempDirectory("bough-photos");
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    static String databaseUrl() {
        return ADMIN_URL.replaceFirst("/[^/]*$", "/" + DATABASE);
    }

    /** A connection past the server, for looking at what it wrote. */
    public static Connection database() throws SQLException {
        url();
        return DriverManager.getConnection(databaseUrl(), USER, PASSWORD);
    }

    public static Answer get(String path) {
        return send("GET", path, null);
    }

    public static Answer post(String path, String body) {
        return send("POST", path, body);
    }

    public static Answer put(String path, String body) {
        return send("PUT", path, body);
    }

    /** Waits until something is so. */
    public static void eventually(BooleanSupplier so) {
        long until = System.nanoTime() + TimeUnit.MINUTES.toNanos(1);
        while (!so.getAsBoolean()) {
            assertThat(System.nanoTime()).as("still not so").isLessThan(until);
            try {
                Thread.sleep(50);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }
    }

    /** Sends, and where that changed something waits until all trees that it made stale are judged. */
    public static Answer send(String method, String path, String body) {
        url();
        Answer answer = sendAs(person, method, path, body);
        if (!method.equals("GET")) {
            judged();
        }
        return answer;
    }

    /** Waits until no tree waits to be judged. */
    public static void judged() {
        long until = System.nanoTime() + TimeUnit.MINUTES.toNanos(2);
        try (Connection database = database()) {
            while (waiting(database) > 0) {
                assertThat(System.nanoTime())
                        .as("trees still wait to be judged")
                        .isLessThan(until);
                Thread.sleep(10);
            }
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private static int waiting(Connection database) throws SQLException {
        try (ResultSet count =
                database.createStatement().executeQuery("select count(*) from stale_tree where tries = 0")) {
            count.next();
            return count.getInt(1);
        }
    }

    /** A part of the running application. */
    public static <T> T part(Class<T> type) {
        url();
        return running.getBean(type);
    }

    /** {@code as} 0 for nobody. */
    public static Answer sendAs(long as, String method, String path, String body) {
        return sendAs(as, method, path, "application/json", body);
    }

    /** The same with a type of its own. */
    public static Answer sendAs(long as, String method, String path, String type, String body) {
        return send(
                as,
                HttpRequest.newBuilder(URI.create(url() + path))
                        .method(
                                method,
                                body == null
                                        ? HttpRequest.BodyPublishers.noBody()
                                        : HttpRequest.BodyPublishers.ofString(body, StandardCharsets.UTF_8))
                        .header("Content-Type", type));
    }

    /** Sends something under a key of its own. */
    public static Answer sendWithKey(UUID key, String method, String path, String body) {
        url();
        return send(
                person,
                HttpRequest.newBuilder(URI.create(url() + path))
                        .method(method, HttpRequest.BodyPublishers.ofString(body, StandardCharsets.UTF_8))
                        .header("Idempotency-Key", key.toString())
                        .header("Content-Type", "application/json"));
    }

    /** Sends whatever it is; a null body sends none. */
    public static Answer sendAny(String method, String path, String type, String body) {
        return send(
                whoId(),
                HttpRequest.newBuilder(URI.create(url() + path))
                        .method(
                                method,
                                body == null
                                        ? HttpRequest.BodyPublishers.noBody()
                                        : HttpRequest.BodyPublishers.ofString(body, StandardCharsets.UTF_8))
                        .header("Content-Type", type));
    }

    /** Whose requests these are. */
    public static long whoId() {
        url();
        return person;
    }

    /** What a GET answers, byte by byte. */
    public static byte[] bytes(String path) {
        try {
            return HTTP.send(
                            HttpRequest.newBuilder(URI.create(url() + path))
                                    .header("Cookie", session(person))
                                    .build(),
                            HttpResponse.BodyHandlers.ofByteArray())
                    .body();
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Posts what is not JSON. */
    public static Answer sendBytes(String path, String type, byte[] body) {
        url();
        Answer answer = send(
                person,
                HttpRequest.newBuilder(URI.create(url() + path))
                        .POST(HttpRequest.BodyPublishers.ofByteArray(body))
                        .header("Content-Type", type));
        judged();
        return answer;
    }

    private static Answer send(long as, HttpRequest.Builder request) {
        request.header("Bough-Token", TOKEN);
        request.header("Cookie", as == 0 ? TOKEN_COOKIE : TOKEN_COOKIE + "; " + session(as));
        try {
            HttpResponse<String> response =
                    HTTP.send(request.build(), HttpResponse.BodyHandlers.ofString(StandardCharsets.UTF_8));
            return new Answer(response.statusCode(), response.body());
        } catch (IOException e) {
            throw new IllegalStateException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** One header of the answer to a GET. */
    public static String header(String path, String name) {
        try {
            return HTTP.send(
                            HttpRequest.newBuilder(URI.create(url() + path))
                                    .header("Cookie", session(person))
                                    .build(),
                            HttpResponse.BodyHandlers.discarding())
                    .headers()
                    .firstValue(name)
                    .orElse("");
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** A file of the project, wherever the tests are run from. */
    public static String file(String path) {
        try {
            return Files.readString(project().resolve(path));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The project's folder, from whichever of its modules the tests run. */
    public static Path project() {
        Path folder = Path.of("").toAbsolutePath();
        while (!Files.isDirectory(folder.resolve("demo"))) {
            folder = folder.getParent();
        }
        return folder;
    }

    /** A new site of that name; its id. */
    public static long site(String name) {
        return post("/api/sites", siteJson(name)).expect(201).get("id").longValue();
    }

    public static String siteJson(String name) {
        return """
                {"name": "%s", "latitude": 52.1, "longitude": -2.4, "timeZone": "Europe/London",
                 "monthlyMeanC": [4,4,6,9,12,15,17,17,14,11,7,5],
                 "monthlyRainMm": [70,50,50,55,60,60,60,65,65,75,75,75],
                 "policy": {"allowance": "quarter", "summerAllowance": 0.1, "bigCuts": 3, "pome": "late-winter",
                            "apricot": "dry-summer", "peach": "bud-swell", "fig": "whole", "bend": "slanting",
                            "sealing": "none"}}
                """.formatted(name);
    }

    public static String treeJson(String tag) {
        return """
                {"tag": "%s", "species": "apple", "cultivar": "Kiln Rose", "bearing": "spur", "purpose": "picking",
                 "formWanted": "open-centre", "eastM": 1.5, "northM": -2, "targetHeightM": 4.2, "clearanceM": 1.5,
                 "inContainer": false}
                """.formatted(tag);
    }

    public static long tree(long siteId, String tag) {
        return post("/api/sites/" + siteId + "/trees", treeJson(tag))
                .expect(201)
                .get("id")
                .longValue();
    }

    /** A site of so many surveyed trees, apples and pears three metres apart; its id. */
    public static long orchard(String name, int trees) {
        String all = IntStream.range(0, trees)
                .mapToObj(i -> "{\"tree\": "
                        + treeJson("T-" + i)
                                .replace("\"apple\"", i % 4 == 0 ? "\"pear\"" : "\"apple\"")
                                .replace(
                                        "\"eastM\": 1.5, \"northM\": -2",
                                        "\"eastM\": " + i % 30 * 6 + ", \"northM\": " + i / 30 * 6)
                        + ", \"surveys\": [{\"by\": \"Tess Ferrier\", \"survey\": " + walkJson() + "}]}")
                .collect(Collectors.joining(","));
        return post(
                        "/api/archives",
                        "{\"format\": \"diligent-bough/archive\", \"version\": 1, \"site\": " + siteJson(name)
                                + ", \"people\": [{\"name\": \"Tess Ferrier\"}], \"trees\": [" + all + "]}")
                .expect(201)
                .get("siteId")
                .longValue();
    }

    /** Somebody to be added; to the first site there is, and by that to all. */
    public static String newPerson(String name) {
        return "{\"siteId\": " + anySite() + ", \"name\": \"" + name + "\"}";
    }

    private static long anySite() {
        return get("/api/sites").expect(200).get(0).get("id").longValue();
    }

    /** A new person with tickets that hold for years; their id. */
    public static long person(String name, Integer birthYear, String... tickets) {
        JsonNode added = post("/api/people", newPerson(name)).expect(201);
        String held = Arrays.stream(tickets)
                .map(ticket -> "{\"ticket\": \"" + ticket + "\", \"until\": \"2029-12-31\"}")
                .collect(Collectors.joining(","));
        put(
                        "/api/people/" + added.get("id").longValue(),
                        "{\"version\": " + added.get("version").intValue() + ", \"data\": {\"name\": \"" + name
                                + "\", \"birthYear\": " + birthYear + ", \"tickets\": [" + held
                                + "], \"canCome\": []}}")
                .expect(200);
        return added.get("id").longValue();
    }

    /** A work day on a date with a full shed; its id. */
    public static long day(long siteId, String on) {
        return post("/api/sites/" + siteId + "/days", """
                        {"on": "%s", "starts": "09:30", "ends": "13:30",
                         "shed": {"ladder": 2, "saw": 4, "loppers": 4, "pole-pruner": 1, "helmet": 6, "rope": 1, "spreader": 9}}
                        """.formatted(on))
                .expect(201)
                .get("id")
                .longValue();
    }

    /** What is sent from a walk: measures and limbs, no site. */
    public static String walkJson() {
        return """
                {"surveyedOn": "2027-02-10",
                 "tree": {"heightM": 5.0, "spreadM": 4.5, "trunkGirthCm": 90, "yearsSinceCut": 8},
                 "limbs": [
                   {"id": "A", "diameterCm": 12, "originHeightM": 1.3, "azimuthDeg": 0, "angleDeg": 45, "lengthM": 3, "fruiting": 2},
                   {"id": "B", "diameterCm": 11, "originHeightM": 1.4, "azimuthDeg": 150, "angleDeg": 45, "lengthM": 3, "fruiting": 2},
                   {"id": "C", "diameterCm": 7, "originHeightM": 1.5, "azimuthDeg": 250, "angleDeg": 50, "lengthM": 2.5,
                    "faults": [{"kind": "crossing-centre"}]},
                   {"id": "D", "diameterCm": 5, "originHeightM": 1.6, "azimuthDeg": 300, "angleDeg": 40, "lengthM": 2,
                    "faults": [{"kind": "dead"}], "overTarget": "path"}]}
                """;
    }
}
