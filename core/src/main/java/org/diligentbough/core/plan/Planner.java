package org.diligentbough.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.light.CrownLight;
import org.diligentbough.core.light.ShadeWork;
import org.diligentbough.core.plan.RenovationPlan.NotPlaced;
import org.diligentbough.core.season.CuttingCalendar;
import org.diligentbough.core.survey.TakenThisYear;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Rule;
import org.diligentbough.core.verdict.TreeFacts;
import org.diligentbough.core.verdict.TreeVerdict;
import org.diligentbough.core.verdict.Verdict;

/**
 * Spreads the cuts a tree wants over pruning years so that as much as can be is gained as early as can be. How far this
 * falls short of the best there is, is measured in the tests.
 */
public final class Planner {
    /** More are not suggested: by then the tree is another. */
    private static final int MOST_YEARS = 5;
    /** Bushes and figs are renewed for as many years as that takes, stem by stem. */
    private static final int MOST_YEARS_OF_RENEWAL = 10;

    private final TreeFacts facts;
    private final TreeVerdict tree;
    private final YearLanes years;
    private final List<LimbVerdict> limbs;
    private final List<LimbVerdict> cuts;
    private final KeptPlan kept;
    private final PlanSearch search;

    /**
     * @param taken what the running pruning year has seen already
     * @param edits what people want otherwise; a cut moved whose limb or time is past is passed over
     * @param light in the crown as it stands
     * @param worth of each cut made alone, by the limb's tag
     */
    public Planner(
            TreeFacts facts,
            List<LimbVerdict> limbs,
            TreeVerdict tree,
            CuttingCalendar calendar,
            TakenThisYear taken,
            Wishes edits,
            CrownLight light,
            Map<String, Worth> worth) {
        this.facts = facts;
        this.tree = tree;
        this.limbs = limbs;
        this.years = new YearLanes(facts, tree, calendar, taken);
        this.kept = new KeptPlan(facts, edits.kept(), limbs);
        this.cuts = limbs.stream()
                .filter(limb -> limb.cut().isPresent() && kept.mayStand(limb))
                .sorted(new CutOrder(worth))
                .toList();
        Moves moves = new Moves(pins(edits), edits.split(), facts, calendar);
        this.search = new PlanSearch(
                new PlanningCase(facts, cuts, tree, years, moves, shadeWork(light)),
                new PlanValue(facts, cuts, light, worth));
    }

    private List<ShadeWork> shadeWork(CrownLight light) {
        return Stream.of(
                        ShadeWork.felling(facts.survey(), light, facts.knowledge()),
                        ShadeWork.lowering(facts.survey(), light, facts.knowledge()))
                .flatMap(Optional::stream)
                .toList();
    }

    /** What was moved, and what was insisted on, which comes first of all. */
    private List<Pin> pins(Wishes edits) {
        List<Pin> pins = new ArrayList<>(edits.pins());
        years.firstWindow().ifPresent(window -> cuts.stream()
                .filter(limb -> edits.insisted().contains(limb.limb().id()))
                .map(limb -> new Pin(
                        limb.limb().id(),
                        inSteps(limb, edits) ? Verdict.SHORTEN : limb.verdict(),
                        years.first().year(),
                        window.season(),
                        Optional.of(window.quality())))
                .forEach(pins::add));
        return pins;
    }

    private boolean inSteps(LimbVerdict limb, Wishes edits) {
        boolean split = edits.split().contains(limb.limb().id()) || limb.crownShare() > facts.usualAllowance();
        return limb.verdict() == Verdict.REMOVE && split;
    }

    /** The plan over as many years as were asked for, else over as many as the work wants, five at most. */
    public RenovationPlan plan(OptionalInt asked) {
        return kept.only(ofAsManyYears(asked)).withLeft(leftTooHigh());
    }

    /** Limbs that stand too high after the plan since they have nothing to be cut to: each says what to look for. */
    private List<NotPlaced> leftTooHigh() {
        return limbs.stream()
                .filter(limb -> limb.cut().isEmpty()
                        && limb.rule().filter(Rule.TOO_HIGH::equals).isPresent())
                .map(limb -> new NotPlaced(limb.tag(), limb.reasons()))
                .toList();
    }

    private RenovationPlan ofAsManyYears(OptionalInt asked) {
        if (asked.isPresent()) {
            return search.plan(asked.getAsInt());
        }
        int years = tree.yearsNeeded();
        Reason why = tree.yearsWhy();
        int most = facts.traits().hasAllowance() ? MOST_YEARS : MOST_YEARS_OF_RENEWAL;
        while (years < most && !search.placesAll(years)) {
            years++;
            why = facts.reason(ReasonCode.YEARS_TO_PLACE_ALL, years);
        }
        RenovationPlan plan = search.plan(years);
        int withWork = plan.yearsWithWork();
        return withWork < years
                ? plan.over(Math.max(1, withWork)).because(facts.reason(ReasonCode.YEARS_WITH_WORK, withWork))
                : plan.because(why);
    }

    /** What a plan is worth over so many years. */
    double value(RenovationPlan plan, int wanted) {
        return search.value(plan, wanted);
    }

    /** What sets of cuts are worth. */
    PlanValue value() {
        return search.value();
    }
}
