package org.diligentbough.core.survey;

/**
 * A place in the crown, metres from the foot of the trunk.
 *
 * @param eastM towards east
 * @param northM towards north
 * @param upM above ground
 */
public record Point(double eastM, double northM, double upM) {

    /** The point reached by going {@code distanceM} metres along a direction in degrees. */
    public Point towards(double azimuthDeg, double angleDeg, double distanceM) {
        double level = distanceM * Math.cos(Math.toRadians(angleDeg));
        return new Point(
                eastM + level * Math.sin(Math.toRadians(azimuthDeg)),
                northM + level * Math.cos(Math.toRadians(azimuthDeg)),
                upM + distanceM * Math.sin(Math.toRadians(angleDeg)));
    }

    /** Distance from the trunk's axis, m. */
    public double fromAxisM() {
        return Math.hypot(eastM, northM);
    }
}
