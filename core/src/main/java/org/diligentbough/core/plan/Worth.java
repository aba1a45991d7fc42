package org.diligentbough.core.plan;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.light.CrownLight;
import org.diligentbough.core.survey.LivingCrown;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Rule;
import org.diligentbough.core.verdict.TreeFacts;
import org.diligentbough.core.verdict.Verdict;

/**
 * What a cut is worth, each part from 0 to 1 (own assumptions, in the data file).
 *
 * @param risk danger and sickness that go with it
 * @param lightLetIn how much more light what stays gets, as a share of open-sky light
 * @param light that light, 1 being as much as one cut can be hoped to let in
 * @param form what it does for the frame
 * @param crownTaken share of the living crown it takes, 0 to 1
 */
public record Worth(double risk, double lightLetIn, double light, double form, double crownTaken) {
    /** Twigs would else be worth any number of limbs. */
    private static final double LEAST_TAKEN = 0.01;

    /** All of it, 0 to 1: each part takes away from what is left to wish for. */
    public double whole() {
        return 1 - (1 - risk) * (1 - light) * (1 - form);
    }

    /** Worth for each share of the crown taken. */
    public double forCrownTaken() {
        return whole() / Math.max(LEAST_TAKEN, crownTaken);
    }

    /** The worth of what is to be done to each limb, by its tag. */
    public static Map<String, Worth> ofAll(TreeFacts facts, List<LimbVerdict> limbs, CrownLight light) {
        return limbs.stream()
                .filter(limb -> limb.cut().isPresent())
                .collect(Collectors.toMap(limb -> limb.limb().id(), limb -> of(facts, limb, light)));
    }

    private static Worth of(TreeFacts facts, LimbVerdict limb, CrownLight light) {
        LivingCrown left = new LivingCrown(facts.branching(), facts.shares());
        double taken = limb.takenFrom(left);
        double letIn = taken > 0 ? light.letIn(left) : 0;
        return new Worth(
                risk(facts, limb),
                letIn,
                Math.min(1, letIn / facts.figure(Figure.WORTH_LIGHT_WHOLE)),
                form(facts, limb),
                taken);
    }

    private static double risk(TreeFacts facts, LimbVerdict limb) {
        if (limb.urgent()) {
            return facts.figure(Figure.WORTH_URGENT);
        }
        Optional<Figure> figure = limb.rule().flatMap(Worth::riskOf);
        return figure.map(facts::figure).orElse(0.0);
    }

    private static Optional<Figure> riskOf(Rule rule) {
        return Optional.ofNullable(
                switch (rule) {
                    case DEAD -> Figure.WORTH_DEAD;
                    case DISEASED -> Figure.WORTH_DISEASED;
                    case DAMAGED -> Figure.WORTH_DAMAGED;
                    case SPLIT_UNION -> Figure.WORTH_UNION;
                    default -> null;
                });
    }

    private static double form(TreeFacts facts, LimbVerdict limb) {
        return limb.rule()
                .map(rule -> switch (rule) {
                    case DEAD, DISEASED, DAMAGED -> 0.0;
                    case SPLIT_UNION,
                            RUBBING,
                            INTO_CENTRE,
                            THICK_SIDE_LIMB,
                            TOO_HIGH,
                            LOW,
                            ENCROACHING,
                            TOO_MANY_MAINS -> facts.figure(Figure.WORTH_FRAME);
                    default -> limb.verdict() == Verdict.WAIT ? 0.0 : facts.figure(Figure.WORTH_ORDER);
                })
                .orElse(0.0);
    }
}
