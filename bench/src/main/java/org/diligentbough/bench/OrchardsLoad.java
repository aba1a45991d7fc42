package org.diligentbough.bench;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Fills a server of its own with made-up orchards and prints what they cost: import, judging in the queue, a school changed, and
 * each page with its half and its slowest twentieth, beside the bare SQL of what it mainly asks.
 */
public final class OrchardsLoad {
    private static final int LIMBS = 10;
    private static final int MEASURED = 60;
    private static final int WARM_ROUNDS = 2;
    /** A page whose bare SQL stands beside it asks for this, with the site's number. */
    private static final Map<String, String> PAGES = new LinkedHashMap<>();

    static {
        PAGES.put("sites/%d/trees?size=500", """
                select t.*, s.* from tree t left join lateral (select id, surveyed_on, height_m, spread_m, trunk_girth_cm, triage,
                urgent_limbs from survey where tree_id = t.id order by surveyed_on desc, id desc limit 1) s on true
                where t.site_id = ? order by t.tag limit 500""");
        PAGES.put("sites/%d/trees?size=100&page=1&sort=height", """
                select t.*, s.* from tree t left join lateral (select id, surveyed_on, height_m, spread_m, trunk_girth_cm, triage,
                urgent_limbs from survey where tree_id = t.id order by surveyed_on desc, id desc limit 1) s on true
                where t.site_id = ? order by s.height_m, t.tag limit 100 offset 100""");
        PAGES.put("sites/%d/today", """
                select l.* from plan_lane l join tree t on t.id = l.tree_id
                where t.site_id = ? and l.opens <= current_date and l.closes >= current_date""");
        PAGES.put(
                "sites/%d/programme",
                "select l.* from plan_lane l join tree t on t.id = l.tree_id where t.site_id = ?");
        PAGES.put(
                "sites/%d/judging",
                "select count(q.tree_id) from tree t left join stale_tree q on q.tree_id = t.id where t.site_id = ?");
        PAGES.put("sites/%d/season", "select species, count(*) from tree where site_id = ? group by 1");
        PAGES.put("sites/%d/kinds/apple", "");
        PAGES.put("sites/%d/days", "select * from work_day where site_id = ?");
        PAGES.put("sites/%d/light", "");
        PAGES.put("sites/%d/field", "");
        PAGES.put("sites/%d/archive", "");
    }

    /** Whatever changes something shows a token that is in a cookie too. */
    private static final String TOKEN = "4e1243bd-22c6-6f77-8cc0-6e7a5a1b0e2a";

    private final HttpClient client = HttpClient.newHttpClient();
    private final String base;
    private final Connection database;
    private String session;

    private OrchardsLoad(String base, Connection database) throws IOException, InterruptedException {
        this.base = base;
        this.database = database;
        this.session = "";
        this.session = comeIn();
    }

    /** Makes whoever loads this server its first coordinator, by an invitation laid into its database. */
    private String comeIn() throws IOException, InterruptedException {
        String secret = "bench-" + System.nanoTime();
        try (PreparedStatement lay = database.prepareStatement(
                "insert into invitation (hash, kind, good_until) values (?, 'first', now() + interval '1 hour')")) {
            byte[] hash = MessageDigest.getInstance("SHA-256").digest(secret.getBytes(StandardCharsets.UTF_8));
            lay.setString(1, HexFormat.of().formatHex(hash));
            lay.executeUpdate();
        } catch (SQLException | NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
        HttpResponse<String> in = answer("POST", "first-coordinator", """
                {"token": "%s", "name": "Bench Walker", "login": "bench@example.org", "password": "bench bench bench"}
                """.formatted(secret));
        return in.headers().allValues("Set-Cookie").stream()
                .filter(cookie -> cookie.startsWith("bough-session="))
                .findFirst()
                .map(cookie -> cookie.replaceFirst(";.*", "; "))
                .orElseThrow();
    }

    /**
     * {@code arguments}: the address of a server started for this alone, its database's address, user and password, how many
     * sites, how many trees each, the file of what was kept as the baseline of so many, and whether to keep this run as that.
     */
    public static void main(String[] arguments) throws Exception {
        int sites = Integer.parseInt(arguments[4]);
        int trees = Integer.parseInt(arguments[5]);
        try (Connection database = DriverManager.getConnection(arguments[1], arguments[2], arguments[3])) {
            new OrchardsLoad(arguments[0], database)
                    .run(sites, trees, new Baseline(Path.of(arguments[6])), Boolean.parseBoolean(arguments[7]));
        }
    }

    private void run(int sites, int trees, Baseline baseline, boolean keep) throws Exception {
        List<Long> ids = new ArrayList<>();
        double importing = 0;
        for (int i = 0; i < sites; i++) {
            long start = System.nanoTime();
            ids.add(Long.valueOf(
                    first(send("POST", "archives", archive("Bench orchard " + i, trees)), "\"siteId\":(\\d+)")));
            importing += (System.nanoTime() - start) / 1e6;
        }
        long judged = System.nanoTime();
        awaitJudged();
        int all = sites * trees;
        say("%,d trees on %d sites%n", all, sites);
        say("import            %6.1f ms a tree, before judging%n", importing / all);
        say("judging after it  %6.1f ms a tree%n", (System.nanoTime() - judged) / 1e6 / all);
        schoolChanged(ids.get(0), trees);
        Map<String, Double> halves = new LinkedHashMap<>();
        Map<String, String> lines = new LinkedHashMap<>();
        for (Map.Entry<String, String> page : PAGES.entrySet()) {
            double[] whole =
                    measured(ids, id -> () -> send("GET", String.format(Locale.ROOT, page.getKey(), id), null));
            double[] bare =
                    page.getValue().isEmpty() ? new double[0] : measured(ids, id -> () -> rows(page.getValue(), id));
            String called = page.getKey().replace("%d", "*");
            halves.put(called, whole[whole.length / 2]);
            lines.put(
                    called,
                    String.format(
                            Locale.ROOT,
                            "%8.1f %8.1f %10s",
                            whole[whole.length / 2],
                            whole[whole.length * 19 / 20],
                            bare.length == 0 ? "" : String.format(Locale.ROOT, "%.1f", bare[bare.length * 19 / 20])));
        }
        say("%-42s %8s %8s %10s  %s%n", "page, ms", "half", "19 of 20", "bare SQL", "against what was kept");
        Map<String, String> verdicts = baseline.against(halves);
        lines.forEach((page, line) -> say("%-42s %s  %s%n", page, line, verdicts.getOrDefault(page, "")));
        if (keep) {
            baseline.keep(halves);
        }
    }

    private void schoolChanged(long siteId, int trees) throws Exception {
        String site = send("GET", "sites/" + siteId, null);
        String data = first(site, "\"data\":(\\{.*\\})\\s*[,}]")
                .replaceFirst("\"allowance\":\"quarter\"", "\"allowance\":\"third\"");
        long start = System.nanoTime();
        send(
                "PUT",
                "sites/" + siteId,
                "{\"version\": " + first(site, "\"version\":(\\d+)") + ", \"data\": " + data + "}");
        double answered = (System.nanoTime() - start) / 1e6;
        awaitJudged();
        say(
                "a school changed  %6.1f ms for the answer, %.1f s until all %d trees of the site are judged%n",
                answered, (System.nanoTime() - start) / 1e9, trees);
    }

    private void awaitJudged() throws SQLException, InterruptedException {
        while (rows("select 1 from stale_tree where tree_id > ? limit 1", 0) > 0) {
            Thread.sleep(50);
        }
    }

    private interface OfSite {
        Callable<?> at(long siteId);
    }

    /** Sorted, ms, one site after another, warm. */
    private static double[] measured(List<Long> sites, OfSite what) throws Exception {
        double[] took = new double[MEASURED];
        for (int round = -WARM_ROUNDS * Math.min(sites.size(), MEASURED); round < MEASURED; round++) {
            Callable<?> call = what.at(sites.get(Math.floorMod(round, sites.size())));
            long start = System.nanoTime();
            call.call();
            if (round >= 0) {
                took[round] = (System.nanoTime() - start) / 1e6;
            }
        }
        Arrays.sort(took);
        return took;
    }

    private int rows(String sql, long argument) throws SQLException {
        try (PreparedStatement statement = database.prepareStatement(sql)) {
            statement.setLong(1, argument);
            int rows = 0;
            try (ResultSet result = statement.executeQuery()) {
                while (result.next()) {
                    rows++;
                }
            }
            return rows;
        }
    }

    private String send(String method, String path, String body) throws IOException, InterruptedException {
        return answer(method, path, body).body();
    }

    private HttpResponse<String> answer(String method, String path, String body)
            throws IOException, InterruptedException {
        HttpResponse<String> answer = client.send(
                HttpRequest.newBuilder(URI.create(base + "/api/" + path))
                        .header("Content-Type", "application/json")
                        .header("Cookie", session + "bough-token=" + TOKEN)
                        .header("Bough-Token", TOKEN)
                        .method(
                                method,
                                body == null
                                        ? HttpRequest.BodyPublishers.noBody()
                                        : HttpRequest.BodyPublishers.ofString(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() >= 300) {
            throw new IllegalStateException(path + ": " + answer.statusCode() + ": " + answer.body());
        }
        return answer;
    }

    private static void say(String format, Object... arguments) {
        System.out.printf(Locale.ROOT, format, arguments);
    }

    private static String first(String text, String pattern) {
        Matcher matcher = Pattern.compile(pattern).matcher(text);
        if (!matcher.find()) {
            throw new IllegalStateException(text);
        }
        return matcher.group(1);
    }

    /** Trees six metres apart in rows of forty, apples with every fourth a pear, ten limbs each. */
    private static String archive(String name, int count) {
        StringBuilder trees = new StringBuilder();
        for (int i = 0; i < count; i++) {
            StringBuilder limbs = new StringBuilder();
            for (int k = 0; k < LIMBS; k++) {
                limbs.append(k == 0 ? "" : ",")
                        .append(String.format(
                                Locale.ROOT,
                                "{\"id\": \"L%d\", \"originHeightM\": %.1f, \"diameterCm\": %d, \"azimuthDeg\": %d,"
                                        + " \"angleDeg\": %d, \"lengthM\": %.1f, \"fruiting\": %d%s}",
                                k,
                                1.2 + k * 0.1,
                                5 + (i + k) % 8,
                                (k * 47 + i) % 360,
                                35 + k * 4,
                                2.5 + k % 3 * 0.4,
                                k % 3,
                                (i + k) % 7 == 0 ? ", \"faults\": [{\"kind\": \"crossing-centre\"}]" : ""));
            }
            trees.append(i == 0 ? "" : ",")
                    .append(String.format(
                            Locale.ROOT,
                            "{\"tree\": {\"tag\": \"B-%05d\", \"species\": \"%s\", \"bearing\": \"spur\","
                                    + " \"purpose\": \"picking\", \"formWanted\": \"open-centre\", \"eastM\": %d,"
                                    + " \"northM\": %d, \"targetHeightM\": 4.2, \"inContainer\": false},"
                                    + " \"surveys\": [{\"by\": \"Bench Walker\", \"survey\": {\"surveyedOn\": \"today-30\","
                                    + " \"tree\": {\"heightM\": 5.4, \"spreadM\": 5, \"trunkGirthCm\": 90,"
                                    + " \"yearsSinceCut\": %d}, \"limbs\": [%s]}}]}",
                            i,
                            i % 4 == 0 ? "pear" : "apple",
                            i % 40 * 6,
                            i / 40 * 6,
                            i % 15,
                            limbs));
        }
        return """
                {"format": "diligent-bough/archive", "version": 1,
                 "site": {"name": "%s", "latitude": 52.1, "longitude": -2.4, "timeZone": "Europe/London",
                          "monthlyMeanC": [4,4,6,9,12,15,17,17,14,11,7,5],
                          "monthlyRainMm": [70,50,50,55,60,60,60,65,65,75,75,75],
                          "policy": {"allowance": "quarter", "summerAllowance": 0.1, "bigCuts": 3, "pome": "late-winter",
                                     "apricot": "dry-summer", "peach": "bud-swell", "fig": "whole", "bend": "slanting",
                                     "sealing": "none"}},
                 "trees": [%s]}
                """.formatted(name, trees);
    }
}
