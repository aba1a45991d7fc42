package org.diligentbough.core.light;

import java.util.LinkedHashMap;
import java.util.Map;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Point;
import org.diligentbough.core.survey.Survey;

/**
 * Where the leaf of each living limb hangs and how much it is: leaf goes with the cross-section of the wood that carries
 * it (from memory: Shinozaki et al. 1964), less what the side limbs carry. Dead wood and stubs carry none.
 */
public final class LeafOfLimbs {
    /** What is cut back to a bud or two has some leaf still, m. */
    public static final double SHORTEST_M = 0.05;

    /** From where to where along a limb its leaf stands, m from its base. */
    public record Extent(double fromM, double toM) {
        public double middleM() {
            return (fromM + toM) / 2;
        }

        public double halfM() {
            return (toM - fromM) / 2;
        }
    }

    private final Map<String, Leaf> leaves = new LinkedHashMap<>();

    public LeafOfLimbs(Branching branching, Knowledge knowledge) {
        double perCm2 = knowledge.get(Figure.LEAF_PER_WOOD);
        for (Limb limb : branching.outwards()) {
            if (!branching.living(limb)) {
                continue;
            }
            double onSideLimbs = branching.childrenOf(limb).stream()
                    .filter(branching::living)
                    .mapToDouble(side -> perCm2 * carriedCm2(side))
                    .sum();
            Point base = new Point(0, 0, 0);
            Extent extent = extent(limb.lengthM(), limb.wholeM(), knowledge);
            leaves.put(
                    limb.id(),
                    new Leaf(
                            branching.pointAt(limb, extent.middleM()),
                            base.towards(limb.azimuthDeg(), limb.angleDeg(), 1),
                            extent.halfM(),
                            knowledge.get(Figure.LEAF_ACROSS) * limb.wholeM(),
                            Math.max(0, perCm2 * carriedCm2(limb) - onSideLimbs)));
        }
    }

    /**
     * Where the leaf of a limb stands: what is left of a shortened one keeps its leaf where it grew, and as far out from it; a stub
     * carries it about its end. So cutting lets light in and never crowds what stays.
     *
     * @param lengthM of it now
     * @param wholeM before it was shortened
     */
    public static Extent extent(double lengthM, double wholeM, Knowledge knowledge) {
        double centre = knowledge.get(Figure.LEAF_CENTRE);
        double along = knowledge.get(Figure.LEAF_ALONG);
        double toM = Math.max(SHORTEST_M, (centre + along) * lengthM);
        return new Extent(Math.min((centre - along) * wholeM, toM / 2), toM);
    }

    /** Leaf of all living limbs, m2. */
    public static double allM2(Survey survey, Branching branching, Knowledge knowledge) {
        return knowledge.get(Figure.LEAF_PER_WOOD)
                * survey.limbs().stream()
                        .filter(limb -> limb.parent().isEmpty() && branching.living(limb))
                        .mapToDouble(LeafOfLimbs::carriedCm2)
                        .sum();
    }

    private static double carriedCm2(Limb limb) {
        return limb.leafiness() * Math.PI / 4 * limb.diameterCm() * limb.diameterCm();
    }

    /** The leaf of each living limb by its tag, each limb after the one it grows from; the area may be 0. */
    public Map<String, Leaf> byLimb() {
        return java.util.Collections.unmodifiableMap(leaves);
    }
}
