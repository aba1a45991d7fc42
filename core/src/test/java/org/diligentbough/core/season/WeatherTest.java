package org.diligentbough.core.season;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.diligentbough.core.SurveyBuilder.RULES;

import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Species;
import org.junit.jupiter.api.Test;

class WeatherTest {
    private static final LocalDate DAY = LocalDate.of(2027, 7, 20);

    private static Weather.Day dry(int after) {
        return new Weather.Day(DAY.plusDays(after), 12, 22, 0, 10);
    }

    private static Weather.Day wet(int after) {
        return new Weather.Day(DAY.plusDays(after), 12, 18, 4, 10);
    }

    private static Weather.Holds holds(Species species, LocalDate on, Weather.Day... days) {
        return new Weather(List.of(days)).holds(species, RULES.species().of(species), on, RULES.knowledge());
    }

    private static List<ReasonCode> codes(Weather.Holds holds) {
        return holds.reasons().stream().map(reason -> reason.code()).toList();
    }

    @Test
    void aPlumWantsTheDayAndTwoAfterItDry() {
        assertThat(holds(Species.PLUM, DAY, dry(0), dry(1), dry(2)).answer()).isEqualTo(MayCut.Answer.YES);
        Weather.Holds onTheDay = holds(Species.PLUM, DAY, wet(0), dry(1), dry(2));
        assertThat(onTheDay.answer()).isEqualTo(MayCut.Answer.NO);
        assertThat(codes(onTheDay)).containsExactly(ReasonCode.WEATHER_WET_DAY);
        assertThat(codes(holds(Species.PLUM, DAY, dry(0), dry(1), wet(2))))
                .containsExactly(ReasonCode.WEATHER_WET_AFTER);
        assertThat(holds(Species.PLUM, DAY, dry(0), dry(1), dry(2), wet(3)).answer())
                .isEqualTo(MayCut.Answer.YES);
    }

    @Test
    void rainDoesNotHoldAnApple() {
        assertThat(holds(Species.APPLE, DAY, wet(0), wet(1)).answer()).isEqualTo(MayCut.Answer.YES);
    }

    @Test
    void rainWithinSixWeeksIsToldOfAnApricot() {
        Weather.Holds later = holds(Species.APRICOT, DAY, dry(0), dry(1), dry(2), wet(9));
        assertThat(later.answer()).isEqualTo(MayCut.Answer.WITH_CARE);
        assertThat(codes(later)).containsExactly(ReasonCode.WEATHER_RAIN_WITHIN_WEEKS);
    }

    @Test
    void aHardFreezeWithinThreeDaysHoldsEveryCut() {
        Weather.Day freeze = new Weather.Day(DAY.plusDays(3), -10, -2, 0, 5);
        assertThat(codes(holds(Species.APPLE, DAY, dry(0), freeze))).containsExactly(ReasonCode.WEATHER_HARD_FREEZE);
        Weather.Day afterwards = new Weather.Day(DAY.plusDays(4), -15, -2, 0, 5);
        assertThat(holds(Species.APPLE, DAY, dry(0), afterwards).answer()).isEqualTo(MayCut.Answer.YES);
        Weather.Day frost = new Weather.Day(DAY, -9.9, -2, 0, 5);
        assertThat(holds(Species.APPLE, DAY, frost).answer()).isEqualTo(MayCut.Answer.YES);
    }

    @Test
    void windOverThirtyKeepsPeopleOffLadders() {
        Weather.Day windy = new Weather.Day(DAY, 5, 9, 0, 31);
        assertThat(holds(Species.APPLE, DAY, windy).answer()).isEqualTo(MayCut.Answer.WITH_CARE);
        assertThat(codes(holds(Species.APPLE, DAY, windy))).containsExactly(ReasonCode.WEATHER_WIND);
        assertThat(holds(Species.APPLE, DAY, new Weather.Day(DAY, 5, 9, 0, 30)).reasons())
                .isEmpty();
    }

    @Test
    void whatIsNotKnownHoldsNothing() {
        assertThat(holds(Species.PLUM, DAY)).isEqualTo(Weather.Holds.NONE);
    }

    @Test
    void weatherNeverMakesAnAnswerBetter() {
        CuttingCalendar plum = RULES.calendar(Sites.midLatitude(), Species.PLUM, false, Seen.NOTHING);
        Weather.Holds wetDay = holds(Species.PLUM, DAY, wet(0));
        MayCut held = plum.mayCut(DAY).in(wetDay);
        assertThat(plum.mayCut(DAY).answer()).isEqualTo(MayCut.Answer.YES);
        assertThat(held.answer()).isEqualTo(MayCut.Answer.NO);
        assertThat(held.reasons().get(0).code()).isEqualTo(ReasonCode.WEATHER_WET_DAY);
        MayCut winter = plum.mayCut(LocalDate.of(2027, 1, 20));
        assertThat(winter.in(wetDay)).isEqualTo(winter);
    }

    @Test
    void noDayIsColderAtItsWarmest() {
        assertThatThrownBy(() -> new Weather.Day(DAY, 5, 4, 0, 0)).isInstanceOf(IllegalArgumentException.class);
    }

    /** Counted apart from the product on the record of Seattle 2013 (NOAA, vega-datasets, BSD-3-Clause). */
    @Test
    void ofARealSummerTheDaysFitForPlumsAreFound() {
        Weather record = new Weather(SeattleRecord.days());
        long fit = LocalDate.of(2013, 7, 1)
                .datesUntil(LocalDate.of(2013, 9, 16))
                .filter(day -> record.holds(Species.PLUM, RULES.species().of(Species.PLUM), day, RULES.knowledge())
                                .answer()
                        != MayCut.Answer.NO)
                .count();
        assertThat(fit).isEqualTo(53);
        assertThat(SeattleRecord.days().stream()
                        .filter(day -> day.on().getYear() == 2013 && day.minC() < 0)
                        .count())
                .isEqualTo(26);
    }

    @Test
    void simulatedWeatherIsTheSameForAPlaceADayAndASeed() {
        Climate climate = Climate.of(Sites.midLatitude(), RULES.knowledge());
        List<Weather.Day> once = new SimulatedWeather(climate, 7).from(DAY, 10);
        assertThat(new SimulatedWeather(climate, 7).from(DAY, 10)).isEqualTo(once);
        assertThat(new SimulatedWeather(climate, 7).from(DAY.plusDays(4), 1)).containsExactly(once.get(4));
        assertThat(new SimulatedWeather(climate, 8).from(DAY, 10)).isNotEqualTo(once);
    }

    @Test
    void simulatedWeatherKeepsToTheClimateAndComesInSpells() {
        Climate climate = Climate.of(Sites.midLatitude(), RULES.knowledge());
        List<Weather.Day> days = new SimulatedWeather(climate, 7).from(LocalDate.of(2020, 1, 1), 365 * 12);
        double rain = days.stream().mapToDouble(Weather.Day::rainMm).sum() / 12;
        double usual = Sites.RAIN_MM.stream().mapToDouble(mm -> mm).sum();
        assertThat(rain).isCloseTo(usual, within(usual * 0.15));
        double mean = days.stream()
                .mapToDouble(day -> (day.minC() + day.maxC()) / 2)
                .average()
                .orElseThrow();
        assertThat(mean)
                .isCloseTo(Sites.MEAN_C.stream().mapToDouble(c -> c).average().orElseThrow(), within(0.6));
        long wetAfterWet = Stream.iterate(1, i -> i + 1)
                .limit(days.size() - 1)
                .filter(i -> days.get(i).rainMm() >= 1 && days.get(i - 1).rainMm() >= 1)
                .count();
        long wetDays = days.stream().filter(day -> day.rainMm() >= 1).count();
        double share = (double) wetDays / days.size();
        // A wet day is followed by another more often than chance would have it.
        assertThat((double) wetAfterWet / wetDays).isGreaterThan(share * 1.3);
        assertThat(days).anyMatch(day -> day.windKmh() > 30).anyMatch(day -> day.minC() < 0);
    }
}
