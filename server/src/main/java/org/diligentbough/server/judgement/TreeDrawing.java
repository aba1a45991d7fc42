package org.diligentbough.server.judgement;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.light.CrownLight;
import org.diligentbough.core.light.Leaf;
import org.diligentbough.core.light.LeafOfLimbs;
import org.diligentbough.core.season.GrowthStage;
import org.diligentbough.core.season.Stages;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Point;
import org.diligentbough.core.verdict.Cut;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.server.shared.MayBeNull;

/**
 * A tree's geometry for drawing it to scale: metres from the foot of the trunk.
 *
 * @param trunkTopM height of the highest limb's origin on the trunk, m
 * @param targetHeightM height wanted, m, or null
 * @param clearanceM clearance wanted beneath, m, or null
 * @param smallWood leaf that hangs on no limb entered, or null when there is none
 * @param species its kind, whose habit is drawn
 * @param inLeaf whether it bears leaf today
 */
public record TreeDrawing(
        String species,
        boolean inLeaf,
        double heightM,
        double spreadM,
        double trunkDiameterCm,
        double trunkTopM,
        @MayBeNull Double targetHeightM,
        @MayBeNull Double clearanceM,
        @MayBeNull SmallWoodDrawing smallWood,
        List<LimbDrawing> limbs) {

    /**
     * One limb.
     *
     * @param cutAt where it is cut or bent, or null
     * @param leafCentre middle of the leaf it carries of its own, or null when it carries none
     * @param leafAlongM half the leaf's extent along the limb, m
     * @param leafAcrossM half its extent across, m
     * @param fruiting wood that fruits: 0 none, 1 sparse, 2 good, 3 crowded; null when nobody looked
     */
    public record LimbDrawing(
            String id,
            @MayBeNull String parent,
            PointDrawing base,
            PointDrawing tip,
            double diameterCm,
            double tipDiameterCm,
            double lengthM,
            double azimuthDeg,
            double angleDeg,
            boolean living,
            @MayBeNull PointDrawing cutAt,
            @MayBeNull PointDrawing leafCentre,
            double leafAlongM,
            double leafAcrossM,
            @MayBeNull Integer fruiting) {}

    /**
     * Small wood that was not entered, as the body through which its leaf is taken to be spread.
     *
     * @param share of the crown's leaf, 0 to 1, upright shoots that were counted included
     */
    public record SmallWoodDrawing(double middleUpM, double halfUpM, double halfAcrossM, double leafM2, double share) {}

    /** A place, metres from the foot of the trunk. */
    public record PointDrawing(double eastM, double northM, double upM) {
        static PointDrawing of(Point point) {
            return new PointDrawing(rounded(point.eastM()), rounded(point.northM()), rounded(point.upM()));
        }

        private static double rounded(double metres) {
            return Math.round(metres * 1000) / 1000.0;
        }
    }

    public static TreeDrawing of(Evaluation evaluation) {
        var tree = evaluation.facts().tree();
        Branching branching = evaluation.facts().branching();
        double trunkTopM =
                branching.onTrunk().stream().mapToDouble(Limb::originM).max().orElse(tree.heightM() / 3);
        CrownLight crown = evaluation.crownLight();
        Map<String, Leaf> leaves = new LeafOfLimbs(branching, evaluation.facts().knowledge()).byLimb();
        return new TreeDrawing(
                Codes.of(tree.species()),
                inLeaf(evaluation),
                tree.heightM(),
                tree.spreadM(),
                tree.trunkDiameterCm(),
                trunkTopM,
                tree.targetHeightM().isPresent() ? tree.targetHeightM().getAsDouble() : null,
                tree.clearanceM().isPresent() ? tree.clearanceM().getAsDouble() : null,
                crown.smallWood()
                        .notEntered()
                        .map(leaf -> new SmallWoodDrawing(
                                PointDrawing.rounded(leaf.centre().upM()),
                                PointDrawing.rounded(leaf.halfAlongM()),
                                PointDrawing.rounded(leaf.halfAcrossM()),
                                PointDrawing.rounded(leaf.leafAreaM2()),
                                PointDrawing.rounded(crown.shareNotEntered())))
                        .orElse(null),
                evaluation.limbs().stream()
                        .map(limb -> limb(
                                limb,
                                branching,
                                Optional.ofNullable(leaves.get(limb.limb().id()))))
                        .toList());
    }

    private static LimbDrawing limb(LimbVerdict verdict, Branching branching, Optional<Leaf> leaf) {
        Limb limb = verdict.limb();
        return new LimbDrawing(
                limb.id(),
                limb.parent().orElse(null),
                PointDrawing.of(branching.baseOfLimb(limb)),
                PointDrawing.of(branching.tip(limb)),
                limb.diameterCm(),
                limb.diameterAtCm(limb.lengthM()),
                limb.lengthM(),
                limb.azimuthDeg(),
                limb.angleDeg(),
                leaf.isPresent(),
                verdict.cut()
                        .map(Cut::place)
                        .map(place -> PointDrawing.of(branching.pointAt(limb, place.alongM())))
                        .orElse(null),
                leaf.map(found -> PointDrawing.of(found.centre())).orElse(null),
                leaf.map(Leaf::halfAlongM).orElse(0.0),
                leaf.map(Leaf::halfAcrossM).orElse(0.0),
                limb.fruiting().isPresent() ? limb.fruiting().getAsInt() : null);
    }

    /** From the first leaves until half of them are down; a kind whose leaves do not fall always is. */
    private static boolean inLeaf(Evaluation evaluation) {
        LocalDate today = evaluation.facts().survey().today();
        Stages stages = evaluation.calendar().stages();
        return IntStream.of(today.getYear() - 1, today.getYear()).anyMatch(year -> {
            Optional<Stages.Stage> down = stages.of(GrowthStage.HALF_THE_LEAVES_DOWN.bbch(), year);
            return down.isEmpty()
                    || today.isBefore(down.get().reached())
                            && stages.of(GrowthStage.FIRST_LEAVES.bbch(), year)
                                    .filter(first -> !today.isBefore(first.reached()))
                                    .isPresent();
        });
    }
}
