package org.diligentbough.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.season.CuttingCalendar;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.season.Window;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.survey.TakenThisYear;
import org.diligentbough.core.verdict.CutKind;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Rule;
import org.diligentbough.core.verdict.Verdict;
import org.threeten.extra.LocalDateRange;

/** What must hold of every plan, however it came about. A cut moved by hand may break a rule, and then says which. */
public final class PlanRules {
    private static final double REST_RAMP = 0.02;
    private static final double TWENTIETH = 0.05;
    private static final double QUARTER = 0.25;
    private static final double LAST_ARM = 0.02;
    private static final double LARGE = 0.15;

    private PlanRules() {}

    public static void hold(Evaluation evaluation) {
        hold(evaluation, TakenThisYear.NOTHING);
    }

    /** For a tree of which something was taken this year already. */
    public static void hold(Evaluation evaluation, TakenThisYear taken) {
        noYearTakesMoreThanItsAllowance(evaluation, taken);
        everyCutStandsOnce(evaluation);
        noLimbIsCutAfterWhatItGrowsFrom(evaluation);
        onlyDeadGraftOrUrgentWoodOutsideTheWindows(evaluation);
    }

    static Map<String, LimbVerdict> verdicts(Evaluation evaluation) {
        return evaluation.limbs().stream()
                .collect(Collectors.toMap(limb -> limb.limb().id(), limb -> limb));
    }

    /** Dead, diseased, broken or dangerous: a stem of a fork is. */
    static boolean mayExceed(LimbVerdict limb, Evaluation evaluation) {
        return limb.must() || stem(limb) || limb.ownWork(evaluation.facts().traits());
    }

    private static boolean stem(LimbVerdict limb) {
        return limb.rule().filter(Rule.SPLIT_UNION::equals).isPresent()
                && limb.limb().parent().isEmpty();
    }

    private static boolean says(PlannedCut cut, ReasonCode... codes) {
        return cut.breaks().stream().anyMatch(reason -> List.of(codes).contains(reason.code()));
    }

    private static void noYearTakesMoreThanItsAllowance(Evaluation evaluation, TakenThisYear taken) {
        Map<String, LimbVerdict> verdicts = verdicts(evaluation);
        Survey survey = evaluation.facts().survey();
        int now = PruningYear.of(survey.today(), survey.site().southern()).year();
        Map<Integer, Double> ordinary = new HashMap<>();
        Map<Integer, Double> all = new HashMap<>();
        Map<Integer, Integer> bigCuts = new HashMap<>();
        Map<Integer, Double> stems = new HashMap<>();
        Map<Integer, Double> detail = new HashMap<>();
        Map<Integer, Double> anyDay = new HashMap<>();
        Set<Integer> says = new HashSet<>();
        Set<Integer> saysArms = new HashSet<>();
        Set<Integer> byHand = new HashSet<>();
        for (Lane lane : evaluation.plan().lanes()) {
            int year = lane.year().year();
            lane.overrun().ifPresent(why -> says.add(year));
            if (lane.overrun()
                    .filter(why -> why.code() == ReasonCode.OVERRUN_LAST_ARM)
                    .isPresent()) {
                saysArms.add(year);
            }
            for (PlannedCut cut : lane.cuts()) {
                // The kind's yearly work on young wood is detail that no allowance holds back, and is not paid back.
                if (!verdicts.get(cut.limb()).ownWork(evaluation.facts().traits())) {
                    all.merge(year, cut.share(), Double::sum);
                }
                if (cut.byHand()) {
                    byHand.add(year);
                }
                // A stem that is only shortened on its way out leaves the rest of the allowance to others.
                boolean stemGoes = cut.kind() == Verdict.REMOVE && stem(verdicts.get(cut.limb()));
                if (stemGoes && !says(cut, ReasonCode.BREAKS_BESIDE_A_WHOLE_LIMB)) {
                    stems.merge(year, cut.share(), Double::sum);
                }
                boolean said = says(
                        cut,
                        ReasonCode.BREAKS_ALLOWANCE,
                        ReasonCode.BREAKS_REST,
                        ReasonCode.BREAKS_BESIDE_A_WHOLE_LIMB);
                if (lane.season() == Season.ANY) {
                    anyDay.merge(year, cut.share(), Double::sum);
                }
                if (!mayExceed(verdicts.get(cut.limb()), evaluation) && !said) {
                    ordinary.merge(year, cut.share(), Double::sum);
                }
                if (!mayExceed(verdicts.get(cut.limb()), evaluation) && !says(cut, ReasonCode.BREAKS_BIG_CUTS)) {
                    bigCuts.merge(year, cut.cut().big() ? 1 : 0, Integer::sum);
                }
            }
            lane.detail().ifPresent(shoots -> {
                ordinary.merge(year, shoots.share(), Double::sum);
                detail.merge(year, shoots.share(), Double::sum);
            });
        }
        double full = evaluation.tree().fullAllowance().year().orElse(Double.MAX_VALUE);
        boolean before = survey.tree().yearsSinceCut().orElse(0) >= 1;
        double removed = survey.tree().removedLast12Months();
        double owed = Math.max(taken.overdoneBefore(), before ? removed - full : 0);
        double rested = 0;
        if (!evaluation.facts().traits().hasAllowance()) {
            return;
        }
        int last = ordinary.keySet().stream().mapToInt(year -> year).max().orElse(now);
        for (int year = now; year <= last; year++) {
            double charged = year == now ? taken.share() + (before ? 0 : removed) : 0;
            double rest = Math.min(1, Math.max(0, owed) / REST_RAMP);
            double afterRest = full - rested * Math.max(0, full - QUARTER);
            double most = Math.max(0, afterRest - rest * Math.max(0, afterRest - Math.min(full, TWENTIETH)) - charged)
                    + (saysArms.contains(year) ? LAST_ARM : 0);
            if (rest >= 1) {
                most = Math.min(full, TWENTIETH);
            } else if (stems.getOrDefault(year, 0.0) >= LARGE && !byHand.contains(year)) {
                most = Math.min(most, TWENTIETH);
            }
            assertThat(ordinary.getOrDefault(year, 0.0))
                    .as("share of " + year)
                    .isLessThanOrEqualTo(most + (stems.containsKey(year) ? anyDay.getOrDefault(year, 0.0) : 0) + 1e-6);
            double arms = saysArms.contains(year) ? LAST_ARM : 0;
            owed = charged + all.getOrDefault(year, 0.0) + detail.getOrDefault(year, 0.0) - full - arms;
            rested = rest;
        }
        all.forEach((year, share) -> {
            if (share > full + 1e-6) {
                assertThat(says).contains(year);
            }
        });
        if (evaluation.facts().traits().hasAllowance()) {
            int most = survey.site().policy().bigCuts();
            bigCuts.forEach((year, count) -> {
                int made = year == now ? taken.bigCuts().size() : 0;
                assertThat(count).as("big cuts of " + year).isLessThanOrEqualTo(Math.max(0, most - made));
            });
        }
    }

    private static void everyCutStandsOnce(Evaluation evaluation) {
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
                .filter(limb -> limb.cut().isPresent()
                        || limb.rule().filter(Rule.TOO_HIGH::equals).isPresent())
                .map(limb -> limb.limb().id())
                .collect(Collectors.toSet());
        assertThat(placed.keySet()).isEqualTo(wanted);
        placed.values().forEach(turns -> {
            if (turns.size() > 1) {
                assertThat(turns).as("shortened, then removed").containsExactly(Verdict.SHORTEN, Verdict.REMOVE);
            }
        });
    }

    private static void noLimbIsCutAfterWhatItGrowsFrom(Evaluation evaluation) {
        Map<String, Integer> removedIn = new HashMap<>();
        int turn = 0;
        for (Lane lane : evaluation.plan().lanes()) {
            turn++;
            for (PlannedCut cut : lane.cuts()) {
                Limb limb = evaluation.facts().branching().get(cut.limb());
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

    private static void onlyDeadGraftOrUrgentWoodOutsideTheWindows(Evaluation evaluation) {
        CuttingCalendar calendar =
                SurveyBuilder.RULES.calendar(evaluation.facts().survey());
        Map<String, LimbVerdict> verdicts = verdicts(evaluation);
        for (Lane lane : evaluation.plan().lanes()) {
            assertThat(lane.opens()).isBeforeOrEqualTo(lane.closes());
            assertThat(lane.closes())
                    .isAfterOrEqualTo(evaluation.facts().survey().today());
            if (lane.season() == Season.ANY) {
                assertThat(lane.cuts())
                        .allMatch(cut -> verdicts.get(cut.limb()).anySeason()
                                || cut.kind() == Verdict.BEND
                                || says(cut, ReasonCode.BREAKS_WINDOW)
                                || !evaluation
                                        .facts()
                                        .branching()
                                        .living(evaluation.facts().branching().get(cut.limb())));
            } else {
                // The tips of growing shoots have a time of their own, in which nothing else is cut.
                assertThat(lane.cuts())
                        .allMatch(cut -> cut.byHand()
                                || (cut.cut().kind() == CutKind.TOPPING) == (lane.season() == Season.EARLY_SUMMER)
                                || cut.cut().kind() != CutKind.TOPPING
                                        && calendar
                                                .windowsIn(LocalDateRange.ofClosed(lane.opens(), lane.closes()))
                                                .stream()
                                                .anyMatch(window -> window.work() == Window.Work.STRUCTURE));
                assertThat(calendar.windowsIn(LocalDateRange.ofClosed(lane.opens(), lane.closes())))
                        .anyMatch(window -> window.quality() != Window.Quality.KEEP_OFF
                                && window.days().encloses(LocalDateRange.ofClosed(lane.opens(), lane.closes())));
            }
        }
    }
}
