package org.diligentbough.core.season;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import org.diligentbough.core.knowledge.DataFile;

/**
 * The shipped table {@code climates.csv}: average years by place, to begin with where nobody has better numbers. Each is kept
 * as what describes it, and told as twelve months.
 */
public final class ClimateTable {
    private static final List<String> COLUMNS =
            List.of("name", "latitude", "longitude", "mean", "swing", "rain", "uneven", "wettest", "nights", "days");
    /** Months lag the sun: the warmest is the seventh in the north and the first in the south. */
    private static final int WARMEST_NORTH = 7;

    private static final int WARMEST_SOUTH = 1;
    private static final double EARTH_KM = 6371;
    /** A degree of latitude tells more of a climate than one of longitude (our own assumption: twice as much). */
    private static final double LONGITUDE_COUNTS = 0.5;

    private final List<Normals> all;

    private ClimateTable(List<Normals> all) {
        this.all = List.copyOf(all);
    }

    /**
     * An average year of a place.
     *
     * @param latitude degrees, south negative
     * @param longitude degrees, west negative
     * @param meanC twelve monthly means, degrees C, January first
     * @param rainMm twelve monthly sums, mm
     * @param minC twelve means of the coldest nights, degrees C
     * @param maxC twelve means of the warmest days, degrees C
     */
    public record Normals(
            String name,
            double latitude,
            double longitude,
            List<Double> meanC,
            List<Double> rainMm,
            List<Double> minC,
            List<Double> maxC) {}

    /** Reads the shipped table; a line that cannot be used stops it with the line's number. */
    public static ClimateTable load() {
        List<Normals> all = new ArrayList<>();
        for (DataFile.Row row : DataFile.read("climates.csv", COLUMNS)) {
            double latitude = row.number("latitude", -60, 70);
            int warmest = latitude < 0 ? WARMEST_SOUTH : WARMEST_NORTH;
            List<Double> mean = months(row.number("mean", -5, 28), row.number("swing", 2, 25), warmest);
            double rain = row.number("rain", 50, 4000) / 12;
            all.add(new Normals(
                    row.text("name"),
                    latitude,
                    row.number("longitude", -180, 180),
                    mean,
                    months(rain, rain * row.number("uneven", 0, 1), (int) row.number("wettest", 1, 12)),
                    mean.stream()
                            .map(month -> tenths(month - row.number("nights", 0, 15)))
                            .toList(),
                    mean.stream()
                            .map(month -> tenths(month + row.number("days", 0, 15)))
                            .toList()));
        }
        return new ClimateTable(all);
    }

    /** A year that rises and falls once, highest in one month. */
    private static List<Double> months(double mean, double swing, int highest) {
        return IntStream.rangeClosed(1, 12)
                .mapToObj(month -> tenths(mean + swing * Math.cos(2 * Math.PI * (month - highest) / 12)))
                .toList();
    }

    private static double tenths(double value) {
        return Math.round(value * 10) / 10.0;
    }

    /** Those nearest to a place in climate, the nearest first: a way north or south counts more than one east or west. */
    public List<Normals> nearest(double latitude, double longitude, int count) {
        return all.stream()
                .filter(one -> one.latitude() < 0 == latitude < 0)
                .sorted(Comparator.comparingDouble(one -> apartKm(one, latitude, longitude)))
                .limit(count)
                .toList();
    }

    private static double apartKm(Normals one, double latitude, double longitude) {
        double north = Math.toRadians(one.latitude() - latitude);
        double turn = ((one.longitude() - longitude + 540) % 360) - 180;
        double east = Math.toRadians(turn) * Math.cos(Math.toRadians(latitude)) * LONGITUDE_COUNTS;
        return EARTH_KM * Math.hypot(north, east);
    }
}
