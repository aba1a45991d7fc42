package org.diligentbough.core.season;

import java.time.LocalDate;
import java.util.List;
import java.util.SplittableRandom;

/**
 * Made-up weather that could be: dry and wet, cold and windy spells round what the climate of a site says of the day. The
 * same site, day and seed always have the same. It stands in for a forecast and is to be marked as simulated wherever it
 * is shown.
 */
public final class SimulatedWeather {
    /** How much of yesterday stays today, and how many days back still tell. */
    private static final double STAYS = 0.72;

    private static final int DAYS_BACK = 16;
    private static final double SPREAD_C = 3;
    private static final double RAIN_OF_A_WET_DAY_MM = 5.5;
    private static final double USUAL_WIND_KMH = 13;

    private final Climate climate;
    private final long seed;

    /** Weather of a site; other seeds give other weather. */
    public SimulatedWeather(Climate climate, long seed) {
        this.climate = climate;
        this.seed = seed;
    }

    /** The days from {@code from} on, {@code days} of them. */
    public List<Weather.Day> from(LocalDate from, int days) {
        return from.datesUntil(from.plusDays(days)).map(this::day).toList();
    }

    private Weather.Day day(LocalDate on) {
        LocalDate north = climate.north(on);
        double usualRain = climate.rainMm(north);
        double wetDays = Math.min(0.85, usualRain / RAIN_OF_A_WET_DAY_MM);
        double wetness = lasting(on, 1);
        boolean wet = normalShare(wetness) > 1 - wetDays;
        double rain = wet ? -Math.log(1 - uniform(on, 2)) * usualRain / wetDays : 0;
        double anomaly = lasting(on, 3) * SPREAD_C;
        double narrower = wet ? 0.7 : 1.1;
        double mean = climate.meanC(north) + anomaly;
        double half = (climate.maxC(north) - climate.minC(north)) / 2 * narrower;
        double wind = USUAL_WIND_KMH * Math.exp(0.45 * (0.6 * lasting(on, 4) + (wet ? 0.6 : 0)));
        return new Weather.Day(
                on, tenths(mean - half), tenths(mean + half), tenths(rain), Math.round(wind), Weather.Origin.SIMULATED);
    }

    /** What lasts from day to day, of mean 0 and spread 1. */
    private double lasting(LocalDate on, int of) {
        double sum = 0;
        double squares = 0;
        for (int back = 0; back < DAYS_BACK; back++) {
            double weight = Math.pow(STAYS, back);
            sum += weight * chance(on.minusDays(back), of).nextGaussian();
            squares += weight * weight;
        }
        return sum / Math.sqrt(squares);
    }

    private double uniform(LocalDate on, int of) {
        return chance(on, of).nextDouble();
    }

    private SplittableRandom chance(LocalDate on, int of) {
        return new SplittableRandom(seed * 31 + on.toEpochDay() * 1_000_003 + of * 7_919L);
    }

    /** Share of a normal distribution under a value; the logistic curve comes within a hundredth. */
    private static double normalShare(double value) {
        return 1 / (1 + Math.exp(-1.702 * value));
    }

    private static double tenths(double value) {
        return Math.round(value * 10) / 10.0;
    }
}
