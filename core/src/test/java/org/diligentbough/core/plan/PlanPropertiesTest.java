package org.diligentbough.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.RandomTrees;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.season.CuttingCalendar;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.season.Window;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.TableRow;
import org.diligentbough.core.verdict.Verdict;
import org.threeten.extra.LocalDateRange;

/** What must hold for every tree, tried on made-up ones of all kinds. */
class PlanPropertiesTest {

    @Provide
    Arbitrary<SurveyBuilder> trees() {
        return Arbitraries.longs().map(RandomTrees::tree);
    }

    private static Map<String, LimbVerdict> verdicts(Evaluation evaluation) {
        return evaluation.limbs().stream()
                .collect(Collectors.toMap(limb -> limb.limb().id(), limb -> limb));
    }

    private static boolean mayExceed(LimbVerdict limb) {
        return limb.urgent()
                || limb.row()
                        .filter(row -> row.compareTo(TableRow.DISEASED) <= 0)
                        .isPresent();
    }

    @Property(tries = 2000)
    void noYearTakesMoreThanItsAllowanceUnlessDeadDiseasedOrDangerousAndThenItSaysSo(
            @ForAll("trees") SurveyBuilder tree) {
        Evaluation evaluation = tree.evaluate();
        Map<String, LimbVerdict> verdicts = verdicts(evaluation);
        Map<Integer, Double> ordinary = new HashMap<>();
        Map<Integer, Double> all = new HashMap<>();
        Map<Integer, Integer> bigCuts = new HashMap<>();
        Set<Integer> says = new HashSet<>();
        double full = evaluation.tree().fullAllowance().year().orElse(Double.MAX_VALUE);
        for (Lane lane : evaluation.plan().lanes()) {
            int year = lane.year().year();
            lane.overrun().ifPresent(why -> says.add(year));
            for (PlannedCut cut : lane.cuts()) {
                all.merge(year, cut.share(), Double::sum);
                if (!mayExceed(verdicts.get(cut.limb()))) {
                    ordinary.merge(year, cut.share(), Double::sum);
                    bigCuts.merge(year, cut.cut().big() ? 1 : 0, Integer::sum);
                }
            }
            lane.detail().ifPresent(detail -> ordinary.merge(year, detail.share(), Double::sum));
        }
        int first = evaluation.plan().lanes().stream()
                .mapToInt(lane -> lane.year().year())
                .min()
                .orElse(0);
        boolean bounded = evaluation.scene().traits().hasAllowance();
        ordinary.forEach((year, share) -> {
            double charged = year == first && startsNow(evaluation, first) ? tree.removedLast12Months : 0;
            assertThat(share).isLessThanOrEqualTo(Math.max(0, full - charged) + 1e-6);
        });
        all.forEach((year, share) -> {
            if (share > full + 1e-6) {
                assertThat(says).contains(year);
            }
        });
        if (bounded) {
            bigCuts.values().forEach(count -> assertThat(count).isLessThanOrEqualTo(tree.policy.bigCuts()));
        }
    }

    private static boolean startsNow(Evaluation evaluation, int year) {
        var survey = evaluation.scene().survey();
        return PruningYear.of(survey.today(), survey.site().southern()).year() == year;
    }

    @Property(tries = 2000)
    void everyCutStandsOnceInThePlanOrAmongTheNotPlacedWithAReason(@ForAll("trees") SurveyBuilder tree) {
        Evaluation evaluation = tree.evaluate();
        Map<String, List<Verdict>> placed = new HashMap<>();
        for (Lane lane : evaluation.plan().lanes()) {
            for (PlannedCut cut : lane.cuts()) {
                placed.computeIfAbsent(cut.limb(), id -> new ArrayList<>()).add(cut.kind());
            }
        }
        evaluation.plan().notPlaced().forEach(limb -> {
            assertThat(placed).doesNotContainKey(limb.limb());
            assertThat(limb.reasons()).isNotEmpty();
            placed.put(limb.limb(), List.of(Verdict.WAIT));
        });
        Set<String> wanted = evaluation.limbs().stream()
                .filter(limb -> limb.cut().isPresent())
                .map(limb -> limb.limb().id())
                .collect(Collectors.toSet());
        assertThat(placed.keySet()).isEqualTo(wanted);
        placed.values().forEach(turns -> {
            if (turns.size() > 1) {
                assertThat(turns).as("shortened, then removed").containsExactly(Verdict.SHORTEN, Verdict.REMOVE);
            }
        });
    }

    @Property(tries = 500)
    void thePlanIsInTimeOrderAndWhatIsUrgentStandsFirst(@ForAll("trees") SurveyBuilder tree) {
        Evaluation evaluation = tree.evaluate();
        List<Lane> lanes = evaluation.plan().lanes();
        assertThat(lanes).isSortedAccordingTo(Comparator.comparing(Lane::opens));
        evaluation.limbs().stream().filter(LimbVerdict::urgent).forEach(limb -> assertThat(
                        lanes.get(0).cuts())
                .anyMatch(cut -> cut.limb().equals(limb.limb().id())));
    }

    @Property(tries = 1000)
    void noLimbIsCutAfterWhatItGrowsFromIsGone(@ForAll("trees") SurveyBuilder tree) {
        Evaluation evaluation = tree.evaluate();
        Map<String, Integer> removedIn = new HashMap<>();
        int turn = 0;
        for (Lane lane : evaluation.plan().lanes()) {
            turn++;
            for (PlannedCut cut : lane.cuts()) {
                Limb limb = evaluation.scene().branching().get(cut.limb());
                Optional<String> parent = limb.parent();
                if (parent.isPresent() && removedIn.containsKey(parent.get())) {
                    assertThat(turn).isLessThanOrEqualTo(removedIn.get(parent.get()));
                }
                if (cut.kind() == Verdict.REMOVE) {
                    removedIn.put(cut.limb(), turn);
                }
            }
        }
    }

    @Property(tries = 1000)
    void onlyDeadGraftOrUrgentWoodIsPlannedOutsideTheWindows(@ForAll("trees") SurveyBuilder tree) {
        Evaluation evaluation = tree.evaluate();
        CuttingCalendar calendar =
                SurveyBuilder.RULES.calendar(evaluation.scene().survey());
        Map<String, LimbVerdict> verdicts = verdicts(evaluation);
        for (Lane lane : evaluation.plan().lanes()) {
            assertThat(lane.opens()).isBeforeOrEqualTo(lane.closes());
            assertThat(lane.closes())
                    .isAfterOrEqualTo(evaluation.scene().survey().today());
            if (lane.season() == Season.ANY) {
                assertThat(lane.cuts())
                        .allMatch(cut -> verdicts.get(cut.limb()).anySeason()
                                || !evaluation
                                        .scene()
                                        .branching()
                                        .living(evaluation.scene().branching().get(cut.limb())));
            } else {
                assertThat(calendar.windowsIn(LocalDateRange.ofClosed(lane.opens(), lane.closes())))
                        .anyMatch(window -> window.quality() != Window.Quality.KEEP_OFF
                                && window.days().encloses(LocalDateRange.ofClosed(lane.opens(), lane.closes())));
            }
        }
    }

    @Property(tries = 1000)
    void restingTreesLoseOnlyDeadDiseasedAndDangerousWood(@ForAll("trees") SurveyBuilder tree) {
        tree.shootCm = OptionalDouble.of(10);
        tree.years = OptionalInt.of(1);
        Evaluation evaluation = tree.evaluate();
        if (evaluation.tree().resting()) {
            Map<String, LimbVerdict> verdicts = verdicts(evaluation);
            for (Lane lane : evaluation.plan().lanes()) {
                assertThat(lane.cuts())
                        .allMatch(cut -> mayExceed(verdicts.get(cut.limb()))
                                || !evaluation
                                        .scene()
                                        .branching()
                                        .living(evaluation.scene().branching().get(cut.limb())));
                assertThat(lane.detail()).isEmpty();
            }
        }
    }

    @Property(tries = 500)
    void theSameSurveyGivesTheSameAnswer(@ForAll("trees") SurveyBuilder tree) {
        Evaluation once = tree.evaluate();
        Evaluation again = tree.evaluate();
        assertThat(again.limbs()).isEqualTo(once.limbs());
        assertThat(again.plan()).isEqualTo(once.plan());
        assertThat(again.tree()).isEqualTo(once.tree());
    }

    @Property(tries = 500)
    void sharesOfTheLimbsOnTheTrunkSumToOne(@ForAll("trees") SurveyBuilder tree) {
        Evaluation evaluation = tree.evaluate();
        var scene = evaluation.scene();
        double sum = scene.branching().onTrunk().stream()
                .mapToDouble(scene.shares()::of)
                .sum();
        boolean alive = scene.branching().onTrunk().stream().anyMatch(scene.branching()::living);
        assertThat(sum).isCloseTo(alive ? 1 : 0, within(1e-9));
    }

    @Property(tries = 500)
    void evergreensAreNeverOpened(@ForAll("trees") SurveyBuilder tree) {
        tree.species = Species.CITRUS;
        assertThat(tree.evaluate().limbs()).noneMatch(limb -> limb.row()
                .filter(row -> row == TableRow.INTO_CENTRE
                        || row == TableRow.UPRIGHT_SHOOT
                        || row == TableRow.UPRIGHT_UNFRUITFUL
                        || row == TableRow.SHADED_UNDERNEATH
                        || row == TableRow.CROWDED)
                .isPresent());
    }

    @Property(tries = 300)
    void theSouthPlansHalfAYearLater(@ForAll("trees") SurveyBuilder tree) {
        if (tree.species == Species.CITRUS) {
            return; // its frost depends on the site's own months
        }
        tree.today = LocalDate.of(2027, 2, 10);
        tree.latitude = 45;
        RenovationPlan north = tree.evaluate().plan();
        tree.today = LocalDate.of(2027, 8, 10);
        tree.latitude = -45;
        RenovationPlan south = tree.evaluate().plan();
        assertThat(south.lanes()).hasSameSizeAs(north.lanes());
        for (int i = 0; i < north.lanes().size(); i++) {
            assertThat(south.lanes().get(i).cuts().stream().map(PlannedCut::limb))
                    .containsExactlyElementsOf(north.lanes().get(i).cuts().stream()
                            .map(PlannedCut::limb)
                            .toList());
            assertThat(south.lanes().get(i).opens())
                    .isEqualTo(north.lanes().get(i).opens().plusMonths(6));
        }
    }
}
