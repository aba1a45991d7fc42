package org.diligentbough.core.plan;

import java.util.Arrays;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.orchard.SpeciesTraits;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.LivingCrown;
import org.diligentbough.core.verdict.TreeFacts;

/**
 * What a tree could bear, by limb: the leaf a limb carries of its own times how fruitful it was found, 0 to 3 (own
 * assumption). Limbs whose fruiting was not noted count for nothing.
 */
final class CropOnLimbs {
    /** By the limb's number. */
    private final double[] shares;

    CropOnLimbs(TreeFacts facts) {
        shares = new double[facts.branching().outwards().size()];
        double whole = 0;
        for (Limb limb : facts.branching().outwards()) {
            double crop = facts.shares().own(limb) * limb.fruiting().orElse(0);
            shares[facts.branching().number(limb.id())] = crop;
            whole += crop;
        }
        double all = whole;
        // A fig's main crop comes on the shoots that answer the cut: only the first crop goes with the wood.
        double goesWithWood =
                facts.traits().group() == SpeciesTraits.Group.FIG ? facts.figure(Figure.FIG_FIRST_CROP_SHARE) : 1;
        Arrays.setAll(shares, limb -> all > 0 ? goesWithWood * shares[limb] / all : 0);
    }

    /**
     * Share of what the tree could bear as surveyed that hangs on the wood left on a crown, 0 to 1; 0 where nothing was
     * noted.
     */
    double on(LivingCrown crown) {
        double sum = 0;
        for (int limb = 0; limb < shares.length; limb++) {
            sum += shares[limb] * crown.keptOf(limb);
        }
        return sum;
    }
}
