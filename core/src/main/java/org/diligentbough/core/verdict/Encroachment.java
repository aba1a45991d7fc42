package org.diligentbough.core.verdict;

import java.util.OptionalDouble;
import java.util.function.Predicate;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Point;
import org.diligentbough.core.survey.Survey.Surrounding;

/** How far along a limb it comes over what stands near its tree. */
final class Encroachment {
    private static final int STEPS = 40;

    private final TreeFacts facts;

    Encroachment(TreeFacts facts) {
        this.facts = facts;
    }

    /** Distance from the base, m, from which the limb is over a neighbour; empty when it is over none that was entered. */
    OptionalDouble startsOverM(Limb limb) {
        return firstM(limb, point -> facts.survey().surroundings().stream().anyMatch(near -> over(point, near)));
    }

    /**
     * Distance from the base, m, from which the limb reaches past the width allotted to its tree; empty where none is
     * allotted or it ends within that and what is borne with.
     */
    OptionalDouble pastTheWidthFromM(Limb limb) {
        OptionalDouble allottedM = facts.tree().noted().spreadTargetM();
        if (allottedM.isEmpty()) {
            return OptionalDouble.empty();
        }
        double radiusM = allottedM.getAsDouble() / 2;
        double borneM = Math.max(
                facts.figure(Figure.HEIGHT_TOLERANCE_M), facts.figure(Figure.HEIGHT_TOLERANCE_SHARE) * radiusM);
        return facts.branching().tip(limb).fromAxisM() <= radiusM + borneM
                ? OptionalDouble.empty()
                : firstM(limb, point -> point.fromAxisM() > radiusM);
    }

    private OptionalDouble firstM(Limb limb, Predicate<Point> which) {
        for (int step = 0; step <= STEPS; step++) {
            double alongM = limb.lengthM() * step / STEPS;
            Point point = facts.branching().pointAt(limb, alongM);
            if (which.test(point)) {
                return OptionalDouble.of(alongM);
            }
        }
        return OptionalDouble.empty();
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
