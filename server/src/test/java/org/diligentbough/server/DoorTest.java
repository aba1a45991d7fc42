package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.JSON;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;

import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Coming in, being kept out, and what the door says to everybody. */
class DoorTest {
    private static final HttpClient HTTP = HttpClient.newHttpClient();
    private static final String TOKEN = "Bough-Token";

    private static HttpRequest.Builder to(String path) {
        return HttpRequest.newBuilder(URI.create(TestServer.url() + path)).header("Content-Type", "application/json");
    }

    private static HttpRequest.Builder shown(HttpRequest.Builder request, String session) {
        return request.header("Cookie", "bough-token=" + TestServer.TOKEN + (session.isEmpty() ? "" : "; " + session))
                .header(TOKEN, TestServer.TOKEN);
    }

    private static HttpResponse<String> send(HttpRequest.Builder request) {
        try {
            return HTTP.send(request.build(), HttpResponse.BodyHandlers.ofString());
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private static HttpRequest.Builder posting(String path, String body) {
        return to(path).POST(HttpRequest.BodyPublishers.ofString(body));
    }

    private static String session(HttpResponse<String> in) {
        return in.headers().allValues("Set-Cookie").stream()
                .filter(cookie -> cookie.startsWith("bough-session="))
                .findFirst()
                .map(cookie -> cookie.replaceFirst(";.*", ""))
                .orElse("");
    }

    private static int status(String session, String path) {
        return send(shown(to(path).GET(), session)).statusCode();
    }

    private static String invitation(long siteId, long personId, String kind) {
        return post(
                        "/api/sites/" + siteId + "/invitations",
                        "{\"personId\": " + personId + ", \"kind\": \"" + kind + "\"}")
                .expect(201)
                .get("path")
                .stringValue()
                .replace("/join#", "");
    }

    private static HttpResponse<String> accept(String secret, String login, String password, String address) {
        return send(shown(
                posting("/api/invitations/accept", """
                        {"token": "%s", "login": %s, "password": %s, "asMe": false}
                        """.formatted(secret, quoted(login), quoted(password)))
                        .header("X-Forwarded-For", address),
                ""));
    }

    private static String quoted(String text) {
        return text == null ? "null" : "\"" + text + "\"";
    }

    private static HttpResponse<String> signIn(String login, String password, String address) {
        return send(shown(
                posting("/api/session", "{\"login\": \"" + login + "\", \"password\": \"" + password + "\"}")
                        .header("X-Forwarded-For", address),
                ""));
    }

    /** Somebody of one role at a new site and nothing anywhere else. */
    private record Somebody(long siteId, long personId) {
        static Somebody of(String role) {
            long site = TestServer.site("Door " + UUID.randomUUID());
            long person = TestServer.personNamed("Somebody " + UUID.randomUUID());
            TestServer.sql("delete from membership where person_id = " + person + "; insert into membership values ("
                    + person + ", " + site + ", '" + role + "', false)");
            return new Somebody(site, person);
        }
    }

    @Nested
    class Invitations {
        @Test
        void aVolunteerComesInWithoutAPasswordOnceAndSeesTheirSiteAlone() {
            Somebody who = Somebody.of("volunteer");
            long elsewhere = TestServer.site("Elsewhere " + UUID.randomUUID());
            TestServer.sql(
                    "delete from membership where person_id = " + who.personId() + " and site_id = " + elsewhere);
            String secret = invitation(who.siteId(), who.personId(), "join");
            JsonNode look = post("/api/invitations/look", "{\"token\": \"" + secret + "\"}")
                    .expect(200);
            assertThat(look.get("wantsPassword").booleanValue()).isFalse();
            assertThat(look.get("role").stringValue()).isEqualTo("volunteer");
            HttpResponse<String> in = accept(secret, null, null, "198.51.100.1");
            assertThat(in.statusCode()).as(in.body()).isEqualTo(200);
            String session = session(in);
            assertThat(status(session, "/api/sites/" + who.siteId())).isEqualTo(200);
            assertThat(status(session, "/api/sites/" + elsewhere)).isEqualTo(404);
            assertThat(send(shown(to("/api/sites").GET(), session)).body())
                    .contains("\"id\":" + who.siteId() + ",")
                    .doesNotContain("\"id\":" + elsewhere + ",");
            assertThat(accept(secret, null, null, "198.51.100.1").statusCode()).isEqualTo(404);
        }

        @Test
        void aCalendarIsFollowedByAnAddressUntilItEnds() {
            Somebody who = Somebody.of("volunteer");
            String session =
                    session(accept(invitation(who.siteId(), who.personId(), "join"), null, null, "198.51.100.3"));
            String links = "/api/sites/" + who.siteId() + "/calendar-link";
            String first = followed(session, links);
            HttpResponse<String> asked = send(to(first).GET());
            assertThat(asked.body()).startsWith("BEGIN:VCALENDAR");
            assertThat(asked.headers().firstValue("Cache-Control").orElse("")).contains("no-store");
            String second = followed(session, links);
            assertThat(send(to(first).GET()).statusCode()).as("the one before").isEqualTo(404);
            assertThat(send(to(second).GET()).statusCode()).isEqualTo(200);
            assertThat(send(to(second.replace("/season", "x/season")).GET()).statusCode())
                    .isEqualTo(404);
            TestServer.sql("delete from membership where person_id = " + who.personId());
            assertThat(send(to(second).GET()).statusCode())
                    .as("with the membership it ends")
                    .isEqualTo(404);
        }

        private static String followed(String session, String links) {
            HttpResponse<String> made = send(shown(posting(links, ""), session));
            assertThat(made.statusCode()).as(made.body()).isEqualTo(201);
            return JSON.readTree(made.body()).get("path").stringValue();
        }

        @Test
        void whoMayChangeMuchHasToChooseAPassword() {
            Somebody who = Somebody.of("leader");
            String secret = invitation(who.siteId(), who.personId(), "join");
            assertThat(accept(secret, "leads@example.org", "short", "198.51.100.2")
                            .statusCode())
                    .isEqualTo(422);
            assertThat(accept(secret, null, "quince medlar russet", "198.51.100.2")
                            .body())
                    .contains("/login");
            // What was refused did not use it up.
            assertThat(accept(secret, "Leads@Example.org ", "quince medlar russet", "198.51.100.2")
                            .statusCode())
                    .isEqualTo(200);
            assertThat(signIn("leads@example.org", "quince medlar russet", "198.51.100.2")
                            .statusCode())
                    .isEqualTo(200);
            assertThat(signIn("leads@example.org", "quince medlar russe", "198.51.100.2")
                            .statusCode())
                    .isEqualTo(401);
        }

        @Test
        void whatWasTakenBackOrRanOutIsWorthNothing() {
            Somebody who = Somebody.of("volunteer");
            String first = invitation(who.siteId(), who.personId(), "join");
            String second = invitation(who.siteId(), who.personId(), "join");
            assertThat(accept(first, null, null, "198.51.100.3").statusCode()).isEqualTo(404);
            JsonNode open = get("/api/sites/" + who.siteId() + "/invitations").expect(200);
            assertThat(open).hasSize(1);
            assertThat(open.toString()).doesNotContain(second);
            TestServer.send("DELETE", "/api/invitations/" + open.get(0).get("id"), null)
                    .expect(204);
            assertThat(accept(second, null, null, "198.51.100.3").statusCode()).isEqualTo(404);
            String third = invitation(who.siteId(), who.personId(), "join");
            TestServer.sql("update invitation set good_until = now() - interval '1 minute' where used_at is null");
            assertThat(accept(third, null, null, "198.51.100.3").statusCode()).isEqualTo(404);
        }

        @Test
        void nobodyComesInAtAnotherSiteByAWordOfThisOnes() {
            Somebody who = Somebody.of("volunteer");
            Somebody other = Somebody.of("volunteer");
            TestServer.sql("insert into membership values (" + who.personId() + ", " + other.siteId()
                    + ", 'coordinator', true) on conflict do nothing; delete from membership where person_id = "
                    + TestServer.whoId()
                    + " and site_id = " + other.siteId());
            JsonNode refused = post(
                            "/api/sites/" + who.siteId() + "/invitations",
                            "{\"personId\": " + who.personId() + ", \"kind\": \"join\"}")
                    .expect(422);
            assertThat(refused.toString()).contains("belongs to another site too");
        }

        @Test
        void theFirstCoordinatorComesInOnlyWhileThereIsNobody() {
            String secret = TestServer.invitation("first", 0);
            HttpResponse<String> late = send(shown(
                    posting("/api/first-coordinator", """
                    {"token": "%s", "name": "Late Comer", "login": "late@example.org", "password": "medlar medlar medlar"}
                    """.formatted(secret)).header("X-Forwarded-For", "198.51.100.9"),
                    ""));
            assertThat(late.statusCode()).isEqualTo(404);
        }
    }

    @Nested
    class Sessions {
        @Test
        void aRoleTakenOrAPhoneLostEndsItsSessionsAtOnce() {
            Somebody who = Somebody.of("volunteer");
            String session =
                    session(accept(invitation(who.siteId(), who.personId(), "join"), null, null, "198.51.100.4"));
            String at = "/api/sites/" + who.siteId() + "/members/" + who.personId();
            assertThat(status(session, "/api/sites")).isEqualTo(200);
            TestServer.send("DELETE", at + "/sessions", null).expect(204);
            assertThat(status(session, "/api/sites")).isEqualTo(401);
            String again =
                    session(accept(invitation(who.siteId(), who.personId(), "join"), null, null, "198.51.100.4"));
            put(at, "{\"role\": \"owner\", \"maySurvey\": false}").expect(200);
            assertThat(status(again, "/api/sites")).isEqualTo(401);
        }

        @Test
        void aChangedPasswordEndsTheOtherSessionsAndANumberKnownBeforeIsWorthNothing() {
            Somebody who = Somebody.of("leader");
            String first = session(accept(
                    invitation(who.siteId(), who.personId(), "join"),
                    "change@example.org",
                    "first of all words",
                    "198.51.100.5"));
            HttpResponse<String> in = send(shown(
                    posting("/api/session", "{\"login\": \"change@example.org\", \"password\": \"first of all words\"}")
                            .header("X-Forwarded-For", "198.51.100.5"),
                    first));
            String second = session(in);
            assertThat(second).isNotEmpty().isNotEqualTo(first);
            assertThat(status(first, "/api/sites")).isEqualTo(401);
            String third = session(signIn("change@example.org", "first of all words", "198.51.100.5"));
            HttpResponse<String> changed = send(shown(
                    to("/api/me/password")
                            .PUT(HttpRequest.BodyPublishers.ofString(
                                    "{\"old\": \"first of all words\", \"password\": \"second of all words\"}")),
                    second));
            assertThat(changed.statusCode()).as(changed.body()).isEqualTo(200);
            assertThat(status(third, "/api/sites")).isEqualTo(401);
            assertThat(status(session(changed), "/api/sites")).isEqualTo(200);
            assertThat(signIn("change@example.org", "first of all words", "198.51.100.5")
                            .statusCode())
                    .isEqualTo(401);
        }

        @Test
        void signingOutEndsIt() {
            Somebody who = Somebody.of("owner");
            String session =
                    session(accept(invitation(who.siteId(), who.personId(), "join"), null, null, "198.51.100.6"));
            assertThat(send(shown(to("/api/session").DELETE(), session)).statusCode())
                    .isEqualTo(204);
            assertThat(status(session, "/api/sites")).isEqualTo(401);
        }

        @Test
        void theLastCoordinatorStays() {
            long site = TestServer.site("Kept by one " + UUID.randomUUID());
            TestServer.sql(
                    "delete from membership where site_id = " + site + " and person_id <> " + TestServer.whoId());
            String at = "/api/sites/" + site + "/members/" + TestServer.whoId();
            put(at, "{\"role\": \"leader\", \"maySurvey\": true}").expect(422);
            TestServer.send("DELETE", at, null).expect(422);
        }

        @Test
        void passwordsAreNotGuessedByTrying() {
            Map<Integer, Integer> answers = new HashMap<>();
            for (int i = 0; i < 1000; i++) {
                // From ever other addresses, as those who try do.
                answers.merge(
                        signIn("tess@example.org", "guess number " + i, "198.51.100." + i % 250)
                                .statusCode(),
                        1,
                        Integer::sum);
            }
            assertThat(answers.keySet()).containsExactlyInAnyOrder(401, 429);
            assertThat(answers.get(429)).isGreaterThanOrEqualTo(980);
        }
    }

    @Nested
    class Requests {
        @Test
        void whatNoPageOfOursSentIsNotTaken() {
            String session = TestServer.session(TestServer.whoId());
            String site = TestServer.siteJson("Forged " + UUID.randomUUID());
            HttpResponse<String> forged = send(posting("/api/sites", site).header("Cookie", session));
            assertThat(forged.statusCode()).isEqualTo(403);
            assertThat(forged.body()).contains("no-token");
            assertThat(send(posting("/api/sites", site)
                                    .header("Cookie", session + "; bough-token=" + TestServer.TOKEN)
                                    .header(TOKEN, "another"))
                            .statusCode())
                    .isEqualTo(403);
            assertThat(send(shown(posting("/api/sites", site).header("Sec-Fetch-Site", "cross-site"), session))
                            .statusCode())
                    .isEqualTo(403);
            assertThat(get("/api/sites").text()).doesNotContain("Forged");
        }

        /** The first line of an answer to whoever calls the server by a name. */
        private static String asked(String host) throws IOException {
            URI server = URI.create(TestServer.url());
            try (Socket socket = new Socket(server.getHost(), server.getPort())) {
                socket.getOutputStream()
                        .write(("GET /api/me HTTP/1.1\r\nHost: " + host + "\r\nConnection: close\r\n\r\n")
                                .getBytes(StandardCharsets.US_ASCII));
                return new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8)
                        .lines()
                        .findFirst()
                        .orElse("");
            }
        }

        @Test
        void itAnswersToItsOwnNamesOnly() throws IOException {
            assertThat(asked("rebound.example")).contains(" 421 ");
            assertThat(asked("localhost.rebound.example:8080")).contains(" 421 ");
            assertThat(asked("localhost:1234")).contains(" 200 ");
        }

        @Test
        void everyAnswerSaysWhatBrowsersMayDoWithIt() {
            for (String path : new String[] {"/", "/api/me", "/api/nothing", "/mark.svg"}) {
                var headers = send(to(path).GET()).headers();
                assertThat(headers.firstValue("Content-Security-Policy").orElse(""))
                        .as(path)
                        .contains("default-src 'self'")
                        .contains("frame-ancestors 'none'")
                        .doesNotContain("unsafe");
                assertThat(headers.firstValue("X-Content-Type-Options"))
                        .as(path)
                        .contains("nosniff");
                assertThat(headers.firstValue("Referrer-Policy")).as(path).contains("no-referrer");
                assertThat(headers.firstValue("Cross-Origin-Opener-Policy"))
                        .as(path)
                        .contains("same-origin");
                assertThat(headers.firstValue("Permissions-Policy").orElse(""))
                        .as(path)
                        .contains("microphone=()");
                assertThat(headers.firstValue("Server")).as(path).isEmpty();
            }
            assertThat(send(to("/api/me").GET())
                            .headers()
                            .firstValue("Cache-Control")
                            .orElse(""))
                    .contains("no-store");
            assertThat(send(to("/").method("TRACE", HttpRequest.BodyPublishers.noBody()))
                            .statusCode())
                    .isEqualTo(405);
        }

        @Test
        void aSessionsCookieIsForThisHostAndNoScript() {
            Somebody who = Somebody.of("volunteer");
            HttpResponse<String> in =
                    accept(invitation(who.siteId(), who.personId(), "join"), null, null, "198.51.100.8");
            assertThat(in.headers().allValues("Set-Cookie")).anySatisfy(cookie -> assertThat(cookie)
                    .startsWith("bough-session=")
                    .contains("HttpOnly")
                    .contains("SameSite=Lax")
                    .contains("Path=/"));
        }

        @Test
        void oneTokenIsGivenAndToldAlike() {
            HttpResponse<String> me = send(to("/api/me").GET());
            assertThat(me.headers().allValues("Set-Cookie")).singleElement().satisfies(cookie -> assertThat(cookie)
                    .startsWith("bough-token="
                            + TestServer.JSON.readTree(me.body()).get("token").stringValue())
                    .doesNotContain("HttpOnly"));
        }

        @Test
        void nobodyIsADemoPersonWhereThereIsNoDemo() {
            assertThat(post("/api/demo/sign-in", "{\"name\": \"Tamsin Oke\"}").status())
                    .isEqualTo(404);
            assertThat(get("/api/me").json().get("demo")).isEmpty();
        }

        @Test
        void whetherThereIsALoginIsNotSaid() {
            for (String login : new String[] {"tess@example.org", "nobody@example.org"}) {
                assertThat(send(shown(
                                        posting("/api/passwords/forgotten", "{\"login\": \"" + login + "\"}")
                                                .header("X-Forwarded-For", "198.51.100.10"),
                                        ""))
                                .statusCode())
                        .isEqualTo(204);
            }
        }
    }
}
