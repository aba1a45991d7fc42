package org.diligentbough.core.season;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.core.SurveyBuilder.RULES;

import java.time.LocalDate;
import java.time.Period;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.IntRange;
import org.diligentbough.core.Chance;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.orchard.Site;
import org.diligentbough.core.orchard.Species;
import org.threeten.extra.LocalDateRange;

/** What must hold of every kind under every climate. */
class SeasonPropertiesTest {
    private static final PruningYear YEAR = new PruningYear(2027, false);

    /** From the tropics to the edge of the forest, with dry summers, dry winters and every choice of school. */
    @Provide
    Arbitrary<Site> sites() {
        Arbitrary<Policy> schools = Combinators.combine(
                        Arbitraries.of(Policy.Pome.class),
                        Arbitraries.of(Policy.Apricot.class),
                        Arbitraries.of(Policy.Peach.class))
                .as((pome, apricot, peach) ->
                        Policy.DEFAULT.choosing(pome).choosing(apricot).choosing(peach));
        return Combinators.combine(
                        Arbitraries.doubles().between(0, 65),
                        Arbitraries.doubles().between(-2, 27),
                        Arbitraries.doubles().between(0, 14),
                        Arbitraries.doubles().between(0, 120),
                        Arbitraries.doubles().between(-1, 1),
                        schools)
                .as((latitude, mean, swing, rain, summer, policy) -> Sites.at(
                                latitude,
                                Sites.smooth(mean, swing),
                                Sites.smooth(rain, rain * summer).stream()
                                        .map(mm -> Math.max(0, mm))
                                        .toList())
                        .with(policy));
    }

    private static CuttingCalendar calendar(Site site, Species species, boolean trained, Seen seen) {
        return RULES.calendar(site, species, trained, seen);
    }

    @Property(tries = 400, seed = Chance.JQWIK)
    void bestNeverOverlapsKeepOff(
            @ForAll("sites") Site site,
            @ForAll Species species,
            @ForAll boolean trained,
            @ForAll("sightings") Seen seen) {
        List<Window> windows = calendar(site, species, trained, seen)
                .windowsIn(LocalDateRange.of(LocalDate.of(2027, 1, 1), LocalDate.of(2028, 1, 1)));
        for (Window one : windows) {
            for (Window other : windows) {
                if (one.quality() == Window.Quality.BEST && other.quality() == Window.Quality.KEEP_OFF) {
                    assertThat(one.days().overlaps(other.days()))
                            .as("%s and %s", one, other)
                            .isFalse();
                }
            }
        }
    }

    @Property(tries = 150, seed = Chance.JQWIK)
    void everyDayHasReasonsAndANextDate(@ForAll("sites") Site site, @ForAll Species species, @ForAll MayCut.Sort sort) {
        CuttingCalendar calendar = calendar(site, species, false, Seen.NOTHING);
        LocalDate.of(2027, 1, 3)
                .datesUntil(LocalDate.of(2028, 1, 3), Period.ofDays(9))
                .forEach(day -> {
                    MayCut answer = calendar.mayCut(day, sort);
                    assertThat(answer.reasons()).isNotEmpty();
                    assertThat(answer.nextCloses()).isAfterOrEqualTo(answer.nextOpens());
                    if (sort == MayCut.Sort.LIVE) {
                        assertThat(answer.nextCloses()).isAfterOrEqualTo(day);
                    }
                    if (sort == MayCut.Sort.DEAD) {
                        assertThat(answer.answer()).isEqualTo(MayCut.Answer.YES);
                    }
                });
    }

    @Property(tries = 300, seed = Chance.JQWIK)
    void northAndSouthMirrorByHalfAYear(@ForAll("sites") Site site, @ForAll Species species) {
        if (site.latitude() == 0) {
            return;
        }
        List<Window> north = calendar(site, species, false, Seen.NOTHING).windows(YEAR);
        List<Window> south =
                calendar(Sites.inTheSouth(site), species, false, Seen.NOTHING).windows(new PruningYear(2027, true));
        assertThat(south).hasSameSizeAs(north);
        for (int i = 0; i < north.size(); i++) {
            assertThat(south.get(i).opens()).isEqualTo(north.get(i).opens().plusMonths(6));
            assertThat(south.get(i).days().getEnd())
                    .isEqualTo(north.get(i).days().getEnd().plusMonths(6));
            assertThat(south.get(i).quality()).isEqualTo(north.get(i).quality());
        }
    }

    @Provide
    Arbitrary<Seen> sightings() {
        return Combinators.combine(
                        Arbitraries.of(GrowthStage.class),
                        Arbitraries.integers().between(0, 360))
                .as((stage, day) -> new Seen(
                        List.of(new Seen.Sighting(
                                stage.bbch(), LocalDate.of(2027, 1, 1).plusDays(day))),
                        List.of()));
    }

    @Property(tries = 500, seed = Chance.JQWIK)
    void whatIsSeenLaterThanExpectedNeverOpensAWindowEarlier(
            @ForAll("sites") Site site, @ForAll Species species, @ForAll @IntRange(max = 60) int daysLate) {
        CuttingCalendar usual = calendar(site, species, false, Seen.NOTHING);
        for (Stages.Stage stage : usual.stages().of(2027)) {
            Seen late = new Seen(
                    List.of(new Seen.Sighting(stage.bbch(), stage.expected().plusDays(daysLate))), List.of());
            List<Window> moved = workingWindows(calendar(site, species, false, late));
            List<Window> before = workingWindows(usual);
            for (Window window : moved) {
                before.stream()
                        .filter(other -> other.reason().equals(window.reason())
                                && other.work() == window.work()
                                && other.season() == window.season())
                        .min(Comparator.comparingLong(other -> Math.abs(
                                other.opens().toEpochDay() - window.opens().toEpochDay())))
                        .ifPresent(other -> assertThat(window.opens())
                                .as("%s after stage %s", window, stage)
                                .isAfterOrEqualTo(other.opens()));
            }
        }
    }

    private static List<Window> workingWindows(CuttingCalendar calendar) {
        return calendar.windowsIn(LocalDateRange.of(LocalDate.of(2027, 1, 1), LocalDate.of(2027, 12, 1))).stream()
                .filter(window -> window.quality() != Window.Quality.KEEP_OFF)
                .toList();
    }

    @Property(tries = 200, seed = Chance.JQWIK)
    void windowsOfAYearLieInIt(@ForAll("sites") Site site, @ForAll Species species, @ForAll("sightings") Seen seen) {
        for (PruningYear year : List.of(YEAR, YEAR.plus(1), new PruningYear(2028, false))) {
            assertThat(calendar(site, species, false, seen).windows(year))
                    .allMatch(window -> year.days().encloses(window.days()));
        }
        Stream<Stages.Stage> stages = calendar(site, species, false, seen).stages().of(2027).stream();
        assertThat(stages).allMatch(stage -> stage.reached() != null && stage.predicted() != null);
    }
}
