package org.diligentbough.core.outlook;

import java.util.List;
import java.util.Set;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import org.diligentbough.core.orchard.Rootstocks;
import org.diligentbough.core.outlook.Crown.Lit;
import org.diligentbough.core.outlook.GrowingTree.Lived;
import org.diligentbough.core.plan.RenovationPlan;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.survey.LivingCrown;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Verdict;

/** The three ways a tree can be treated, each lived through year by year. */
final class Treatments {
    private static final Set<Season> IN_LEAF = Set.of(Season.EARLY_SUMMER, Season.SUMMER, Season.AFTER_PICKING);

    private final Planned tree;
    private final Rootstocks rootstocks;
    /** Limbs whose cut is their kind's yearly work. */
    private final Set<String> yearly;

    Treatments(Planned tree, Rootstocks rootstocks) {
        this.tree = tree;
        this.rootstocks = rootstocks;
        this.yearly = tree.limbs().stream()
                .filter(limb -> limb.ownWork(tree.facts().traits()))
                .map(LimbVerdict::tag)
                .collect(Collectors.toSet());
    }

    /**
     * What is done in a year.
     *
     * @param share of the living crown standing as the year begins that the cuts take, 0 to 1
     * @param detailShoots counted shoots taken as the plan has it
     * @param detailShare of the crown that goes with them
     * @param later limbs that are cut in a later year
     * @param upkeep whether what was cut is kept up
     * @param upkeepMinutes what keeping up takes beyond the plan's own work
     */
    record Work(
            List<Done> cuts,
            double share,
            int detailShoots,
            double detailShare,
            Set<String> later,
            boolean upkeep,
            double upkeepMinutes) {
        static final Work NONE = new Work(List.of(), 0, 0, 0, Set.of(), false, 0);
    }

    /** One way to treat the tree. */
    record Way(IntFunction<Work> work, int firstYear) {
        Work in(int year) {
            return work.apply(year);
        }

        int called(int year) {
            return firstYear + year;
        }
    }

    /**
     * One cut.
     *
     * @param inLeaf when it is made in summer
     * @param yearly when it is the kind's own work on young wood, which grows again within the year
     */
    record Done(String limb, Verdict kind, double alongM, double minutes, boolean inLeaf, boolean yearly) {}

    private Done done(PlannedCut cut, Season season) {
        return new Done(
                cut.limb(),
                cut.kind(),
                cut.cut().place().alongM(),
                cut.cut().minutes(),
                IN_LEAF.contains(season),
                yearly.contains(cut.limb()));
    }

    /** All three lived through. */
    record Three(Lived leftAlone, Lived plan, Lived allAtOnce) {
        Outlook told() {
            return new Outlook(leftAlone.years(), plan.years(), allAtOnce.years());
        }
    }

    Three live() {
        // By the plan nothing grows towards what the tree would be uncut; its first year serves the others.
        Lived plan = live(this::planned, 1, List.of(), List.of());
        List<Lit> first = plan.light().subList(0, 1);
        Lived leftAlone = live(year -> Work.NONE, 1, first, List.of());
        return new Three(leftAlone, plan, live(year -> year == 0 ? allNow() : Work.NONE, 1, first, leftAlone.topsM()));
    }

    /**
     * The same with growth, dying and regrowth differing by a factor, in the light that was found without: light errs less
     * by that than growth does.
     */
    Outlook again(Three middle, double times) {
        Lived leftAlone = live(year -> Work.NONE, times, middle.leftAlone().light(), List.of());
        return new Three(
                        leftAlone,
                        live(this::planned, times, middle.plan().light(), List.of()),
                        live(
                                year -> year == 0 ? allNow() : Work.NONE,
                                times,
                                middle.allAtOnce().light(),
                                leftAlone.topsM()))
                .told();
    }

    private Lived live(IntFunction<Work> work, double times, List<Lit> known, List<Double> uncutTopsM) {
        return new GrowingTree(tree, rootstocks, times)
                .live(new Way(work, tree.now().year()), known, uncutTopsM);
    }

    private Work planned(int year) {
        int called = tree.now().plus(year).year();
        List<Lane> lanes = tree.plan().lanes().stream()
                .filter(lane -> lane.year().year() == called)
                .toList();
        Set<String> later = tree.plan().lanes().stream()
                .filter(lane -> lane.year().year() > called)
                .flatMap(lane -> lane.cuts().stream())
                .map(PlannedCut::limb)
                .collect(Collectors.toSet());
        double tasks = lanes.stream()
                .mapToDouble(lane -> lane.minutes()
                        - lane.cuts().stream()
                                .mapToInt(cut -> cut.cut().minutes())
                                .sum()
                        - lane.detail().map(RenovationPlan.Detail::minutes).orElse(0))
                .sum();
        double keeping = tree.upkeep()
                .filter(upkeep -> called >= upkeep.fromYear())
                .map(upkeep -> (double) upkeep.minutes())
                .orElse(0.0);
        return new Work(
                lanes.stream()
                        .flatMap(lane -> lane.cuts().stream().map(cut -> done(cut, lane.season())))
                        .toList(),
                lanes.stream()
                        .flatMap(lane -> lane.cuts().stream())
                        .filter(cut -> !yearly.contains(cut.limb()))
                        .mapToDouble(PlannedCut::share)
                        .sum(),
                lanes.stream()
                        .flatMap(lane -> lane.detail().stream())
                        .mapToInt(RenovationPlan.Detail::shoots)
                        .sum(),
                lanes.stream()
                        .flatMap(lane -> lane.detail().stream())
                        .mapToDouble(RenovationPlan.Detail::share)
                        .sum(),
                later,
                true,
                Math.max(0, tasks) + keeping);
    }

    /** Every cut that is wanted, whole, in the first year: planned or without a place in the plan. */
    private Work allNow() {
        List<Done> cuts = tree.limbs().stream()
                .filter(limb -> limb.cut().isPresent())
                .map(limb -> new Done(
                        limb.limb().id(),
                        limb.verdict(),
                        limb.cut().orElseThrow().place().alongM(),
                        limb.cut().orElseThrow().minutes(),
                        false,
                        yearly.contains(limb.tag())))
                .toList();
        LivingCrown crown =
                new LivingCrown(tree.facts().branching(), tree.facts().shares());
        for (Done cut : cuts) {
            if (!cut.yearly()) {
                cut.kind().takenFrom(crown, tree.facts().branching().get(cut.limb()), cut.alongM());
            }
        }
        return new Work(cuts, 1 - crown.left(), Integer.MAX_VALUE, 0, Set.of(), false, 0);
    }
}
