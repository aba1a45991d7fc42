package org.diligentbough.core.plan;

import static org.diligentbough.core.knowledge.Figure.BUSH_MINUTES_MAIN;
import static org.diligentbough.core.knowledge.Figure.FIG_MINUTES_STEM;
import static org.diligentbough.core.knowledge.Figure.HEDGE_MINUTES_M;
import static org.diligentbough.core.knowledge.Figure.MINUTES_SHOOT;
import static org.diligentbough.core.knowledge.Figure.NEIGHBOUR_MINUTES_M;
import static org.diligentbough.core.knowledge.Figure.TIES_MINUTES;
import static org.diligentbough.core.knowledge.Figure.WALL_HOLDS_M;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.light.ShadeWork;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.orchard.SpeciesTraits;
import org.diligentbough.core.season.Window;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.verdict.Compass;
import org.diligentbough.core.verdict.CutKind;
import org.diligentbough.core.verdict.KindWood;
import org.diligentbough.core.verdict.TreeFacts;
import org.diligentbough.core.verdict.Triage;
import org.diligentbough.core.verdict.Vigour;

/**
 * The yearly work of a kind that is no single limb's (common practice): a fig's shoots and figs, a bush's side shoots, the
 * shoots of a peach, plum or persimmon that were only counted, the ties of a trained tree.
 */
final class KindTasks {
    private final PlanningCase plan;
    private final TreeFacts facts;

    KindTasks(PlanningCase plan) {
        this.plan = plan;
        this.facts = plan.facts;
    }

    /**
     * Puts the work of a year into its lanes; what has a time of its own gets a lane for it.
     *
     * @param byRule the lanes of the year that the rules fill
     * @param running whether it is the year that runs, in which some of it may be done already
     * @return lanes that were opened for it
     */
    List<LaneDraft> place(YearBudget budget, List<LaneDraft> byRule, boolean running) {
        if (plan.tree.triage() == Triage.TAKE_OUT) {
            return List.of();
        }
        boolean worked = byRule.stream().anyMatch(lane -> !lane.empty());
        if (!worked && !budget.year().equals(plan.years.first())) {
            // Years without any other work are told as the yearly upkeep.
            return List.of();
        }
        byRule.stream()
                .filter(LaneDraft::main)
                .findFirst()
                .ifPresent(lane -> lane.tasks.addAll(undone(inMainWindow(lane), running)));
        List<RenovationPlan.Task> early = undone(inEarlySummer(byRule, budget), running);
        Optional<LaneDraft> open = byRule.stream().filter(lane -> lane.topping).findFirst();
        if (early.isEmpty() || open.isPresent()) {
            open.ifPresent(lane -> lane.tasks.addAll(early));
            return List.of();
        }
        List<LaneDraft> opened = plan
                .years
                .window(budget.year(), Window.Work.TOPPING)
                .map(window -> new LaneDraft(budget, window, false))
                .stream()
                .toList();
        opened.forEach(lane -> lane.tasks.addAll(early));
        return opened;
    }

    /** What the year that runs has not seen done already. */
    private List<RenovationPlan.Task> undone(List<RenovationPlan.Task> tasks, boolean running) {
        return tasks.stream()
                .filter(task -> !(running && plan.years.taskDone(task.what().code())))
                .toList();
    }

    private List<RenovationPlan.Task> inMainWindow(LaneDraft lane) {
        List<RenovationPlan.Task> tasks = new ArrayList<>();
        if (held()) {
            add(tasks, facts.figure(TIES_MINUTES), ReasonCode.TASK_TIES_FIRST);
        }
        if (lane.budget.year().equals(plan.years.first())) {
            plan.shadeWork.forEach(work -> shade(tasks, work));
        }
        if (lane.budget.resting()) {
            return tasks;
        }
        int young = facts.tree().noted().youngShoots().orElse(0);
        if (KindWood.peach(facts)) {
            peach(tasks, young);
        } else if (young > 0 && KindWood.byBuds(facts)) {
            add(tasks, young * facts.figure(MINUTES_SHOOT), ReasonCode.TASK_LATERALS, young);
        } else if (young > 0 && facts.tree().species() == Species.PLUM) {
            add(tasks, young * facts.figure(MINUTES_SHOOT), ReasonCode.TASK_PLUM_SHOOTS, young);
        }
        if (facts.traits().group() == SpeciesTraits.Group.BRANCH_BUSH) {
            long stay = lane.cuts.stream()
                    .map(cut -> plan.verdicts.get(cut.limb()))
                    .filter(limb ->
                            limb.ownWork(facts.traits()) && limb.limb().parent().isEmpty())
                    .count();
            if (stay > 0) {
                add(tasks, stay * facts.figure(BUSH_MINUTES_MAIN), ReasonCode.TASK_BUSH_SIDE_SHOOTS, stay);
            }
        }
        return tasks;
    }

    private void shade(List<RenovationPlan.Task> tasks, ShadeWork work) {
        Survey.Surrounding thing = work.thing();
        Compass side = Compass.of(thing.bearingDeg());
        if (work.toM() > 0) {
            add(
                    tasks,
                    thing.extentM() * facts.figure(HEDGE_MINUTES_M),
                    ReasonCode.TASK_LOWER_HEDGE,
                    side,
                    thing.heightM(),
                    work.toM(),
                    work.gain());
        } else {
            add(
                    tasks,
                    thing.heightM() * facts.figure(NEIGHBOUR_MINUTES_M),
                    ReasonCode.TASK_FELL_NEIGHBOUR,
                    side,
                    thing.distanceM(),
                    work.gain());
        }
    }

    /** Trained trees, and a pomegranate on a wall, hang in their ties: those are mended before the first cut. */
    private boolean held() {
        boolean wall = facts.survey().surroundings().stream()
                .anyMatch(other -> other.kind() == Survey.Surrounding.Kind.WALL
                        && other.distanceM() <= facts.figure(WALL_HOLDS_M));
        return KindWood.byBuds(facts) || facts.tree().species() == Species.POMEGRANATE && wall;
    }

    private void peach(List<RenovationPlan.Task> tasks, int counted) {
        int entered = (int) facts.survey().limbs().stream()
                .filter(limb -> limb.youngerThanOrOf(1))
                .count();
        int all = Math.max(counted, entered);
        int keep = Math.min(all, KindWood.peachShootsWanted(facts));
        if (all > 0) {
            add(
                    tasks,
                    Math.max(0, all - entered) * facts.figure(MINUTES_SHOOT),
                    ReasonCode.TASK_PEACH_KEEP,
                    keep,
                    all,
                    all - keep);
        }
    }

    private List<RenovationPlan.Task> inEarlySummer(List<LaneDraft> byRule, YearBudget budget) {
        List<RenovationPlan.Task> tasks = new ArrayList<>();
        int young = facts.tree().noted().youngShoots().orElse(0);
        if (young > 0 && facts.tree().species() == Species.PERSIMMON && !budget.resting()) {
            add(tasks, young * facts.figure(MINUTES_SHOOT), ReasonCode.TASK_PERSIMMON_SHOOTS, young);
        }
        if (facts.traits().group() == SpeciesTraits.Group.FIG) {
            fig(tasks, byRule, budget);
        }
        return tasks;
    }

    private void fig(List<RenovationPlan.Task> tasks, List<LaneDraft> byRule, YearBudget budget) {
        List<Limb> stems = facts.branching().onTrunk().stream()
                .filter(facts.branching()::living)
                .toList();
        double eachMinutes = facts.figure(FIG_MINUTES_STEM);
        long renewed = byRule.stream()
                .flatMap(lane -> lane.cuts.stream())
                .filter(cut -> cut.cut().kind() == CutKind.RENEWAL)
                .count();
        if (facts.figGrowsOn() && budget.year().equals(plan.years.first())) {
            add(tasks, stems.size() * eachMinutes, ReasonCode.TASK_FIGS_OFF);
            return;
        }
        if (renewed > 0) {
            add(tasks, renewed * eachMinutes, ReasonCode.TASK_FIG_CHOOSE, renewed);
        }
        boolean strong = plan.tree
                .vigour()
                .filter(vigour -> vigour == Vigour.STRONG || vigour == Vigour.RANK)
                .isPresent();
        Optional<LocalDate> lastStart = plan.years.lastFigStart(budget.year());
        if (strong && lastStart.isPresent()) {
            add(tasks, stems.size() * eachMinutes, ReasonCode.TASK_FIG_PINCH, lastStart.get());
        }
    }

    private void add(List<RenovationPlan.Task> tasks, double minutes, ReasonCode what, Object... arguments) {
        Reason reason = facts.reason(what, arguments);
        tasks.add(new RenovationPlan.Task(reason, (int) Math.ceil(minutes)));
    }
}
