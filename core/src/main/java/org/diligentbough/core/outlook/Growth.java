package org.diligentbough.core.outlook;

import static org.diligentbough.core.knowledge.Figure.*;

import org.diligentbough.core.light.CrownLight.OnLeaf;
import org.diligentbough.core.outlook.Crown.Lit;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.FaultKind;

/**
 * Seasons that pass over a crown: limbs lengthen by the end shoots measured, in light and below the height the rootstock
 * lets the tree reach; leaf thickens until the crown is full; what the dark starves dies twig by twig; fruitfulness follows
 * the light, and untouched wood ages. What is not in the data file is own assumption.
 */
final class Growth {
    private static final double FULL_BEARING_TO_DEG = 60;
    private static final double STEEP_DEG = 80;
    /** Years of neglect that tell in how a tree is found; it does not get worse for ever. */
    private static final double FOUND_AGED_YEARS = 10;
    /** Part of its reach that a limb of a formed tree gains in a year at the most. */
    private static final double MOST_LONGER = 0.04;
    /** Of its wood, part that died from which a limb is dead. */
    private static final double ALL_BUT_DEAD = 0.99;

    private final Crown crown;
    private final double mostHeightM;
    private final double times;
    /** On its leaf as surveyed. */
    private Lit lightAtFirst;

    /**
     * @param mostHeightM that its limbs can reach
     * @param times by how much growth and dying differ from what the data file says
     */
    Growth(Crown crown, double mostHeightM, double times) {
        this.crown = crown;
        this.mostHeightM = mostHeightM;
        this.times = times;
    }

    /** The tree as it was found: fruitful as light and age allow. */
    void begin(Lit light) {
        lightAtFirst = light;
        double ages = crown.tree.facts().traits().agesAYear();
        double years = Math.min(
                FOUND_AGED_YEARS, crown.tree.facts().tree().yearsSinceCut().orElse(0));
        for (GrowingLimb wood : crown.woods.values()) {
            wood.youth = Math.pow(1 - ages, years);
            wood.fruitful = allowed(wood, light.on(wood));
        }
        crown.notEnteredYouth = Math.pow(1 - ages, years);
        crown.notEnteredFruitful =
                crown.notEnteredYouth * light.notEntered().map(crown::byLight).orElse(0.0);
    }

    /**
     * One season's growth, in the light on its leaf before.
     *
     * @param keptUp whether its wood is renewed year by year and does not age
     * @param mostM that shoots which answer cuts can reach, m
     */
    void grow(Lit light, boolean keptUp, double mostM) {
        Branching branching = crown.branching();
        double topM = crown.limbTopM(branching);
        double room =
                Math.max(0, Math.min(1, (mostHeightM - topM) / (crown.figure(OUTLOOK_SLOWS_SHARE) * mostHeightM)));
        double thickens = times
                * crown.figure(OUTLOOK_LEAF_GROWTH)
                * Math.max(0, 1 - crown.leafIndex(topM / crown.topAtFirstM) / crown.figure(OUTLOOK_LEAF_INDEX_MOST));
        double ages = crown.tree.facts().traits().agesAYear();
        boolean young = crown.tree.facts().young();
        for (GrowingLimb wood : crown.woods.values()) {
            if (!wood.stands()) {
                continue;
            }
            OnLeaf on = light.on(wood);
            double bright = on == null ? 0 : on.mean();
            double strength = Math.max(0.2, Math.min(1, bright / crown.figure(OUTLOOK_FULL_GROWTH_LIGHT)));
            double longerM = Math.min(
                            crown.figure(OUTLOOK_EXTENSION) * crown.shootM(),
                            young ? Double.MAX_VALUE : MOST_LONGER * wood.reachM)
                    * times
                    * strength
                    * room;
            double reachBefore = wood.reachM;
            double halfBefore = crown.extent(wood).halfM();
            wood.lengthM += longerM;
            wood.reachM = Math.max(wood.reachM, wood.lengthM);
            double reach = wood.reachM / reachBefore;
            double larger = wood.shortened() ? crown.extent(wood).halfM() / halfBefore : reach * reach;
            double leaf = wood.leafM2 * larger * (1 + thickens);
            wood.diameterCm *= Math.sqrt(reach * reach * (1 + thickens));
            wood.leafM2 = leaf;
            wood.youth *= keptUp ? 1 : 1 - ages;
            weaken(wood);
        }
        double scale = Math.max(1, crown.limbTopM(crown.branching()) / Math.max(0.1, topM));
        crown.notEnteredM2 *= scale * scale * (1 + thickens);
        crown.notEnteredYouth *= keptUp ? 1 : 1 - ages;
        double firstM = crown.figure(OUTLOOK_SHOOT_M) * Math.sqrt(crown.vigour());
        crown.regrowths.forEach(one -> one.grow(firstM, Math.min(mostM, mostHeightM)));
        crown.countedShoots += times * crown.figure(OUTLOOK_UPRIGHTS_A_YEAR) * crown.vigour();
    }

    /** New wood comes where something was taken below the height wanted and light falls. */
    void refill(Lit light) {
        Branching branching = crown.branching();
        double rate = crown.fig() ? 1 : crown.figure(OUTLOOK_REFILL);
        for (int i = 0; i < crown.refills.size(); i++) {
            Refill refill = crown.refills.get(i);
            double stands = refill.leafM2();
            for (GrowingLimb wood : crown.woods.values()) {
                if (wood.stands()
                        && (wood.limb.id().equals(refill.main)
                                || branching.growsFrom(branching.get(wood.limb.id()), branching.get(refill.main)))) {
                    stands += wood.leafM2 * crown.below(crown.leafOf(wood, branching));
                }
            }
            double lit = light.refills()[i].between(
                    crown.figure(OUTLOOK_REFILL_LIGHT), crown.figure(OUTLOOK_FRUIT_FULL_LIGHT));
            refill.grow(times(rate) * Math.max(0, refill.roomM2 - stands) * lit);
        }
    }

    private double times(double rate) {
        return Math.min(1, rate * times);
    }

    /** Twigs die in the dark, and fruitfulness turns to what light and age allow. */
    void turn(Lit light) {
        double turn = crown.figure(OUTLOOK_FRUIT_TURN);
        for (GrowingLimb wood : crown.woods.values()) {
            if (wood.stands()) {
                starve(wood, light);
                wood.fruitful += turn * (allowed(wood, light.on(wood)) - wood.fruitful);
            }
        }
        limitDeaths();
        light.notEntered().ifPresent(on -> {
            double darker = dark(on) - lightAtFirst.notEntered().map(this::dark).orElse(0.0);
            double lost = lost(darker);
            crown.notEnteredM2 *= 1 - lost;
            crown.notEnteredFruitful += turn * (crown.notEnteredYouth * crown.byLight(on) - crown.notEnteredFruitful);
        });
        for (int i = 0; i < light.refills().length; i++) {
            Refill refill = crown.refills.get(i);
            double now = crown.byLight(light.refills()[i]);
            refill.fruitful = refill.bearingM2(1) > 0 ? refill.fruitful + turn * (now - refill.fruitful) : now;
        }
    }

    /** What light, steepness and age allow a limb to bear, 0 to 1. */
    private double allowed(GrowingLimb wood, OnLeaf on) {
        double steep = crown.anyAngleBears()
                ? 0
                : Math.max(0, Math.min(1, (wood.angleDeg - FULL_BEARING_TO_DEG) / (STEEP_DEG - FULL_BEARING_TO_DEG)));
        return on == null ? 0 : crown.byLight(on) * (1 - steep * (1 - crown.figure(OUTLOOK_STEEP_FRUIT))) * wood.youth;
    }

    /** What hangs too far out or by a weak union may break, and with it goes what it would bear. */
    private void weaken(GrowingLimb wood) {
        double overlong = wood.limb.has(FaultKind.OVERLONG) && wood.lengthM >= wood.limb.lengthM() - 1e-9
                ? crown.figure(OUTLOOK_BREAK_OVERLONG)
                : 0;
        double heavier = Math.pow(wood.lengthM / wood.limb.lengthM(), 2);
        wood.holds *= 1 - Math.min(1, times * (overlong + crown.weakness(wood)) * heavier);
    }

    /** What was found living in such dark bears it; where it gets darker, twigs die. */
    private void starve(GrowingLimb wood, Lit light) {
        double lost = lost(dark(light.on(wood)) - dark(lightAtFirst.on(wood)));
        wood.starved = 1 - (1 - wood.starved) * (1 - lost);
        wood.darkM2 += wood.leafM2 * lost;
        wood.leafM2 *= 1 - lost;
        wood.keptLeafM2 = Math.min(wood.keptLeafM2, Math.max(wood.leafM2, wood.keptLeafM2 * (1 - lost)));
    }

    private double lost(double darker) {
        return Math.max(0, Math.min(1, times * crown.figure(OUTLOOK_DYING_A_YEAR) * darker));
    }

    private double dark(OnLeaf on) {
        double dying = crown.figure(OUTLOOK_DYING_LIGHT);
        return on == null ? 0 : 1 - on.between(dying / 2, dying * 1.5);
    }

    /**
     * Wood follows its twigs: a limb that lost most of them dies, unless it feeds something that lives, and never more in a
     * year than so much of the tree.
     */
    private void limitDeaths() {
        Branching branching = crown.tree.facts().branching();
        double twigs = crown.figure(OUTLOOK_TWIGS);
        double from = crown.figure(OUTLOOK_DEAD_FROM);
        double[] dying = new double[crown.woods.size()];
        double sum = 0;
        for (GrowingLimb wood : crown.woods.values()) {
            if (!wood.stands()) {
                continue;
            }
            boolean feeds = branching.childrenOf(wood.limb).stream()
                    .anyMatch(child -> crown.woods.get(child.id()).stands());
            double beyond = feeds ? 0 : Math.max(0, (wood.starved - from) / (1 - from));
            double dies = twigs * Math.min(wood.starved, from) + beyond * (1 - twigs * from);
            dying[wood.index] = Math.max(0, dies - wood.died);
            sum += wood.volumeAtFirst * dying[wood.index];
        }
        double most = crown.figure(OUTLOOK_DEATHS_MOST) * crown.woodAtFirst;
        double part = sum > most ? most / sum : 1;
        for (GrowingLimb wood : crown.woods.values()) {
            if (wood.stands()) {
                wood.died += part * dying[wood.index];
                wood.living = wood.died < ALL_BUT_DEAD;
                if (!wood.living) {
                    wood.darkM2 += wood.leafM2;
                    wood.leafM2 = 0;
                    wood.died = 1;
                }
            }
        }
    }
}
