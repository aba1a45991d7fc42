package org.diligentbough.core.light;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.diligentbough.core.survey.Point;

/**
 * Places evenly spread through a body of leaf, each standing for the same volume: slices along its axis, in each a ring
 * at the radius that halves the slice's area. Rings lie the same seen from either side, so that a mirrored tree has
 * mirrored places.
 */
final class CrownPoints {
    private static final int ON_A_RING = 4;
    /** By slices, of which few numbers are asked for. */
    private static final Map<Integer, double[][]> IN_A_BALL = new ConcurrentHashMap<>();

    private CrownPoints() {}

    /** {@code slices} times four places. */
    static List<Point> in(Leaf leaf, int slices) {
        Point axis = leaf.axis();
        double level = Math.hypot(axis.eastM(), axis.northM());
        Point aside = level < 1e-9 ? new Point(1, 0, 0) : new Point(axis.northM() / level, -axis.eastM() / level, 0);
        Point over = new Point(
                axis.northM() * aside.upM() - axis.upM() * aside.northM(),
                axis.upM() * aside.eastM() - axis.eastM() * aside.upM(),
                axis.eastM() * aside.northM() - axis.northM() * aside.eastM());
        List<Point> points = new ArrayList<>();
        for (double[] at : IN_A_BALL.computeIfAbsent(slices, CrownPoints::inABall)) {
            points.add(place(leaf, at[0], at[1], at[2], aside, over));
        }
        return points;
    }

    /** Along the axis, aside and over, in a ball of radius 1. */
    private static double[][] inABall(int slices) {
        double[][] points = new double[slices * ON_A_RING][];
        for (int slice = 0; slice < slices; slice++) {
            double along = middleOfSlice((slice + 0.5) / slices);
            double radius = Math.sqrt((1 - along * along) / 2);
            for (int i = 0; i < ON_A_RING; i++) {
                double turn = 2 * Math.PI * (i + (slice % 2) * 0.5) / ON_A_RING;
                points[slice * ON_A_RING + i] = new double[] {along, radius * Math.cos(turn), radius * Math.sin(turn)};
            }
        }
        return points;
    }

    private static Point place(Leaf leaf, double along, double sideways, double upwards, Point aside, Point over) {
        double a = along * leaf.halfAlongM();
        double s = sideways * leaf.halfAcrossM();
        double u = upwards * leaf.halfAcrossM();
        return new Point(
                leaf.centre().eastM() + a * leaf.axis().eastM() + s * aside.eastM() + u * over.eastM(),
                leaf.centre().northM() + a * leaf.axis().northM() + s * aside.northM() + u * over.northM(),
                leaf.centre().upM() + a * leaf.axis().upM() + s * aside.upM() + u * over.upM());
    }

    /** Where along a ball of radius 1 a share of its volume lies behind: the root of (2 + 3x - x^3) / 4 = share. */
    private static double middleOfSlice(double share) {
        double x = 2 * share - 1;
        for (int i = 0; i < 20; i++) {
            x -= (0.5 + 0.75 * x - 0.25 * x * x * x - share) / Math.max(0.75 * (1 - x * x), 1e-6);
        }
        return x;
    }
}
