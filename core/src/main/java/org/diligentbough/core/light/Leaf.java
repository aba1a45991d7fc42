package org.diligentbough.core.light;

import java.util.List;
import org.diligentbough.core.survey.Point;

/**
 * A body of leaf evenly spread through an ellipsoid that is round across its axis.
 *
 * @param centre metres from the foot of the tree
 * @param axis direction of its long way; any length over 0
 * @param halfAlongM half its extent along the axis, m, over 0
 * @param halfAcrossM half its extent across, m, over 0
 * @param leafAreaM2 one-sided area of all its leaves, m2, 0 or more
 */
public record Leaf(Point centre, Point axis, double halfAlongM, double halfAcrossM, double leafAreaM2) {
    private static final int SLICES = 4;

    public Leaf {
        double length = Math.sqrt(dot(axis, axis));
        if (!(length > 0) || !(halfAlongM > 0) || !(halfAcrossM > 0) || !(leafAreaM2 >= 0)) {
            throw new IllegalArgumentException(
                    "a body of leaf needs an axis, an extent and an area of 0 or more: %s, %s m by %s m, %s m2"
                            .formatted(axis, halfAlongM, halfAcrossM, leafAreaM2));
        }
        axis = new Point(axis.eastM() / length, axis.northM() / length, axis.upM() / length);
    }

    /** Leaf area in each cubic metre, m2/m3. */
    public double densityPerM() {
        return leafAreaM2 / roomM3();
    }

    /**
     * How far a path runs through it, m.
     *
     * @param direction of length 1
     */
    public double pathM(Point from, Point direction) {
        return chordM(alongRay(direction), towards(from, direction), beyondEdge(from));
    }

    /** Its room, m3. */
    double roomM3() {
        return 4.0 / 3 * Math.PI * halfAlongM * halfAcrossM * halfAcrossM;
    }

    /** Share of its room, 0 to 1, that another body takes up as well. */
    double shareWithin(Leaf other) {
        Point apart = away(other.centre());
        double reachM = Math.max(halfAlongM, halfAcrossM) + Math.max(other.halfAlongM(), other.halfAcrossM());
        if (dot(apart, apart) >= reachM * reachM) {
            return 0;
        }
        List<Point> places = CrownPoints.in(this, SLICES);
        return places.stream().filter(place -> other.beyondEdge(place) < 0).count() / (double) places.size();
    }

    /** Length, m, of the part of a path ahead of its start that lies within: a quadratic's two roots. */
    static double chordM(double a, double b, double c) {
        double discriminant = b * b - a * c;
        if (discriminant <= 0) {
            return 0;
        }
        double root = Math.sqrt(discriminant);
        double out = (root - b) / a;
        if (out <= 0) {
            return 0;
        }
        return out - Math.max(0, (-b - root) / a);
    }

    /** The quadratic's first coefficient, which hangs on the direction alone. */
    double alongRay(Point direction) {
        double along = dot(direction, axis);
        return along * along / square(halfAlongM) + (1 - along * along) / square(halfAcrossM);
    }

    /** Half its second coefficient. */
    double towards(Point from, Point direction) {
        Point away = away(from);
        double along = dot(away, axis);
        double turned = dot(direction, axis);
        return along * turned / square(halfAlongM) + (dot(away, direction) - along * turned) / square(halfAcrossM);
    }

    /** Its third: below 0 inside, above 0 outside. */
    double beyondEdge(Point from) {
        Point away = away(from);
        double along = dot(away, axis);
        return along * along / square(halfAlongM) + (dot(away, away) - along * along) / square(halfAcrossM) - 1;
    }

    Point away(Point from) {
        return new Point(from.eastM() - centre.eastM(), from.northM() - centre.northM(), from.upM() - centre.upM());
    }

    static double dot(Point one, Point other) {
        return one.eastM() * other.eastM() + one.northM() * other.northM() + one.upM() * other.upM();
    }

    private static double square(double value) {
        return value * value;
    }
}
