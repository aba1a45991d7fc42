package org.diligentbough.core.light;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
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

    private final List<Patch> patches;

    private Sky(List<Patch> patches) {
        this.patches = List.copyOf(patches);
    }

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
        Grid grid = new Grid(fineness);
        for (int month : growingMonths(site, knowledge)) {
            ZonedDateTime day = LocalDate.of(YEAR, month, 15).atStartOfDay().atZone(ZoneOffset.UTC);
            for (int minute = 0; minute < 24 * 60; minute += MINUTES_APART) {
                SunPosition sun = SunPosition.compute()
                        .on(day.plusMinutes(minute))
                        .at(site.latitude(), site.longitude())
                        .execute();
                if (sun.getTrueAltitude() > 0) {
                    grid.shine(sun.getAzimuth(), sun.getTrueAltitude());
                }
            }
        }
        return new Sky(grid.patches(knowledge.get(Figure.DIFFUSE_SHARE)));
    }

    /** Light from straight above only. */
    static Sky zenith() {
        return new Sky(List.of(new Patch(new Point(0, 0, 1), 1)));
    }

    public List<Patch> patches() {
        return patches;
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
        private static final int[] PATCHES_IN_BAND = {16, 16, 12, 12, 8, 4};

        private final int fineness;
        private final double bandDeg;
        private final double[][] sun;
        private double sunInAll;

        Grid(int fineness) {
            this.fineness = fineness;
            this.bandDeg = 90.0 / (PATCHES_IN_BAND.length * fineness);
            this.sun = new double[PATCHES_IN_BAND.length * fineness][];
            for (int band = 0; band < sun.length; band++) {
                sun[band] = new double[PATCHES_IN_BAND[band / fineness] * fineness];
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
