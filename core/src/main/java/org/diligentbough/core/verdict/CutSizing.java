package org.diligentbough.core.verdict;

import static org.diligentbough.core.knowledge.Figure.ARBORIST_HEIGHT_M;
import static org.diligentbough.core.knowledge.Figure.ARBORIST_KG;
import static org.diligentbough.core.knowledge.Figure.BIG_CUT_CM;
import static org.diligentbough.core.knowledge.Figure.BIG_CUT_FLOOR_CM;
import static org.diligentbough.core.knowledge.Figure.BIG_CUT_TRUNK_SHARE;
import static org.diligentbough.core.knowledge.Figure.BIG_SHORTENING_CM;
import static org.diligentbough.core.knowledge.Figure.GREEN_DENSITY;
import static org.diligentbough.core.knowledge.Figure.GROUND_REACH_M;
import static org.diligentbough.core.knowledge.Figure.HEAVY_PEOPLE;
import static org.diligentbough.core.knowledge.Figure.HOLD_KG;
import static org.diligentbough.core.knowledge.Figure.LOPPERS_CM;
import static org.diligentbough.core.knowledge.Figure.MINUTES_CUT;
import static org.diligentbough.core.knowledge.Figure.MINUTES_LADDER;
import static org.diligentbough.core.knowledge.Figure.MINUTES_PER_CM;
import static org.diligentbough.core.knowledge.Figure.MINUTES_PER_KG;
import static org.diligentbough.core.knowledge.Figure.MINUTES_SHOOT;
import static org.diligentbough.core.knowledge.Figure.MINUTES_THREE_CUTS;
import static org.diligentbough.core.knowledge.Figure.POLE_CM;
import static org.diligentbough.core.knowledge.Figure.POLE_REACH_M;
import static org.diligentbough.core.knowledge.Figure.SECATEURS_CM;
import static org.diligentbough.core.knowledge.Figure.TWO_PEOPLE_KG;

import java.util.EnumSet;
import java.util.Set;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.OverTarget;

/** How big, heavy, high and long a cut is, and what it takes to make it. */
public final class CutSizing {
    private final Scene scene;

    public CutSizing(Scene scene) {
        this.scene = scene;
    }

    /** The cut a limb gets at a place. */
    public Cut cut(Limb limb, Place place) {
        double heightM = scene.branching().pointAt(limb, place.alongM()).upM();
        if (place.kind() == CutKind.BEND) {
            return bend(limb, place, heightM);
        }
        double diameterCm = limb.diameterAtCm(place.alongM());
        double weightKg = scene.branching().volumeBeyondM3(limb, place.alongM()) * scene.figure(GREEN_DENSITY);
        Technique technique = diameterCm > scene.figure(BIG_CUT_CM) || weightKg > scene.figure(HOLD_KG)
                ? Technique.THREE_CUT
                : Technique.SINGLE;
        Reach reach = reach(heightM, diameterCm);
        return new Cut(
                place,
                diameterCm,
                scene.branching().living(limb) && big(diameterCm, place.kind()),
                technique,
                tool(diameterCm, reach),
                reach,
                heightM,
                weightKg,
                minutes(diameterCm, weightKg, technique, reach, place.kind()),
                tickets(limb, heightM, weightKg, reach));
    }

    private Cut bend(Limb limb, Place place, double heightM) {
        Reach reach = heightM <= scene.figure(GROUND_REACH_M) ? Reach.GROUND : Reach.LADDER;
        int minutes = (int) Math.ceil(scene.figure(MINUTES_CUT) + scene.figure(MINUTES_THREE_CUTS));
        return new Cut(
                place,
                limb.diameterCm(),
                false,
                Technique.TIE,
                Tool.SPREADER,
                reach,
                heightM,
                0,
                minutes,
                reach == Reach.LADDER ? Set.of(Ticket.LADDER) : Set.of());
    }

    /**
     * Whether a cut of live wood is big: a removal of 5 cm and over, or over a quarter of the trunk, but never under 3 cm;
     * a shortening to a branch or bud from 8 cm.
     */
    public boolean big(double diameterCm, CutKind kind) {
        if (kind == CutKind.TO_SIDE_BRANCH || kind == CutKind.HEADING) {
            return diameterCm >= scene.figure(BIG_SHORTENING_CM);
        }
        double ofTrunkCm = scene.figure(BIG_CUT_TRUNK_SHARE) * scene.tree().trunkDiameterCm();
        boolean wide = diameterCm >= scene.figure(BIG_CUT_CM) || diameterCm > ofTrunkCm;
        return wide && diameterCm >= scene.figure(BIG_CUT_FLOOR_CM);
    }

    private Reach reach(double heightM, double diameterCm) {
        if (heightM <= scene.figure(GROUND_REACH_M)) {
            return Reach.GROUND;
        }
        if (heightM <= scene.figure(POLE_REACH_M) && diameterCm <= scene.figure(POLE_CM)) {
            return Reach.POLE;
        }
        return heightM <= scene.figure(ARBORIST_HEIGHT_M) ? Reach.LADDER : Reach.CLIMB;
    }

    private Tool tool(double diameterCm, Reach reach) {
        if (reach == Reach.POLE) {
            return Tool.POLE_PRUNER;
        }
        if (diameterCm <= scene.figure(SECATEURS_CM)) {
            return Tool.SECATEURS;
        }
        return diameterCm <= scene.figure(LOPPERS_CM) ? Tool.LOPPERS : Tool.SAW;
    }

    /** Person-minutes: whoever holds the rope of a heavy limb is counted, and clearing up with it. */
    private int minutes(double diameterCm, double weightKg, Technique technique, Reach reach, CutKind kind) {
        double sawn = Math.max(0, diameterCm - scene.figure(LOPPERS_CM));
        boolean snip = (kind == CutKind.HEADING || kind == CutKind.TOPPING) && diameterCm <= scene.figure(SECATEURS_CM);
        double atTheCut = scene.figure(snip ? MINUTES_SHOOT : MINUTES_CUT)
                + sawn * scene.figure(MINUTES_PER_CM)
                + (technique == Technique.THREE_CUT ? scene.figure(MINUTES_THREE_CUTS) : 0)
                + (reach == Reach.LADDER || reach == Reach.CLIMB ? scene.figure(MINUTES_LADDER) : 0);
        double people = weightKg > scene.figure(TWO_PEOPLE_KG) ? scene.figure(HEAVY_PEOPLE) : 1;
        return (int) Math.ceil(atTheCut * people + weightKg * scene.figure(MINUTES_PER_KG));
    }

    private Set<Ticket> tickets(Limb limb, double heightM, double weightKg, Reach reach) {
        Set<Ticket> tickets = EnumSet.noneOf(Ticket.class);
        if (reach == Reach.LADDER) {
            tickets.add(Ticket.LADDER);
        }
        TrunkHazard trunk = new TrunkHazard(scene);
        if (overTheCrew(heightM, weightKg)
                || overWhatOnlyAnArboristMay(limb)
                || trunk.present()
                || trunk.callusedUnionOf(limb)) {
            tickets.add(Ticket.ARBORIST);
        }
        return tickets;
    }

    /** Whether a cut is too high or what comes off too heavy for volunteers. */
    boolean overTheCrew(double heightM, double weightKg) {
        return heightM > scene.figure(ARBORIST_HEIGHT_M) || weightKg > scene.figure(ARBORIST_KG);
    }

    private static boolean overWhatOnlyAnArboristMay(Limb limb) {
        return limb.overTarget()
                .filter(target ->
                        target == OverTarget.POWER_LINE || target == OverTarget.ROAD || target == OverTarget.BUILDING)
                .isPresent();
    }
}
