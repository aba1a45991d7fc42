package org.diligentbough.core.plan;

import static org.diligentbough.core.knowledge.Figure.BIG_CUT_CM;
import static org.diligentbough.core.knowledge.Figure.PLAN_HORNS_COST;
import static org.diligentbough.core.knowledge.Figure.PLAN_LEFT_OUT_COST;
import static org.diligentbough.core.knowledge.Figure.PLAN_LITTLE_LEFT_COST;
import static org.diligentbough.core.knowledge.Figure.PLAN_LITTLE_LEFT_SHARE;
import static org.diligentbough.core.knowledge.Figure.PLAN_LOW_SHARE;
import static org.diligentbough.core.knowledge.Figure.PLAN_LOW_TIMES;
import static org.diligentbough.core.knowledge.Figure.PLAN_ONE_SIDE_COST;
import static org.diligentbough.core.knowledge.Figure.PLAN_RISK_TIMES;
import static org.diligentbough.core.knowledge.Figure.PLAN_SHORTENING_TIMES;
import static org.diligentbough.core.knowledge.Figure.PLAN_STEP_COST;
import static org.diligentbough.core.knowledge.Figure.SAME_SIDE_DEG;
import static org.diligentbough.core.knowledge.Figure.WORTH_LIGHT_WHOLE;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.ToDoubleFunction;
import org.diligentbough.core.light.CrownLight;
import org.diligentbough.core.light.LightGain;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.survey.LivingCrown;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Rule;
import org.diligentbough.core.verdict.TreeFacts;
import org.diligentbough.core.verdict.Verdict;

/**
 * What a plan is worth as a whole, so that plans can be compared (own assumptions). Each pruning year is worth what has
 * been gained by its end: danger and sickness gone, light let in, by all that is gone together, on what
 * will stay; form; so what is done
 * earlier counts longer. Big cuts of one year that stand on one side, or all at the top or all low down, cost something.
 */
final class PlanValue {
    private final TreeFacts facts;
    private final LightGain gain;
    /** Limbs that have a worth, and what each is worth of itself. */
    private final Map<String, Integer> places = new HashMap<>();

    private final double[] ofItself;
    private final Map<LivingCrown, Double> lightOf = new HashMap<>();
    private final double lowM;

    private final int wanted;
    private final Set<String> toGo = new HashSet<>();
    /** Limbs in the way beneath, which are to go in the first year. */
    private final Set<String> low = new HashSet<>();
    /** Limbs that come down for the tree's height. */
    private final Set<String> arms = new HashSet<>();

    /** A cut made. */
    record Made(String limb, Verdict kind, double alongM) {
        static Made of(PlannedCut cut) {
            return new Made(cut.limb(), cut.kind(), cut.cut().place().alongM());
        }

        static Made of(LimbVerdict limb) {
            return new Made(
                    limb.limb().id(),
                    limb.verdict(),
                    limb.cut().orElseThrow().place().alongM());
        }
    }

    /**
     * @param cuts what wants to be cut or bent
     * @param worth of each cut made alone, by the limb's tag
     */
    PlanValue(TreeFacts facts, List<LimbVerdict> cuts, CrownLight light, Map<String, Worth> worth) {
        this.facts = facts;
        this.lowM = facts.tree().heightM() * facts.figure(PLAN_LOW_SHARE);
        this.wanted = (int)
                cuts.stream().filter(limb -> limb.verdict() != Verdict.BEND).count();
        Set<Made> all = new HashSet<>();
        for (LimbVerdict limb : cuts) {
            all.add(Made.of(limb));
            if (limb.verdict() == Verdict.REMOVE) {
                toGo.add(limb.tag());
            }
            Rule rule = limb.rule().orElse(Rule.NOTHING_CLEAR);
            if (rule == Rule.LOW) {
                low.add(limb.tag());
            }
            if (rule == Rule.TOO_HIGH && limb.verdict() == Verdict.SHORTEN) {
                arms.add(limb.tag());
            }
        }
        this.ofItself = new double[worth.size()];
        for (Map.Entry<String, Worth> limb : worth.entrySet()) {
            ofItself[places.size()] = ofItself(limb.getKey(), limb.getValue());
            places.put(limb.getKey(), places.size());
        }
        this.gain = light.gainOn(new Done(all).crown);
    }

    /** How far each limb's work is done, and the crown that is left of it. */
    private final class Done {
        final double[] part;
        final LivingCrown crown;

        Done(Collection<Made> made) {
            this.part = new double[ofItself.length];
            this.crown = new LivingCrown(facts.branching(), facts.shares());
            made.forEach(this::add);
        }

        private Done(Done other) {
            this.part = other.part.clone();
            this.crown = other.crown.copy();
        }

        Done with(Made cut) {
            Done more = new Done(this);
            more.add(cut);
            return more;
        }

        void add(Made cut) {
            int place = places.get(cut.limb());
            part[place] = Math.max(part[place], partDone(cut));
            cut.kind().takenFrom(crown, facts.branching().get(cut.limb()), cut.alongM());
        }

        double gained() {
            return gained(lightLetIn(crown));
        }

        double gained(double lightLetIn) {
            double sum = 0;
            for (int place = 0; place < part.length; place++) {
                sum += part[place] * ofItself[place];
            }
            return sum + lightLetIn / facts.figure(WORTH_LIGHT_WHOLE);
        }
    }

    /** The worth of a plan over {@code years} pruning years from the one called {@code first}. */
    double of(RenovationPlan plan, int first, int years) {
        Map<Integer, List<PlannedCut>> byYear = new TreeMap<>();
        for (Lane lane : plan.lanes()) {
            byYear.computeIfAbsent(lane.year().year(), year -> new ArrayList<>())
                    .addAll(lane.cuts());
        }
        Set<String> unfinished = unfinished(plan);
        Set<Made> made = new HashSet<>();
        Done done = new Done(made);
        double sum = 0;
        for (int year = Math.min(first, byYear.keySet().stream().findFirst().orElse(first));
                year < first + years;
                year++) {
            List<PlannedCut> now = byYear.getOrDefault(year, List.of());
            now.stream()
                    .filter(cut -> !unfinished.contains(cut.limb()))
                    .map(Made::of)
                    .filter(made::add)
                    .forEach(done::add);
            sum += done.gained() - costOfPlaces(now);
        }
        return sum
                - years * (facts.figure(PLAN_STEP_COST) * steps(made) + costOfLeavingOut(made))
                - costOfHorns(byYear)
                - costOfLeavingLittle(done.crown.left());
    }

    /** What it costs that arms come down in different years, so that some stand as horns meanwhile. */
    private double costOfHorns(Map<Integer, List<PlannedCut>> byYear) {
        long years = byYear.values().stream()
                .filter(cuts -> cuts.stream().anyMatch(cut -> arms.contains(cut.limb())))
                .count();
        return facts.figure(PLAN_HORNS_COST) * Math.max(0, years - 1);
    }

    /** What it costs that so little is left in the end that the tree has to begin anew. */
    double costOfLeavingLittle(double left) {
        return facts.figure(PLAN_LITTLE_LEFT_COST) * Math.max(0, facts.figure(PLAN_LITTLE_LEFT_SHARE) - left);
    }

    /** Limbs that are begun and find no end in the plan: they might as well not have been. */
    private Set<String> unfinished(RenovationPlan plan) {
        Set<String> begun = new HashSet<>();
        Set<String> ended = new HashSet<>();
        for (Lane lane : plan.lanes()) {
            for (PlannedCut cut : lane.cuts()) {
                (cut.kind() == Verdict.REMOVE ? ended : begun).add(cut.limb());
            }
        }
        begun.removeIf(limb -> ended.contains(limb) || !toGo.contains(limb));
        return begun;
    }

    /** What it costs each year that cuts which are wanted find no place at all. */
    double costOfLeavingOut(Set<Made> made) {
        long done = made.stream()
                .filter(cut -> cut.kind() != Verdict.BEND)
                .map(Made::limb)
                .distinct()
                .count();
        return facts.figure(PLAN_LEFT_OUT_COST) * (wanted - done);
    }

    /** Limbs that go in two steps: two cuts and regrowth between, where one would do. */
    private long steps(Set<Made> made) {
        return made.stream()
                .filter(cut -> cut.kind() == Verdict.SHORTEN && toGo.contains(cut.limb()))
                .count();
    }

    /** What is gained when these cuts are made. */
    double gained(Set<Made> made) {
        return new Done(made).gained();
    }

    /** What is gained by one cut more, after others. */
    ToDoubleFunction<LimbVerdict> gainedAfter(List<PlannedCut> before) {
        Done done = new Done(before.stream().map(Made::of).toList());
        double without = done.gained();
        gain.letIn(done.crown);
        return next -> {
            Done then = done.with(Made.of(next));
            return then.gained(lightOf.computeIfAbsent(then.crown, gain::wouldLetIn)) - without;
        };
    }

    /** A limb only shortened on its way out has not done all it is to do. */
    private double partDone(Made cut) {
        boolean step = cut.kind() == Verdict.SHORTEN && toGo.contains(cut.limb());
        return step ? 1 - cut.alongM() / facts.branching().get(cut.limb()).lengthM() : 1;
    }

    /** Danger and form; what a small cut does for the form goes with its cross-section, and a shortening grows out again. */
    private double ofItself(String limb, Worth own) {
        double widthCm = facts.branching().get(limb).diameterCm() / facts.figure(BIG_CUT_CM);
        double lasting = (toGo.contains(limb) ? 1 : facts.figure(PLAN_SHORTENING_TIMES))
                * (low.contains(limb) ? facts.figure(PLAN_LOW_TIMES) : 1);
        return facts.figure(PLAN_RISK_TIMES) * own.risk() + lasting * own.form() * Math.min(1, widthCm * widthCm);
    }

    private double lightLetIn(LivingCrown crown) {
        Double known = lightOf.get(crown);
        if (known == null) {
            known = gain.letIn(crown);
            lightOf.put(crown.copy(), known);
        }
        return known;
    }

    /** What it costs that big cuts of a year all bare one side, or none is high or none low. */
    double costOfPlaces(List<PlannedCut> ofYear) {
        List<PlannedCut> big = ofYear.stream().filter(cut -> cut.cut().big()).toList();
        if (big.size() < 2) {
            return 0;
        }
        double[] azimuths = big.stream()
                .mapToDouble(cut -> facts.branching().get(cut.limb()).azimuthDeg())
                .sorted()
                .toArray();
        double widestGap = azimuths[0] + 360 - azimuths[azimuths.length - 1];
        for (int i = 1; i < azimuths.length; i++) {
            widestGap = Math.max(widestGap, azimuths[i] - azimuths[i - 1]);
        }
        long lowDown = big.stream().filter(cut -> cut.cut().heightM() <= lowM).count();
        int bad = 360 - widestGap <= facts.figure(SAME_SIDE_DEG) ? 1 : 0;
        bad += lowDown == 0 || lowDown == big.size() ? 1 : 0;
        return facts.figure(PLAN_ONE_SIDE_COST) * bad;
    }
}
