package org.diligentbough.core.season;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.diligentbough.core.SurveyBuilder.RULES;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.orchard.Site;
import org.junit.jupiter.api.Test;

class ClimateTest {
    private static Climate of(Site site) {
        return Climate.of(site, RULES.knowledge());
    }

    private static Climate means(List<Double> meanC) {
        return of(Sites.at(52, meanC, Sites.RAIN_MM));
    }

    @Test
    void theMiddleOfAMonthHasItsFigureAndTheTurnBetweenTwoHasHalfOfEach() {
        Climate climate = means(Sites.MEAN_C);
        assertThat(climate.meanC(LocalDate.of(2027, 6, 15))).isCloseTo(15, within(0.05));
        assertThat(climate.meanC(LocalDate.of(2027, 4, 30))).isCloseTo(10.5, within(0.1));
        assertThat(climate.meanC(LocalDate.of(2027, 1, 1))).isCloseTo(4.5, within(0.1));
    }

    @Test
    void nightsAndDaysSwingAsStatedWhereTheyAreNotGiven() {
        Climate climate = means(Sites.MEAN_C);
        LocalDate day = LocalDate.of(2027, 6, 15);
        assertThat(climate.maxC(day) - climate.minC(day)).isCloseTo(9, within(1e-9));
        Site known = new Site(
                52,
                0,
                Sites.MEAN_C,
                Sites.RAIN_MM,
                Optional.of(new Site.Extremes(Sites.always(2), Sites.always(20))),
                Policy.DEFAULT);
        assertThat(of(known).minC(day)).isCloseTo(2, within(1e-9));
        assertThat(of(known).maxC(day)).isCloseTo(20, within(1e-9));
    }

    @Test
    void monthsUnderTenDegreesAreProneToFrostUnlessMinimaAreGiven() {
        // November (7) to April (9) at the mid-latitude site.
        Climate byMeans = means(Sites.MEAN_C);
        assertThat(byMeans.lastFrost(2027)).contains(LocalDate.of(2027, 5, 1));
        assertThat(byMeans.firstFrost(2027)).contains(LocalDate.of(2027, 11, 1));
        List<Double> nights = List.of(-1.0, 0.0, 4.0, 5.0, 7.0, 10.0, 12.0, 12.0, 9.0, 7.0, 4.0, 1.0);
        List<Double> days = Sites.MEAN_C.stream().map(mean -> mean + 8).toList();
        Site known = new Site(
                52, 0, Sites.MEAN_C, Sites.RAIN_MM, Optional.of(new Site.Extremes(nights, days)), Policy.DEFAULT);
        assertThat(of(known).lastFrost(2027)).contains(LocalDate.of(2027, 3, 1));
        assertThat(of(known).firstFrost(2027)).contains(LocalDate.of(2027, 12, 1));
    }

    @Test
    void someSitesKnowNoFrostAndSomeNothingElse() {
        assertThat(means(Sites.always(20)).frost()).isEqualTo(Climate.Frost.NEVER);
        assertThat(means(Sites.always(20)).lastFrost(2027)).isEmpty();
        assertThat(means(Sites.always(5)).frost()).isEqualTo(Climate.Frost.ALWAYS);
        assertThat(means(Sites.always(5)).firstFrost(2027)).isEmpty();
    }

    @Test
    void aDrySummerEndsWithTheFirstMonthOfRain() {
        Climate dry = of(Sites.at(38, Sites.smooth(16, 8), Sites.WINTER_RAIN_MM));
        assertThat(dry.drySummer()).isTrue();
        assertThat(dry.rains(2027)).contains(LocalDate.of(2027, 11, 1));
        assertThat(means(Sites.MEAN_C).drySummer()).isFalse();
        assertThat(means(Sites.MEAN_C).rains(2027)).isEmpty();
    }

    @Test
    void theDriestStretchLiesWhereLeastRainFalls() {
        List<Double> dryAugust = List.of(60.0, 60.0, 60.0, 60.0, 60.0, 60.0, 60.0, 20.0, 60.0, 60.0, 60.0, 60.0);
        LocalDate found = of(Sites.at(45, Sites.MEAN_C, dryAugust)).driest(2027);
        // Of six weeks, three before the middle of August and three after it.
        assertThat(found).isBetween(LocalDate.of(2027, 7, 25), LocalDate.of(2027, 7, 28));
    }

    @Test
    void theSouthIsTheNorthHalfAYearLater() {
        Climate north = of(Sites.midLatitude());
        Climate south = of(Sites.inTheSouth(Sites.midLatitude()));
        assertThat(south.here(LocalDate.of(2027, 4, 1))).isEqualTo("2027-10-01");
        assertThat(south.north(LocalDate.of(2027, 10, 1))).isEqualTo("2027-04-01");
        assertThat(south.warmthReached(500, 4, 2027)).isEqualTo(north.warmthReached(500, 4, 2027));
        assertThat(south.lastFrost(2027)).isEqualTo(north.lastFrost(2027));
    }

    @Test
    void ofTwoSitesAndOfTwoSetsOfFiguresEachHasItsOwn() {
        LocalDate day = LocalDate.of(2027, 6, 15);
        double swingC = RULES.knowledge().get(Figure.DAILY_SWING_C);
        Climate wider = Climate.of(
                Sites.at(52, Sites.MEAN_C, Sites.RAIN_MM),
                RULES.with(Map.of(Figure.DAILY_SWING_C, swingC + 4)).knowledge());
        assertThat(means(Sites.MEAN_C).maxC(day) - means(Sites.MEAN_C).minC(day))
                .isCloseTo(swingC, within(1e-9));
        assertThat(wider.maxC(day) - wider.minC(day)).isCloseTo(swingC + 4, within(1e-9));
        assertThat(means(Sites.always(12)).meanC(day)).isCloseTo(12, within(1e-9));
        assertThat(of(Sites.at(-52, Sites.MEAN_C, Sites.RAIN_MM)).meanC(day)).isLessThan(8);
    }

    @Test
    void impossibleYearsAreRefused() {
        assertThatThrownBy(() -> Sites.at(52, List.of(1.0), Sites.RAIN_MM))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Site.Extremes(Sites.always(9), Sites.always(8)))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
