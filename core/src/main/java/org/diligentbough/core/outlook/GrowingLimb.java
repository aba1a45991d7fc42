package org.diligentbough.core.outlook;

import java.util.List;
import java.util.OptionalDouble;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.light.Leaf;
import org.diligentbough.core.light.LeafOfLimbs;
import org.diligentbough.core.survey.CrownShares;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Point;

/** One limb as the years go by. */
final class GrowingLimb {
    /** Where it stands in the list of all. */
    final int index;

    final Limb limb;
    final boolean fruiting;
    /** Leaf it began with of its own, m2. */
    final double leafAtFirstM2;
    /** How far out the outermost limb on it leaves or left, m. */
    final double furthestSideM;
    /** Wood it began with, in the unit of {@link #volume()}. */
    final double volumeAtFirst;

    double angleDeg;
    /** What stands of it, m. */
    double lengthM;
    /** How far it reaches or did before it was shortened, m. */
    double reachM;

    double diameterCm;
    double leafM2;
    /** Leaf at which it is kept up; what untouched wood carries beyond hangs outside, out of reach. */
    double keptLeafM2;
    /** Length at which it is kept up, m. */
    double keptLengthM;
    /** How fruitful it is, 0 to 1. */
    double fruitful;
    /** How much of its fruitfulness age has left it, 0 to 1. */
    double youth = 1;
    /** How likely it is that it has not broken, 0 to 1. */
    double holds = 1;
    /** Part of its leaf that darkness took, 0 to 1. */
    double starved;
    /** Leaf that darkness took, m2: where it hung is dark. */
    double darkM2;
    /** Part of its wood that died since it was surveyed, 0 to 1. */
    double died;

    boolean living;
    boolean gone;

    GrowingLimb(int index, Limb limb, double furthestSideM, double leafM2, boolean living) {
        this.index = index;
        this.furthestSideM = furthestSideM;
        this.limb = limb;
        this.leafAtFirstM2 = leafM2;
        this.leafM2 = leafM2;
        this.keptLeafM2 = leafM2;
        this.living = living;
        this.fruiting = limb.fruitsAtLeast(1);
        this.angleDeg = limb.angleDeg();
        this.lengthM = limb.lengthM();
        this.keptLengthM = limb.lengthM();
        this.reachM = limb.lengthM();
        this.diameterCm = limb.diameterCm();
        this.volumeAtFirst = volume();
    }

    /** As it is now, without what was wrong with it. */
    /** How long it is drawn, m. */
    double drawnM() {
        return Math.max(lengthM, reachM);
    }

    Limb asNow() {
        return new Limb(
                limb.id(),
                limb.parent(),
                limb.role(),
                diameterCm,
                limb.originM(),
                limb.azimuthDeg(),
                angleDeg,
                drawnM(),
                limb.woodYears(),
                limb.fruiting(),
                limb.leafiness(),
                limb.cultivar(),
                List.of(),
                limb.overTarget(),
                OptionalDouble.empty(),
                limb.buds(),
                limb.grownM());
    }

    boolean stands() {
        return living && !gone;
    }

    /** Wood of it, in whatever unit: width squared times length. */
    double volume() {
        return diameterCm * diameterCm * lengthM;
    }

    boolean shortened() {
        return lengthM < reachM - 1e-9;
    }

    /** Part of its leaf, 0 to 1, beyond a place of which the limb stands further out. */
    double leafBeyond(double alongM, LeafOfLimbs.Extent extent) {
        return shortened()
                ? Math.min(1, (lengthM - alongM) / (extent.toM() - extent.fromM()))
                : Math.min(1, CrownShares.ownShareBeyond(asNow(), alongM));
    }

    /** What is told of it from now on as the leaf and length it is kept at. */
    void keepAsItIs() {
        keptLeafM2 = leafM2;
        keptLengthM = lengthM;
    }

    /** Where its leaf stands. */
    LeafOfLimbs.Extent extent(Knowledge knowledge) {
        return LeafOfLimbs.extent(lengthM, Math.max(reachM, limb.wholeM()), knowledge);
    }

    /** Its leaf about a middle; what it gains in length makes it no wider, so that it hangs closer. */
    Leaf leaf(Point middle, double halfAlongM, double acrossShare) {
        Point foot = new Point(0, 0, 0);
        return new Leaf(
                middle, foot.towards(limb.azimuthDeg(), angleDeg, 1), halfAlongM, acrossShare * limb.wholeM(), leafM2);
    }
}
