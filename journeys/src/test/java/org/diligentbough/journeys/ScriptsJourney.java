package org.diligentbough.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.LoadState;
import com.microsoft.playwright.options.Media;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.diligentbough.server.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.databind.node.StringNode;

/** What somebody wrote into any field of text is shown as they wrote it, on every page and on paper, and never run. */
class ScriptsJourney {
    private static final String SCRIPT = "<img src=x onerror=hit()>";

    /** Fields of an archive in which people write what they like, or whom they name. */
    private static final Set<String> WRITTEN = Set.of(
            "note",
            "cultivar",
            "rootstock",
            "groupName",
            "owner",
            "ownerWishes",
            "policyNote",
            "replacement",
            "removedBy",
            "permission",
            "how",
            "by",
            "name");

    private static String siteWithScripts() {
        ObjectNode archive = (ObjectNode) TestServer.JSON.readTree(TestServer.file("demo/kilnfield.json"));
        Set<String> tags = new HashSet<>();
        archive.get("trees").forEach(tree -> tags.add(tree.at("/tree/tag").stringValue()));
        archive.get("trees").forEach(one -> {
            ObjectNode tree = (ObjectNode) one.get("tree");
            for (String field : List.of("note", "groupName", "owner", "ownerWishes", "cultivar", "rootstock")) {
                tree.put(field, tree.path(field).asString("some"));
            }
        });
        ((ObjectNode) archive.get("site")).put("policyNote", "why").put("name", "Scripts");
        spoil(archive, tags);
        return "/sites/"
                + TestServer.post("/api/archives", TestServer.JSON.writeValueAsString(archive))
                        .expect(201)
                        .get("siteId")
                        .longValue();
    }

    private static void spoil(JsonNode node, Set<String> tags) {
        if (node instanceof ObjectNode object) {
            for (String field : List.copyOf(object.propertyNames())) {
                JsonNode value = object.get(field);
                if (value.isString() && (WRITTEN.contains(field) || tags.contains(value.stringValue()))) {
                    object.put(field, value.stringValue() + SCRIPT);
                } else if (field.equals("people") && value instanceof ArrayNode names) {
                    for (int i = 0; i < names.size(); i++) {
                        if (names.get(i).isString()) {
                            names.set(i, StringNode.valueOf(names.get(i).stringValue() + SCRIPT));
                        }
                    }
                }
                spoil(object.get(field), tags);
            }
        } else {
            node.forEach(one -> spoil(one, tags));
        }
    }

    /** Texts that no archive of the demo holds. */
    private static void writeMore(String site, long tree, long day) {
        String limb = TestServer.get("/api/trees/" + tree + "/judgement")
                .expect(200)
                .at("/evaluation/limbs/0/id")
                .stringValue();
        String at = "/api/trees/" + tree;
        String note = "\"note\": \"" + SCRIPT + "\"";
        TestServer.put(at + "/limbs/" + limb + "/opinion", "{\"verdict\": \"keep\", " + note + "}")
                .expect(200);
        TestServer.put(at + "/limbs/" + limb + "/decision", "{\"version\": 0, \"verdict\": \"keep\", " + note + "}")
                .expect(200);
        TestServer.post(
                        at + "/reports",
                        "{\"on\": \"2027-02-10\", \"kind\": \"other\", \"dangerous\": true, " + note + "}")
                .expect(201);
        TestServer.post(at + "/what-ifs", "{\"name\": \"" + SCRIPT + "\", \"wish\": {\"targetHeightM\": 3.1}}")
                .expect(201);
        TestServer.post(at + "/consents", "{\"limits\": \"" + SCRIPT + "\"}").expect(201);
        TestServer.put("/api" + site + "/figures/two-people-kg", "{\"version\": 0, \"value\": 13, " + note + "}")
                .expect(200);
        TestServer.post("/api/days/" + day + "/notes", "{" + note + "}").expect(201);
    }

    @Test
    void whatIsWrittenIsShownAndNeverRun() {
        String site = siteWithScripts();
        JsonNode trees = TestServer.get("/api" + site + "/trees").expect(200).get("trees");
        JsonNode days = TestServer.get("/api" + site + "/days").expect(200);
        long tree = trees.get(0).get("id").longValue();
        long day = days.get(0).get("id").longValue();
        writeMore(site, tree, day);
        List<String> paths = new ArrayList<>(List.of(
                "/", site, "/sites/new", site + "/today", site + "/mine", site + "/history", site + "/settings"));
        for (String page : List.of("figures", "bulk", "walk", "waiting", "season", "plan", "days", "people", "log")) {
            paths.add(site + "/" + page);
        }
        paths.add(site + "/season/apple");
        for (JsonNode one : List.of(trees.get(0), trees.get(20))) {
            String at = site + "/trees/" + one.get("id").longValue();
            paths.addAll(List.of(at, at + "/owner", at + "/edit", at + "/walk"));
        }
        for (JsonNode one : List.of(days.get(0), days.get(days.size() - 1))) {
            String at = site + "/days/" + one.get("id").longValue();
            paths.addAll(List.of(at, at + "/sheet", at + "/log"));
            JsonNode visits = TestServer.get("/api/days/" + one.get("id").longValue())
                    .json()
                    .get("visits");
            if (!visits.isEmpty()) {
                paths.add(site + "/visits/" + visits.get(0).get("id").longValue() + "/log");
            }
        }
        try (Browser browser = new Browser()) {
            browser.page.addInitScript("window.hit = () => { window.wasHit = true }");
            browser.open(site);
            browser.signIn(TestServer.personNamed("Tamsin Oke" + SCRIPT));
            int shown = 0;
            for (String path : paths) {
                browser.open(path);
                browser.page.waitForLoadState(LoadState.NETWORKIDLE);
                for (Media media : List.of(Media.PRINT, Media.SCREEN)) {
                    browser.page.emulateMedia(new Page.EmulateMediaOptions().setMedia(media));
                    shown += looked(browser.page, path) ? 1 : 0;
                }
            }
            assertThat(shown).as("pages that show what was written").isGreaterThan(paths.size());
            assertThat(browser.errors()).isEmpty();
        }
    }

    /** Whether what was written stands on a page as text; that nothing of it became part of the page. */
    private static boolean looked(Page page, String path) {
        for (String tab : List.of("Plan", "Judgement", "Season", "Work", "Years", "Notes", "More")) {
            var pane = page.getByRole(
                    com.microsoft.playwright.options.AriaRole.TAB,
                    new Page.GetByRoleOptions().setName(tab).setExact(true));
            if (pane.count() > 0 && pane.first().isVisible()) {
                pane.first().click();
                safe(page, path);
            }
        }
        page.evaluate("document.querySelectorAll('details').forEach((one) => { one.open = true })");
        safe(page, path);
        return Boolean.TRUE.equals(
                page.evaluate(
                        "document.body.textContent.includes('<img src=x')"
                                + " || [...document.querySelectorAll('input, textarea')].some((one) => one.value.includes('<img src=x'))"));
    }

    private static void safe(Page page, String path) {
        assertThat(page.evaluate("document.querySelectorAll(\"img[src='x'], [onerror]\").length"))
                .as(path)
                .isEqualTo(0);
        assertThat(page.evaluate("window.wasHit === true")).as(path).isEqualTo(false);
    }
}
