package org.diligentbough.core.verdict;

import static org.diligentbough.core.knowledge.Figure.APRICOT_NEAR_ARM_M;
import static org.diligentbough.core.knowledge.Figure.FRUIT_WOOD_CM;
import static org.diligentbough.core.knowledge.Figure.FRUIT_WOOD_YEARS;
import static org.diligentbough.core.knowledge.Figure.LATERAL_M;
import static org.diligentbough.core.knowledge.Figure.LONG_SHOOT_M;
import static org.diligentbough.core.knowledge.Figure.ONE_BUD_M;
import static org.diligentbough.core.knowledge.Figure.PEACH_SHOOTS_APART_M;
import static org.diligentbough.core.knowledge.Figure.SIDE_SHOOT_M;
import static org.diligentbough.core.knowledge.Figure.THREE_BUDS_M;
import static org.diligentbough.core.knowledge.Figure.TWO_BUDS_M;
import static org.diligentbough.core.knowledge.Figure.YOUNG_SHORTENING_SHARE;

import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.SpeciesTraits;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Role;

/**
 * One-year and fruiting wood, as its kind wants it (common practice): plum and trained trees by buds, the peach's fruited
 * and new wood, the apricot's near its arms, the persimmon's strong shoots. Bushes and figs have {@link BushAndFigRules}.
 */
public final class KindWood {
    private static final Set<Role> FRAME = Set.of(Role.LEADER, Role.SCAFFOLD, Role.TIER);

    private final TreeFacts facts;
    private final Branching branching;
    private final ShootRules shoots;
    /** A peach's shoots of last year that are kept for the crop; the others are cut for the wood of the year after. */
    private final Set<String> crop = new HashSet<>();

    KindWood(TreeFacts facts, ShootRules shoots) {
        this.facts = facts;
        this.branching = facts.branching();
        this.shoots = shoots;
        if (peach(facts)) {
            chooseCrop();
        }
    }

    /** What is done to a limb as fruiting wood of its kind; empty where the kind has no such work, or not on this limb. */
    Optional<Finding> of(Limb limb) {
        if (byBuds(facts)
                && !peach(facts)
                && limb.is(Role.TIER)
                && limb.faults().isEmpty()
                && branching.living(limb)) {
            return Optional.of(tiedIn());
        }
        boolean spared = facts.shortenedThisYear(limb)
                || !branching.living(limb)
                || facts.wildlife()
                || facts.young() && nothingBearsYet()
                || limb.role().filter(FRAME::contains).isPresent()
                || limb.diameterCm() > facts.figure(FRUIT_WOOD_CM);
        if (spared) {
            return Optional.empty();
        }
        if (peach(facts)) {
            return limb.youngerThanOrOf(1) ? peachShoot(limb) : fruited(limb);
        }
        if (byBuds(facts)) {
            return trained(limb);
        }
        return switch (facts.tree().species()) {
            case PLUM -> plum(limb);
            case APRICOT -> limb.youngerThanOrOf(1) ? apricotShoot(limb) : nearTheArm(limb);
            case PERSIMMON -> persimmon(limb);
            default -> Optional.empty();
        };
    }

    /** Whether a kind fruits on last year's shoots and has each renewed in turn. */
    public static boolean peach(TreeFacts facts) {
        return facts.traits().group() == SpeciesTraits.Group.PEACH;
    }

    /** Whether a tree's laterals are cut by buds each summer: espaliers, fans and cordons of the kinds that bear spurs. */
    public static boolean byBuds(TreeFacts facts) {
        Form form = facts.formWanted();
        return (form == Form.ESPALIER || form == Form.FAN || form == Form.CORDON)
                && !facts.bush()
                && !facts.fig()
                && !facts.evergreen();
    }

    private boolean nothingBearsYet() {
        return facts.survey().limbs().stream().noneMatch(limb -> limb.fruitsAtLeast(1));
    }

    /** A side shoot of a year with nothing else wrong; an upright one is another rule's. */
    private boolean plainShoot(Limb limb) {
        return limb.parent().isPresent()
                && limb.youngerThanOrOf(1)
                && limb.faults().isEmpty()
                && !limb.is(Role.RENEWAL);
    }

    private Finding toBuds(Limb limb, double atM, Reason why) {
        return Finding.act(
                Rule.KIND_WOOD, Verdict.SHORTEN, Place.at(CutKind.HEADING, Math.min(atM, limb.lengthM() / 2)), why);
    }

    private Finding byAThird(Limb limb, CutKind how, Reason... why) {
        double atM = limb.lengthM() * (1 - facts.figure(YOUNG_SHORTENING_SHARE));
        return Finding.act(Rule.KIND_WOOD, Verdict.SHORTEN, Place.at(how, atM), why);
    }

    /** Long shoots to two buds keep the tree small, laterals to three: the top bud extends, the lower ones fruit. */
    private Optional<Finding> plum(Limb limb) {
        if (!plainShoot(limb) || limb.lengthM() < facts.figure(LATERAL_M)) {
            return Optional.empty();
        }
        return Optional.of(
                limb.lengthM() > facts.figure(LONG_SHOOT_M)
                        ? toBuds(limb, facts.figure(TWO_BUDS_M), facts.reason(ReasonCode.PLUM_TO_TWO_BUDS))
                        : toBuds(limb, facts.figure(THREE_BUDS_M), facts.reason(ReasonCode.PLUM_TO_THREE_BUDS)));
    }

    private Finding tiedIn() {
        return Finding.leave(Rule.KIND_WOOD, Verdict.KEEP, facts.reason(ReasonCode.TIER_KEPT));
    }

    /** Laterals on what is tied in to three buds, what grows on those to one. */
    private Optional<Finding> trained(Limb limb) {
        // The stem itself counts for nothing: a cordon's laterals leave it, an espalier's and a fan's leave what it
        // carries.
        long from = Stream.iterate(
                        branching.parentOf(limb), Optional::isPresent, parent -> parent.flatMap(branching::parentOf))
                .flatMap(Optional::stream)
                .filter(parent -> !parent.is(Role.LEADER))
                .count();
        long order = facts.formWanted() == Form.CORDON ? from + 1 : from;
        boolean shoot = limb.youngerThanOrOf(2)
                && limb.faults().stream().allMatch(fault -> fault.kind() == FaultKind.UPRIGHT_SHOOT);
        if (order == 0 && limb.faults().isEmpty()) {
            return Optional.of(tiedIn());
        }
        if (order == 0 || !shoot || limb.is(Role.FRUITING_ARM) || limb.is(Role.RENEWAL)) {
            return Optional.empty();
        }
        double leftM = facts.figure(order == 1 ? THREE_BUDS_M : ONE_BUD_M);
        return limb.lengthM() <= 2 * leftM
                ? Optional.empty()
                : Optional.of(toBuds(
                        limb,
                        leftM,
                        facts.reason(
                                order == 1 ? ReasonCode.LATERAL_TO_THREE_BUDS : ReasonCode.SUB_LATERAL_TO_ONE_BUD)));
    }

    /** Each strong shoot whose tip is taken in early summer becomes several, which flower the year after. */
    private Optional<Finding> persimmon(Limb limb) {
        boolean strong = limb.youngerThanOrOf(2)
                && limb.lengthM() > facts.figure(LONG_SHOOT_M)
                && limb.faults().stream().allMatch(fault -> fault.kind() == FaultKind.UPRIGHT_SHOOT);
        return strong
                ? Optional.of(byAThird(limb, CutKind.TOPPING, facts.reason(ReasonCode.PERSIMMON_TOPPED)))
                : Optional.empty();
    }

    /** Wood that bore and is not yet of the frame. */
    private boolean fruitWood(Limb limb) {
        return limb.parent().isPresent()
                && limb.woodYears().orElse(2) <= facts.figure(FRUIT_WOOD_YEARS)
                && (limb.fruitsAtLeast(1) || limb.has(FaultKind.SPENT) || limb.is(Role.FRUITING_ARM));
    }

    /** An apricot's fruiting wood is kept near its arm: beyond half a metre back to a young shoot nearer. */
    private Optional<Finding> nearTheArm(Limb limb) {
        if (!fruitWood(limb) || limb.lengthM() <= facts.figure(APRICOT_NEAR_ARM_M)) {
            return Optional.empty();
        }
        Optional<Limb> young = shoots.renewalShoot(limb)
                .filter(shoot -> shoot.originM() <= facts.figure(APRICOT_NEAR_ARM_M) + TreeFacts.SAME);
        return Optional.of(young.map(shoot -> Finding.act(
                        Rule.RENEWAL,
                        Verdict.SHORTEN,
                        Place.toSideBranch(CutKind.RENEWAL, shoot.originM(), shoot.id()),
                        facts.reason(ReasonCode.APRICOT_NEAR_ARM, limb.lengthM(), shoot.id())))
                .orElseGet(() -> Finding.leave(
                        Rule.KIND_WOOD, Verdict.WAIT, facts.reason(ReasonCode.APRICOT_GROW_FIRST, limb.lengthM()))));
    }

    private Optional<Finding> apricotShoot(Limb limb) {
        return plainShoot(limb) && limb.lengthM() > facts.figure(SIDE_SHOOT_M)
                ? Optional.of(byAThird(limb, CutKind.HEADING, facts.reason(ReasonCode.APRICOT_SHOOT_TIPPED)))
                : Optional.empty();
    }

    /** What fruited goes out to the nearest new shoot close to the frame; until one is there it is grown first. */
    private Optional<Finding> fruited(Limb limb) {
        if (!fruitWood(limb)) {
            return Optional.empty();
        }
        return Optional.of(shoots.renewalShoot(limb)
                .map(shoot -> Finding.act(
                        Rule.RENEWAL,
                        Verdict.SHORTEN,
                        Place.toSideBranch(CutKind.RENEWAL, shoot.originM(), shoot.id()),
                        facts.reason(ReasonCode.PEACH_FRUITED, shoot.id())))
                .orElseGet(() -> Finding.leave(Rule.RENEWAL, Verdict.WAIT, facts.reason(ReasonCode.PEACH_GROW_FIRST))));
    }

    /** Last year's shoots: kept for the crop by two thirds, the others to three or four buds for the wood of next year. */
    private Optional<Finding> peachShoot(Limb limb) {
        boolean plain = limb.parent().isPresent() && limb.faults().isEmpty();
        if (!plain) {
            return Optional.empty();
        }
        if (limb.is(Role.RENEWAL) && !successor(limb)) {
            return limb.lengthM() > facts.figure(SIDE_SHOOT_M)
                    ? Optional.of(toBuds(limb, facts.figure(THREE_BUDS_M), facts.reason(ReasonCode.PEACH_NEXT_YEARS)))
                    : Optional.empty();
        }
        Reason kept =
                facts.reason(limb.buds().isPresent() ? ReasonCode.PEACH_KEPT_TO_BUDS : ReasonCode.PEACH_KEPT_FOR_CROP);
        if (limb.lengthM() <= facts.figure(SIDE_SHOOT_M)) {
            return Optional.of(Finding.leave(Rule.KIND_WOOD, Verdict.KEEP, kept));
        }
        return Optional.of(
                crop.contains(limb.id()) || successor(limb)
                        ? byAThird(limb, CutKind.HEADING, kept)
                        : toBuds(limb, facts.figure(THREE_BUDS_M), facts.reason(ReasonCode.PEACH_NEXT_YEARS)));
    }

    /** Whether what it grows from is cut back to it, so that it bears in that one's place. */
    private boolean successor(Limb limb) {
        return branching
                .parentOf(limb)
                .filter(this::fruitWood)
                .flatMap(shoots::renewalShoot)
                .filter(limb::equals)
                .isPresent();
    }

    private void chooseCrop() {
        Comparator<Limb> best = Comparator.comparingDouble(
                        (Limb limb) -> -facts.lightOn(limb).orElse(0))
                .thenComparing(Limb::id);
        lastYearsShoots().stream()
                .sorted(Comparator.comparing((Limb limb) -> !bearsFlowers(limb)).thenComparing(best))
                .limit(peachShootsWanted(facts))
                .forEach(limb -> crop.add(limb.id()));
    }

    private List<Limb> lastYearsShoots() {
        return facts.survey().limbs().stream()
                .filter(limb -> limb.youngerThanOrOf(1) && branching.living(limb) && !limb.is(Role.RENEWAL))
                .toList();
    }

    /** A shoot of leaf buds alone bears nothing; where nobody told them it is taken to bear. */
    private static boolean bearsFlowers(Limb limb) {
        return limb.buds().filter(Limb.Buds.LEAF::equals).isEmpty();
    }

    /** How many of last year's shoots next year's crop wants: one for each 12.5 cm of the arms (own assumption). */
    public static int peachShootsWanted(TreeFacts facts) {
        double armsM = facts.survey().limbs().stream()
                .filter(limb -> facts.branching().living(limb) && !limb.youngerThanOrOf(1))
                .filter(limb -> limb.diameterCm() > facts.figure(FRUIT_WOOD_CM))
                .mapToDouble(Limb::lengthM)
                .sum();
        return (int) Math.round(armsM / facts.figure(PEACH_SHOOTS_APART_M));
    }
}
