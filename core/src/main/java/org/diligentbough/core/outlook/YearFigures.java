package org.diligentbough.core.outlook;

import static org.diligentbough.core.knowledge.Figure.*;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import org.diligentbough.core.light.CrownLight.OnLeaf;
import org.diligentbough.core.light.Leaf;
import org.diligentbough.core.outlook.Outlook.Grown;
import org.diligentbough.core.outlook.Outlook.Shoots;
import org.diligentbough.core.outlook.Treatments.Done;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.TreeSurvey;

/** What is told of a crown as a year begins: {@link Outlook.Year} says what each figure means. */
final class YearFigures {
    /** Own assumption: how much of a fresh crack's risk an old one still has. */
    private static final double OLD_CRACK = 0.5;

    private final Crown crown;
    private final Branching branching;
    private final Crown.Lit light;
    private final int age;

    /**
     * @param light on its leaf, by limb
     * @param age years since it was surveyed
     */
    YearFigures(Crown crown, Branching branching, Crown.Lit light, int age) {
        this.crown = crown;
        this.branching = branching;
        this.light = light;
        this.age = age;
    }

    /** All that is told of the year. */
    Outlook.Year year(int called, Treatments.Work work) {
        return new Outlook.Year(
                called,
                heightM(),
                light(),
                inLight(),
                crown.uprights(),
                fruit(),
                deadShare(),
                splitRisk(),
                0,
                minutesWaiting(),
                work.share(),
                limbs(work.cuts()),
                shoots(),
                crown.refills.stream()
                        .map(Refill::told)
                        .flatMap(Optional::stream)
                        .toList());
    }

    /** The limbs that stand, with what is done to them this year. */
    List<Grown> limbs(List<Done> cuts) {
        Map<String, Done> byLimb = cuts.stream()
                .filter(done -> !crown.woods.get(done.limb()).gone)
                .collect(Collectors.toMap(Done::limb, Function.identity(), (first, later) -> later));
        return crown.woods.values().stream()
                .filter(wood -> !wood.gone)
                .map(wood -> grown(wood, Optional.ofNullable(byLimb.get(wood.limb.id()))))
                .toList();
    }

    private Grown grown(GrowingLimb wood, Optional<Done> done) {
        Limb limb = branching.get(wood.limb.id());
        OnLeaf on = light.on(wood);
        boolean inLeaf = on != null;
        Leaf leaf = inLeaf ? crown.leafOf(wood, branching) : null;
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
                done.map(Done::kind),
                done.map(Done::alongM).orElse(0.0));
    }

    List<Shoots> shoots() {
        return crown.regrowths.stream()
                .filter(Regrowth::standing)
                .map(one -> new Shoots(one.limb, one.from, one.lengthM(), one.shoots, one.spreadM()))
                .toList();
    }

    /** Top of the limbs, with what was measured over them; shoots that answer cuts count where they are higher. */
    double heightM() {
        double limbsM = crown.limbTopM(branching) + crown.overTopsM;
        return Math.max(limbsM, crown.topM(branching));
    }

    /** Leaf times how fruitful it is, of what all the leaf there was could bear in full light. */
    Outlook.Fruit fruit() {
        double couldBear = crown.leafAtFirstM2 + crown.figure(NOT_ENTERED_FRUIT) * crown.notEnteredAtFirstM2;
        double all = 0;
        double good = 0;
        double within = 0;
        for (GrowingLimb wood : crown.woods.values()) {
            OnLeaf on = light.on(wood);
            if (wood.stands() && on != null) {
                double bears = wood.leafM2 * wood.fruitful * wood.holds;
                double goodOfIt = bears * crown.byLight(on);
                all += bears;
                good += goodOfIt;
                double inReach = wood.leafM2 > 0 ? Math.min(1, wood.keptLeafM2 / wood.leafM2) : 0;
                within += goodOfIt * inReach * crown.below(crown.leafOf(wood, branching));
            }
        }
        int bearsAfter = crown.tree.facts().traits().bearsAfterYears();
        for (int i = 0; i < light.refills().length; i++) {
            Refill refill = crown.refills.get(i);
            double bears = refill.bearingM2(bearsAfter) * refill.fruitful;
            all += bears;
            good += bears * crown.byLight(light.refills()[i]);
            within += bears * crown.byLight(light.refills()[i]);
        }
        if (light.notEntered().isPresent()) {
            double bears = crown.figure(NOT_ENTERED_FRUIT) * crown.notEnteredM2 * crown.notEnteredFruitful;
            double goodOfIt = bears * crown.byLight(light.notEntered().get());
            all += bears;
            good += goodOfIt;
            within += goodOfIt
                    * Math.min(1, crown.notEnteredKeptM2 / Math.max(1e-9, crown.notEnteredM2))
                    * crown.notEntered(branching).map(crown::below).orElse(0.0);
        }
        double times = couldBear > 0 ? (1 - crown.cropLost) / couldBear : 0;
        boolean wanted = crown.tree.facts().tree().targetHeightM().isPresent();
        return new Outlook.Fruit(
                Math.min(1, times * all),
                Math.min(1, times * good),
                wanted ? OptionalDouble.of(Math.min(1, times * within)) : OptionalDouble.empty());
    }

    double deadShare() {
        double dead = crown.woods.values().stream()
                .filter(wood -> !wood.gone)
                .mapToDouble(wood ->
                        wood.volumeAtFirst * (crown.tree.facts().branching().living(wood.limb) ? wood.died : 1))
                .sum();
        return crown.woodAtFirst > 0 ? Math.min(1, dead / crown.woodAtFirst) : 0;
    }

    /** Weak unions weaken as what hangs on them grows heavier; two chances that are apart join as such do. */
    double splitRisk() {
        double grown = Math.pow(1 + crown.figure(OUTLOOK_SPLIT_GROWTH), age);
        double holds = 1 - Math.min(1, trunkWeakness() * grown);
        for (GrowingLimb wood : crown.woods.values()) {
            Limb limb = wood.limb;
            if (!wood.gone) {
                double heavier = Math.pow(wood.reachM / limb.lengthM(), 2) * wood.lengthM / wood.reachM;
                holds *= 1 - Math.min(1, crown.weakness(wood) * heavier * grown);
            }
        }
        return 1 - holds;
    }

    /** Chance that the trunk splits in a year by a crack or a narrow union of its stems, as found; less as the crown is lighter. */
    private double trunkWeakness() {
        TreeSurvey tree = crown.tree.facts().tree();
        double crack = tree.trunk().cracked()
                ? crown.figure(OUTLOOK_SPLIT_TRUNK) * (tree.trunk().crackFresh().orElse(true) ? 1 : OLD_CRACK)
                : 0;
        double union = tree.noted()
                .union()
                .map(how -> switch (how) {
                    case WIDE -> 0.0;
                    case NARROW -> crown.figure(OUTLOOK_SPLIT_UNION);
                    case BARK_PRESSED -> crown.figure(OUTLOOK_SPLIT_UNION) + crown.figure(OUTLOOK_SPLIT_INCLUDED);
                })
                .orElse(0.0);
        double load = crown.leafAtFirstM2 > 0 ? crown.limbLeafM2() / crown.leafAtFirstM2 : 1;
        double hollow = crown.figure(OUTLOOK_SPLIT_TRUNK) * crown.decayLoss(Optional.empty());
        return (crack + union + hollow) * load;
    }

    double minutesWaiting() {
        double cuts = crown.tree.limbs().stream()
                .filter(limb ->
                        limb.cut().isPresent() && !crown.woods.get(limb.limb().id()).gone)
                .filter(limb -> crown.woods.get(limb.limb().id()).lengthM
                        > limb.cut().orElseThrow().place().alongM() + crown.figure(OUTLOOK_GROWN_OUT_M))
                .mapToDouble(limb -> limb.cut().orElseThrow().minutes())
                .sum();
        double died = crown.died().stream().mapToDouble(crown::minutesToTake).sum();
        return cuts + died + crown.figure(MINUTES_SHOOT) * crown.uprights();
    }

    /** Mean light where its leaf is; what darkness took is dark. */
    double light() {
        return onLeaf(wood -> true, OnLeaf::mean).orElse(0);
    }

    /** Part of the fruiting wood in light; what darkness took is dark, new wood that bears counts. */
    OptionalDouble inLight() {
        return crown.woods.values().stream().anyMatch(wood -> wood.fruiting)
                ? onLeaf(wood -> wood.fruiting, OnLeaf::enough)
                : OptionalDouble.empty();
    }

    private OptionalDouble onLeaf(Predicate<GrowingLimb> which, ToDoubleFunction<OnLeaf> of) {
        double leaf = 0;
        double sum = 0;
        for (GrowingLimb wood : crown.woods.values()) {
            boolean was = crown.tree.facts().branching().living(wood.limb) && !wood.gone;
            if (was && which.test(wood)) {
                OnLeaf on = light.on(wood);
                leaf += wood.leafM2 + wood.darkM2;
                sum += wood.stands() && on != null ? wood.leafM2 * of.applyAsDouble(on) : 0;
            }
        }
        for (int i = 0; i < light.refills().length; i++) {
            double bears =
                    crown.refills.get(i).bearingM2(crown.tree.facts().traits().bearsAfterYears());
            leaf += bears;
            sum += bears * of.applyAsDouble(light.refills()[i]);
        }
        return leaf > 0 ? OptionalDouble.of(Math.min(1, sum / leaf)) : OptionalDouble.empty();
    }
}
