package org.diligentbough.core.verdict;

import java.util.Optional;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Point;
import org.diligentbough.core.survey.Survey.Surrounding;

/** How far along a limb it comes over what stands near its tree. */
final class Encroachment {
    private static final int STEPS = 40;

    private final Scene scene;

    Encroachment(Scene scene) {
        this.scene = scene;
    }

    /** Distance from the base, m, from which the limb is over a neighbour; empty when it is over none that was entered. */
    Optional<Double> startsOverM(Limb limb) {
        for (int step = 0; step <= STEPS; step++) {
            double alongM = limb.lengthM() * step / STEPS;
            Point point = scene.branching().pointAt(limb, alongM);
            if (scene.survey().surroundings().stream().anyMatch(near -> over(point, near))) {
                return Optional.of(alongM);
            }
        }
        return Optional.empty();
    }

    private static boolean over(Point point, Surrounding near) {
        double azimuthDeg = Math.toDegrees(Math.atan2(point.eastM(), point.northM()));
        double apart = Math.toRadians(Branching.apartDeg(azimuthDeg, near.bearingDeg()));
        double towardsM = point.fromAxisM() * Math.cos(apart);
        double asideM = point.fromAxisM() * Math.sin(apart);
        if (near.kind() == Surrounding.Kind.TREE) {
            return Math.hypot(towardsM - near.distanceM(), asideM) <= near.extentM() && point.upM() <= near.heightM();
        }
        return towardsM >= near.distanceM() && asideM <= near.extentM() / 2;
    }
}
