package org.diligentbough.core.season;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.diligentbough.core.SurveyBuilder.RULES;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.List;
import org.diligentbough.core.orchard.Site;
import org.diligentbough.core.orchard.Species;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StagesTest {
    private static final Site SITE = Sites.midLatitude();

    private static Stages stages(Site site, Species species, Seen.Sighting... seen) {
        return RULES.calendar(site, species, false, new Seen(Arrays.asList(seen), List.of()))
                .stages();
    }

    private static Stages.Stage stage(Stages stages, int bbch) {
        return stages.of(bbch, 2027).orElseThrow();
    }

    private static Seen.Sighting seen(int bbch, String on) {
        return new Seen.Sighting(bbch, LocalDate.parse(on));
    }

    @ParameterizedTest
    @CsvSource({
        // Worked by hand from the table of single-sine sums at the mid-latitude site (base 4 or 7, from 1 February).
        "APPLE, 1, 2027-04-01",
        "APPLE, 60, 2027-05-07",
        "APPLE, 71, 2027-06-01",
        "APPLE, 91, 2027-08-01",
        "APPLE, 93, 2027-10-17",
        "APPLE, 95, 2027-11-01",
        "PEAR, 60, 2027-04-26",
        "PLUM, 1, 2027-03-16",
        "PLUM, 73, 2027-07-01",
        "SWEET_CHERRY, 89, 2027-07-01",
        "APRICOT, 1, 2027-03-01",
        "PEACH, 1, 2027-03-01",
        "PEACH, 69, 2027-04-15",
        "FIG, 10, 2027-05-01",
        "PERSIMMON, 7, 2027-04-01"
    })
    void stagesComeWithTheWarmthOfTheYear(Species species, int bbch, LocalDate expected) {
        assertThat(stage(stages(SITE, species), bbch).expected()).isCloseTo(expected, within(1, ChronoUnit.DAYS));
    }

    @Test
    void nothingIsPickedBeforeItSetsOrWhereThatIsNotReckonedBeforeAnEarlierStage() {
        assertThat(stages(SITE, Species.APPLE).fruitSets(2027))
                .hasValue(stages(SITE, Species.APPLE).of(71, 2027).orElseThrow().reached());
        assertThat(stages(SITE, Species.WALNUT).fruitSets(2027))
                .hasValue(
                        stages(SITE, Species.WALNUT).of(65, 2027).orElseThrow().reached());
        assertThat(stages(SITE, Species.FIG).fruitSets(2027))
                .hasValue(stages(SITE, Species.FIG).of(10, 2027).orElseThrow().reached());
    }

    @Test
    void aWarmerSiteIsEarlierAndAColderOneLater() {
        Site warm = Sites.at(44, Sites.smooth(14, 8), Sites.RAIN_MM);
        Site cold = Sites.at(60, Sites.smooth(5, 11), Sites.RAIN_MM);
        for (int bbch : new int[] {1, 60, 73}) {
            LocalDate here = stage(stages(SITE, Species.APPLE), bbch).expected();
            assertThat(stage(stages(warm, Species.APPLE), bbch).expected()).isBefore(here);
            assertThat(stage(stages(cold, Species.APPLE), bbch).expected()).isAfter(here);
        }
        assertThat(stage(stages(cold, Species.APPLE), 95).expected())
                .isBefore(stage(stages(SITE, Species.APPLE), 95).expected());
    }

    @Test
    void whatIsSeenIsTheDayAndWhatFollowsMovesWithIt() {
        Stages early = stages(SITE, Species.APPLE, seen(1, "2027-03-12"));
        assertThat(stage(early, 1).reached()).isEqualTo("2027-03-12");
        assertThat(stage(early, 1).expected()).isEqualTo("2027-04-01");
        assertThat(stage(early, 60).reached()).isBefore(stage(early, 60).expected());
        Stages late = stages(SITE, Species.APPLE, seen(1, "2027-04-12"));
        assertThat(stage(late, 60).reached()).isAfter(stage(late, 60).expected());
        assertThat(stage(late, 60).predicted()).isEqualTo(stage(late, 60).reached());
    }

    @Test
    void aLaterStageSeenSaysThatTheEarlierHadCome() {
        Stages seen = stages(SITE, Species.APPLE, seen(65, "2027-04-20"));
        assertThat(stage(seen, 1).reached()).isEqualTo("2027-04-01");
        assertThat(stage(seen, 60).reached()).isEqualTo("2027-04-20");
    }

    @Test
    void budsAtRestSaySoThatTheyHaveNotSwollen() {
        Stages seen = stages(SITE, Species.APPLE, seen(0, "2027-04-06"));
        assertThat(stage(seen, 1).reached()).isEqualTo("2027-04-07");
    }

    @Test
    void betweenTwoStagesTheWarmthIsSharedOut() {
        // Stage 64 lies four fifths from first flowers (320) to full bloom (375): 364 degree days.
        Stages seen = stages(SITE, Species.APPLE, seen(64, "2027-05-05"));
        long usually = ChronoUnit.DAYS.between(
                stage(seen, 65).expected(), stage(seen, 69).expected());
        assertThat(stage(seen, 65).reached()).isBetween(LocalDate.of(2027, 5, 6), LocalDate.of(2027, 5, 8));
        assertThat(ChronoUnit.DAYS.between(
                        stage(seen, 65).reached(), stage(seen, 69).reached()))
                .isBetween(usually, usually + 2);
    }

    @Test
    void ofTwoTreesTheFirstCounts() {
        Stages seen = stages(SITE, Species.APPLE, seen(1, "2027-03-20"), seen(1, "2027-03-14"));
        assertThat(stage(seen, 1).reached()).isEqualTo("2027-03-14");
    }

    @Test
    void ripeFruitSaysNothingOfShootsAndStoppedShootsNothingOfFruit() {
        Stages seen = stages(SITE, Species.APPLE, seen(91, "2027-07-20"));
        assertThat(stage(seen, 91).reached()).isEqualTo("2027-07-20");
        assertThat(stage(seen, 89).reached()).isEqualTo(stage(seen, 89).expected());
        assertThat(stage(stages(SITE, Species.APPLE, seen(89, "2027-07-20")), 91)
                        .reached())
                .isEqualTo("2027-08-01");
    }

    @Test
    void whatWasSeenLastYearMovesOnlyLastYear() {
        Stages seen = stages(SITE, Species.APPLE, seen(65, "2026-04-20"), seen(97, "2027-01-10"));
        assertThat(stage(seen, 65).reached()).isEqualTo(stage(seen, 65).expected());
        assertThat(stage(seen, 95).reached()).isEqualTo(stage(seen, 95).expected());
        assertThat(seen.of(95, 2026).orElseThrow().reached()).isEqualTo("2026-11-01");
    }

    @Test
    void whatWarmthDoesNotBringComesByTheLastDayReckonedAndIsSaid() {
        Site arctic = Sites.at(65, Sites.smooth(-2, 10), Sites.RAIN_MM);
        assertThat(stage(stages(arctic, Species.PLUM), 73).expected()).isEqualTo("2027-07-25");
        assertThat(stages(arctic, Species.PLUM).warmthFallsShort(73, 2027)).isTrue();
        assertThat(stages(SITE, Species.PLUM).warmthFallsShort(73, 2027)).isFalse();
    }

    @Test
    void theSouthSeesItsOwnDays() {
        Stages south = stages(Sites.inTheSouth(SITE), Species.APPLE, seen(1, "2027-09-20"));
        assertThat(stage(south, 1).expected()).isEqualTo("2027-10-01");
        assertThat(stage(south, 1).reached()).isEqualTo("2027-09-20");
        assertThat(stage(south, 60).reached()).isBefore(stage(south, 60).expected());
    }

    @Test
    void stagesOfTheScaleAreFoundByTheirNumber() {
        assertThat(GrowthStage.at(0)).isEqualTo(GrowthStage.BUDS_AT_REST);
        assertThat(GrowthStage.at(3)).isEqualTo(GrowthStage.BUDS_SWELL);
        assertThat(GrowthStage.at(67)).isEqualTo(GrowthStage.FULL_BLOOM);
        assertThat(GrowthStage.at(99)).isEqualTo(GrowthStage.BARE);
    }
}
