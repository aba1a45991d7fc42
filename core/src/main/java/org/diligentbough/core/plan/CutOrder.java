package org.diligentbough.core.plan;

import java.util.Comparator;
import java.util.Map;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.verdict.Cut;
import org.diligentbough.core.verdict.CutKind;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Rule;
import org.diligentbough.core.verdict.Verdict;

/**
 * The order in which cuts are given their turn (common practice): urgent, dead, diseased, damaged; then the strategic
 * ones, since one big cut beats many small ones, whole limbs before shortenings; among equals what is worth most for the crown it takes.
 */
final class CutOrder implements Comparator<LimbVerdict> {
    private final Comparator<LimbVerdict> order;

    CutOrder(Map<String, Worth> worth) {
        this.order = Comparator.comparingInt(CutOrder::rank)
                .thenComparing(limb -> limb.verdict() != Verdict.REMOVE)
                .thenComparing(limb -> renewed(limb) ? -limb.limb().woodYears().orElse(0) : 0)
                .thenComparing(limb -> -rounded(worth.get(limb.limb().id()).forCrownTaken()))
                .thenComparing(limb -> ruleOf(limb).ordinal())
                .thenComparing(LimbVerdict::limb, Branching.THICKEST_FIRST);
    }

    /** What differs by less is alike: the light of limbs that mirror each other differs in its last digits. */
    private static double rounded(double worth) {
        return Math.round(worth * 1000) / 1000.0;
    }

    /** Bushes and figs are renewed from their oldest wood on. */
    private static boolean renewed(LimbVerdict limb) {
        return limb.cut().filter(cut -> cut.kind() == CutKind.RENEWAL).isPresent();
    }

    @Override
    public int compare(LimbVerdict one, LimbVerdict other) {
        return order.compare(one, other);
    }

    static int rank(LimbVerdict limb) {
        if (limb.urgent()) {
            return 0;
        }
        return switch (ruleOf(limb)) {
            case DEAD -> 1;
            case DISEASED -> 2;
            case DAMAGED, BELOW_GRAFT -> 3;
            case SPLIT_UNION -> 4;
            case PLIABLE -> 8;
            default -> {
                boolean big = limb.cut().map(Cut::big).orElse(false);
                yield limb.strategic() ? (big ? 5 : 6) : big ? 6 : 7;
            }
        };
    }

    private static Rule ruleOf(LimbVerdict limb) {
        return limb.rule().orElse(Rule.NOTHING_CLEAR);
    }
}
