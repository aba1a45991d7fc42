package org.diligentbough.core.outlook;

import static org.diligentbough.core.knowledge.Figure.*;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.outlook.Treatments.Done;
import org.diligentbough.core.outlook.Treatments.Work;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Point;
import org.diligentbough.core.verdict.Verdict;

/** What is cut from a crown year by year, and the shoots that answer. */
final class Cutting {
    private static final double LEAST_SPREAD_M = 0.4;
    /** Uprights stand wider about a cut than a limb's leaf about the limb. */
    private static final double SPREAD_TIMES = 1.6;

    private final Crown crown;
    private final double times;

    /** @param times by how much regrowth differs from what the data file says */
    Cutting(Crown crown, double times) {
        this.crown = crown;
        this.times = times;
    }

    /** Does a year's work as planned; returns the minutes. */
    double work(Work work, Branching branching) {
        double minutes = cutAll(work.cuts(), work.share(), branching) + takeShoots(work);
        if (work.upkeep()) {
            minutes += takeWhatDied(branching);
        }
        return minutes;
    }

    /** Makes the year's cuts, which take such a share of the crown; returns the minutes. */
    private double cutAll(List<Done> cuts, double share, Branching branching) {
        double minutes = 0;
        Map<Done, Double> leafTaken = new LinkedHashMap<>();
        for (Done done : cuts) {
            GrowingLimb wood = crown.woods.get(done.limb());
            if (wood.gone) {
                continue;
            }
            minutes += done.minutes();
            if (done.yearly()) {
                continue;
            }
            double taken =
                    switch (done.kind()) {
                        case REMOVE -> remove(wood, branching);
                        case SHORTEN -> shorten(wood, done.alongM(), branching);
                        default -> bend(wood);
                    };
            if (taken > 0) {
                leafTaken.put(done, taken);
            }
            wood.keepAsItIs();
        }
        leafTaken.forEach((done, taken) -> answer(done, taken, share, branching));
        double allowed = crown.tree.facts().traits().hasAllowance()
                ? crown.tree.facts().usualAllowance()
                : crown.figure(OUTLOOK_BUSH_ALLOWANCE);
        double over = Math.max(0, share - allowed - 1e-9) / crown.figure(OUTLOOK_NO_CROP_OVER);
        // A fig bears its main crop on what answers the cut: only the first crop goes with the wood.
        double lost = crown.fig() ? crown.figure(FIG_FIRST_CROP_SHARE) * share : Math.min(1, over);
        crown.cropLost = Math.max(lost, crown.fig() ? 0 : crown.cropLost / 2);
        thin(crown.notEnteredM2 * Math.min(1, share));
        return minutes;
    }

    /** Takes so much of the small wood that was not entered, m2: it goes with the limbs in their share. */
    void thin(double leafM2) {
        crown.notEnteredM2 = Math.max(0, crown.notEnteredM2 - leafM2);
        crown.notEnteredKeptM2 = Math.min(crown.notEnteredKeptM2, crown.notEnteredM2);
    }

    double remove(GrowingLimb wood, Branching branching) {
        double taken = wood.living && !wood.gone ? wood.leafM2 : 0;
        wood.gone = true;
        wood.living = false;
        wood.leafM2 = 0;
        wood.darkM2 = 0;
        for (Limb child : branching.childrenOf(branching.get(wood.limb.id()))) {
            taken += crown.woods.get(child.id()).gone ? 0 : remove(crown.woods.get(child.id()), branching);
        }
        for (Regrowth one : crown.regrowths) {
            if (one.limb.equals(wood.limb.id())) {
                taken += one.leafM2();
                one.remove();
            }
        }
        return taken;
    }

    double shorten(GrowingLimb wood, double alongM, Branching branching) {
        double taken = 0;
        if (wood.living && alongM < wood.lengthM) {
            taken = wood.leafM2 * wood.leafBeyond(alongM, crown.extent(wood));
            // What grows from the cut is renewed wood.
            wood.youth = 1 - (1 - wood.youth) * (1 - taken / Math.max(taken, wood.leafM2 + 1e-12));
            wood.darkM2 *= 1 - taken / Math.max(taken, wood.leafM2 + 1e-12);
            wood.leafM2 = Math.max(0, wood.leafM2 - taken);
        }
        wood.lengthM = Math.min(wood.lengthM, alongM);
        for (Limb child : branching.childrenOf(branching.get(wood.limb.id()))) {
            if (child.originM() > alongM && !crown.woods.get(child.id()).gone) {
                taken += remove(crown.woods.get(child.id()), branching);
            }
        }
        return taken;
    }

    private double bend(GrowingLimb wood) {
        boolean level = crown.tree.facts().survey().site().policy().bend() == Policy.Bend.LEVEL;
        wood.angleDeg = Math.min(wood.angleDeg, crown.figure(level ? BEND_LEVEL_DEG : BEND_SLANTING_DEG));
        return 0;
    }

    /** Shoots that answer a cut: the more the larger the part of the crown that went, fewer to a cut in leaf. */
    private void answer(Done done, double leafTakenM2, double takenShare, Branching branching) {
        if (crown.fig() && crown.woods.get(done.limb()).stands()) {
            GrowingLimb wood = crown.woods.get(done.limb());
            wood.leafM2 += crown.figure(OUTLOOK_FIG_REFILL) * leafTakenM2;
            double shootsM = crown.figure(OUTLOOK_SHOOT_M) * Math.sqrt(crown.vigour());
            wood.lengthM = Math.min(wood.reachM, wood.lengthM + shootsM);
            wood.keepAsItIs();
            return;
        }
        Limb limb = branching.get(done.limb());
        boolean shortened = done.kind() == Verdict.SHORTEN;
        Point from = branching.pointAt(limb, shortened ? done.alongM() : 0);
        double season = done.inLeaf() ? crown.figure(OUTLOOK_SUMMER_REGROWTH) : 1;
        double heading = shortened ? crown.figure(OUTLOOK_HEADING_REGROWTH) : 1;
        double strong = Math.sqrt(crown.vigour()) * season * heading * times;
        double back =
                Math.min(crown.figure(OUTLOOK_REGROWTH_MOST), crown.figure(OUTLOOK_REGROWTH) * takenShare * strong);
        double shoots = crown.figure(OUTLOOK_SHOOTS) * leafTakenM2 * takenShare * strong;
        double spreadM = Math.max(LEAST_SPREAD_M, SPREAD_TIMES * crown.figure(LEAF_ACROSS) * limb.lengthM());
        crown.regrowths.add(new Regrowth(
                done.limb(), from, back * leafTakenM2, spreadM, shoots, crown.figure(OUTLOOK_REGROWTH_FILLING)));
    }

    /** Takes counted shoots as planned, and more as far as there is time; returns the minutes. */
    private double takeShoots(Work work) {
        double counted = Math.min(crown.countedShoots, work.detailShoots());
        crown.countedShoots -= counted;
        double taken = counted;
        if (work.upkeep()) {
            double left = Math.max(0, crown.figure(DETAIL_BUDGET_MINUTES) / crown.figure(MINUTES_SHOOT) - counted);
            double more = Math.min(left, crown.countedShoots);
            crown.countedShoots -= more;
            taken += more;
        }
        crown.regrowths.removeIf(one -> !one.standing() && one.lengthM() > 0);
        return taken * crown.figure(MINUTES_SHOOT);
    }

    /** Shoots that answered a cut are torn off in their first summer; returns the minutes. */
    double tearRegrowth() {
        double shoots = crown.regrowths.stream().mapToDouble(one -> one.shoots).sum();
        crown.regrowths.clear();
        return shoots * crown.figure(MINUTES_SHOOT);
    }

    /** Dead wood takes nothing from the allowance; returns the minutes. */
    private double takeWhatDied(Branching branching) {
        double minutes = 0;
        for (GrowingLimb wood : crown.died()) {
            minutes += crown.minutesToTake(wood);
            remove(wood, branching);
        }
        crown.woods.values().stream().filter(GrowingLimb::stands).forEach(wood -> wood.died = 0);
        return minutes;
    }
}
