package org.diligentbough.core.crew;

import java.util.EnumSet;
import java.util.Set;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.verdict.Cut;
import org.diligentbough.core.verdict.Reach;
import org.diligentbough.core.verdict.TreeFacts;

/** What a crew brings. */
public enum Kit {
    LADDER,
    SECATEURS,
    LOPPERS,
    SAW,
    POLE_PRUNER,
    POLE_SAW,
    SPREADER,
    ROPE,
    HELMET,
    GLOVES;

    /** What a cut of a tree takes: its tool, what it is reached with, and what keeps people whole under it. */
    public static Set<Kit> of(Cut cut, TreeFacts facts) {
        Set<Kit> kit = EnumSet.of(valueOf(cut.tool().name()));
        if (cut.reach() == Reach.LADDER) {
            kit.add(LADDER);
        }
        if (cut.reach() != Reach.GROUND) {
            kit.add(HELMET);
        }
        if (cut.weightKg() > facts.figure(Figure.TWO_PEOPLE_KG)) {
            kit.add(ROPE);
        }
        addGloves(kit, facts);
        return kit;
    }

    /** What the ordinary yearly cutting of a kept tree takes: done from the ground, with poles where it is higher. */
    public static Set<Kit> ofUpkeep(TreeFacts facts) {
        Set<Kit> kit = EnumSet.of(SECATEURS, LOPPERS, SAW);
        if (facts.tree().heightM() > facts.figure(Figure.GROUND_REACH_M)) {
            kit.add(POLE_PRUNER);
            kit.add(HELMET);
        }
        addGloves(kit, facts);
        return kit;
    }

    private static void addGloves(Set<Kit> kit, TreeFacts facts) {
        Species species = facts.tree().species();
        if (species == Species.GOOSEBERRY || species == Species.POMEGRANATE || species == Species.CITRUS) {
            kit.add(GLOVES);
        }
    }
}
