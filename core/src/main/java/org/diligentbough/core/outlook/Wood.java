package org.diligentbough.core.outlook;

import java.util.List;
import org.diligentbough.core.light.Leaf;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Point;

/** One limb as the years go by. */
final class Wood {
    final Limb limb;
    final boolean fruiting;
    /** Leaf it began with of its own, m2. */
    final double leafAtFirstM2;
    /** How fruitful it was found, 0 to 1. */
    final double fruitfulAtFirst;

    double angleDeg;
    /** What stands of it, m. */
    double lengthM;
    /** How far its leaf reaches, m: a shortened limb keeps its leaf's place. */
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
                limb.overTarget());
    }

    /** Wood of it, in whatever unit: width squared times length. */
    double volume() {
        return diameterCm * diameterCm * lengthM;
    }

    /** Its leaf about a middle, with a given share of the limb along and across. */
    Leaf leaf(Point middle, double alongShare, double acrossShare) {
        Point foot = new Point(0, 0, 0);
        return new Leaf(
                middle,
                foot.towards(limb.azimuthDeg(), angleDeg, 1),
                alongShare * reachM,
                acrossShare * reachM,
                leafM2);
    }
}
