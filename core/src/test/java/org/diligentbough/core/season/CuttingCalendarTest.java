package org.diligentbough.core.season;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.core.SurveyBuilder.RULES;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.orchard.Site;
import org.diligentbough.core.orchard.Species;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.threeten.extra.LocalDateRange;

/** Each kind against the months of the table at a mid-latitude site. Common practice unless reasons.csv names a source. */
class CuttingCalendarTest {
    private static final List<Double> MEAN_C =
            new SurveyBuilder().build().site().monthlyMeanC();
    private static final List<Double> RAIN_MM =
            new SurveyBuilder().build().site().monthlyRainMm();

    private static Site site(double latitude, Policy policy) {
        return new Site(latitude, 0, MEAN_C, RAIN_MM, Optional.empty(), policy);
    }

    private static Policy schools(Policy.Pome pome, Policy.Apricot apricot, Policy.Peach peach) {
        Policy d = Policy.DEFAULT;
        return new Policy(
                d.allowance(),
                d.summerAllowance(),
                d.bigCuts(),
                pome,
                apricot,
                peach,
                d.fig(),
                d.bend(),
                d.sealing(),
                Policy.InGrowth.NONE);
    }

    private static Seen seen(int bbch, LocalDate on) {
        return new Seen(List.of(new Seen.Sighting(bbch, on)), List.of());
    }

    private static MayCut.Answer on(Species species, String day) {
        return RULES.calendar(site(52, Policy.DEFAULT), species, false, Seen.NOTHING)
                .mayCut(LocalDate.parse(day))
                .answer();
    }

    @ParameterizedTest
    @CsvSource({
        "APPLE,2027-02-01,YES",
        "APPLE,2027-03-31,YES",
        "APPLE,2027-04-01,NO",
        "APPLE,2027-05-15,NO",
        "APPLE,2027-08-10,WITH_CARE",
        "APPLE,2027-10-15,NO",
        "APPLE,2027-12-10,WITH_CARE",
        "PEAR,2028-02-29,YES",
        "QUINCE,2027-03-01,YES",
        "MEDLAR,2027-06-01,NO",
        "PLUM,2027-07-20,YES",
        "PLUM,2027-06-10,WITH_CARE",
        "PLUM,2027-09-10,WITH_CARE",
        "PLUM,2027-02-20,NO",
        "SWEET_CHERRY,2027-08-10,YES",
        "SWEET_CHERRY,2027-06-15,WITH_CARE",
        "SWEET_CHERRY,2027-01-15,NO",
        "SOUR_CHERRY,2027-08-10,YES",
        "SOUR_CHERRY,2027-06-15,NO",
        "SOUR_CHERRY,2027-09-05,WITH_CARE",
        "APRICOT,2027-07-20,WITH_CARE",
        "APRICOT,2027-01-20,NO",
        "APRICOT,2027-10-20,NO",
        "APRICOT,2027-03-15,NO",
        "PEACH,2027-03-15,YES",
        "NECTARINE,2027-07-15,WITH_CARE",
        "PEACH,2027-01-05,NO",
        "FIG,2027-03-20,YES",
        "FIG,2027-06-15,WITH_CARE",
        "FIG,2027-08-01,WITH_CARE",
        "FIG,2027-01-15,NO",
        "FIG,2027-11-15,NO",
        "PERSIMMON,2027-02-20,YES",
        "PERSIMMON,2027-06-10,WITH_CARE",
        "PERSIMMON,2027-12-20,WITH_CARE",
        "PERSIMMON,2027-09-01,NO",
        "CITRUS,2027-05-10,YES",
        "CITRUS,2027-08-10,WITH_CARE",
        "CITRUS,2027-11-10,NO",
        "POMEGRANATE,2027-02-20,YES",
        "POMEGRANATE,2027-07-01,WITH_CARE",
        "POMEGRANATE,2027-10-01,NO",
        "GOOSEBERRY,2027-12-01,YES",
        "RED_CURRANT,2027-07-01,WITH_CARE",
        "GOOSEBERRY,2027-05-01,NO",
        "BLACK_CURRANT,2027-02-10,YES",
        "BLACK_CURRANT,2027-03-10,NO",
        "BLACK_CURRANT,2027-08-10,WITH_CARE",
        "MULBERRY,2027-01-10,YES",
        "MULBERRY,2027-02-10,NO",
        "WALNUT,2027-08-15,YES",
        "WALNUT,2027-07-15,WITH_CARE",
        "WALNUT,2027-03-01,NO"
    })
    void theMonthsOfTheTable(Species species, String day, MayCut.Answer expected) {
        assertThat(on(species, day)).isEqualTo(expected);
    }

    /** "Peach after picking until leaves begin to fall; apricot at bud swell with care until petals fall" (common practice). */
    @Test
    void windowsCloseWhenTheTreeSaysSo() {
        Policy schools = schools(Policy.Pome.LATE_WINTER, Policy.Apricot.BUD_SWELL, Policy.Peach.AFTER_PICKING);
        CuttingCalendar peach = RULES.calendar(site(52, schools), Species.PEACH, false, Seen.NOTHING);
        Window afterPicking = window(peach, Season.AFTER_PICKING, Window.Work.STRUCTURE);
        assertThat(afterPicking.closesWith().orElseThrow().bbch()).isEqualTo(93);
        CuttingCalendar apricot = RULES.calendar(site(52, schools), Species.APRICOT, false, Seen.NOTHING);
        Window inBloom = window(apricot, Season.BUD_SWELL, Window.Work.STRUCTURE);
        LocalDate bloom = inBloom.closes().plusDays(1);
        assertThat(apricot.mayCut(bloom).answer()).isEqualTo(MayCut.Answer.WITH_CARE);
        CuttingCalendar pomegranate =
                RULES.calendar(site(52, Policy.DEFAULT), Species.POMEGRANATE, false, Seen.NOTHING);
        assertThat(window(pomegranate, Season.SUMMER, Window.Work.SIZE)
                        .closesWith()
                        .orElseThrow()
                        .bbch())
                .isEqualTo(81);
    }

    private static Window window(CuttingCalendar calendar, Season season, Window.Work work) {
        return calendar.windows(new PruningYear(2027, false)).stream()
                .filter(window -> window.season() == season && window.work() == work)
                .filter(window -> window.quality() != Window.Quality.KEEP_OFF)
                .findFirst()
                .orElseThrow();
    }

    @ParameterizedTest
    @CsvSource({
        "APPLE,2027-06-10",
        "PEAR,2027-06-10",
        "PLUM,2027-05-20",
        "SWEET_CHERRY,2027-05-25",
        "APRICOT,2027-05-25"
    })
    void pomeAndStoneFruitMayBeCutInGrowthWhereTheSiteChoosesSo(Species species, LocalDate day) {
        assertThat(on(species, day.toString())).isEqualTo(MayCut.Answer.NO);
        Policy d = Policy.DEFAULT;
        Policy keepSmall = new Policy(
                d.allowance(),
                d.summerAllowance(),
                d.bigCuts(),
                d.pome(),
                d.apricot(),
                d.peach(),
                d.fig(),
                d.bend(),
                d.sealing(),
                Policy.InGrowth.KEEP_SMALL);
        CuttingCalendar calendar = RULES.calendar(site(52, keepSmall), species, false, Seen.NOTHING);
        assertThat(calendar.mayCut(day).answer()).isEqualTo(MayCut.Answer.WITH_CARE);
        assertThat(calendar.mayCut(LocalDate.of(2027, 11, 5)).answer())
                .isEqualTo(RULES.calendar(site(52, d), species, false, Seen.NOTHING)
                        .mayCut(LocalDate.of(2027, 11, 5))
                        .answer());
    }

    @Test
    void anAnswerGivesTheWindowItLiesInOrTheNextBestOne() {
        CuttingCalendar apple = RULES.calendar(site(52, Policy.DEFAULT), Species.APPLE, false, Seen.NOTHING);
        MayCut now = apple.mayCut(LocalDate.of(2027, 2, 20));
        assertThat(now.nextOpens()).isEqualTo("2027-02-01");
        assertThat(now.nextCloses()).isEqualTo("2027-03-31");
        MayCut later = apple.mayCut(LocalDate.of(2027, 5, 20));
        assertThat(later.nextOpens()).isEqualTo("2028-02-01");
        assertThat(later.reasons()).isNotEmpty();
    }

    @ParameterizedTest
    @EnumSource(Species.class)
    void everyDayOfTheYearHasAnAnswerWithReasonsAndANextDate(Species species) {
        for (double latitude : new double[] {65, 0, -35}) {
            CuttingCalendar calendar = RULES.calendar(site(latitude, Policy.DEFAULT), species, false, Seen.NOTHING);
            for (LocalDate day = LocalDate.of(2027, 12, 1); day.getYear() < 2029; day = day.plusDays(1)) {
                MayCut answer = calendar.mayCut(day);
                assertThat(answer.reasons()).isNotEmpty();
                assertThat(answer.nextCloses()).isAfterOrEqualTo(day);
                if (answer.answer() == MayCut.Answer.NO) {
                    assertThat(answer.nextOpens()).isAfter(day);
                }
            }
        }
    }

    @ParameterizedTest
    @EnumSource(Species.class)
    void theSouthIsHalfAYearLater(Species species) {
        // Frost depends on the site's own months, so citrus is compared where no month is prone to it.
        List<Double> mild = Stream.generate(() -> 15.0).limit(12).toList();
        List<Double> halfAYearLater = new ArrayList<>(RAIN_MM);
        Collections.rotate(halfAYearLater, 6);
        CuttingCalendar north = RULES.calendar(
                new Site(40, 0, mild, RAIN_MM, Optional.empty(), Policy.DEFAULT), species, false, Seen.NOTHING);
        CuttingCalendar south = RULES.calendar(
                new Site(-40, 0, mild, halfAYearLater, Optional.empty(), Policy.DEFAULT), species, false, Seen.NOTHING);
        List<Window> northern = north.windows(new PruningYear(2027, false));
        List<Window> southern = south.windows(new PruningYear(2027, true));
        assertThat(southern).hasSameSizeAs(northern);
        for (int i = 0; i < northern.size(); i++) {
            assertThat(southern.get(i).opens())
                    .isEqualTo(northern.get(i).opens().plusMonths(6));
            assertThat(southern.get(i).days().getEnd())
                    .isEqualTo(northern.get(i).days().getEnd().plusMonths(6));
        }
    }

    @ParameterizedTest
    @EnumSource(Species.class)
    void bestNeverOverlapsKeepOff(Species species) {
        for (Policy.Pome pome : Policy.Pome.values()) {
            for (Policy.Apricot apricot : Policy.Apricot.values()) {
                for (Policy.Peach peach : Policy.Peach.values()) {
                    for (boolean trained : new boolean[] {false, true}) {
                        CuttingCalendar calendar =
                                RULES.calendar(site(52, schools(pome, apricot, peach)), species, trained, Seen.NOTHING);
                        List<Window> windows = calendar.windowsIn(
                                LocalDateRange.of(LocalDate.of(2027, 1, 1), LocalDate.of(2029, 1, 1)));
                        assertThat(windows).anyMatch(window -> window.quality() != Window.Quality.KEEP_OFF);
                        for (Window best : windows) {
                            for (Window off : windows) {
                                if (best.quality() == Window.Quality.BEST && off.quality() == Window.Quality.KEEP_OFF) {
                                    assertThat(best.days().overlaps(off.days())).isFalse();
                                }
                            }
                        }
                    }
                }
            }
        }
    }

    @Test
    void schoolsMoveTheWindow() {
        Policy other = schools(Policy.Pome.LATE_SUMMER, Policy.Apricot.BUD_SWELL, Policy.Peach.LEAF_FALL);
        LocalDate september = LocalDate.of(2027, 9, 10);
        assertThat(RULES.calendar(site(52, other), Species.APPLE, false, Seen.NOTHING)
                        .mayCut(september)
                        .answer())
                .isEqualTo(MayCut.Answer.YES);
        assertThat(RULES.calendar(site(52, other), Species.APRICOT, false, Seen.NOTHING)
                        .mayCut(LocalDate.of(2027, 3, 10))
                        .answer())
                .isEqualTo(MayCut.Answer.YES);
        assertThat(RULES.calendar(site(52, other), Species.PEACH, false, Seen.NOTHING)
                        .mayCut(LocalDate.of(2027, 11, 10))
                        .answer())
                .isEqualTo(MayCut.Answer.YES);
    }

    @Test
    void trainedFormsAreCutInSummer() {
        SurveyBuilder espalier = SurveyBuilder.withFrame();
        espalier.formWanted = Form.ESPALIER;
        espalier.today = LocalDate.of(2027, 8, 1);
        assertThat(espalier.evaluate().today().answer()).isEqualTo(MayCut.Answer.YES);
        assertThat(espalier.evaluate().tree().allowance().summer()).hasValue(0.25);
    }

    @Test
    void aTreeStillGrowingIsNotYetCutForSize() {
        SurveyBuilder apple = SurveyBuilder.withFrame();
        apple.today = LocalDate.of(2027, 8, 10);
        apple.stillGrowing = true;
        MayCut answer = apple.evaluate().today();
        assertThat(answer.answer()).isEqualTo(MayCut.Answer.NO);
    }

    @Test
    void budSwellSeenClosesTheDormantWindow() {
        SurveyBuilder apple = SurveyBuilder.withFrame();
        apple.today = LocalDate.of(2027, 3, 20);
        assertThat(apple.evaluate().today().answer()).isEqualTo(MayCut.Answer.YES);
        apple.seen = seen(1, LocalDate.of(2027, 3, 10));
        assertThat(apple.evaluate().today().answer()).isEqualTo(MayCut.Answer.NO);
        apple.seen = seen(0, LocalDate.of(2027, 3, 10));
        assertThat(apple.evaluate().today().answer()).isEqualTo(MayCut.Answer.YES);
    }

    @Test
    void citrusWaitsForTheLastMonthProneToFrost() {
        // April's mean is 9 degrees at the sample site, so the window opens in May.
        Window next = RULES.calendar(site(52, Policy.DEFAULT), Species.CITRUS, false, Seen.NOTHING)
                .nextBest(LocalDate.of(2027, 1, 1));
        assertThat(next.opens()).isEqualTo("2027-05-01");
    }

    @Test
    void figsMayBeRenewedInAutumnOnlyWhereWintersAreMild() {
        List<Double> mild = Stream.generate(() -> 12.0).limit(12).toList();
        LocalDate november = LocalDate.of(2027, 11, 15);
        assertThat(RULES.calendar(
                                new Site(40, 0, mild, RAIN_MM, Optional.empty(), Policy.DEFAULT),
                                Species.FIG,
                                false,
                                Seen.NOTHING)
                        .mayCut(november)
                        .answer())
                .isEqualTo(MayCut.Answer.WITH_CARE);
        assertThat(on(Species.FIG, "2027-11-15")).isEqualTo(MayCut.Answer.NO);
    }

    @Test
    void whereSpringIsAllFrostCitrusIsLeftToItsLateSummerTrim() {
        List<Double> cold = Stream.generate(() -> 8.0).limit(12).toList();
        CuttingCalendar citrus = RULES.calendar(
                new Site(52, 0, cold, RAIN_MM, Optional.empty(), Policy.DEFAULT), Species.CITRUS, false, Seen.NOTHING);
        assertThat(citrus.mayCut(LocalDate.of(2027, 5, 10)).answer()).isEqualTo(MayCut.Answer.NO);
        assertThat(citrus.nextBest(LocalDate.of(2027, 5, 10)).opens()).isEqualTo("2027-08-01");
    }

    @Test
    void aBloomSeenLastYearDoesNotCloseThisYearsWindow() {
        SurveyBuilder apple = SurveyBuilder.withFrame();
        apple.seen = seen(65, LocalDate.of(2026, 4, 28));
        assertThat(apple.evaluate().today().answer()).isEqualTo(MayCut.Answer.YES);
        apple.seen = seen(95, LocalDate.of(2026, 11, 20));
        assertThat(apple.evaluate().today().answer())
                .as("leaf fall opens, it does not close")
                .isEqualTo(MayCut.Answer.YES);
    }

    @Test
    void pruningYearsBearTheYearTheirGrowingSeasonStarts() {
        assertThat(PruningYear.of(LocalDate.of(2026, 11, 1), false).year()).isEqualTo(2027);
        assertThat(PruningYear.of(LocalDate.of(2027, 10, 31), false).year()).isEqualTo(2027);
        assertThat(PruningYear.of(LocalDate.of(2027, 5, 1), true).label()).isEqualTo("2027/28");
        assertThat(PruningYear.of(LocalDate.of(2027, 4, 30), true).year()).isEqualTo(2026);
        assertThat(new PruningYear(2027, false).days().lengthInDays()).isEqualTo(365);
        assertThat(new PruningYear(2028, false).days().lengthInDays()).isEqualTo(366);
    }
}
