package org.diligentbough.core.light;

import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.survey.Point;
import org.diligentbough.core.survey.Survey.Surrounding;

/** A wall, which lets nothing through, or a hedge, which lets little: an upright screen across a bearing. */
final class Screen {
    private final double eastward;
    private final double northward;
    private final double distanceM;
    private final double heightM;
    private final double halfLengthM;
    private final double depthSquareOn;

    Screen(Surrounding thing, Knowledge knowledge) {
        double bearing = Math.toRadians(thing.bearingDeg());
        this.eastward = Math.sin(bearing);
        this.northward = Math.cos(bearing);
        this.distanceM = thing.distanceM();
        this.heightM = thing.heightM();
        this.halfLengthM = thing.extentM() / 2;
        this.depthSquareOn = thing.kind() == Surrounding.Kind.WALL
                ? Double.POSITIVE_INFINITY
                : knowledge.get(Figure.LEAF_PROJECTION) * knowledge.get(Figure.HEDGE_LEAF_INDEX);
    }

    /** The optical depth a path meets in it: 0 when it passes by, infinite behind a wall. */
    double depth(Point from, Point direction) {
        double facing = direction.eastM() * eastward + direction.northM() * northward;
        if (Math.abs(facing) < 1e-9) {
            return 0;
        }
        double aheadM = (distanceM - from.eastM() * eastward - from.northM() * northward) / facing;
        if (aheadM <= 0 || from.upM() + aheadM * direction.upM() > heightM) {
            return 0;
        }
        double asideM = (from.eastM() + aheadM * direction.eastM()) * northward
                - (from.northM() + aheadM * direction.northM()) * eastward;
        return Math.abs(asideM) > halfLengthM ? 0 : depthSquareOn / Math.abs(facing);
    }
}
