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
import static org.diligentbough.core.knowledge.Figure.MINUTES_TIMES;
import static org.diligentbough.core.knowledge.Figure.POLE_CM;
import static org.diligentbough.core.knowledge.Figure.POLE_REACH_M;
import static org.diligentbough.core.knowledge.Figure.PRUNINGS_TIMES;
import static org.diligentbough.core.knowledge.Figure.SECATEURS_CM;
import static org.diligentbough.core.knowledge.Figure.TWO_PEOPLE_KG;

import java.util.EnumSet;
import java.util.Set;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.OverTarget;

/** How big, heavy, high and long a cut is, and what it takes to make it. */
public final class CutSizing {
    private final TreeFacts facts;

    public CutSizing(TreeFacts facts) {
        this.facts = facts;
    }

    /** The cut a limb gets at a place. */
    public Cut cut(Limb limb, Place place) {
        double heightM = facts.branching().pointAt(limb, place.alongM()).upM();
        if (place.kind() == CutKind.BEND) {
            return bend(limb, place, heightM);
        }
        double diameterCm = limb.diameterAtCm(place.alongM());
        double weightKg = facts.figure(PRUNINGS_TIMES)
                * facts.figure(GREEN_DENSITY)
                * facts.branching().volumeBeyondM3(limb, place.alongM());
        Technique technique = diameterCm > facts.figure(BIG_CUT_CM) || weightKg > facts.figure(HOLD_KG)
                ? Technique.THREE_CUT
                : Technique.SINGLE;
        Reach reach = reach(heightM, diameterCm);
        return new Cut(
                place,
                diameterCm,
                facts.branching().living(limb) && big(diameterCm, place.kind()),
                technique,
                tool(diameterCm, reach),
                reach,
                heightM,
                weightKg,
                minutes(diameterCm, weightKg, technique, reach, place.kind()),
                tickets(limb, heightM, weightKg, reach));
    }

    private Cut bend(Limb limb, Place place, double heightM) {
        Reach reach = heightM <= facts.figure(GROUND_REACH_M) ? Reach.GROUND : Reach.LADDER;
        int minutes = (int) Math.ceil(facts.figure(MINUTES_CUT) + facts.figure(MINUTES_THREE_CUTS));
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
            return diameterCm >= facts.figure(BIG_SHORTENING_CM);
        }
        double ofTrunkCm = facts.figure(BIG_CUT_TRUNK_SHARE) * facts.tree().trunkDiameterCm();
        boolean wide = diameterCm >= facts.figure(BIG_CUT_CM) || diameterCm > ofTrunkCm;
        return wide && diameterCm >= facts.figure(BIG_CUT_FLOOR_CM);
    }

    private Reach reach(double heightM, double diameterCm) {
        if (heightM <= facts.figure(GROUND_REACH_M)) {
            return Reach.GROUND;
        }
        if (heightM <= facts.figure(POLE_REACH_M) && diameterCm <= facts.figure(POLE_CM)) {
            return Reach.POLE;
        }
        return heightM <= facts.figure(ARBORIST_HEIGHT_M) ? Reach.LADDER : Reach.CLIMB;
    }

    private Tool tool(double diameterCm, Reach reach) {
        if (reach == Reach.POLE) {
            return Tool.POLE_PRUNER;
        }
        if (diameterCm <= facts.figure(SECATEURS_CM)) {
            return Tool.SECATEURS;
        }
        return diameterCm <= facts.figure(LOPPERS_CM) ? Tool.LOPPERS : Tool.SAW;
    }

    /** Person-minutes: whoever holds the rope of a heavy limb is counted, and clearing up with it. */
    private int minutes(double diameterCm, double weightKg, Technique technique, Reach reach, CutKind kind) {
        double sawn = Math.max(0, diameterCm - facts.figure(LOPPERS_CM));
        boolean snip = (kind == CutKind.HEADING || kind == CutKind.TOPPING) && diameterCm <= facts.figure(SECATEURS_CM);
        double atTheCut = facts.figure(snip ? MINUTES_SHOOT : MINUTES_CUT)
                + sawn * facts.figure(MINUTES_PER_CM)
                + (technique == Technique.THREE_CUT ? facts.figure(MINUTES_THREE_CUTS) : 0)
                + (reach == Reach.LADDER || reach == Reach.CLIMB ? facts.figure(MINUTES_LADDER) : 0);
        double people = weightKg > facts.figure(TWO_PEOPLE_KG) ? facts.figure(HEAVY_PEOPLE) : 1;
        return (int)
                Math.ceil(facts.figure(MINUTES_TIMES) * (atTheCut * people + weightKg * facts.figure(MINUTES_PER_KG)));
    }

    private Set<Ticket> tickets(Limb limb, double heightM, double weightKg, Reach reach) {
        Set<Ticket> tickets = EnumSet.noneOf(Ticket.class);
        if (reach == Reach.LADDER) {
            tickets.add(Ticket.LADDER);
        }
        TrunkHazard trunk = new TrunkHazard(facts);
        if (overTheCrew(heightM, weightKg)
                || overWhatOnlyAnArboristMay(limb)
                || trunk.present()
                || !trunk.ofLimb(limb).isEmpty()
                || trunk.callusedUnionOf(limb)) {
            tickets.add(Ticket.ARBORIST);
        }
        return tickets;
    }

    /** Whether a cut is too high or what comes off too heavy for volunteers. */
    boolean overTheCrew(double heightM, double weightKg) {
        return heightM > facts.figure(ARBORIST_HEIGHT_M) || weightKg > facts.figure(ARBORIST_KG);
    }

    private static boolean overWhatOnlyAnArboristMay(Limb limb) {
        return limb.overTarget()
                .filter(target ->
                        target == OverTarget.POWER_LINE || target == OverTarget.ROAD || target == OverTarget.BUILDING)
                .isPresent();
    }
}
