package org.diligentbough.core.outlook;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.outlook.Outlook.Year;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Rule;

/** What a plan buys and what it costs beside leaving the tree alone, in sentences. */
public final class PlanBuys {
    /** Shares that differ by less are alike. */
    private static final double ALIKE = 0.01;

    /** Fruit that falls by less is about as before. */
    private static final double LESS = 0.95;

    private static final double ALIKE_M = 0.3;
    private static final double DIP = 0.9;
    private static final int DIPS_WITHIN_YEARS = 3;
    /** What is told as a risk of splitting that fell. */
    private static final double RISK_FALLS = 0.005;

    private final Outlook outlook;
    private final Planned tree;
    private final List<Reason> said = new ArrayList<>();

    private PlanBuys(Outlook outlook, Planned tree) {
        this.outlook = outlook;
        this.tree = tree;
    }

    /** The sentences, what is looked at first first; one at least. */
    public static List<Reason> of(Outlook outlook, Planned tree) {
        return new PlanBuys(outlook, tree).all();
    }

    private List<Reason> all() {
        Year now = outlook.plan().get(0);
        Year plan = outlook.plan().get(outlook.plan().size() - 1);
        Year alone = outlook.leftAlone().get(outlook.leftAlone().size() - 1);
        double wasFirst = now.fruit().first();
        double planFirst = plan.fruit().first();
        double aloneFirst = alone.fruit().first();
        boolean wanted = now.fruit().goodInReach().isPresent();
        if (tree.plan().lanes().stream().allMatch(lane -> lane.cuts().isEmpty())) {
            say(ReasonCode.OUTLOOK_KEPT, wasFirst, planFirst, aloneFirst);
            wantsABranch(now, plan);
            return said;
        }
        if (planFirst > aloneFirst + ALIKE || planFirst > wasFirst + ALIKE) {
            say(wanted ? ReasonCode.OUTLOOK_BEARS_IN_REACH : ReasonCode.OUTLOOK_BEARS, wasFirst, planFirst, aloneFirst);
        }
        boolean costs = planFirst < LESS * wasFirst || planFirst < LESS * aloneFirst;
        if (costs) {
            say(ReasonCode.OUTLOOK_COSTS_FRUIT, wasFirst, planFirst);
        }
        dip(now);
        int before = said.size();
        if (plan.heightM() < alone.heightM() - ALIKE_M) {
            say(ReasonCode.OUTLOOK_BUYS_HEIGHT, plan.heightM(), alone.heightM());
        }
        wantsABranch(now, plan);
        if (lit(plan) > lit(alone) + ALIKE) {
            say(ReasonCode.OUTLOOK_BUYS_LIGHT, lit(plan), lit(alone));
        }
        if (plan.splitRisk() < alone.splitRisk() - RISK_FALLS) {
            say(ReasonCode.OUTLOOK_BUYS_SAFETY, plan.splitRisk(), alone.splitRisk());
        }
        if (costs && said.size() == before) {
            say(ReasonCode.OUTLOOK_BUYS_SHAPE);
        }
        tree.upkeep().ifPresent(upkeep -> say(ReasonCode.OUTLOOK_YEARLY, upkeep.minutes()));
        return said;
    }

    /** The years ahead bring limbs down to which no cut could be given: that hangs on what nobody entered. */
    private void wantsABranch(Year now, Year then) {
        List<String> uncut = tree.limbs().stream()
                .filter(limb -> limb.cut().isEmpty()
                        && limb.rule().filter(Rule.TOO_HIGH::equals).isPresent())
                .map(LimbVerdict::tag)
                .toList();
        if (!uncut.isEmpty() && then.heightM() < now.heightM() - ALIKE_M) {
            say(ReasonCode.OUTLOOK_WANTS_A_BRANCH, String.join(", ", uncut), then.heightM());
        }
    }

    /** The year in which all fruit is least, if it falls by much while the work goes on. */
    private void dip(Year now) {
        Year least = now;
        for (Year year : outlook.plan().subList(1, DIPS_WITHIN_YEARS + 1)) {
            least = year.fruit().all() < least.fruit().all() ? year : least;
        }
        if (now.fruit().all() > 0 && least.fruit().all() < DIP * now.fruit().all()) {
            say(
                    ReasonCode.OUTLOOK_DIPS,
                    least.fruit().all() / now.fruit().all(),
                    outlook.plan().indexOf(least),
                    outlook.plan().get(outlook.plan().size() - 1).fruit().all()
                            / now.fruit().all());
        }
    }

    private static double lit(Year year) {
        OptionalDouble inLight = year.inLight();
        return inLight.orElse(year.light());
    }

    private void say(ReasonCode code, Object... arguments) {
        said.add(tree.facts().reason(code, arguments));
    }
}
