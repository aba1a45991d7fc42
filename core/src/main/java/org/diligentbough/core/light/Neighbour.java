package org.diligentbough.core.light;

import java.util.OptionalDouble;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.survey.Point;
import org.diligentbough.core.survey.Survey.Surrounding;

/**
 * A tree near the one looked at, as one body of leaf.
 *
 * @param name by which it is told of
 * @param eastM of the tree looked at, m
 * @param northM of the tree looked at, m
 * @param heightM over 0
 * @param crownRadiusM over 0
 * @param trunkGirthCm empty when it was not measured: its leaf is then taken from the ground it covers
 */
public record Neighbour(
        String name, double eastM, double northM, double heightM, double crownRadiusM, OptionalDouble trunkGirthCm) {

    static Neighbour of(Surrounding tree) {
        double bearing = Math.toRadians(tree.bearingDeg());
        return new Neighbour(
                "",
                tree.distanceM() * Math.sin(bearing),
                tree.distanceM() * Math.cos(bearing),
                tree.heightM(),
                tree.extentM(),
                OptionalDouble.empty());
    }

    /** Its crown as an upright body of leaf, from a share of its height up. */
    Leaf leaf(Knowledge knowledge) {
        double bottomM = heightM * knowledge.get(Figure.CROWN_BASE_SHARE);
        double area = trunkGirthCm.isPresent()
                ? knowledge.get(Figure.LEAF_PER_WOOD)
                        * trunkGirthCm.getAsDouble()
                        * trunkGirthCm.getAsDouble()
                        / (4 * Math.PI)
                : knowledge.get(Figure.NEIGHBOUR_LEAF_INDEX) * Math.PI * crownRadiusM * crownRadiusM;
        return new Leaf(
                new Point(eastM, northM, (heightM + bottomM) / 2),
                new Point(0, 0, 1),
                (heightM - bottomM) / 2,
                crownRadiusM,
                area);
    }
}
