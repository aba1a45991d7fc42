package org.diligentbough.core.light;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.orchard.Site;
import org.diligentbough.core.survey.Point;
import org.shredzone.commons.suncalc.SunPosition;

/**
 * Where the light of a growing season comes from at a site: the sky in patches, each with its share of the light that
 * falls on open level ground. The sun's part follows its path, weakened by the air it passes; the rest comes evenly from
 * the whole sky. The shares sum to 1. Immutable.
 */
public final class Sky {
    /** Any year serves: the sun's path differs between years by less than a patch. */
    private static final int YEAR = 2025;

    private static final int MINUTES_APART = 30;
    private static final int WARMEST_MONTHS = 6;

    /** Patches in each band of equal height, mirrored to all four sides. */
    private static final int[] PATCHES_IN_BAND = {16, 16, 12, 12, 8, 4};

    private static final int[] FEW_IN_BAND = {8, 8, 4};
    /** Skies worked out before: an orchard has one for each of its kinds of year. */
    private static final int SKIES_KEPT = 64;

    private static final Map<From, Sky> KEPT = new LinkedHashMap<>(SKIES_KEPT, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<From, Sky> eldest) {
            return size() > SKIES_KEPT;
        }
    };

    private final List<Patch> patches;
    private final List<Patch> few;

    private Sky(List<Patch> patches, List<Patch> few) {
        this.patches = List.copyOf(patches);
        this.few = List.copyOf(few);
    }

    /** What a sky hangs on. */
    private record From(double latitude, double longitude, List<Integer> months, double diffuseShare, int fineness) {}

    /**
     * A part of the sky.
     *
     * @param direction towards its middle, of length 1: east, north, up
     * @param share of the season's light on open level ground, 0 to 1
     */
    public record Patch(Point direction, double share) {}

    /** The sky over a site in the months warm enough for leaf, or in its six warmest if none is. */
    public static Sky over(Site site, Knowledge knowledge) {
        return over(site, knowledge, 1);
    }

    /** The same with every patch divided {@code fineness} times each way. */
    static Sky over(Site site, Knowledge knowledge, int fineness) {
        From from = new From(
                site.latitude(),
                site.longitude(),
                growingMonths(site, knowledge),
                knowledge.get(Figure.DIFFUSE_SHARE),
                fineness);
        synchronized (KEPT) {
            return KEPT.computeIfAbsent(from, Sky::from);
        }
    }

    private static Sky from(From from) {
        Grid grid = new Grid(PATCHES_IN_BAND, from.fineness());
        Grid few = new Grid(FEW_IN_BAND, 1);
        for (int month : from.months()) {
            ZonedDateTime day = LocalDate.of(YEAR, month, 15).atStartOfDay().atZone(ZoneOffset.UTC);
            for (int minute = 0; minute < 24 * 60; minute += MINUTES_APART) {
                SunPosition sun = SunPosition.compute()
                        .on(day.plusMinutes(minute))
                        .at(from.latitude(), from.longitude())
                        .execute();
                if (sun.getTrueAltitude() > 0) {
                    grid.shine(sun.getAzimuth(), sun.getTrueAltitude());
                    few.shine(sun.getAzimuth(), sun.getTrueAltitude());
                }
            }
        }
        return new Sky(grid.patches(from.diffuseShare()), few.patches(from.diffuseShare()));
    }

    /** Light from straight above only. */
    static Sky zenith() {
        List<Patch> overhead = List.of(new Patch(new Point(0, 0, 1), 1));
        return new Sky(overhead, overhead);
    }

    public List<Patch> patches() {
        return patches;
    }

    /** The same sky in fewer and larger patches, for the years looked ahead to: directions err little, places more. */
    List<Patch> few() {
        return few;
    }

    private static List<Integer> growingMonths(Site site, Knowledge knowledge) {
        double warm = knowledge.get(Figure.GROWING_MEAN_C);
        List<Integer> months = IntStream.rangeClosed(1, 12)
                .boxed()
                .filter(month -> site.monthlyMeanC().get(month - 1) >= warm)
                .toList();
        return months.isEmpty()
                ? IntStream.rangeClosed(1, 12)
                        .boxed()
                        .sorted((one, other) -> Double.compare(
                                site.monthlyMeanC().get(other - 1),
                                site.monthlyMeanC().get(one - 1)))
                        .limit(WARMEST_MONTHS)
                        .toList()
                : months;
    }

    /** The half sphere in bands of equal height, each cut into patches that mirror each other to all four sides. */
    private static final class Grid {
        private final double bandDeg;
        private final double[][] sun;
        private double sunInAll;

        Grid(int[] inBand, int fineness) {
            this.bandDeg = 90.0 / (inBand.length * fineness);
            this.sun = new double[inBand.length * fineness][];
            for (int band = 0; band < sun.length; band++) {
                sun[band] = new double[inBand[band / fineness] * fineness];
            }
        }

        /**
         * Adds what the sun gives level ground at a height above the horizon: a clear sky lets 0.7 to the power of
         * (air mass to the power of 0.678) through (from memory: Meinel and Meinel 1976).
         */
        void shine(double azimuthDeg, double altitudeDeg) {
            double sine = Math.sin(Math.toRadians(altitudeDeg));
            double light = sine * Math.pow(0.7, Math.pow(1 / sine, 0.678));
            int band = Math.min(sun.length - 1, (int) (altitudeDeg / bandDeg));
            int part = (int) ((azimuthDeg % 360 + 360) % 360 / 360 * sun[band].length) % sun[band].length;
            sun[band][part] += light;
            sunInAll += light;
        }

        List<Patch> patches(double diffuseShare) {
            double diffuse = sunInAll > 0 ? diffuseShare : 1;
            List<Patch> patches = new ArrayList<>();
            for (int band = 0; band < sun.length; band++) {
                double bottom = Math.toRadians(band * bandDeg);
                double top = Math.toRadians((band + 1) * bandDeg);
                double middle = (bottom + top) / 2;
                double evenly = (square(Math.sin(top)) - square(Math.sin(bottom))) / sun[band].length;
                for (int part = 0; part < sun[band].length; part++) {
                    double azimuth = 2 * Math.PI * (part + 0.5) / sun[band].length;
                    double beam = sunInAll > 0 ? sun[band][part] / sunInAll : 0;
                    patches.add(new Patch(
                            new Point(
                                    Math.cos(middle) * Math.sin(azimuth),
                                    Math.cos(middle) * Math.cos(azimuth),
                                    Math.sin(middle)),
                            diffuse * evenly + (1 - diffuse) * beam));
                }
            }
            return patches;
        }

        private static double square(double value) {
            return value * value;
        }
    }
}
