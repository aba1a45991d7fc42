package org.diligentbough.core.outlook;

import static org.diligentbough.core.knowledge.Figure.*;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.light.CrownLight.OnLeaf;
import org.diligentbough.core.light.Leaf;
import org.diligentbough.core.light.LeafOfLimbs;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.orchard.Rootstocks;
import org.diligentbough.core.outlook.Outlook.Grown;
import org.diligentbough.core.outlook.Outlook.Shoots;
import org.diligentbough.core.outlook.Ways.Done;
import org.diligentbough.core.outlook.Ways.Work;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Point;
import org.diligentbough.core.verdict.Verdict;

/**
 * A tree while years pass over it: what is cut, then a season's growth. Limbs lengthen by the end shoots measured, in
 * light and below the height its rootstock lets it reach; leaf thickens; dark wood starves and dies; cuts are answered by
 * upright shoots, the more the larger the part of the crown that went.
 */
final class GrowingTree {
    /** How far beyond its cut a shortened limb grows before it wants shortening again. */
    private static final double GROWN_OUT_M = 0.5;

    private final Planned tree;
    private final double times;
    private final Map<String, Wood> woods = new LinkedHashMap<>();
    private final List<Regrowth> regrowths = new ArrayList<>();
    /** By limb, the last shortening made. */
    private final Map<String, Done> shortened = new LinkedHashMap<>();

    private final double mostHeightM;
    private final double topAtFirstM;
    private final double leafAtFirstM2;
    private final double woodAtFirst;
    private final double shootM;
    private double countedShoots;
    /** How far the crop of this year and the next is kept down, 0 to 1. */
    private double cropLost;

    private int age;
    private Map<String, OnLeaf> lightAtFirst = Map.of();

    GrowingTree(Planned tree, Rootstocks rootstocks, double times) {
        this.tree = tree;
        this.times = times;
        Branching branching = tree.scene().branching();
        Map<String, Leaf> leaves = new LeafOfLimbs(branching, tree.scene().knowledge()).byLimb();
        for (Limb limb : branching.outwards()) {
            Leaf leaf = leaves.get(limb.id());
            woods.put(limb.id(), new Wood(limb, leaf == null ? 0 : leaf.leafAreaM2(), leaf != null));
        }
        this.leafAtFirstM2 =
                woods.values().stream().mapToDouble(wood -> wood.leafM2).sum();
        this.woodAtFirst = woods.values().stream().mapToDouble(Wood::volume).sum();
        this.topAtFirstM = Math.max(0.1, topM(branching()));
        var measured = tree.scene().tree();
        this.shootM = measured.shootExtensionCm().orElse(100 * figure(DEFAULT_REGROWTH_M)) / 100;
        this.countedShoots = measured.waterSprouts().orElse(0);
        double onStockM = measured.rootstock()
                .flatMap(stock -> rootstocks.find(measured.species(), stock))
                .map(stock -> stock.toM() * figure(OUTLOOK_UNPRUNED_TIMES))
                .orElse(measured.heightM() * figure(OUTLOOK_UNKNOWN_STOCK_TIMES));
        this.mostHeightM = Math.max(topAtFirstM, onStockM * topAtFirstM / measured.heightM());
    }

    private double figure(Figure figure) {
        return tree.scene().figure(figure);
    }

    /** The tree as the year begins; then its work is done and its season passes. */
    Outlook.Year year(int year, Work work) {
        Branching branching = branching();
        // Where a limb was taken its place is still looked at, so that the light of years can be compared.
        List<Wood> lit = woods.values().stream()
                .filter(wood -> wood.leafAtFirstM2 > 0 && (wood.living || wood.gone))
                .toList();
        Map<String, OnLeaf> light = light(branching, lit);
        if (age == 0) {
            lightAtFirst = light;
        }
        Map<String, Double> cutAtM = new HashMap<>();
        Map<String, Verdict> cut = new HashMap<>();
        List<Done> cuts = new ArrayList<>(work.cuts());
        if (work.upkeep()) {
            cuts.addAll(grownOut(work));
        }
        for (Done done : cuts) {
            if (!woods.get(done.limb()).gone) {
                cut.put(done.limb(), done.kind());
                cutAtM.put(done.limb(), done.alongM());
            }
        }
        List<Grown> grown = woods.values().stream()
                .filter(wood -> !wood.gone)
                .map(wood -> grown(wood, branching, light, cut, cutAtM))
                .toList();
        List<Shoots> shoots = regrowths.stream()
                .filter(Regrowth::standing)
                .map(one -> new Shoots(one.limb, one.from, one.lengthM(), one.shoots, one.spreadM()))
                .toList();
        double uprights = uprights();
        double fruit = fruit(wood -> 1);
        OptionalDouble wantedM = tree.scene().tree().targetHeightM();
        OptionalDouble inReach = wantedM.isEmpty()
                ? OptionalDouble.empty()
                : OptionalDouble.of(fruit(wood -> below(leafOf(wood, branching), wantedM.getAsDouble())));
        double waiting = minutesWaiting();
        double heightM = tree.scene().tree().heightM() * topM(branching) / topAtFirstM;
        double risk = splitRisk();
        double dead = deadShare();
        double mean = mean(light);
        OptionalDouble inLight = inLight(light);

        double leafM2 = woods.values().stream().mapToDouble(wood -> wood.leafM2).sum();
        double minutes = cutAll(work.cuts(), work.share(), branching);
        double held = 0;
        for (Done done : cuts.subList(work.cuts().size(), cuts.size())) {
            held += cutBack(done, leafM2, branching);
            minutes += done.minutes();
        }
        minutes += takeShoots(work);
        if (work.upkeep()) {
            minutes += takeWhatDied(branching);
        }
        season(light);
        age++;
        return new Outlook.Year(
                year,
                heightM,
                mean,
                inLight,
                uprights,
                fruit,
                inReach,
                dead,
                risk,
                minutes,
                waiting,
                Math.min(1, work.share() + held),
                grown,
                shoots);
    }

    private Branching branching() {
        return new Branching(woods.values().stream().map(Wood::asNow).toList());
    }

    private Map<String, OnLeaf> light(Branching branching, List<Wood> lit) {
        List<Leaf> leaves = new ArrayList<>();
        for (Wood wood : lit) {
            leaves.add(leafOf(wood, branching));
        }
        regrowths.stream().filter(Regrowth::standing).map(Regrowth::leaf).forEach(leaves::add);
        List<OnLeaf> on = tree.light().on(leaves);
        Map<String, OnLeaf> found = new HashMap<>();
        for (int i = 0; i < lit.size(); i++) {
            found.put(lit.get(i).limb.id(), on.get(i));
        }
        return found;
    }

    private Leaf leafOf(Wood wood, Branching branching) {
        Wood.Extent extent = extent(wood);
        Point middle = branching.pointAt(branching.get(wood.limb.id()), extent.middleM());
        return wood.leaf(middle, extent.halfM(), figure(LEAF_ACROSS));
    }

    private Wood.Extent extent(Wood wood) {
        return wood.extent(figure(LEAF_CENTRE), figure(LEAF_ALONG));
    }

    private Grown grown(
            Wood wood,
            Branching branching,
            Map<String, OnLeaf> light,
            Map<String, Verdict> cut,
            Map<String, Double> cutAtM) {
        Limb limb = branching.get(wood.limb.id());
        OnLeaf on = light.get(limb.id());
        boolean inLeaf = on != null;
        Leaf leaf = inLeaf ? leafOf(wood, branching) : null;
        return new Grown(
                limb.id(),
                branching.baseOfLimb(limb),
                branching.pointAt(limb, wood.lengthM),
                wood.diameterCm,
                wood.diameterCm * (1 - (1 - Limb.TIP_TAPER) * wood.lengthM / wood.reachM),
                wood.living,
                inLeaf ? on.mean() : 0,
                inLeaf ? leaf.centre() : branching.tip(limb),
                inLeaf ? leaf.halfAlongM() : 0,
                inLeaf ? leaf.halfAcrossM() : 0,
                Optional.ofNullable(cut.get(limb.id())),
                cutAtM.getOrDefault(limb.id(), 0.0));
    }

    private double topM(Branching branching) {
        double top = woods.values().stream()
                .filter(wood -> !wood.gone)
                .mapToDouble(wood -> Math.max(
                        branching.baseOfLimb(wood.limb).upM(),
                        branching.pointAt(wood.asNow(), wood.lengthM).upM()))
                .max()
                .orElse(0);
        return Math.max(
                top, regrowths.stream().mapToDouble(Regrowth::topM).max().orElse(0));
    }

    private double uprights() {
        return countedShoots + regrowths.stream().mapToDouble(one -> one.shoots).sum();
    }

    /** Leaf times how fruitful it is, of all the leaf there was; what it grows beyond that is outside, out of reach. */
    private double fruit(ToDoubleFunction<Wood> part) {
        double sum = woods.values().stream()
                .filter(wood -> !wood.gone && wood.living)
                .mapToDouble(
                        wood -> Math.min(wood.leafM2, wood.leafAtFirstM2) * wood.fruitful * part.applyAsDouble(wood))
                .sum();
        return leafAtFirstM2 > 0 ? (1 - cropLost) * Math.min(1, sum / leafAtFirstM2) : 0;
    }

    /** Part of a body of leaf below a height, 0 to 1. */
    private static double below(Leaf leaf, double heightM) {
        double up = leaf.axis().upM();
        double halfM = Math.sqrt(Math.pow(leaf.halfAlongM() * up, 2) + Math.pow(leaf.halfAcrossM(), 2) * (1 - up * up));
        return Math.max(0, Math.min(1, (heightM - leaf.centre().upM() + halfM) / (2 * halfM)));
    }

    private double deadShare() {
        double dead = woods.values().stream()
                .filter(wood -> !wood.gone)
                .mapToDouble(wood -> wood.volume() * (wood.living ? figure(OUTLOOK_TWIGS) * wood.starved : 1))
                .sum();
        return woodAtFirst > 0 ? Math.min(1, dead / woodAtFirst) : 0;
    }

    /** Weak unions weaken as what hangs on them grows heavier; two chances that are apart join as such do. */
    private double splitRisk() {
        double holds = 1;
        for (Wood wood : woods.values()) {
            Limb limb = wood.limb;
            boolean partnerGone = limb.faults().stream()
                    .flatMap(fault -> fault.with().stream())
                    .map(woods::get)
                    .anyMatch(other -> other != null && other.gone);
            if (!wood.gone && !partnerGone) {
                double weak = (limb.has(FaultKind.NARROW_UNION) ? figure(OUTLOOK_SPLIT_NARROW) : 0)
                        + (limb.has(FaultKind.INCLUDED_BARK) ? figure(OUTLOOK_SPLIT_INCLUDED) : 0)
                        + (limb.has(FaultKind.CRACKED) ? figure(OUTLOOK_SPLIT_CRACKED) : 0);
                double heavier = Math.pow(wood.reachM / limb.lengthM(), 2) * wood.lengthM / wood.reachM;
                holds *= 1 - Math.min(1, weak * heavier * Math.pow(1 + figure(OUTLOOK_SPLIT_GROWTH), age));
            }
        }
        return 1 - holds;
    }

    private double minutesWaiting() {
        double cuts = tree.limbs().stream()
                .filter(limb -> limb.cut().isPresent() && !woods.get(limb.limb().id()).gone)
                .filter(limb -> woods.get(limb.limb().id()).lengthM
                        > limb.cut().orElseThrow().place().alongM() + GROWN_OUT_M)
                .mapToDouble(limb -> limb.cut().orElseThrow().minutes())
                .sum();
        double died = died().stream().mapToDouble(this::minutesToTake).sum();
        return cuts + died + figure(MINUTES_SHOOT) * uprights();
    }

    /** What stands and has died since it was surveyed. */
    private List<Wood> died() {
        return woods.values().stream()
                .filter(wood ->
                        !wood.gone && !wood.living && tree.scene().branching().living(wood.limb))
                .toList();
    }

    private double minutesToTake(Wood wood) {
        return figure(MINUTES_CUT) + figure(MINUTES_PER_CM) * wood.diameterCm;
    }

    /** Dead wood takes nothing from the allowance; returns the minutes. */
    private double takeWhatDied(Branching branching) {
        double minutes = 0;
        for (Wood wood : died()) {
            minutes += minutesToTake(wood);
            remove(wood, branching);
        }
        return minutes;
    }

    /** Mean light where its leaf is or was; what died is dark. */
    private double mean(Map<String, OnLeaf> light) {
        double sum = 0;
        for (Wood wood : woods.values()) {
            OnLeaf on = light.get(wood.limb.id());
            sum += on == null ? 0 : wood.leafAtFirstM2 * on.mean();
        }
        return leafAtFirstM2 > 0 ? Math.min(1, sum / leafAtFirstM2) : 0;
    }

    private OptionalDouble inLight(Map<String, OnLeaf> light) {
        double leaf = 0;
        double sum = 0;
        for (Wood wood : woods.values()) {
            if (!wood.gone && wood.fruiting) {
                OnLeaf on = light.get(wood.limb.id());
                leaf += wood.leafAtFirstM2;
                sum += on == null ? 0 : wood.leafAtFirstM2 * on.shareWith(figure(FRUIT_LIGHT));
            }
        }
        return leaf > 0 ? OptionalDouble.of(Math.min(1, sum / leaf)) : OptionalDouble.empty();
    }

    /** Limbs that were shortened in an earlier year and have grown out again. */
    private List<Done> grownOut(Work work) {
        return shortened.values().stream()
                .filter(done -> work.cuts().stream().noneMatch(now -> now.limb().equals(done.limb())))
                .filter(done -> {
                    Wood wood = woods.get(done.limb());
                    return !wood.gone && wood.living && wood.lengthM > done.alongM() + GROWN_OUT_M;
                })
                .toList();
    }

    /** Cuts a limb that grew out back to where it was shortened; returns the share of the crown, of so much leaf, taken. */
    private double cutBack(Done done, double crownM2, Branching branching) {
        double taken = shorten(woods.get(done.limb()), done.alongM(), branching);
        double share = crownM2 > 0 ? taken / crownM2 : 0;
        answer(done, taken, share, branching);
        return share;
    }

    /** Makes the year's cuts, which take such a share of the crown; returns the minutes. */
    private double cutAll(List<Done> cuts, double share, Branching branching) {
        double minutes = 0;
        Map<Done, Double> leafTaken = new LinkedHashMap<>();
        for (Done done : cuts) {
            Wood wood = woods.get(done.limb());
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
        double allowed = tree.tree().fullAllowance().year().orElse(figure(OUTLOOK_BUSH_ALLOWANCE));
        double over = Math.max(0, share - allowed - 1e-9) / figure(OUTLOOK_NO_CROP_OVER);
        cropLost = Math.max(Math.min(1, over), cropLost / 2);
        return minutes;
    }

    private double remove(Wood wood, Branching branching) {
        double taken = wood.living && !wood.gone ? wood.leafM2 : 0;
        wood.gone = true;
        wood.living = false;
        wood.leafM2 = 0;
        for (Limb child : branching.childrenOf(branching.get(wood.limb.id()))) {
            taken += woods.get(child.id()).gone ? 0 : remove(woods.get(child.id()), branching);
        }
        for (Regrowth one : regrowths) {
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
            taken = wood.leafM2 * wood.leafBeyond(alongM, extent(wood));
            wood.leafM2 -= taken;
        }
        wood.lengthM = Math.min(wood.lengthM, alongM);
        for (Limb child : branching.childrenOf(branching.get(wood.limb.id()))) {
            if (child.originM() > alongM && !woods.get(child.id()).gone) {
                taken += remove(woods.get(child.id()), branching);
            }
        }
        return taken;
    }

    private double bend(Wood wood) {
        boolean level = tree.scene().survey().site().policy().bend() == Policy.Bend.LEVEL;
        wood.angleDeg = Math.min(wood.angleDeg, figure(level ? BEND_LEVEL_DEG : BEND_SLANTING_DEG));
        return 0;
    }

    /** Shoots that answer a cut: the more the larger the part of the crown that went, fewer to a cut in leaf. */
    private void answer(Done done, double leafTakenM2, double takenShare, Branching branching) {
        Limb limb = branching.get(done.limb());
        boolean shortened = done.kind() == Verdict.SHORTEN;
        Point from = branching.pointAt(limb, shortened ? done.alongM() : 0);
        double season = done.inLeaf() ? figure(OUTLOOK_SUMMER_REGROWTH) : 1;
        double heading = shortened ? figure(OUTLOOK_HEADING_REGROWTH) : 1;
        double strong = Math.sqrt(vigour()) * season * heading * times;
        double back = Math.min(figure(OUTLOOK_REGROWTH_MOST), figure(OUTLOOK_REGROWTH) * takenShare * strong);
        double shoots = figure(OUTLOOK_SHOOTS) * leafTakenM2 * takenShare * strong;
        double spreadM = Math.max(0.3, figure(LEAF_ACROSS) * limb.lengthM());
        regrowths.add(
                new Regrowth(done.limb(), from, back * leafTakenM2, spreadM, shoots, figure(OUTLOOK_REGROWTH_FILLING)));
    }

    /** How strongly it grows: 1 where end shoots are as long as is usual. */
    private double vigour() {
        return Math.max(0.3, Math.min(2.5, shootM / figure(DEFAULT_REGROWTH_M)));
    }

    /** Takes counted shoots as planned, and regrown ones as far as there is time; returns the minutes. */
    private double takeShoots(Work work) {
        double counted = Math.min(countedShoots, work.detailShoots());
        countedShoots -= counted;
        double taken = counted;
        if (work.upkeep()) {
            double left = Math.max(0, figure(DETAIL_BUDGET_MINUTES) / figure(MINUTES_SHOOT) - counted);
            double waiting = uprights();
            double part = waiting > 0 ? Math.min(1, left / waiting) : 0;
            taken += part * waiting;
            countedShoots -= part * countedShoots;
            regrowths.forEach(one -> one.take(part * one.shoots));
        }
        regrowths.removeIf(one -> !one.standing() && one.lengthM() > 0);
        return taken * figure(MINUTES_SHOOT);
    }

    /** A season: growth, light, hunger, fruitfulness. */
    private void season(Map<String, OnLeaf> light) {
        Branching branching = branching();
        double topM = topM(branching);
        double room = Math.max(0, Math.min(1, (mostHeightM - topM) / (figure(OUTLOOK_SLOWS_SHARE) * mostHeightM)));
        for (Wood wood : woods.values()) {
            if (wood.gone || !wood.living) {
                continue;
            }
            OnLeaf on = light.get(wood.limb.id());
            double bright = on == null ? 0 : on.mean();
            double strength = Math.max(0.2, Math.min(1, bright / figure(OUTLOOK_FULL_GROWTH_LIGHT)));
            double longerM = times * figure(OUTLOOK_EXTENSION) * shootM * strength * room;
            double reachBefore = wood.reachM;
            double halfBefore = extent(wood).halfM();
            wood.lengthM += longerM;
            wood.reachM = Math.max(wood.reachM, wood.lengthM);
            // Leaf thickens as the limb lengthens and somewhat beyond, so that a crown left alone closes.
            double larger =
                    wood.shortened() ? extent(wood).halfM() / halfBefore : Math.pow(wood.reachM / reachBefore, 3);
            double thicker = larger * (1 + times * figure(OUTLOOK_LEAF_GROWTH) * Math.sqrt(vigour()) * strength);
            wood.leafM2 *= thicker;
            wood.diameterCm *= Math.sqrt(thicker);
            starve(wood, on, branching);
            wood.fruitful = Math.max(
                    0,
                    Math.min(
                            1,
                            wood.fruitful + figure(OUTLOOK_FRUIT_TURN) * (fruitfulIn(wood, bright) - wood.fruitful)));
        }
        double firstM = figure(OUTLOOK_SHOOT_M) * Math.sqrt(vigour());
        regrowths.forEach(one -> one.grow(firstM, mostHeightM));
        countedShoots += times * figure(OUTLOOK_UPRIGHTS_A_YEAR) * vigour();
    }

    /**
     * Twigs where it is too dark to live on what their leaf makes die; a limb that lost most of them is dead, unless it
     * feeds something that lives. What was found living in such dark bears it.
     */
    private void starve(Wood wood, OnLeaf on, Branching branching) {
        double darker = dark(on) - dark(lightAtFirst.get(wood.limb.id()));
        double lost = Math.max(0, Math.min(1, times * figure(OUTLOOK_DYING_A_YEAR) * darker));
        wood.starved = 1 - (1 - wood.starved) * (1 - lost);
        wood.leafM2 *= 1 - lost;
        boolean feeds = branching.childrenOf(branching.get(wood.limb.id())).stream()
                .anyMatch(child -> woods.get(child.id()).living);
        if (wood.starved > figure(OUTLOOK_DEAD_FROM) && !feeds) {
            wood.living = false;
        }
    }

    private double dark(OnLeaf on) {
        return on == null ? 0 : 1 - on.shareWith(figure(OUTLOOK_DYING_LIGHT));
    }

    /** How fruitful it turns in such light, beginning from how it was found. */
    private double fruitfulIn(Wood wood, double bright) {
        double enough = figure(FRUIT_LIGHT);
        double lightNow = Math.min(1, bright / enough);
        OnLeaf atFirst = lightAtFirst.get(wood.limb.id());
        double lightThen = atFirst == null ? 0 : Math.min(1, atFirst.mean() / enough);
        return Math.max(0, Math.min(1, wood.fruitfulAtFirst + lightNow - lightThen));
    }
}
