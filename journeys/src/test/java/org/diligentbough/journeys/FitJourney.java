package org.diligentbough.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.options.LoadState;
import java.util.ArrayList;
import java.util.List;
import org.diligentbough.server.TestServer;
import org.junit.jupiter.api.Test;

/** Every page fits every screen: nothing overflows, nothing is too small to read or to touch. */
class FitJourney {
    private static final List<String> PAGES = List.of(
            "",
            "/walk",
            "/looks",
            "/answer",
            "/harvest",
            "/thinning",
            "/removals",
            "?layer=grade",
            "/plan",
            "/days",
            "/log",
            "/today",
            "/settings",
            "/figures",
            "/season",
            "/season/apple",
            "/bulk",
            "/people",
            "/waiting",
            "/tasks",
            "/letters",
            "/incidents",
            "/hours",
            "/labels",
            "/days/{day}",
            "/days/{day}/log",
            "/days/{day}/sheet",
            "/trees/new",
            "/trees/{tree}",
            "/trees/{tree}?pane=limbs&limb=A",
            "/trees/{tree}?pane=years",
            "/trees/{tree}?pane=wood",
            "/trees/{tree}?pane=fruit",
            "/trees/{tree}?pane=story",
            "/trees/{tree}/walk",
            "/trees/{tree}/owner",
            "/trees/{tree}/edit");

    /** Until what a page draws to measure has been drawn anew. */
    private static final String SETTLED =
            "() => new Promise((done) => setTimeout(() => requestAnimationFrame(done), 100))";

    /** What reaches past the window, in words; what may be scrolled by itself may be wider. */
    private static final String TOO_WIDE = """
            () => document.documentElement.scrollWidth <= window.innerWidth ? [] :
              [...document.querySelectorAll('main *, header *')].filter((e) => {
                const box = e.getBoundingClientRect();
                return box.width > 0 && box.right > window.innerWidth + 1
                  && !e.closest('.table-responsive, .limb-list-wrap, .pane-tabs, [data-scrolls]');
              }).slice(0, 4).map((e) => e.tagName + '.' + e.className)""";

    /** Letters under 11 px, those of drawings as they are shown. */
    private static final String TOO_SMALL = """
            () => [...new Set([...document.querySelectorAll('body *')].filter((e) => {
                if (e.childElementCount > 0 || !e.textContent.trim() || e.getClientRects().length === 0) return false;
                let px = parseFloat(getComputedStyle(e).fontSize);
                const scale = e instanceof SVGGraphicsElement && e.getScreenCTM();
                if (scale) px *= Math.hypot(scale.a, scale.b);
                return px < 10.9 && getComputedStyle(e).visibility !== 'hidden';
              }).map((e) => e.tagName + ' ' + e.textContent.trim().slice(0, 20)))].slice(0, 4)""";

    /** Controls under 24 px that stand in no sentence. */
    private static final String TOO_FINE = """
            () => [...document.querySelectorAll('button, a, select')].filter((e) => {
                const box = e.getBoundingClientRect();
                return box.width > 0 && (box.height < 23.5 || box.width < 23.5)
                  && !e.closest('p, li, svg, label, dd, .visually-hidden');
              }).slice(0, 4).map((e) => e.tagName + ' ' + e.textContent.trim().slice(0, 20))""";

    private static final String AXE = """
            () => axe.run().then(found => found.violations
                .filter(one => one.impact !== 'minor')
                .map(one => one.id + ': ' + one.nodes.slice(0, 2).map(node => node.html.slice(0, 120)).join(' | ')))
            """;

    /** A day today with a crew and one too many, a task, somebody asked, an incident and hours. */
    private static long aFullDay(long site, long tree) {
        TestServer.judged();
        long day = TestServer.day(site, TestServer.TODAY);
        long lead = TestServer.person("Lena Fit " + site, 1970, "lead", "first-aid", "ladder");
        long young = TestServer.person("Yara Fit " + site, 2011);
        TestServer.put("/api/days/" + day + "/people", "{\"version\": 1, \"people\": [" + lead + "," + young + "]}")
                .expect(200);
        long visit = TestServer.post("/api/days/" + day + "/visits", "{\"version\": 2, \"treeId\": " + tree + "}")
                .expect(201)
                .at("/visits/0/id")
                .longValue();
        long task = TestServer.post("/api/sites/" + site + "/tasks", """
                        {"kind": "hedges", "title": "Cut the long hedge along the eastern boundary", "opens": "2027-02-01",
                         "closes": "2027-03-01", "minutes": 60}
                        """)
                .expect(201)
                .get("id")
                .longValue();
        TestServer.put("/api/days/" + day + "/tasks", "{\"version\": 3, \"tasks\": [" + task + "]}")
                .expect(200);
        TestServer.put(
                        "/api/days/" + day + "/crews",
                        "{\"version\": 4, \"crews\": [{\"people\": [" + lead + "], \"turns\": [\"visit-" + visit
                                + "\", \"task-" + task + "\"]}]}")
                .expect(200);
        TestServer.post("/api/days/" + day + "/invitations", "{\"people\": [" + lead + "]}")
                .expect(200);
        TestServer.post(
                        "/api/sites/" + site + "/incidents",
                        "{\"on\": \"" + TestServer.TODAY + "\", \"nearMiss\": true, \"what\": \"A ladder slid\"}")
                .expect(201);
        TestServer.sql("insert into day_attendance (work_day_id, person_id, came_at, went_at) values (" + day + ", "
                + lead + ", '2027-02-20 09:30+00', '2027-02-20 12:30+00')");
        return day;
    }

    /** Every size there is to fit: a laptop, a phone, a small phone. */
    private static final List<int[]> SIZES = List.of(new int[] {1280, 800}, new int[] {390, 844}, new int[] {320, 640});

    @Test
    void everyPageFitsAndIsOpenToAll() {
        long site = TestServer.site("Fit for all");
        long tree = TestServer.tree(site, "F-1");
        TestServer.tree(site, "F-2");
        TestServer.post("/api/trees/" + tree + "/surveys", TestServer.walkJson())
                .expect(201);
        long day = aFullDay(site, tree);
        try (Browser browser = new Browser()) {
            browser.open("/sites/" + site);
            browser.iAm("Wren Ashdown");
            List<String> wrong = new ArrayList<>();
            for (String path : PAGES) {
                int[] first = SIZES.get(0);
                browser.page.setViewportSize(first[0], first[1]);
                browser.open("/sites/" + site
                        + path.replace("{tree}", String.valueOf(tree)).replace("{day}", String.valueOf(day)));
                browser.page.waitForLoadState(LoadState.NETWORKIDLE);
                browser.axe();
                for (int[] size : SIZES) {
                    browser.page.setViewportSize(size[0], size[1]);
                    browser.page.evaluate(SETTLED);
                    for (String check : List.of(TOO_WIDE, TOO_SMALL, TOO_FINE, AXE)) {
                        List<?> found = (List<?>) browser.page.evaluate(check);
                        if (!found.isEmpty()) {
                            wrong.add(path + " at " + size[0] + ": " + found);
                        }
                    }
                }
            }
            assertThat(wrong).isEmpty();
        }
    }
}
