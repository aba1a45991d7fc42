package org.diligentbough.core.outlook;

import static org.diligentbough.core.knowledge.Figure.*;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.light.CrownLight.OnLeaf;
import org.diligentbough.core.light.Leaf;
import org.diligentbough.core.light.LeafOfLimbs;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Point;

/** The limbs of a tree as they are in one of the years looked ahead to, with the shoots that answered cuts. */
final class Crown {
    final Planned tree;
    final Map<String, Wood> woods = new LinkedHashMap<>();
    final List<Regrowth> regrowths = new ArrayList<>();
    /** As surveyed, m2. */
    final double leafAtFirstM2;
    /** As surveyed, in the unit of {@link Wood#volume()}. */
    final double woodAtFirst;
    /** Top of the limbs as surveyed, m; 0.1 at the least. */
    final double topAtFirstM;

    /** Upright shoots that were counted, not drawn one by one. */
    double countedShoots;
    /** How far the crop of this year and the next is kept down, 0 to 1. */
    double cropLost;

    Crown(Planned tree) {
        this.tree = tree;
        Branching branching = tree.scene().branching();
        Map<String, Leaf> leaves = new LeafOfLimbs(branching, tree.scene().knowledge()).byLimb();
        for (Limb limb : branching.outwards()) {
            Leaf leaf = leaves.get(limb.id());
            woods.put(limb.id(), new Wood(limb, leaf == null ? 0 : leaf.leafAreaM2(), leaf != null));
        }
        this.leafAtFirstM2 = leafM2();
        this.woodAtFirst = woods.values().stream().mapToDouble(Wood::volume).sum();
        this.topAtFirstM = Math.max(0.1, topM(branching()));
        this.countedShoots = tree.scene().tree().waterSprouts().orElse(0);
    }

    double figure(Figure figure) {
        return tree.scene().figure(figure);
    }

    /** How strongly it grows: 1 where end shoots are as long as is usual. */
    double vigour() {
        return Math.max(0.3, Math.min(2.5, shootM() / figure(DEFAULT_REGROWTH_M)));
    }

    /** Length of this year's end shoots as measured, else the usual, m. */
    double shootM() {
        return tree.scene().tree().shootExtensionCm().orElse(100 * figure(DEFAULT_REGROWTH_M)) / 100;
    }

    double leafM2() {
        return woods.values().stream().mapToDouble(wood -> wood.leafM2).sum();
    }

    Branching branching() {
        return new Branching(woods.values().stream().map(Wood::asNow).toList());
    }

    /** Light on the leaf of every limb; where a limb was taken its place is still looked at, so that years can be compared. */
    Map<String, OnLeaf> light(Branching branching) {
        List<Wood> lit = woods.values().stream()
                .filter(wood -> wood.leafAtFirstM2 > 0 && (wood.living || wood.gone))
                .toList();
        List<Leaf> leaves = new ArrayList<>();
        for (Wood wood : lit) {
            leaves.add(leafOf(wood, branching));
        }
        regrowths.stream().filter(Regrowth::standing).map(Regrowth::leaf).forEach(leaves::add);
        List<OnLeaf> on = tree.light().on(leaves);
        Map<String, OnLeaf> found = new HashMap<>();
        for (int i = 0; i < lit.size(); i++) {
            found.put(lit.get(i).limb.id(), on.get(i));
        }
        return found;
    }

    Leaf leafOf(Wood wood, Branching branching) {
        Wood.Extent extent = extent(wood);
        Point middle = branching.pointAt(branching.get(wood.limb.id()), extent.middleM());
        return wood.leaf(middle, extent.halfM(), figure(LEAF_ACROSS));
    }

    Wood.Extent extent(Wood wood) {
        return wood.extent(figure(LEAF_CENTRE), figure(LEAF_ALONG));
    }

    double topM(Branching branching) {
        double top = woods.values().stream()
                .filter(wood -> !wood.gone)
                .mapToDouble(wood -> Math.max(
                        branching.baseOfLimb(wood.limb).upM(),
                        branching.pointAt(wood.asNow(), wood.lengthM).upM()))
                .max()
                .orElse(0);
        return Math.max(
                top, regrowths.stream().mapToDouble(Regrowth::topM).max().orElse(0));
    }

    double uprights() {
        return countedShoots + regrowths.stream().mapToDouble(one -> one.shoots).sum();
    }

    /** What stands and has died since it was surveyed. */
    List<Wood> died() {
        return woods.values().stream()
                .filter(wood ->
                        !wood.gone && !wood.living && tree.scene().branching().living(wood.limb))
                .toList();
    }

    double minutesToTake(Wood wood) {
        return figure(MINUTES_CUT) + figure(MINUTES_PER_CM) * wood.diameterCm;
    }
}
