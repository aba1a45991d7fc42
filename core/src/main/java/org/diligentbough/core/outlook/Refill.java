package org.diligentbough.core.outlook;

import java.util.Optional;
import org.diligentbough.core.light.Leaf;
import org.diligentbough.core.survey.Point;

/** New wood, chosen and kept, that refills the room of one limb on the trunk below the height wanted. */
final class Refill {
    private static final double WORTH_TELLING = 0.02;

    final String main;
    /** Leaf that hung in that room as the tree was found, m2. */
    final double roomM2;

    private final Point middle;
    private final Point axis;
    private final double halfAlongM;
    private final double halfAcrossM;
    /** Leaf by the years since it came, m2. */
    private final double[] leafByAge = new double[Outlook.YEARS];

    double fruitful;

    /** @param along where the room's middle lies, which way it runs and how far to either side of that middle, m */
    Refill(String main, double roomM2, Point middle, Point axis, double halfAlongM, double halfAcrossM) {
        this.main = main;
        this.roomM2 = roomM2;
        this.middle = middle;
        this.axis = axis;
        this.halfAlongM = halfAlongM;
        this.halfAcrossM = halfAcrossM;
    }

    double leafM2() {
        double sum = 0;
        for (double leaf : leafByAge) {
            sum += leaf;
        }
        return sum;
    }

    /** Leaf on wood old enough to bear, m2. */
    double bearingM2(int afterYears) {
        double sum = 0;
        for (int age = afterYears; age < leafByAge.length; age++) {
            sum += leafByAge[age];
        }
        return sum;
    }

    /** A year passes and so much leaf comes, m2. */
    void grow(double leafM2) {
        for (int age = leafByAge.length - 1; age > 0; age--) {
            leafByAge[age] = leafByAge[age - 1] + (age == leafByAge.length - 1 ? leafByAge[age] : 0);
        }
        leafByAge[0] = leafM2;
    }

    /** As it is told; empty while there is hardly any. */
    Optional<Outlook.NewWood> told() {
        double share = Math.min(1, leafM2() / roomM2);
        return share < WORTH_TELLING
                ? Optional.empty()
                : Optional.of(new Outlook.NewWood(main, along(-halfAlongM), along(halfAlongM), halfAcrossM, share));
    }

    private Point along(double awayM) {
        Leaf room = leaf();
        return new Point(
                middle.eastM() + awayM * room.axis().eastM(),
                middle.northM() + awayM * room.axis().northM(),
                middle.upM() + awayM * room.axis().upM());
    }

    Leaf leaf() {
        return new Leaf(middle, axis, halfAlongM, halfAcrossM, leafM2());
    }
}
