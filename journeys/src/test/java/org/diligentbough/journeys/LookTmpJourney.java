package org.diligentbough.journeys;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.LoadState;
import java.nio.file.*;
import org.diligentbough.server.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class LookTmpJourney {
    static void take(Browser browser, String name) {
        browser.page.waitForLoadState(LoadState.NETWORKIDLE);
        browser.page.waitForTimeout(300);
        browser.page.screenshot(new Page.ScreenshotOptions().setPath(Path.of("/tmp/dev/look/" + name + ".png")));
    }

    @Test
    void look() throws Exception {
        String site = DemoJourney.demo("kilnfield.json", "Kilnfield Orchard");
        StringBuilder out = new StringBuilder();
        for (int i = 1; i <= 60; i++) {
            String tag = (i < 10 ? "K-0" : "K-") + i;
            JsonNode list = TestServer.get("/api" + site + "/trees?q=" + tag).expect(200).get("trees");
            if (list.isEmpty()) continue;
            JsonNode t = list.get(0);
            var an = TestServer.get("/api/trees/" + t.get("id").longValue() + "/outlook");
            if (an.status() != 200) continue;
            JsonNode e = TestServer.get("/api/trees/" + t.get("id").longValue() + "/judgement").expect(200).get("evaluation");
            JsonNode o = an.json();
            out.append(tag + " " + t.get("species") + " " + e.at("/tree/triage") + " notEntered " + e.at("/light/notEntered") + " inL " + e.at("/light/inLightBefore") + " after " + e.at("/light/inLightAfter") + "\n");
            for (JsonNode s : o.get("says")) out.append("     " + s.get("text").stringValue() + "\n");
            for (String w : new String[] {"leftAlone", "plan", "allAtOnce"}) {
                for (String f : new String[] {"goodFruitInReach", "fruitIndex", "inLight", "heightM"}) {
                    out.append("   " + w + " " + f + ":");
                    for (JsonNode y : o.at("/" + w + "/years")) out.append(" " + y.at("/is/" + f));
                    out.append("\n");
                }
            }
        }
        Files.writeString(Path.of("/tmp/dev/outlooks.txt"), out.toString());
        try (Browser browser = new Browser()) {
            browser.open(site);
            browser.iAm("Tamsin Oke");
            for (String tag : new String[] {"K-01", "K-30", "K-27"}) {
                long id = TestServer.get("/api" + site + "/trees?q=" + tag).expect(200).at("/trees/0/id").longValue();
                browser.open(site + "/trees/" + id);
                browser.part("Ten years").waitFor();
                take(browser, tag);
                browser.part("Ten years").scrollIntoViewIfNeeded();
                browser.page.evaluate("document.querySelector('.large-plot').scrollIntoView({block:'center'})");
                take(browser, tag + "-years");
                if (tag.equals("K-01")) {
                    browser.phone();
                    browser.open(site + "/trees/" + id);
                    browser.part("Ten years").waitFor();
                    browser.page.evaluate("document.querySelector('.large-plot').scrollIntoView({block:'center'})");
                    take(browser, tag + "-phone");
                    browser.open(site + "/trees/" + id + "/walk");
                    browser.step("Vigour");
                    take(browser, "walk-vigour");
                    browser.laptop();
                }
            }
        }
    }
}
