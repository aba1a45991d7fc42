package org.diligentbough.core.outlook;

import static org.diligentbough.core.knowledge.Figure.*;

import java.util.Map;
import org.diligentbough.core.light.CrownLight.OnLeaf;
import org.diligentbough.core.survey.Branching;

/**
 * Seasons that pass over a crown: limbs lengthen by the end shoots measured, in light and below the height the rootstock
 * lets the tree reach; leaf thickens; what the dark starves dies; fruitfulness follows the light.
 */
final class Seasons {
    private final Crown crown;
    private final double mostHeightM;
    private final double times;
    /** On its leaf as surveyed, by limb; of the first season. */
    private Map<String, OnLeaf> lightAtFirst = Map.of();

    /**
     * @param mostHeightM that its limbs can reach
     * @param times by how much growth and dying differ from what the data file says
     */
    Seasons(Crown crown, double mostHeightM, double times) {
        this.crown = crown;
        this.mostHeightM = mostHeightM;
        this.times = times;
    }

    /** One more season, in the light on its leaf as the year began. */
    void pass(Map<String, OnLeaf> light) {
        if (lightAtFirst.isEmpty()) {
            lightAtFirst = light;
        }
        Branching branching = crown.branching();
        double topM = crown.topM(branching);
        double room =
                Math.max(0, Math.min(1, (mostHeightM - topM) / (crown.figure(OUTLOOK_SLOWS_SHARE) * mostHeightM)));
        for (Wood wood : crown.woods.values()) {
            if (wood.gone || !wood.living) {
                continue;
            }
            OnLeaf on = light.get(wood.limb.id());
            double bright = on == null ? 0 : on.mean();
            double strength = Math.max(0.2, Math.min(1, bright / crown.figure(OUTLOOK_FULL_GROWTH_LIGHT)));
            double longerM = times * crown.figure(OUTLOOK_EXTENSION) * crown.shootM() * strength * room;
            double reachBefore = wood.reachM;
            double halfBefore = crown.extent(wood).halfM();
            wood.lengthM += longerM;
            wood.reachM = Math.max(wood.reachM, wood.lengthM);
            // Leaf thickens as the limb lengthens and somewhat beyond, so that a crown left alone closes.
            double larger =
                    wood.shortened() ? crown.extent(wood).halfM() / halfBefore : Math.pow(wood.reachM / reachBefore, 3);
            double thicker =
                    larger * (1 + times * crown.figure(OUTLOOK_LEAF_GROWTH) * Math.sqrt(crown.vigour()) * strength);
            wood.leafM2 *= thicker;
            wood.diameterCm *= Math.sqrt(thicker);
            starve(wood, on, branching);
            wood.fruitful = Math.max(
                    0,
                    Math.min(
                            1,
                            wood.fruitful
                                    + crown.figure(OUTLOOK_FRUIT_TURN) * (fruitfulIn(wood, bright) - wood.fruitful)));
        }
        double firstM = crown.figure(OUTLOOK_SHOOT_M) * Math.sqrt(crown.vigour());
        crown.regrowths.forEach(one -> one.grow(firstM, mostHeightM));
        crown.countedShoots += times * crown.figure(OUTLOOK_UPRIGHTS_A_YEAR) * crown.vigour();
    }

    /**
     * Twigs where it is too dark to live on what their leaf makes die; a limb that lost most of them is dead, unless it
     * feeds something that lives. What was found living in such dark bears it.
     */
    private void starve(Wood wood, OnLeaf on, Branching branching) {
        double darker = dark(on) - dark(lightAtFirst.get(wood.limb.id()));
        double lost = Math.max(0, Math.min(1, times * crown.figure(OUTLOOK_DYING_A_YEAR) * darker));
        wood.starved = 1 - (1 - wood.starved) * (1 - lost);
        wood.leafM2 *= 1 - lost;
        boolean feeds = branching.childrenOf(branching.get(wood.limb.id())).stream()
                .anyMatch(child -> crown.woods.get(child.id()).living);
        if (wood.starved > crown.figure(OUTLOOK_DEAD_FROM) && !feeds) {
            wood.living = false;
        }
    }

    private double dark(OnLeaf on) {
        return on == null ? 0 : 1 - on.shareWith(crown.figure(OUTLOOK_DYING_LIGHT));
    }

    /** How fruitful it turns in such light, beginning from how it was found. */
    private double fruitfulIn(Wood wood, double bright) {
        double enough = crown.figure(FRUIT_LIGHT);
        double lightNow = Math.min(1, bright / enough);
        OnLeaf atFirst = lightAtFirst.get(wood.limb.id());
        double lightThen = atFirst == null ? 0 : Math.min(1, atFirst.mean() / enough);
        return Math.max(0, Math.min(1, wood.fruitfulAtFirst + lightNow - lightThen));
    }
}
