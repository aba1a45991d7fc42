package org.diligentbough.core.light;

import static org.diligentbough.core.knowledge.Figure.*;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.orchard.SpeciesTraits;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Point;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.survey.TreeSurvey;

/**
 * Leaf of a tree that hangs on no limb entered: small wood, spread through the crown as measured, and upright shoots that
 * were counted. It counts for light and a little for fruit, and has no verdict (own assumptions).
 *
 * @param notEntered the body of small wood; empty when there is none
 * @param uprights the shoots counted, on the limbs on the trunk
 */
public record SmallWood(Optional<Leaf> notEntered, List<Uprights> uprights) {
    /** Upright shoots stand on the outer two thirds of a limb. */
    private static final double OUTER_FROM = 1 / 3.0;

    public static final SmallWood NONE = new SmallWood(Optional.empty(), List.of());

    public SmallWood {
        uprights = List.copyOf(uprights);
    }

    /** All bodies, small wood first. */
    List<Leaf> bodies() {
        return Stream.concat(notEntered.stream(), uprights.stream().map(Uprights::leaf))
                .toList();
    }

    /** Shoots on one limb. */
    public record Uprights(String limb, Leaf leaf) {}

    /**
     * That of a tree as surveyed.
     *
     * @param kept whether it is cut each year and no renovation waits
     */
    public static SmallWood of(
            Survey survey, Branching branching, SpeciesTraits traits, boolean kept, Knowledge knowledge) {
        double areaM2 = notEnteredM2(survey, branching, traits, kept, knowledge);
        return new SmallWood(
                areaM2 > 0 ? Optional.of(body(survey.tree(), branching, areaM2)) : Optional.empty(),
                uprights(survey.tree(), branching, knowledge));
    }

    /**
     * Leaf, m2, of small wood that was not entered: what was carried on from an earlier survey, else by how dense the
     * surveyor saw the crown, else by the trunk; less what the limbs entered carry and the part of those that are dead. None
     * for bushes and figs.
     */
    public static double notEnteredM2(
            Survey survey, Branching branching, SpeciesTraits traits, boolean kept, Knowledge knowledge) {
        TreeSurvey tree = survey.tree();
        if (tree.noted().notEnteredM2().isPresent()) {
            return tree.noted().notEnteredM2().getAsDouble();
        }
        if (traits.bush()
                || traits.group() == SpeciesTraits.Group.FIG
                || branching.outwards().isEmpty()) {
            return 0;
        }
        double crownM2 = Math.PI / 4 * tree.spreadM() * tree.spreadM();
        double ofTrunk = knowledge.get(TREE_LEAF_TIMES)
                * Math.pow(tree.trunkCrossSectionCm2(), knowledge.get(TREE_LEAF_POWER))
                * (kept ? knowledge.get(KEPT_LEAF_SHARE) : 1);
        double whole = tree.noted()
                .leafDensity()
                .map(seen -> knowledge.get(
                                switch (seen) {
                                    case OPEN -> LEAF_INDEX_OPEN;
                                    case MEDIUM -> LEAF_INDEX_MEDIUM;
                                    case DENSE -> LEAF_INDEX_DENSE;
                                })
                        * crownM2)
                .orElse(Math.min(ofTrunk, knowledge.get(TREE_LEAF_INDEX_MOST) * crownM2));
        double entered = new LeafOfLimbs(branching, knowledge)
                .byLimb().values().stream().mapToDouble(Leaf::leafAreaM2).sum();
        return Math.max(0, whole * (1 - deadPart(branching)) - entered);
    }

    /** Part, 0 to 1, of the wood on the trunk, by cross-section, that is dead. */
    private static double deadPart(Branching branching) {
        double all = 0;
        double dead = 0;
        for (Limb limb : branching.onTrunk()) {
            double section = limb.diameterCm() * limb.diameterCm();
            all += section;
            dead += branching.living(limb) ? 0 : section;
        }
        return all > 0 ? dead / all : 0;
    }

    /** Through the crown as measured, from where its lowest limb leaves the trunk. */
    private static Leaf body(TreeSurvey tree, Branching branching, double areaM2) {
        double bottomM = branching.onTrunk().stream()
                .mapToDouble(limb -> branching.baseOfLimb(limb).upM())
                .min()
                .orElse(0);
        double fromM = Math.min(bottomM, 0.8 * tree.heightM());
        return new Leaf(
                new Point(0, 0, (tree.heightM() + fromM) / 2),
                new Point(0, 0, 1),
                Math.max(0.1, (tree.heightM() - fromM) / 2),
                Math.max(0.1, tree.spreadM() / 2),
                areaM2);
    }

    /** On the upper sides of the living limbs on the trunk, by their wood. */
    private static List<Uprights> uprights(TreeSurvey tree, Branching branching, Knowledge knowledge) {
        OptionalDouble shoots = tree.waterSprouts().isPresent()
                ? OptionalDouble.of(tree.waterSprouts().getAsInt())
                : OptionalDouble.empty();
        List<Limb> mains =
                branching.onTrunk().stream().filter(branching::living).toList();
        double wood = mains.stream().mapToDouble(SmallWood::wood).sum();
        List<Uprights> found = new ArrayList<>();
        if (shoots.orElse(0) > 0 && wood > 0) {
            double areaM2 = shoots.getAsDouble() * knowledge.get(UPRIGHT_LEAF_M2);
            double aboveM = knowledge.get(UPRIGHT_LEAF_ABOVE_M);
            for (Limb main : mains) {
                Point middle = branching.pointAt(main, (1 + OUTER_FROM) / 2 * main.lengthM());
                found.add(new Uprights(
                        main.id(),
                        new Leaf(
                                new Point(middle.eastM(), middle.northM(), middle.upM() + aboveM / 2),
                                new Point(0, 0, 0).towards(main.azimuthDeg(), main.angleDeg(), 1),
                                Math.max(0.1, (1 - OUTER_FROM) / 2 * main.lengthM()),
                                aboveM / 2,
                                areaM2 * wood(main) / wood)));
            }
        }
        return found;
    }

    private static double wood(Limb limb) {
        return limb.diameterCm() * limb.lengthM();
    }
}
