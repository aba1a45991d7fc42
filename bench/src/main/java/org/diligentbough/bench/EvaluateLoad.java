package org.diligentbough.bench;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Arrays;
import java.util.Locale;

/** Asks a running server to evaluate a tree of 20 limbs, one request after another, and prints how long it takes. */
public final class EvaluateLoad {
    private static final int WARM_UP = 400;
    private static final int MEASURED = 1000;
    private static final int RUNS = 3;

    private EvaluateLoad() {}

    /** {@code arguments[0]}: the server's address on this machine, such as http://127.0.0.1:8080 */
    public static void main(String[] arguments) throws IOException, InterruptedException {
        URI address = URI.create(arguments[0] + "/api/evaluate");
        if (!address.getHost().equals("127.0.0.1") && !address.getHost().equals("localhost")) {
            throw new IllegalArgumentException("only a server on this machine is measured, not " + address.getHost());
        }
        HttpClient client = HttpClient.newHttpClient();
        HttpRequest request = HttpRequest.newBuilder(address)
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(survey()))
                .build();
        for (int i = 0; i < WARM_UP; i++) {
            ask(client, request);
        }
        for (int run = 1; run <= RUNS; run++) {
            double[] millis = new double[MEASURED];
            for (int i = 0; i < MEASURED; i++) {
                long start = System.nanoTime();
                ask(client, request);
                millis[i] = (System.nanoTime() - start) / 1e6;
            }
            Arrays.sort(millis);
            System.out.printf(
                    Locale.ROOT,
                    "POST /api/evaluate, 20 limbs, run %d: median %.2f ms, 95 %% under %.2f ms, slowest %.1f ms%n",
                    run,
                    millis[MEASURED / 2],
                    millis[MEASURED * 95 / 100],
                    millis[MEASURED - 1]);
        }
    }

    private static void ask(HttpClient client, HttpRequest request) throws IOException, InterruptedException {
        HttpResponse<String> answer = client.send(request, HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() != 200) {
            throw new IllegalStateException(answer.statusCode() + ": " + answer.body());
        }
    }

    private static String survey() {
        StringBuilder limbs = new StringBuilder();
        for (int i = 0; i < 20; i++) {
            boolean main = i % 4 == 0;
            limbs.append(i == 0 ? "" : ",")
                    .append("{\"id\": \"L")
                    .append(i)
                    .append("\", ")
                    .append(
                            main
                                    ? "\"originHeightM\": 1.4"
                                    : "\"parent\": \"L" + (i - i % 4) + "\", \"originAlongM\": " + i % 4 * 0.6)
                    .append(", \"diameterCm\": ")
                    .append(main ? 9 + i % 3 : 3)
                    .append(", \"azimuthDeg\": ")
                    .append(i * 47 % 360)
                    .append(", \"angleDeg\": ")
                    .append(main ? 50 : 30)
                    .append(", \"lengthM\": ")
                    .append(main ? 3.6 : 1.2)
                    .append(", \"fruiting\": ")
                    .append(i % 3)
                    .append(i % 3 == 1 ? ", \"faults\": [{\"kind\": \"crossing-centre\"}]" : "")
                    .append("}");
        }
        return """
                {"format": "diligent-bough/survey", "version": 1,
                 "site": {"latitude": 52.1, "longitude": -2.4, "monthlyMeanC": [4,4,6,9,12,15,17,17,14,11,7,5],
                          "monthlyRainMm": [70,50,50,55,60,60,60,65,65,75,75,75]},
                 "today": "2027-02-20",
                 "tree": {"label": "B", "species": "apple", "bearing": "spur", "formWanted": "open-centre", "heightM": 5.4,
                          "spreadM": 6, "trunkGirthCm": 100, "targetHeightM": 4.2, "yearsSinceCut": 9},
                 "limbs": [%s]}
                """.formatted(limbs);
    }
}
