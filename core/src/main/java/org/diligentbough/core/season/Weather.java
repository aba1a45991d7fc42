package org.diligentbough.core.season;

import static org.diligentbough.core.knowledge.Figure.DRIEST_DAYS;
import static org.diligentbough.core.knowledge.Figure.DRY_DAYS_AFTER;
import static org.diligentbough.core.knowledge.Figure.DRY_DAY_MM;
import static org.diligentbough.core.knowledge.Figure.HARD_FREEZE_C;
import static org.diligentbough.core.knowledge.Figure.HARD_FREEZE_DAYS;
import static org.diligentbough.core.knowledge.Figure.LADDER_WIND_KMH;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import java.util.function.Predicate;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.orchard.SpeciesTraits;

/** The weather of some days at a site, as forecast or measured, and what it means for cutting. */
public final class Weather {
    private final TreeMap<LocalDate, Day> days = new TreeMap<>();

    public Weather(List<Day> days) {
        days.forEach(day -> this.days.put(day.on(), day));
    }

    /**
     * One day.
     *
     * @param minC coldest, degrees C
     * @param maxC warmest, degrees C, not under {@code minC}
     * @param rainMm rain, mm, 0 or more
     * @param windKmh strongest steady wind, km/h, 0 or more
     * @param origin where that is known from
     */
    public record Day(LocalDate on, double minC, double maxC, double rainMm, double windKmh, Origin origin) {
        /** A day that was forecast or measured. */
        public Day(LocalDate on, double minC, double maxC, double rainMm, double windKmh) {
            this(on, minC, maxC, rainMm, windKmh, Origin.KNOWN);
        }

        public Day {
            if (maxC < minC || rainMm < 0 || windKmh < 0) {
                throw new IllegalArgumentException("no day has such weather: " + on);
            }
        }
    }

    /** Where the weather of a day is known from. */
    public enum Origin {
        /** Forecast or measured. */
        KNOWN,
        /** Made up: to be said wherever it is told. */
        SIMULATED
    }

    /**
     * What speaks against cutting.
     *
     * @param answer how far: yes when nothing does
     */
    public record Holds(MayCut.Answer answer, List<Reason> reasons) {
        /** Nothing speaks against it. */
        public static final Holds NONE = new Holds(MayCut.Answer.YES, List.of());

        public Holds {
            reasons = List.copyOf(reasons);
        }
    }

    /** The days known, in order. */
    public List<Day> days() {
        return List.copyOf(days.values());
    }

    /** What the weather says of cutting live wood of a kind on a day; nothing of days that are not known. */
    public Holds holds(Species species, SpeciesTraits traits, LocalDate day, Knowledge knowledge) {
        List<Reason> no = new ArrayList<>();
        List<Reason> care = new ArrayList<>();
        double freeze = knowledge.get(HARD_FREEZE_C);
        first(day, (int) knowledge.get(HARD_FREEZE_DAYS), known -> known.minC() <= freeze)
                .forEach(cold -> no.add(
                        knowledge.reason(ReasonCode.WEATHER_HARD_FREEZE, cold.minC(), cold.on(), cold.origin())));
        double wetMm = knowledge.get(DRY_DAY_MM);
        Predicate<Day> wet = known -> known.rainMm() >= wetMm;
        if (traits.stone()) {
            first(day, 0, wet)
                    .forEach(
                            rain -> no.add(knowledge.reason(ReasonCode.WEATHER_WET_DAY, rain.rainMm(), rain.origin())));
            if (no.isEmpty()) {
                first(day.plusDays(1), (int) knowledge.get(DRY_DAYS_AFTER) - 1, wet)
                        .forEach(rain -> no.add(knowledge.reason(
                                ReasonCode.WEATHER_WET_AFTER, rain.rainMm(), rain.on(), rain.origin())));
            }
        }
        if (species == Species.APRICOT && no.isEmpty()) {
            first(day, (int) knowledge.get(DRIEST_DAYS), wet)
                    .forEach(rain ->
                            care.add(knowledge.reason(ReasonCode.WEATHER_RAIN_WITHIN_WEEKS, rain.on(), rain.origin())));
        }
        first(day, 0, known -> known.windKmh() > knowledge.get(LADDER_WIND_KMH))
                .forEach(wind -> care.add(knowledge.reason(ReasonCode.WEATHER_WIND, wind.windKmh(), wind.origin())));
        MayCut.Answer answer =
                !no.isEmpty() ? MayCut.Answer.NO : care.isEmpty() ? MayCut.Answer.YES : MayCut.Answer.WITH_CARE;
        no.addAll(care);
        return new Holds(answer, no);
    }

    /** The first known day of a kind, of a day and those after it: none or one. */
    private List<Day> first(LocalDate from, int andAfter, Predicate<Day> which) {
        return days.subMap(from, true, from.plusDays(andAfter), true).values().stream()
                .filter(which)
                .limit(1)
                .toList();
    }
}
