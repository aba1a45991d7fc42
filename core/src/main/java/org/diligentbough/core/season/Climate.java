package org.diligentbough.core.season;

import static org.diligentbough.core.knowledge.Figure.DAILY_SWING_C;
import static org.diligentbough.core.knowledge.Figure.DRIEST_DAYS;
import static org.diligentbough.core.knowledge.Figure.DRY_MONTH_MM;
import static org.diligentbough.core.knowledge.Figure.FROST_PRONE_MEAN_C;
import static org.diligentbough.core.knowledge.Figure.FROST_PRONE_MIN_C;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.orchard.Site;

/**
 * An average year at a site, day by day: the months' figures stand for their middle, and between the middles of two
 * months they pass evenly from one to the other.
 *
 * <p>All of it is reckoned in <em>days of the north</em>: for a southern site the months are turned by half a year, so that
 * what is true of a day in the north is true of the day half a year later in the south. {@link #north} and {@link #here}
 * pass between the two; only they know the hemisphere.
 */
public final class Climate {
    /** Warmth is counted from the month in which days have grown long enough. */
    private static final int COUNTS_FROM_MONTH = 2;

    private static final int COUNTED_DAYS = 330;
    private static final int HALF_A_YEAR = 6;
    private static final int JULY = 7;
    private static final int AUGUST = 8;

    private final boolean southern;
    private final List<Double> meanC;
    private final List<Double> rainMm;
    private final Optional<Site.Extremes> extremes;
    private final double swingC;
    private final double dryMonthMm;
    private final int driestDays;
    private final List<Boolean> frostProne;
    private final Map<YearAndBase, double[]> warmth = new ConcurrentHashMap<>();
    private final Map<Integer, LocalDate> driest = new ConcurrentHashMap<>();

    private record YearAndBase(int year, double baseC) {}

    /** What a climate follows from. */
    private record From(
            boolean southern,
            List<Double> meanC,
            List<Double> rainMm,
            Optional<Site.Extremes> extremes,
            double swingC,
            double dryMonthMm,
            double driestDays,
            double frostProneMinC,
            double frostProneMeanC) {}

    private static final int MOST_KEPT = 64;
    /** Of a site every kind and every tree asks for the same climate, again and again: what it sums up is kept. */
    private static final Map<From, Climate> KEPT =
            Collections.synchronizedMap(new LinkedHashMap<>(MOST_KEPT, 0.75f, true) {
                @Override
                protected boolean removeEldestEntry(Map.Entry<From, Climate> eldest) {
                    return size() > MOST_KEPT;
                }
            });

    /** The climate of a site; a swing of days, dry months and frost are as the figures say. */
    public static Climate of(Site site, Knowledge knowledge) {
        return KEPT.computeIfAbsent(
                new From(
                        site.southern(),
                        List.copyOf(site.monthlyMeanC()),
                        List.copyOf(site.monthlyRainMm()),
                        site.extremes()
                                .map(known -> new Site.Extremes(
                                        List.copyOf(known.monthlyMinC()), List.copyOf(known.monthlyMaxC()))),
                        knowledge.get(DAILY_SWING_C),
                        knowledge.get(DRY_MONTH_MM),
                        knowledge.get(DRIEST_DAYS),
                        knowledge.get(FROST_PRONE_MIN_C),
                        knowledge.get(FROST_PRONE_MEAN_C)),
                Climate::new);
    }

    private Climate(From from) {
        this.southern = from.southern();
        this.meanC = turned(from.meanC());
        this.rainMm = turned(from.rainMm());
        this.extremes = from.extremes()
                .map(known -> new Site.Extremes(turned(known.monthlyMinC()), turned(known.monthlyMaxC())));
        this.swingC = from.swingC();
        this.dryMonthMm = from.dryMonthMm();
        this.driestDays = (int) from.driestDays();
        this.frostProne = IntStream.range(0, 12)
                .mapToObj(month -> extremes.map(known -> known.monthlyMinC().get(month) < from.frostProneMinC())
                        .orElse(meanC.get(month) < from.frostProneMeanC()))
                .toList();
    }

    /** Whether a year has months prone to frost, and others. */
    public enum Frost {
        NEVER,
        IN_SEASON,
        ALWAYS
    }

    private List<Double> turned(List<Double> months) {
        List<Double> turned = new ArrayList<>(months);
        Collections.rotate(turned, southern ? HALF_A_YEAR : 0);
        return turned;
    }

    /** The day of the north that a day at this site stands for. */
    public LocalDate north(LocalDate here) {
        return southern ? here.minusMonths(HALF_A_YEAR) : here;
    }

    /** The day at this site that a day of the north stands for. */
    public LocalDate here(LocalDate north) {
        return southern ? north.plusMonths(HALF_A_YEAR) : north;
    }

    /** Mean temperature of a day, degrees C. */
    public double meanC(LocalDate day) {
        return between(meanC, day);
    }

    /** Usual minimum of a day, degrees C; half the stated swing under the mean where minima are not given. */
    public double minC(LocalDate day) {
        return extremes.map(known -> between(known.monthlyMinC(), day)).orElseGet(() -> meanC(day) - swingC / 2);
    }

    /** Usual maximum of a day, degrees C. */
    public double maxC(LocalDate day) {
        return extremes.map(known -> between(known.monthlyMaxC(), day)).orElseGet(() -> meanC(day) + swingC / 2);
    }

    /** Rain of a day on average, mm. */
    public double rainMm(LocalDate day) {
        return between(rainMm, day) * 12 / 365.25;
    }

    private static double between(List<Double> months, LocalDate day) {
        YearMonth month = YearMonth.from(day);
        double intoMonth = day.getDayOfMonth() - 0.5;
        double middle = month.lengthOfMonth() / 2.0;
        YearMonth other = intoMonth < middle ? month.minusMonths(1) : month.plusMonths(1);
        double apart = (month.lengthOfMonth() + other.lengthOfMonth()) / 2.0;
        double towards = Math.abs(intoMonth - middle) / apart;
        return months.get(month.getMonthValue() - 1) * (1 - towards) + months.get(other.getMonthValue() - 1) * towards;
    }

    /** First day whose warmth counts for the growth of a year. */
    public LocalDate countsFrom(int year) {
        return LocalDate.of(year, COUNTS_FROM_MONTH, 1);
    }

    /** Degree days above {@code baseC} from the first day that counts to the end of {@code day}; 0 before, steady at the end. */
    public double warmth(LocalDate day, double baseC, int year) {
        double[] sums = sums(baseC, year);
        long at = ChronoUnit.DAYS.between(countsFrom(year), day);
        return at < 0 ? 0 : sums[(int) Math.min(at, sums.length - 1)];
    }

    /** First day by whose end the degree days above {@code baseC} have come to {@code degreeDays}; empty if none has. */
    public Optional<LocalDate> warmthReached(double degreeDays, double baseC, int year) {
        double[] sums = sums(baseC, year);
        for (int at = 0; at < sums.length; at++) {
            if (sums[at] >= degreeDays) {
                return Optional.of(countsFrom(year).plusDays(at));
            }
        }
        return Optional.empty();
    }

    private double[] sums(double baseC, int year) {
        return warmth.computeIfAbsent(new YearAndBase(year, baseC), key -> {
            double[] sums = new double[COUNTED_DAYS];
            LocalDate from = countsFrom(year);
            double sum = 0;
            for (int at = 0; at < COUNTED_DAYS; at++) {
                LocalDate day = from.plusDays(at);
                sum += DegreeDays.singleSine(minC(day), maxC(day), baseC);
                sums[at] = sum;
            }
            return sums;
        });
    }

    /** Whether frost comes at all: by the minima where they are given, else by the means. */
    public Frost frost() {
        if (frostProne.stream().allMatch(prone -> prone)) {
            return Frost.ALWAYS;
        }
        return frostProne.contains(true) ? Frost.IN_SEASON : Frost.NEVER;
    }

    /** First day after the months prone to frost of a year's spring; empty where frost never or always threatens. */
    public Optional<LocalDate> lastFrost(int year) {
        if (frost() != Frost.IN_SEASON) {
            return Optional.empty();
        }
        LocalDate month = LocalDate.of(year, 7, 1);
        while (!prone(month)) {
            month = month.minusMonths(1);
        }
        // A July prone to frost leaves no spring behind it: frost ends with the first month that is not.
        LocalDate after = month.plusMonths(1);
        while (prone(after)) {
            after = after.plusMonths(1);
        }
        return Optional.of(after);
    }

    /** First day of the months prone to frost of a year's autumn; empty where frost never or always threatens. */
    public Optional<LocalDate> firstFrost(int year) {
        return lastFrost(year).map(from -> {
            LocalDate month = from;
            while (!prone(month)) {
                month = month.plusMonths(1);
            }
            return month;
        });
    }

    private boolean prone(LocalDate day) {
        return frostProne.get(day.getMonthValue() - 1);
    }

    /** First day from high summer on whose nights are usually colder than {@code minC}; empty where none is. */
    public Optional<LocalDate> coolNights(int year, double minC) {
        LocalDate from = LocalDate.of(year, 7, 1);
        return from.datesUntil(from.plusMonths(8))
                .filter(day -> minC(day) < minC)
                .findFirst();
    }

    /** Mean temperature of the coldest month, degrees C. */
    public double coldestMonthC() {
        return meanC.stream().mapToDouble(Double::doubleValue).min().orElseThrow();
    }

    /** Whether one of the two months of high summer has less rain than a dry month has. */
    public boolean drySummer() {
        return dryMonth(JULY) || dryMonth(AUGUST);
    }

    private boolean dryMonth(int month) {
        return rainMm.get(month - 1) < dryMonthMm;
    }

    /** First day of the rains that end a dry summer; empty where summers are wet or it never rains. */
    public Optional<LocalDate> rains(int year) {
        if (!drySummer()) {
            return Optional.empty();
        }
        LocalDate month = LocalDate.of(year, dryMonth(AUGUST) ? AUGUST : JULY, 1);
        return IntStream.range(1, 12)
                .mapToObj(month::plusMonths)
                .filter(next -> !dryMonth(next.getMonthValue()))
                .findFirst();
    }

    /** First day of the driest stretch of high summer, July to September; the earliest of several alike. */
    public LocalDate driest(int year) {
        return driest.computeIfAbsent(year, key -> {
            LocalDate first = LocalDate.of(year, 7, 1);
            double[] rain = first.datesUntil(LocalDate.of(year, 10, 1))
                    .mapToDouble(this::rainMm)
                    .toArray();
            int best = 0;
            double least = Double.MAX_VALUE;
            for (int start = 0; start + driestDays <= rain.length; start++) {
                double sum = Arrays.stream(rain, start, start + driestDays).sum();
                if (sum < least - 1e-6) {
                    least = sum;
                    best = start;
                }
            }
            return first.plusDays(best);
        });
    }
}
