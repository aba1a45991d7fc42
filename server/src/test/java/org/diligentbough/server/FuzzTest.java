package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.JSON;

import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.diligentbough.core.Chance;
import org.diligentbough.server.TestServer.Answer;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Every address of the API document asked with what nobody should send: bounded, and the same every time by its seed. No
 * answer may be the server's fault, and what is refused says so as problem details.
 */
class FuzzTest {
    private static final long SEED = 20270220L;
    private static final int EACH = 20;
    private static final int DEEP = 4;

    private static JsonNode api;
    private static long tree;
    private static Map<String, Long> known;
    private static long fuzzer;

    @BeforeAll
    static void somethingToAskAbout() {
        api = JSON.readTree(TestServer.file("docs/api/openapi.json"));
        long site = TestServer.site("Fuzzed field");
        tree = TestServer.tree(site, "F-1");
        long survey = TestServer.post("/api/trees/" + tree + "/surveys", TestServer.walkJson())
                .expect(201)
                .get("id")
                .longValue();
        long day = TestServer.day(site, "2027-03-06");
        long visit = TestServer.post("/api/trees/" + tree + "/visits", "{}")
                .expect(201)
                .get("visitId")
                .longValue();
        known = Map.of(
                "siteId", site,
                "treeId", tree,
                "surveyId", survey,
                "dayId", day,
                "visitId", visit,
                "personId", TestServer.person("Fuzzed Person", 1980));
        // Whoever asks coordinates this site and no other, and nobody else is there: what comes of it is of nobody
        // else.
        fuzzer = TestServer.personNamed("Fuzz Maker");
        TestServer.session(fuzzer);
        TestServer.sql("delete from membership where site_id = " + site + " and person_id not in (" + fuzzer + ", "
                + known.get("personId") + "); delete from membership where site_id <> " + site + " and person_id in ("
                + fuzzer + ", " + known.get("personId") + ")");
    }

    private final Random chance = new Random(Chance.seed(SEED));

    @Test
    void noRequestIsTheServersFault() {
        List<String> wrong = new ArrayList<>();
        int asked = 0;
        for (Map.Entry<String, JsonNode> path : api.get("paths").properties()) {
            for (Map.Entry<String, JsonNode> method : path.getValue().properties()) {
                boolean changes = !method.getKey().equals("get");
                for (int i = 0; i < (changes ? EACH : EACH / 4); i++) {
                    asked++;
                    ask(path.getKey(), method.getKey(), method.getValue(), wrong);
                }
            }
        }
        System.out.println("fuzzed requests: " + asked);
        assertThat(wrong).isEmpty();
        // The register stands as it did: nothing half written came of it.
        assertThat(TestServer.sendAs(fuzzer, "GET", "/api/trees/" + tree, null).status())
                .isEqualTo(200);
    }

    private void ask(String template, String method, JsonNode operation, List<String> wrong) {
        StringBuilder query = new StringBuilder();
        String path = template;
        for (JsonNode parameter : operation.path("parameters")) {
            String name = parameter.get("name").stringValue();
            if (parameter.get("in").stringValue().equals("path")) {
                path = path.replace("{" + name + "}", inPath(name));
            } else if (parameter.get("in").stringValue().equals("query") && chance.nextInt(6) > 0) {
                query.append(query.isEmpty() ? "?" : "&")
                        .append(name)
                        .append('=')
                        .append(oddText());
            }
        }
        JsonNode content = operation.path("requestBody").path("content");
        String body = null;
        String type = "application/json";
        if (content.has("application/json")) {
            body = body(content.at("/application~1json/schema"));
        } else if (!content.isEmpty()) {
            type = content.propertyNames().iterator().next();
            body = "tag,species\n" + oddText() + ",apple\n\"";
        } else if (template.endsWith("/photos") && method.equals("post")) {
            type = "image/jpeg";
            body = "\u00ff\u00d8\u00ff" + chance.nextLong();
        }
        Answer answer;
        try {
            answer = TestServer.sendAs(fuzzer, method.toUpperCase(), path + query, type, body);
        } catch (IllegalArgumentException e) {
            return; // no address at all; that client sends nothing
        }
        if (answer.status() == 401) {
            // Some of what is asked signs out: in again.
            TestServer.signOut(fuzzer);
        }
        boolean refusedWell =
                answer.status() < 400 || answer.status() == 413 || answer.text().contains("\"detail\"");
        if (answer.status() >= 500 || !refusedWell) {
            wrong.add(answer.status() + " " + method + " " + path + query + " "
                    + (body == null ? "" : body.substring(0, Math.min(300, body.length()))) + " -> "
                    + answer.text().substring(0, Math.min(200, answer.text().length())));
        }
    }

    private String inPath(String name) {
        if (known.containsKey(name) && chance.nextInt(5) > 0) {
            return String.valueOf(known.get(name));
        }
        return switch (chance.nextInt(6)) {
            case 0 -> "0";
            case 1 -> "-1";
            case 2 -> "99999999999999999999";
            case 3 -> UUID.randomUUID().toString();
            case 4 -> "2026";
            default -> oddText();
        };
    }

    /** Text for an address, escaped. */
    private String oddText() {
        return pick(
                "",
                "0",
                "-1",
                "1.5",
                "abc",
                "%00",
                "%ED%A0%80",
                "%F0%9F%8C%B3",
                "2027-02-30",
                "9999-12-31",
                "0001-01-01",
                "2027-02-20",
                "%27%3B--",
                "null",
                "true",
                "1e400",
                "%25",
                "x".repeat(300));
    }

    private String pick(String... of) {
        return of[chance.nextInt(of.length)];
    }

    private String body(JsonNode schema) {
        return switch (chance.nextInt(14)) {
            case 0 -> "null";
            case 1 -> "[]";
            case 2 -> "{";
            case 3 -> "\"\\u0000\"";
            case 4 -> "";
            case 5 -> "{\"\\u0000\": 1}";
            default -> JSON.writeValueAsString(value(schema, 0));
        };
    }

    /** Something of the schema's shape, or nearly. */
    private Object value(JsonNode given, int depth) {
        JsonNode schema = given;
        while (schema.has("$ref")) {
            schema = api.at(schema.get("$ref").stringValue().substring(1));
        }
        if (depth > 0 && chance.nextInt(9) == 0) {
            return odd();
        }
        JsonNode type = schema.path("type");
        String kind = type.isArray() ? type.get(0).asString("") : type.asString("object");
        return switch (kind) {
            case "integer" -> pickOf(0, 1, 3, -1, 2027, Integer.MAX_VALUE, Long.MAX_VALUE, 1.5, tree);
            case "number" -> pickOf(0, 0.1, 1, 4.2, -3, 1e9, 1e-9, 1e300);
            case "boolean" -> chance.nextBoolean();
            case "array" -> {
                ArrayNode list = JSON.createArrayNode();
                for (int i = chance.nextInt(4); i > 0 && depth < DEEP; i--) {
                    list.addPOJO(value(schema.path("items"), depth + 1));
                }
                yield list;
            }
            case "string" -> text(schema);
            default -> object(schema, depth);
        };
    }

    private Object object(JsonNode schema, int depth) {
        ObjectNode node = JSON.createObjectNode();
        Iterator<Map.Entry<String, JsonNode>> fields =
                schema.path("properties").properties().iterator();
        while (fields.hasNext() && depth < DEEP) {
            Map.Entry<String, JsonNode> field = fields.next();
            if (chance.nextInt(8) > 0) {
                node.putPOJO(field.getKey(), value(field.getValue(), depth + 1));
            }
        }
        if (chance.nextInt(12) == 0) {
            node.put("unheardOf", 1);
        }
        return node;
    }

    private Object text(JsonNode schema) {
        String format = schema.path("format").asString("");
        if (format.equals("date") && chance.nextInt(3) > 0) {
            return pick("2027-02-20", "2026-07-01", "2027-03-06", "1899-12-31", "2201-01-01");
        }
        if (format.equals("uuid") && chance.nextInt(3) > 0) {
            return UUID.randomUUID().toString();
        }
        return pick(
                "A",
                "B",
                "apple",
                "remove",
                "shorten",
                "keep",
                "done",
                "other",
                "not-done",
                "dormant",
                "stacked",
                "split",
                "quarter",
                "09:30",
                "13:30",
                "Europe/London",
                "diligent-bough/survey",
                "diligent-bough/archive",
                "tree",
                "dead",
                "diseased",
                "open-centre",
                "spur",
                "picking",
                "2027",
                "today-3",
                "year-1/03-06",
                "=1+1",
                " ",
                "\ud83c\udf33",
                "x".repeat(2100));
    }

    private Object odd() {
        return pickOf(
                "\u0000",
                "\ud800",
                "half \udc00",
                -1,
                1e308,
                "1e999",
                true,
                List.of(),
                Map.of(),
                List.of(List.of()),
                "",
                "9999-99-99",
                "0000-00-00",
                Long.MIN_VALUE,
                0.5);
    }

    private Object pickOf(Object... of) {
        return of[chance.nextInt(of.length)];
    }
}
