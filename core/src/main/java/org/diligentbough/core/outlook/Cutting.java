package org.diligentbough.core.outlook;

import static org.diligentbough.core.knowledge.Figure.*;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.outlook.Ways.Done;
import org.diligentbough.core.outlook.Ways.Work;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Point;
import org.diligentbough.core.verdict.Verdict;

/** What is cut from a crown year by year, and the shoots that answer. */
final class Cutting {
    private final Crown crown;
    private final double times;
    /** By limb, the last shortening made. */
    private final Map<String, Done> shortened = new LinkedHashMap<>();

    /** @param times by how much regrowth differs from what the data file says */
    Cutting(Crown crown, double times) {
        this.crown = crown;
        this.times = times;
    }

    /** What a year's work came to: minutes, and the share of the crown taken by holding limbs where they were shortened. */
    record Came(double minutes, double heldShare) {}

    /** Does a year's work. {@code held}: limbs cut back to where they were shortened. */
    Came work(Work work, List<Done> held, Branching branching) {
        double leafM2 = crown.leafM2();
        double minutes = cutAll(work.cuts(), work.share(), branching);
        double heldShare = 0;
        for (Done done : held) {
            heldShare += cutBack(done, leafM2, branching);
            minutes += done.minutes();
        }
        minutes += takeShoots(work);
        if (work.upkeep()) {
            minutes += takeWhatDied(branching);
        }
        return new Came(minutes, heldShare);
    }

    /** Limbs that were shortened in an earlier year and have grown out again, where the work of the year sees to that. */
    List<Done> grownOut(Work work) {
        if (!work.upkeep()) {
            return List.of();
        }
        return shortened.values().stream()
                .filter(done -> work.cuts().stream().noneMatch(now -> now.limb().equals(done.limb())))
                .filter(done -> {
                    Wood wood = crown.woods.get(done.limb());
                    return !wood.gone
                            && wood.living
                            && wood.lengthM > done.alongM() + crown.figure(OUTLOOK_GROWN_OUT_M);
                })
                .toList();
    }

    /** Cuts a limb that grew out back to where it was shortened; returns the share of the crown, of so much leaf, taken. */
    private double cutBack(Done done, double crownM2, Branching branching) {
        double taken = shorten(crown.woods.get(done.limb()), done.alongM(), branching);
        double share = crownM2 > 0 ? taken / crownM2 : 0;
        answer(done, taken, share, branching);
        return share;
    }

    /** Makes the year's cuts, which take such a share of the crown; returns the minutes. */
    private double cutAll(List<Done> cuts, double share, Branching branching) {
        double minutes = 0;
        Map<Done, Double> leafTaken = new LinkedHashMap<>();
        for (Done done : cuts) {
            Wood wood = crown.woods.get(done.limb());
            if (wood.gone) {
                continue;
            }
            minutes += done.minutes();
            double taken =
                    switch (done.kind()) {
                        case REMOVE -> remove(wood, branching);
                        case SHORTEN -> shorten(wood, done.alongM(), branching);
                        default -> bend(wood);
                    };
            if (taken > 0) {
                leafTaken.put(done, taken);
            }
            if (done.kind() == Verdict.SHORTEN) {
                shortened.put(done.limb(), done);
            }
        }
        leafTaken.forEach((done, taken) -> answer(done, taken, share, branching));
        double allowed = crown.tree.tree().fullAllowance().year().orElse(crown.figure(OUTLOOK_BUSH_ALLOWANCE));
        double over = Math.max(0, share - allowed - 1e-9) / crown.figure(OUTLOOK_NO_CROP_OVER);
        crown.cropLost = Math.max(Math.min(1, over), crown.cropLost / 2);
        return minutes;
    }

    private double remove(Wood wood, Branching branching) {
        double taken = wood.living && !wood.gone ? wood.leafM2 : 0;
        wood.gone = true;
        wood.living = false;
        wood.leafM2 = 0;
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

    private double shorten(Wood wood, double alongM, Branching branching) {
        double taken = 0;
        if (wood.living && alongM < wood.lengthM) {
            taken = wood.leafM2 * wood.leafBeyond(alongM, crown.extent(wood));
            wood.leafM2 -= taken;
        }
        wood.lengthM = Math.min(wood.lengthM, alongM);
        for (Limb child : branching.childrenOf(branching.get(wood.limb.id()))) {
            if (child.originM() > alongM && !crown.woods.get(child.id()).gone) {
                taken += remove(crown.woods.get(child.id()), branching);
            }
        }
        return taken;
    }

    private double bend(Wood wood) {
        boolean level = crown.tree.scene().survey().site().policy().bend() == Policy.Bend.LEVEL;
        wood.angleDeg = Math.min(wood.angleDeg, crown.figure(level ? BEND_LEVEL_DEG : BEND_SLANTING_DEG));
        return 0;
    }

    /** Shoots that answer a cut: the more the larger the part of the crown that went, fewer to a cut in leaf. */
    private void answer(Done done, double leafTakenM2, double takenShare, Branching branching) {
        Limb limb = branching.get(done.limb());
        boolean shortened = done.kind() == Verdict.SHORTEN;
        Point from = branching.pointAt(limb, shortened ? done.alongM() : 0);
        double season = done.inLeaf() ? crown.figure(OUTLOOK_SUMMER_REGROWTH) : 1;
        double heading = shortened ? crown.figure(OUTLOOK_HEADING_REGROWTH) : 1;
        double strong = Math.sqrt(crown.vigour()) * season * heading * times;
        double back =
                Math.min(crown.figure(OUTLOOK_REGROWTH_MOST), crown.figure(OUTLOOK_REGROWTH) * takenShare * strong);
        double shoots = crown.figure(OUTLOOK_SHOOTS) * leafTakenM2 * takenShare * strong;
        double spreadM = Math.max(0.3, crown.figure(LEAF_ACROSS) * limb.lengthM());
        crown.regrowths.add(new Regrowth(
                done.limb(), from, back * leafTakenM2, spreadM, shoots, crown.figure(OUTLOOK_REGROWTH_FILLING)));
    }

    /** Takes counted shoots as planned, and regrown ones as far as there is time; returns the minutes. */
    private double takeShoots(Work work) {
        double counted = Math.min(crown.countedShoots, work.detailShoots());
        crown.countedShoots -= counted;
        double taken = counted;
        if (work.upkeep()) {
            double left = Math.max(0, crown.figure(DETAIL_BUDGET_MINUTES) / crown.figure(MINUTES_SHOOT) - counted);
            double waiting = crown.uprights();
            double part = waiting > 0 ? Math.min(1, left / waiting) : 0;
            taken += part * waiting;
            crown.countedShoots -= part * crown.countedShoots;
            crown.regrowths.forEach(one -> one.take(part * one.shoots));
        }
        crown.regrowths.removeIf(one -> !one.standing() && one.lengthM() > 0);
        return taken * crown.figure(MINUTES_SHOOT);
    }

    /** Dead wood takes nothing from the allowance; returns the minutes. */
    private double takeWhatDied(Branching branching) {
        double minutes = 0;
        for (Wood wood : crown.died()) {
            minutes += crown.minutesToTake(wood);
            remove(wood, branching);
        }
        return minutes;
    }
}
