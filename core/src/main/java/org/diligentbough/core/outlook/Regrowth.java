package org.diligentbough.core.outlook;

import org.diligentbough.core.light.Leaf;
import org.diligentbough.core.survey.Point;

/** Upright shoots that answer one cut, as one body of leaf that stands where they do. */
final class Regrowth {
    /** Part of what is missing to its full height that is made up in a year. */
    private static final double CLOSING = 0.45;

    final String limb;
    final Point from;
    private final double fullLeafM2;
    private final double spreadM;
    private final double fillingAYear;
    private double age;
    double shoots;
    /** Part of it that still stands, 0 to 1. */
    private double stands = 1;

    private double lengthM;

    /**
     * @param fullLeafM2 leaf it comes to when it is left
     * @param spreadM how wide it stands
     * @param fillingAYear part of what is missing of its leaf that grows in a year, 0 to 1
     */
    Regrowth(String limb, Point from, double fullLeafM2, double spreadM, double shoots, double fillingAYear) {
        this.limb = limb;
        this.from = from;
        this.fullLeafM2 = fullLeafM2;
        this.spreadM = spreadM;
        this.shoots = shoots;
        this.fillingAYear = fillingAYear;
    }

    /** A season's growth: by {@code firstM}, m, in the first, less in each that follows, towards {@code mostM} above ground. */
    void grow(double firstM, double mostM) {
        age++;
        double roomM = Math.max(0, mostM - from.upM() - lengthM);
        lengthM += Math.min(firstM / Math.sqrt(age), age > 1 ? CLOSING * roomM : roomM);
    }

    /** Takes a number of its shoots. */
    void take(double number) {
        double left = shoots > 0 ? 1 - number / shoots : 0;
        stands *= left;
        shoots -= number;
    }

    double lengthM() {
        return lengthM;
    }

    double spreadM() {
        return spreadM;
    }

    double topM() {
        return standing() ? from.upM() + lengthM : 0;
    }

    boolean standing() {
        return shoots > 0.5 && lengthM > 0.05;
    }

    double leafM2() {
        return stands * fullLeafM2 * (1 - Math.pow(1 - fillingAYear, age));
    }

    /** What is taken away when what it stands on goes. */
    void remove() {
        take(shoots);
    }

    Leaf leaf() {
        Point middle = new Point(from.eastM(), from.northM(), from.upM() + lengthM / 2);
        return new Leaf(middle, new Point(0, 0, 1), Math.max(lengthM / 2, 0.1), spreadM, leafM2());
    }
}
