package org.diligentbough.core.season;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.core.SurveyBuilder.RULES;

import java.time.LocalDate;
import java.util.List;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Site;
import org.diligentbough.core.orchard.Species;
import org.junit.jupiter.api.Test;
import org.threeten.extra.LocalDateRange;

class KindYearTest {
    private static final Site MEDITERRANEAN = Sites.at(38, Sites.smooth(16, 8), Sites.WINTER_RAIN_MM);
    private static final LocalDateRange YEAR = LocalDateRange.of(LocalDate.of(2027, 1, 1), LocalDate.of(2028, 1, 1));

    private static List<Reason> facts(Site site, Species species) {
        return RULES.year(site, species, Seen.NOTHING).facts(2027);
    }

    private static List<ReasonCode> codes(Site site, Species species) {
        return facts(site, species).stream().map(Reason::code).toList();
    }

    @Test
    void aFigThatStartsWithinNinetyDaysOfCoolNightsIsLost() {
        Reason last = facts(MEDITERRANEAN, Species.FIG).get(1);
        assertThat(last.code()).isEqualTo(ReasonCode.SEASON_FIG_LAST_START);
        LocalDate cool = (LocalDate) last.arguments().get(1);
        assertThat(last.arguments().get(0)).isEqualTo(90);
        assertThat(last.arguments().get(2)).isEqualTo(cool.minusDays(90));
        Climate climate = Climate.of(MEDITERRANEAN, RULES.knowledge());
        assertThat(climate.minC(cool)).isLessThan(8);
        assertThat(climate.minC(cool.minusDays(1))).isGreaterThanOrEqualTo(8);
    }

    @Test
    void whereNightsAreNeverCoolFigsRipenAllYearAndWhereTheyAlwaysAreNone() {
        assertThat(codes(Sites.at(5, Sites.always(26), Sites.RAIN_MM), Species.FIG))
                .contains(ReasonCode.SEASON_FIG_NO_COOL_NIGHTS, ReasonCode.SEASON_NO_FROST);
        assertThat(codes(Sites.at(60, Sites.smooth(4, 7), Sites.RAIN_MM), Species.FIG))
                .contains(ReasonCode.SEASON_FIG_TOO_COOL);
    }

    @Test
    void anApricotIsToldOfTheRainsOrThatSummersAreWet() {
        assertThat(facts(MEDITERRANEAN, Species.APRICOT))
                .anySatisfy(fact -> assertThat(fact.arguments()).containsExactly(LocalDate.of(2027, 11, 1)));
        assertThat(codes(Sites.midLatitude(), Species.APRICOT)).contains(ReasonCode.SEASON_WET_SUMMER);
    }

    @Test
    void whatAnAverageYearDoesNotBringIsSaid() {
        assertThat(codes(Sites.at(65, Sites.smooth(-2, 10), Sites.RAIN_MM), Species.APPLE))
                .contains(ReasonCode.SEASON_WARMTH_SHORT, ReasonCode.SEASON_ALWAYS_FROST);
        assertThat(codes(Sites.midLatitude(), Species.APPLE)).containsExactly(ReasonCode.SEASON_FROST_DAYS);
    }

    @Test
    void anApricotInADrySummerIsCutUntilSixWeeksBeforeTheRain() {
        CuttingCalendar apricot = RULES.calendar(MEDITERRANEAN, Species.APRICOT, false, Seen.NOTHING);
        assertThat(apricot.mayCut(LocalDate.of(2027, 7, 20)).answer()).isEqualTo(MayCut.Answer.YES);
        assertThat(apricot.mayCut(LocalDate.of(2027, 10, 10)).answer()).isEqualTo(MayCut.Answer.WITH_CARE);
        assertThat(apricot.mayCut(LocalDate.of(2027, 11, 10)).answer()).isEqualTo(MayCut.Answer.NO);
        // Rain from September on leaves only the time until six weeks before it.
        List<Double> septemberRain = List.of(60.0, 60.0, 60.0, 40.0, 30.0, 20.0, 10.0, 20.0, 70.0, 80.0, 70.0, 60.0);
        CuttingCalendar early =
                RULES.calendar(Sites.at(45, Sites.smooth(13, 9), septemberRain), Species.APRICOT, false, Seen.NOTHING);
        assertThat(early.mayCut(LocalDate.of(2027, 7, 10)).answer()).isEqualTo(MayCut.Answer.YES);
        assertThat(early.mayCut(LocalDate.of(2027, 7, 22)).answer()).isEqualTo(MayCut.Answer.WITH_CARE);
    }

    @Test
    void careComesAtItsTime() {
        List<CareTable.Due> apple =
                RULES.year(Sites.midLatitude(), Species.APPLE, Seen.NOTHING).care(YEAR);
        assertThat(apple).extracting(CareTable.Due::task).contains(CareTask.SPREAD, CareTask.THIN, CareTask.SUCKERS);
        CareTable.Due thin = apple.stream()
                .filter(due -> due.task() == CareTask.THIN)
                .findFirst()
                .orElseThrow();
        assertThat(thin.days().getStart()).as("after the natural drop").isEqualTo("2027-07-01");
        assertThat(thin.year()).isEqualTo(2027);
        CareTable.Due spread = apple.get(0);
        assertThat(spread.days().getEnd()).as("before growth starts").isEqualTo("2027-04-01");
        assertThat(RULES.care(Sites.midLatitude(), YEAR))
                .extracting(CareTable.Due::task)
                .contains(CareTask.TOOLS, CareTask.HEDGES, CareTask.LIME);
    }

    @Test
    void hedgesAreLeftToTheBirdsFromFebruaryToAugust() {
        List<CareTable.Due> hedges = RULES.care(Sites.midLatitude(), YEAR).stream()
                .filter(due -> due.task() == CareTask.HEDGES)
                .toList();
        assertThat(hedges).isNotEmpty().noneMatch(due -> due.days().contains(LocalDate.of(2027, 5, 15)));
        List<CareTable.Due> south = RULES.care(Sites.inTheSouth(Sites.midLatitude()), YEAR).stream()
                .filter(due -> due.task() == CareTask.HEDGES)
                .toList();
        assertThat(south).isNotEmpty().noneMatch(due -> due.days().contains(LocalDate.of(2027, 11, 15)));
    }

    @Test
    void aStageSeenMovesTheCareToo() {
        Seen early = new Seen(List.of(new Seen.Sighting(73, LocalDate.of(2027, 6, 20))), List.of());
        assertThat(RULES.year(Sites.midLatitude(), Species.APPLE, early).care(YEAR).stream()
                        .filter(due -> due.task() == CareTask.THIN)
                        .findFirst()
                        .orElseThrow()
                        .days()
                        .getStart())
                .isEqualTo("2027-06-20");
    }
}
