package org.diligentbough.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * Times that were kept, a line each of what was timed and its half in ms. Machines differ, and the same one from hour to
 * hour: a run is held against what was kept by how far each time lies from the run's own middle, so that one page that
 * became slower shows and a slower machine does not.
 */
final class Baseline {
    /** How many times as slow as the others something must have become to be named, and how many ms at the least. */
    private static final double SLOWER = 1.5;

    private static final double LEAST_MS = 5;

    private final Path file;

    Baseline(Path file) {
        this.file = file;
    }

    /** By what was timed: how it stands, nothing for what was not kept. */
    Map<String, String> against(Map<String, Double> halves) throws IOException {
        Map<String, Double> kept = kept();
        double machine = median(halves.entrySet().stream()
                .filter(entry -> kept.containsKey(entry.getKey()))
                .map(entry -> entry.getValue() / kept.get(entry.getKey()))
                .sorted()
                .toList());
        Map<String, String> found = new LinkedHashMap<>();
        halves.forEach((timed, half) -> {
            if (kept.containsKey(timed)) {
                double expected = kept.get(timed) * machine;
                boolean slower = half > SLOWER * expected && half - expected > LEAST_MS;
                found.put(timed, String.format(Locale.ROOT, "%.2f%s", half / expected, slower ? " SLOWER" : ""));
            }
        });
        return found;
    }

    void keep(Map<String, Double> halves) throws IOException {
        Files.createDirectories(file.getParent());
        Files.write(
                file,
                halves.entrySet().stream()
                        .map(entry -> String.format(Locale.ROOT, "%s,%.1f", entry.getKey(), entry.getValue()))
                        .toList());
    }

    private Map<String, Double> kept() throws IOException {
        Map<String, Double> kept = new LinkedHashMap<>();
        for (String line : Files.exists(file) ? Files.readAllLines(file) : List.<String>of()) {
            int comma = line.lastIndexOf(',');
            kept.put(line.substring(0, comma), Double.valueOf(line.substring(comma + 1)));
        }
        return kept;
    }

    private static double median(List<Double> sorted) {
        return sorted.isEmpty() ? 1 : sorted.get(sorted.size() / 2);
    }
}
