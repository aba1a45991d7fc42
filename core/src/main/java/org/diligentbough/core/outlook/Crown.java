package org.diligentbough.core.outlook;

import static org.diligentbough.core.knowledge.Figure.*;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.light.CrownLight.InOthers;
import org.diligentbough.core.light.CrownLight.OnLeaf;
import org.diligentbough.core.light.Leaf;
import org.diligentbough.core.light.LeafOfLimbs;
import org.diligentbough.core.light.SmallWood;
import org.diligentbough.core.orchard.SpeciesTraits.Group;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.DecayScreen;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Point;

/**
 * The limbs of a tree as they are in one of the years looked ahead to, with the shoots that answered cuts, new wood that
 * refills, and small wood that was not entered.
 */
final class Crown {
    private static final double LEAST_ROOM_M = 0.4;
    /** A crown brought down to less than this part of its height is no measure of the ground it covers. */
    private static final double LEAST_SCALE = 0.2;

    final Planned tree;
    private final Map<Optional<String>, Double> decay = new HashMap<>();
    final Map<String, GrowingLimb> woods = new LinkedHashMap<>();
    final List<Regrowth> regrowths = new ArrayList<>();
    final List<Refill> refills = new ArrayList<>();
    /** Small wood as surveyed. */
    final SmallWood smallWood;
    /** As surveyed, m2, small wood left out. */
    final double leafAtFirstM2;
    /** As surveyed, in the unit of {@link GrowingLimb#volume()}. */
    final double woodAtFirst;
    /** Top of the limbs as surveyed, m; 0.1 at the least. */
    final double topAtFirstM;
    /** Leaf of small wood as surveyed, m2. */
    final double notEnteredAtFirstM2;

    double notEnteredM2;
    /** Leaf of small wood at which it is kept up, m2. */
    double notEnteredKeptM2;

    double notEnteredFruitful;
    /** How much of its fruitfulness age has left it, 0 to 1. */
    double notEnteredYouth;
    /** Upright shoots that were counted, not drawn one by one. */
    double countedShoots;
    /** How far the crop of this year and the next is kept down, 0 to 1. */
    double cropLost;
    /** How far measured height stands over the limbs' tops, m: shoots nobody entered. */
    double overTopsM;

    private final InOthers inOthers;
    private Branching branching;
    /** What the branching was made of, so that it is made anew only where that changed. */
    private double[] measuresOfBranching;

    Crown(Planned tree) {
        this.tree = tree;
        new DecayScreen(tree.facts().survey(), tree.facts().branching())
                .all()
                .forEach(face -> decay.merge(face.decay().on(), face.strengthLoss(), Math::max));
        this.inOthers = tree.light().inOthers();
        Branching branching = tree.facts().branching();
        Map<String, Leaf> leaves = new LeafOfLimbs(branching, tree.facts().knowledge()).byLimb();
        for (Limb limb : branching.outwards()) {
            Leaf leaf = leaves.get(limb.id());
            double furthestSideM = branching.childrenOf(limb).stream()
                    .mapToDouble(Limb::originM)
                    .max()
                    .orElse(0);
            woods.put(
                    limb.id(),
                    new GrowingLimb(
                            woods.size(), limb, furthestSideM, leaf == null ? 0 : leaf.leafAreaM2(), leaf != null));
        }
        this.leafAtFirstM2 = limbLeafM2();
        this.woodAtFirst =
                woods.values().stream().mapToDouble(GrowingLimb::volume).sum();
        this.topAtFirstM = Math.max(0.1, topM(branching()));
        this.overTopsM = tree.facts().tree().heightM() - topAtFirstM;
        this.countedShoots = tree.facts().tree().waterSprouts().orElse(0);
        this.smallWood = tree.light().smallWood();
        this.notEnteredAtFirstM2 = smallWood.notEntered().map(Leaf::leafAreaM2).orElse(0.0);
        this.notEnteredM2 = notEnteredAtFirstM2;
        this.notEnteredKeptM2 = notEnteredAtFirstM2;
        branching.onTrunk().stream()
                .filter(branching::living)
                .map(main -> room(main, branching))
                .flatMap(Optional::stream)
                .forEach(refills::add);
    }

    double figure(Figure figure) {
        return tree.facts().figure(figure);
    }

    boolean fig() {
        return tree.facts().traits().group() == Group.FIG;
    }

    /** Whether steep wood bears as well as other wood. */
    boolean anyAngleBears() {
        return fig() || tree.facts().traits().bush();
    }

    /** What light alone allows, 0 to 1: how much wood bears, and how far its fruit sizes and colours. */
    double byLight(OnLeaf on) {
        return on.between(figure(OUTLOOK_FRUIT_NO_LIGHT), figure(OUTLOOK_FRUIT_FULL_LIGHT));
    }

    /** Chance that a limb or its union gives way in a year, 0 to 1, as it was found; none at a union whose other limb is gone. */
    double weakness(GrowingLimb wood) {
        boolean partnerGone = wood.limb.faults().stream()
                .flatMap(fault -> fault.with().stream())
                .map(woods::get)
                .anyMatch(other -> other != null && other.gone);
        double hollow = figure(OUTLOOK_SPLIT_CRACKED) * decayLoss(Optional.of(wood.limb.id()));
        return partnerGone
                ? hollow
                : hollow
                        + (wood.limb.has(FaultKind.NARROW_UNION) ? figure(OUTLOOK_SPLIT_NARROW) : 0)
                        + (wood.limb.has(FaultKind.INCLUDED_BARK) ? figure(OUTLOOK_SPLIT_INCLUDED) : 0)
                        + (wood.limb.has(FaultKind.CRACKED) ? figure(OUTLOOK_SPLIT_CRACKED) : 0);
    }

    /** Most of the strength, 0 to 1, that a hollow face takes from a limb, or from the trunk where that is empty. */
    double decayLoss(Optional<String> limb) {
        return decay.getOrDefault(limb, 0.0);
    }

    /** How strongly it grows: 1 where end shoots are as long as is usual. */
    double vigour() {
        return Math.max(0.3, Math.min(2.5, shootM() / figure(DEFAULT_REGROWTH_M)));
    }

    /** Length of this year's end shoots as measured, else the usual, m. */
    double shootM() {
        return tree.facts().tree().shootExtensionCm().orElse(100 * figure(DEFAULT_REGROWTH_M)) / 100;
    }

    /** Leaf of the limbs, m2. */
    double limbLeafM2() {
        double sum = 0;
        for (GrowingLimb wood : woods.values()) {
            sum += wood.leafM2;
        }
        return sum;
    }

    /** Leaf of limbs, new wood and small wood, m2. */
    double leafM2() {
        double sum = limbLeafM2() + notEnteredM2;
        for (Refill refill : refills) {
            sum += refill.leafM2();
        }
        return sum;
    }

    /** Leaf over each m2 of ground that the crown covers. */
    double leafIndex(double scale) {
        double acrossM = tree.facts().tree().spreadM() * Math.max(LEAST_SCALE, scale);
        double shoots = regrowths.stream().mapToDouble(Regrowth::leafM2).sum();
        return (leafM2() + shoots) / (Math.PI / 4 * acrossM * acrossM);
    }

    /** The height below which it is to bear, m: what is wanted, else what it has. */
    double wantedM() {
        return tree.facts()
                .tree()
                .targetHeightM()
                .orElse(Math.max(topAtFirstM, tree.facts().tree().heightM()));
    }

    /** The limbs as they are now; the same one until a limb is thicker, leans otherwise or is longer. */
    Branching branching() {
        double[] measures = new double[3 * woods.size()];
        int at = 0;
        for (GrowingLimb wood : woods.values()) {
            measures[at++] = wood.diameterCm;
            measures[at++] = wood.angleDeg;
            measures[at++] = wood.drawnM();
        }
        if (!Arrays.equals(measures, measuresOfBranching)) {
            branching = new Branching(
                    woods.values().stream().map(GrowingLimb::asNow).toList());
            measuresOfBranching = measures;
        }
        return branching;
    }

    /** Room below the height wanted that a limb on the trunk and all it bears take up. */
    private Optional<Refill> room(Limb main, Branching branching) {
        double baseM = branching.baseOfLimb(main).upM();
        double rise = Math.sin(Math.toRadians(main.angleDeg()));
        double withinM = rise > 0 ? Math.min(main.lengthM(), (wantedM() - baseM) / rise) : main.lengthM();
        double leaf = 0;
        for (GrowingLimb wood : woods.values()) {
            if (wood.limb.id().equals(main.id()) || branching.growsFrom(wood.limb, main)) {
                leaf += wood.leafM2 * below(leafOf(wood, branching));
            }
        }
        if (withinM < LEAST_ROOM_M || leaf <= 0) {
            return Optional.empty();
        }
        return Optional.of(new Refill(
                main.id(),
                leaf,
                branching.pointAt(main, figure(LEAF_CENTRE) * withinM),
                new Point(0, 0, 0).towards(main.azimuthDeg(), main.angleDeg(), 1),
                figure(LEAF_ALONG) * withinM,
                figure(LEAF_ACROSS) * main.lengthM()));
    }

    /** Part of a body of leaf below the height wanted, 0 to 1. */
    double below(Leaf leaf) {
        double up = leaf.axis().upM();
        double along = leaf.halfAlongM() * up;
        double halfM = Math.sqrt(along * along + leaf.halfAcrossM() * leaf.halfAcrossM() * (1 - up * up));
        return Math.max(0, Math.min(1, (wantedM() - leaf.centre().upM() + halfM) / (2 * halfM)));
    }

    /**
     * Light in a year, as it is or was looked at.
     *
     * @param woods by the limb's index; null where nothing stands
     * @param refills in their order; none where nothing refills
     */
    record Lit(OnLeaf[] woods, OnLeaf[] refills, Optional<OnLeaf> notEntered) {
        OnLeaf on(GrowingLimb wood) {
            return woods[wood.index];
        }
    }

    /**
     * Light where its leaf is.
     *
     * @param refilling whether new wood refills, so that the light in its room matters
     */
    Lit light(Branching branching, boolean refilling) {
        List<GrowingLimb> lit = woods.values().stream()
                .filter(wood -> wood.stands() && wood.leafAtFirstM2 > 0)
                .toList();
        List<Leaf> leaves = new ArrayList<>();
        for (GrowingLimb wood : lit) {
            leaves.add(leafOf(wood, branching));
        }
        List<Refill> rooms = refilling ? refills : List.of();
        rooms.forEach(refill -> leaves.add(refill.leaf()));
        notEntered(branching).ifPresent(leaves::add);
        int looked = leaves.size();
        regrowths.stream().filter(Regrowth::standing).map(Regrowth::leaf).forEach(leaves::add);
        uprights(branching, leaves);
        List<OnLeaf> on = inOthers.on(leaves, looked);
        OnLeaf[] onWoods = new OnLeaf[woods.size()];
        for (int i = 0; i < lit.size(); i++) {
            onWoods[lit.get(i).index] = on.get(i);
        }
        OnLeaf[] onRefills = on.subList(lit.size(), lit.size() + rooms.size()).toArray(OnLeaf[]::new);
        return new Lit(
                onWoods,
                onRefills,
                looked > lit.size() + rooms.size() ? Optional.of(on.get(looked - 1)) : Optional.empty());
    }

    /** Small wood fills the crown as it is now. */
    Optional<Leaf> notEntered(Branching branching) {
        double scale = topM(branching) / topAtFirstM;
        return smallWood.notEntered().map(leaf -> {
            double bottomM = leaf.centre().upM() - leaf.halfAlongM();
            double halfM = Math.max(0.1, (scale * (leaf.centre().upM() + leaf.halfAlongM()) - bottomM) / 2);
            return new Leaf(
                    new Point(0, 0, bottomM + halfM),
                    leaf.axis(),
                    halfM,
                    leaf.halfAcrossM() * Math.max(1, scale),
                    notEnteredM2);
        });
    }

    /** The shoots that were counted, on the limbs that stand. */
    private void uprights(Branching branching, List<Leaf> leaves) {
        double atFirst = tree.facts().tree().waterSprouts().orElse(0);
        if (countedShoots <= 0 || atFirst <= 0) {
            return;
        }
        for (SmallWood.Uprights shoots : smallWood.uprights()) {
            GrowingLimb wood = woods.get(shoots.limb());
            if (wood.stands()) {
                Leaf leaf = shoots.leaf();
                leaves.add(new Leaf(
                        leaf.centre(),
                        leaf.axis(),
                        leaf.halfAlongM(),
                        leaf.halfAcrossM(),
                        leaf.leafAreaM2() * countedShoots / atFirst));
            }
        }
    }

    Leaf leafOf(GrowingLimb wood, Branching branching) {
        LeafOfLimbs.Extent extent = extent(wood);
        Point middle = branching.pointAt(branching.get(wood.limb.id()), extent.middleM());
        return wood.leaf(middle, extent.halfM(), figure(LEAF_ACROSS));
    }

    LeafOfLimbs.Extent extent(GrowingLimb wood) {
        return wood.extent(tree.facts().knowledge());
    }

    /** Highest point of what stands of its limbs, shoots left out, m. */
    double limbTopM(Branching branching) {
        return woods.values().stream()
                .filter(wood -> !wood.gone)
                .mapToDouble(wood -> topOf(wood, branching))
                .max()
                .orElse(0);
    }

    double topOf(GrowingLimb wood, Branching branching) {
        Limb now = branching.get(wood.limb.id());
        return Math.max(
                branching.baseOfLimb(now).upM(),
                branching.pointAt(now, wood.lengthM).upM());
    }

    double topM(Branching branching) {
        return Math.max(
                limbTopM(branching),
                regrowths.stream().mapToDouble(Regrowth::topM).max().orElse(0));
    }

    double uprights() {
        return countedShoots + regrowths.stream().mapToDouble(one -> one.shoots).sum();
    }

    /** What stands and has died since it was surveyed. */
    List<GrowingLimb> died() {
        return woods.values().stream()
                .filter(wood ->
                        !wood.gone && !wood.living && tree.facts().branching().living(wood.limb))
                .toList();
    }

    double minutesToTake(GrowingLimb wood) {
        return figure(MINUTES_CUT) + figure(MINUTES_PER_CM) * wood.diameterCm;
    }
}
