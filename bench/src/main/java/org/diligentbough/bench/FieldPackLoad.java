package org.diligentbough.bench;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Arrays;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Takes a site of 1,000 walked trees along, from a server of its own, and prints how long that takes and how much it is. */
public final class FieldPackLoad {
    private static final int TREES = 1_000;
    private static final int LIMBS = 10;
    private static final int MEASURED = 12;

    private FieldPackLoad() {}

    /** {@code arguments[0]}: the address of a server started for this alone. */
    public static void main(String[] arguments) throws IOException, InterruptedException {
        HttpClient client = HttpClient.newHttpClient();
        String base = arguments[0];
        String person = first(send(client, base + "/api/people", "0", "{\"name\": \"Bench Walker\"}"), "\"id\":(\\d+)");
        long began = System.nanoTime();
        String site = first(send(client, base + "/api/archives", person, archive()), "\"siteId\":(\\d+)");
        System.out.printf(Locale.ROOT, "import of %d trees: %.1f s%n", TREES, (System.nanoTime() - began) / 1e9);
        HttpRequest request = HttpRequest.newBuilder(URI.create(base + "/api/sites/" + site + "/field"))
                .build();
        double[] seconds = new double[MEASURED];
        int bytes = 0;
        for (int i = 0; i < MEASURED; i++) {
            long start = System.nanoTime();
            bytes = client.send(request, HttpResponse.BodyHandlers.ofByteArray())
                    .body()
                    .length;
            seconds[i] = (System.nanoTime() - start) / 1e9;
        }
        System.out.printf(Locale.ROOT, "field pack of %d trees, %.1f MB: first %.2f s", TREES, bytes / 1e6, seconds[0]);
        Arrays.sort(seconds);
        System.out.printf(
                Locale.ROOT, ", median %.2f s, slowest %.2f s%n", seconds[MEASURED / 2], seconds[MEASURED - 1]);
    }

    private static String send(HttpClient client, String address, String person, String body)
            throws IOException, InterruptedException {
        HttpResponse<String> answer = client.send(
                HttpRequest.newBuilder(URI.create(address))
                        .header("Content-Type", "application/json")
                        .header("X-Bough-Person", person)
                        .POST(HttpRequest.BodyPublishers.ofString(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() != 201) {
            throw new IllegalStateException(answer.statusCode() + ": " + answer.body());
        }
        return answer.body();
    }

    private static String first(String text, String pattern) {
        Matcher matcher = Pattern.compile(pattern).matcher(text);
        if (!matcher.find()) {
            throw new IllegalStateException(text);
        }
        return matcher.group(1);
    }

    private static String archive() {
        StringBuilder trees = new StringBuilder();
        for (int i = 0; i < TREES; i++) {
            StringBuilder limbs = new StringBuilder();
            for (int k = 0; k < LIMBS; k++) {
                limbs.append(k == 0 ? "" : ",")
                        .append(String.format(
                                Locale.ROOT,
                                "{\"id\": \"L%d\", \"originHeightM\": %.1f, \"diameterCm\": %d, \"azimuthDeg\": %d,"
                                        + " \"angleDeg\": %d, \"lengthM\": %.1f, \"fruiting\": %d}",
                                k,
                                1.2 + k * 0.1,
                                5 + (i + k) % 8,
                                (k * 47 + i) % 360,
                                35 + k * 4,
                                2.5 + k % 3 * 0.4,
                                k % 3));
            }
            trees.append(i == 0 ? "" : ",")
                    .append(String.format(
                            Locale.ROOT,
                            "{\"tree\": {\"tag\": \"B-%04d\", \"species\": \"apple\", \"bearing\": \"spur\","
                                    + " \"purpose\": \"picking\", \"formWanted\": \"open-centre\", \"eastM\": %d,"
                                    + " \"northM\": %d, \"targetHeightM\": 4.2, \"inContainer\": false},"
                                    + " \"surveys\": [{\"by\": \"Bench Walker\", \"survey\": {\"surveyedOn\": \"today-30\","
                                    + " \"tree\": {\"heightM\": 5.4, \"spreadM\": 5, \"trunkGirthCm\": 90},"
                                    + " \"limbs\": [%s]}}]}",
                            i,
                            i % 40 * 6,
                            i / 40 * 6,
                            limbs));
        }
        return """
                {"format": "diligent-bough/archive", "version": 1,
                 "site": {"name": "Bench field", "latitude": 52.1, "longitude": -2.4, "timeZone": "Europe/London",
                          "monthlyMeanC": [4,4,6,9,12,15,17,17,14,11,7,5],
                          "monthlyRainMm": [70,50,50,55,60,60,60,65,65,75,75,75],
                          "policy": {"allowance": "quarter", "summerAllowance": 0.1, "bigCuts": 3, "pome": "late-winter",
                                     "apricot": "dry-summer", "peach": "bud-swell", "fig": "whole", "bend": "slanting",
                                     "sealing": "none"}},
                 "trees": [%s]}
                """.formatted(trees);
    }
}
