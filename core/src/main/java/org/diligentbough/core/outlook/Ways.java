package org.diligentbough.core.outlook;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.IntFunction;
import org.diligentbough.core.orchard.Rootstocks;
import org.diligentbough.core.plan.RenovationPlan;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.survey.LivingCrown;
import org.diligentbough.core.verdict.Verdict;

/** The three ways a tree can be treated, each lived through year by year. */
final class Ways {
    private static final Set<Season> IN_LEAF = Set.of(Season.EARLY_SUMMER, Season.SUMMER, Season.AFTER_PICKING);

    private final Planned tree;
    private final Rootstocks rootstocks;
    private final double times;

    /** @param times by how much growth, dying and regrowth differ from what the data file says */
    Ways(Planned tree, Rootstocks rootstocks, double times) {
        this.tree = tree;
        this.rootstocks = rootstocks;
        this.times = times;
    }

    /**
     * What is done in a year.
     *
     * @param share of the living crown standing as the year begins that the cuts take, 0 to 1
     * @param detailShoots counted shoots taken as the plan has it
     * @param upkeep whether regrown shoots are taken too, as far as the detail budget goes, and what dies, and shortened limbs
     *     are held where they were cut
     */
    record Work(List<Done> cuts, double share, int detailShoots, boolean upkeep) {
        static final Work NONE = new Work(List.of(), 0, 0, false);
    }

    /** One cut; {@code inLeaf} when it is made in summer. */
    record Done(String limb, Verdict kind, double alongM, double minutes, boolean inLeaf) {
        static Done of(PlannedCut cut, Season season) {
            return new Done(
                    cut.limb(),
                    cut.kind(),
                    cut.cut().place().alongM(),
                    cut.cut().minutes(),
                    IN_LEAF.contains(season));
        }
    }

    Outlook all() {
        return new Outlook(
                lived(year -> Work.NONE), lived(this::planned), lived(year -> year == 0 ? allNow() : Work.NONE));
    }

    private List<Outlook.Year> lived(IntFunction<Work> work) {
        GrowingTree growing = new GrowingTree(tree, rootstocks, times);
        List<Outlook.Year> years = new ArrayList<>();
        for (int year = 0; year < Outlook.YEARS; year++) {
            years.add(growing.year(tree.now().plus(year).year(), work.apply(year)));
        }
        return years;
    }

    private Work planned(int year) {
        List<Lane> lanes = tree.plan().lanes().stream()
                .filter(lane -> lane.year().year() == tree.now().plus(year).year())
                .toList();
        return new Work(
                lanes.stream()
                        .flatMap(lane -> lane.cuts().stream().map(cut -> Done.of(cut, lane.season())))
                        .toList(),
                lanes.stream().mapToDouble(Lane::share).sum(),
                lanes.stream()
                        .flatMap(lane -> lane.detail().stream())
                        .mapToInt(RenovationPlan.Detail::shoots)
                        .sum(),
                true);
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
                        false))
                .toList();
        LivingCrown crown =
                new LivingCrown(tree.scene().branching(), tree.scene().shares());
        for (Done cut : cuts) {
            if (cut.kind() == Verdict.REMOVE) {
                crown.remove(tree.scene().branching().get(cut.limb()));
            } else if (cut.kind() == Verdict.SHORTEN) {
                crown.shorten(tree.scene().branching().get(cut.limb()), cut.alongM());
            }
        }
        return new Work(cuts, 1 - crown.left(), Integer.MAX_VALUE, false);
    }
}
