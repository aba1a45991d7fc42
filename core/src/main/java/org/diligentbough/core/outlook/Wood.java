package org.diligentbough.core.outlook;

import java.util.List;
import java.util.OptionalDouble;
import org.diligentbough.core.light.Leaf;
import org.diligentbough.core.survey.CrownShares;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Point;

/** One limb as the years go by. */
final class Wood {
    /** What is cut back to a bud or two has some leaf still. */
    private static final double SHORTEST_M = 0.05;

    final Limb limb;
    final boolean fruiting;
    /** Leaf it began with of its own, m2. */
    final double leafAtFirstM2;
    /** How fruitful it was found, 0 to 1. */
    final double fruitfulAtFirst;

    double angleDeg;
    /** What stands of it, m. */
    double lengthM;
    /** How far it reaches or did before it was shortened, m. */
    double reachM;

    double diameterCm;
    double leafM2;
    double fruitful;
    /** Part of its leaf that darkness took, 0 to 1. */
    double starved;

    boolean living;
    boolean gone;

    Wood(Limb limb, double leafM2, boolean living) {
        this.limb = limb;
        this.leafAtFirstM2 = leafM2;
        this.leafM2 = leafM2;
        this.living = living;
        this.fruiting = limb.fruitsAtLeast(1);
        this.fruitfulAtFirst = limb.fruiting().orElse(1) / 3.0;
        this.fruitful = fruitfulAtFirst;
        this.angleDeg = limb.angleDeg();
        this.lengthM = limb.lengthM();
        this.reachM = limb.lengthM();
        this.diameterCm = limb.diameterCm();
    }

    /** As it is now, without what was wrong with it. */
    Limb asNow() {
        return new Limb(
                limb.id(),
                limb.parent(),
                limb.role(),
                diameterCm,
                limb.originM(),
                limb.azimuthDeg(),
                angleDeg,
                Math.max(lengthM, reachM),
                limb.woodYears(),
                limb.fruiting(),
                limb.leafiness(),
                limb.cultivar(),
                List.of(),
                limb.overTarget(),
                OptionalDouble.empty(),
                limb.buds());
    }

    /** Wood of it, in whatever unit: width squared times length. */
    double volume() {
        return diameterCm * diameterCm * lengthM;
    }

    boolean shortened() {
        return lengthM < reachM;
    }

    /** Part of its leaf, 0 to 1, beyond a place of which the limb stands further out. */
    double leafBeyond(double alongM, Extent extent) {
        return shortened()
                ? Math.min(1, (lengthM - alongM) / (extent.toM() - extent.fromM()))
                : Math.min(1, CrownShares.ownShareBeyond(asNow(), alongM));
    }

    /** From where to where along it its leaf stands, m from its base. */
    record Extent(double fromM, double toM) {
        double middleM() {
            return (fromM + toM) / 2;
        }

        double halfM() {
            return (toM - fromM) / 2;
        }
    }

    /**
     * What is left of a shortened limb keeps its leaf where it is; a stub carries it about its end.
     *
     * @param centre middle of the leaf of a whole limb, as a share of its length
     * @param along half its extent, as such a share
     */
    Extent extent(double centre, double along) {
        double toM = Math.max(SHORTEST_M, (centre + along) * lengthM);
        return new Extent(Math.min((centre - along) * reachM, toM / 2), toM);
    }

    /** Its leaf about a middle. */
    Leaf leaf(Point middle, double halfAlongM, double acrossShare) {
        Point foot = new Point(0, 0, 0);
        return new Leaf(middle, foot.towards(limb.azimuthDeg(), angleDeg, 1), halfAlongM, acrossShare * reachM, leafM2);
    }
}
