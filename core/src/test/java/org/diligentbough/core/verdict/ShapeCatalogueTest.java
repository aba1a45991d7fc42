package org.diligentbough.core.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.core.SurveyBuilder.withFrame;
import static org.diligentbough.core.verdict.NeglectedTrees.fiveTallArms;
import static org.diligentbough.core.verdict.NeglectedTrees.neglected;
import static org.diligentbough.core.verdict.NeglectedTrees.tests;
import static org.diligentbough.core.verdict.TreeCatalogue.tree;

import java.time.LocalDate;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.diligentbough.core.LimbCopy;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Purpose;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.Fault;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Role;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;

/**
 * Whole trees, each with what must and must not be in its verdicts and plan: main branches, centre and reach, the order of
 * years, kinds and purposes. Common practice, no source.
 */
class ShapeCatalogueTest {

    @TestFactory
    Stream<DynamicTest> mains() {
        SurveyBuilder twelve = neglected(12, limb -> limb.diameter(8));
        twelve.mainsWanted = OptionalInt.of(5);
        SurveyBuilder nine = neglected(9, limb -> limb);
        nine.mainsWanted = OptionalInt.empty();
        SurveyBuilder seven = neglected(7, limb -> limb);
        seven.mainsWanted = OptionalInt.empty();
        SurveyBuilder kept = neglected(9, limb -> limb);
        kept.mainsWanted = OptionalInt.of(5);
        kept.yearsSinceCut = OptionalDouble.of(2);
        SurveyBuilder leader = neglected(11, limb -> limb);
        leader.mainsWanted = OptionalInt.empty();
        leader.formWanted = Form.CENTRAL_LEADER;
        SurveyBuilder tiers = new SurveyBuilder();
        tiers.formWanted = Form.CENTRAL_LEADER;
        tiers.limb("L", limb -> limb.role(Role.LEADER)
                .diameter(10)
                .angle(89)
                .origin(0.8)
                .length(3.6));
        for (int i = 0; i < 3; i++) {
            int number = i;
            tiers.limb("T" + i, limb -> limb.role(Role.TIER)
                            .diameter(6)
                            .origin(1)
                            .azimuth(number * 120)
                            .angle(40)
                            .length(2.2)
                            .fruiting(2))
                    .limb("U" + i, limb -> limb.role(Role.TIER)
                            .diameter(number == 0 ? 7 : 4)
                            .origin(1.7)
                            .azimuth(60 + number * 120)
                            .angle(40)
                            .length(number == 0 ? 2.6 : 1.6)
                            .fruiting(2));
        }
        tiers.limb(
                "G", limb -> limb.diameter(3).origin(1.35).azimuth(30).angle(40).length(1.5));
        SurveyBuilder even = neglected(5, limb -> limb);
        even.purpose = Purpose.BEAUTY;
        even.limbs.set(0, new LimbCopy(even.limbs.get(0)).length(4.5));
        even.limb("M0b", limb -> limb.on("M0", 2.8).diameter(4).azimuth(0).fruiting(2));
        return tests(
                tree("twelve crowded mains, five wanted: work every year, one or two mains at a time", twelve)
                        .is(Triage.RENOVATE)
                        .by(Rule.TOO_MANY_MAINS, ofTwelve(twelve))
                        .says(ofTwelve(twelve), ReasonCode.OR_THIS_ONE)
                        .and(found -> {
                            assertThat(TreeCatalogue.years(found)).hasSizeGreaterThanOrEqualTo(3);
                            assertThat(found.plan().lanes())
                                    .allMatch(lane -> !lane.cuts().isEmpty()
                                            && lane.cuts().size() <= 2);
                            assertThat(found.limbs().stream()
                                            .filter(limb -> limb.verdict() == Verdict.REMOVE)
                                            .count())
                                    .isLessThanOrEqualTo(7);
                        }),
                tree("nine in an open centre with no number wanted: two go", nine)
                        .and(found -> assertThat(found.limbs().stream()
                                        .filter(limb -> limb.verdict() == Verdict.REMOVE)
                                        .count())
                                .isEqualTo(2)),
                tree("seven are enough", seven).cutsNothing(),
                tree("a tree that is looked after keeps what its keeper chose", kept)
                        .cutsNothing(),
                tree("a tree of tiers may have eleven", leader).cutsNothing(),
                tree("between two tiers nothing stays, and an upper tier stays the smaller", tiers)
                        .finds(Verdict.REMOVE, "G")
                        .by(Rule.OUT_OF_SHAPE, "G", "U0")
                        .never(Verdict.REMOVE, "T0", "U1", "U2"),
                tree("for beauty the one much longer than the others is shortened", even)
                        .finds(Verdict.SHORTEN, "M0")
                        .by(Rule.OUT_OF_SHAPE, "M0"),
                tree("for picking it is not", even(Purpose.PICKING)).never(Verdict.SHORTEN, "M0"));
    }

    private static SurveyBuilder even(Purpose purpose) {
        SurveyBuilder tree = neglected(5, limb -> limb);
        tree.purpose = purpose;
        tree.limbs.set(0, new LimbCopy(tree.limbs.get(0)).length(4.5));
        return tree;
    }

    private static String ofTwelve(SurveyBuilder tree) {
        return tree.evaluate().limbs().stream()
                .filter(limb -> limb.verdict() == Verdict.REMOVE)
                .findFirst()
                .orElseThrow()
                .tag();
    }

    @TestFactory
    Stream<DynamicTest> centreAndReach() {
        SurveyBuilder neglectedNatural = neglected().limb("X", limb -> limb.on("M0", 1.2)
                .diameter(4)
                .azimuth(180)
                .fruiting(1)
                .fault(FaultKind.CROSSING_CENTRE));
        neglectedNatural.formWanted = null;
        SurveyBuilder chosen = neglected().limb("X", limb -> limb.on("M0", 1.2)
                .diameter(4)
                .azimuth(0)
                .angle(45)
                .fruiting(2)
                .fault(FaultKind.CROSSING_CENTRE));
        chosen.formWanted = Form.NATURAL;
        SurveyBuilder back = neglected()
                .limb("X", limb -> limb.diameter(7).azimuth(36).length(3).fault(FaultKind.CROSSING_CENTRE))
                .limb("X1", limb -> limb.on("X", 1.4).azimuth(36).fruiting(2));
        SurveyBuilder inward = neglected()
                .limb("X", limb -> limb.diameter(7).azimuth(36).length(3).fault(FaultKind.INWARD))
                .limb("X1", limb -> limb.on("X", 1.4).azimuth(36).fruiting(2));
        SurveyBuilder plain = neglected().limb("X", limb -> limb.on("M0", 1)
                .diameter(4)
                .azimuth(180)
                .angle(20)
                .length(2.2)
                .years(8)
                .fruiting(1));
        SurveyBuilder low = neglected().limb("X", limb -> limb.diameter(9)
                .origin(1.2)
                .azimuth(100)
                .angle(-15)
                .length(3)
                .fruiting(2));
        low.clearanceM = OptionalDouble.of(1.5);
        for (int i = 0; i < 3; i++) {
            low.limbs.set(i, new LimbCopy(low.limbs.get(i)).with(Fault.of(FaultKind.CROSSING_CENTRE)));
        }
        SurveyBuilder origin = neglected(5, limb -> limb.origin(0.7).angle(45));
        origin.clearanceM = OptionalDouble.of(1.5);
        SurveyBuilder wide = neglected(5, limb -> limb.angle(15).length(3.4));
        wide.noted = Wanted.width(5);
        for (int i = 0; i < 5; i++) {
            int number = i;
            wide.limb("B" + i, limb -> limb.on("M" + number, 2)
                    .diameter(4)
                    .azimuth(number * 72)
                    .angle(40));
        }
        return tests(
                tree("a neglected tree that merely is natural is opened as its kind is", neglectedNatural)
                        .finds(Verdict.REMOVE, "X"),
                tree("a natural crown that somebody chose bears it, and that is said", chosen)
                        .never(Verdict.REMOVE, "X")
                        .says("X", ReasonCode.TICKED_FORM_BEARS),
                tree("what crosses is cut back to a good outward branch", back)
                        .finds(Verdict.SHORTEN, "X")
                        .cutTo("X", "X1"),
                tree("what grows in from its base goes all the same", inward).finds(Verdict.REMOVE, "X"),
                tree("what plainly crosses the middle is seen without a tick, and asked about", plain)
                        .by(Rule.INTO_CENTRE, "X")
                        .says("X", ReasonCode.PASSES_THE_MIDDLE),
                tree("the low limb in the mower's way goes in the first year", low)
                        .first("X"),
                tree("no limb is low for where it leaves", origin).cutsNothing(),
                tree("past the width allotted, limbs end at a branch short of it", wide)
                        .finds(Verdict.SHORTEN, "M0", "M1", "M2", "M3", "M4")
                        .cutTo("M0", "B0"),
                tree(
                                "a weeping main branch is propped, a weeping side limb without a branch goes",
                                neglected()
                                        .limb("W", limb -> limb.origin(2)
                                                .angle(-10)
                                                .azimuth(36)
                                                .fault(FaultKind.WEEPING))
                                        .limb("V", limb -> limb.on("M1", 2)
                                                .angle(-30)
                                                .fault(FaultKind.WEEPING)))
                        .finds(Verdict.BEND, "W")
                        .finds(Verdict.REMOVE, "V"));
    }

    @TestFactory
    Stream<DynamicTest> order() {
        SurveyBuilder around = neglected(8, limb -> limb);
        for (int i = 0; i < 8; i += 2) {
            around.limbs.set(i, new LimbCopy(around.limbs.get(i)).with(Fault.of(FaultKind.CROSSING_CENTRE)));
        }
        SurveyBuilder sprouts = neglected().limb("X", limb -> limb.on("M0", 1).diameter(6));
        sprouts.waterSprouts = OptionalInt.of(60);
        for (int i = 0; i < 6; i++) {
            int number = i;
            sprouts.limb("S" + i, limb -> limb.on("M" + number % 5, 1.5)
                    .diameter(1.5)
                    .angle(85)
                    .years(1)
                    .azimuth(number * 60)
                    .fault(FaultKind.UPRIGHT_SHOOT));
        }
        SurveyBuilder large = new SurveyBuilder()
                .limb("X", limb -> limb.diameter(11).azimuth(0).fault(FaultKind.INWARD))
                .limb("A", limb -> limb.diameter(12).azimuth(120).fruiting(2))
                .limb("B", limb -> limb.diameter(12).azimuth(240).fruiting(2));
        SurveyBuilder rank = fiveTallArms(4.2);
        rank.shootCm = OptionalDouble.of(90);
        rank.yearsSinceCut = OptionalDouble.of(2);
        return tests(
                tree("the big cuts of a year do not bare one side", around)
                        .is(Triage.RENOVATE)
                        .and(found -> {
                            var first = TreeCatalogue.ofYear(found, 0);
                            assertThat(first).hasSizeGreaterThanOrEqualTo(2);
                        }),
                tree("the strategic cut comes before any sprout", sprouts)
                        .first("X")
                        .yearsAtMost(3),
                tree("most sprouts go in the first year", neglected().with(it -> it.waterSprouts = OptionalInt.of(45)))
                        .and(found -> assertThat(found.plan()
                                        .lanes()
                                        .get(0)
                                        .detail()
                                        .orElseThrow()
                                        .shoots())
                                .isGreaterThan(30))
                        .yearsAtMost(2),
                tree("a limb larger than a year's allowance is shortened, then removed", large)
                        .and(found -> assertThat(found.plan().lanes().stream()
                                        .flatMap(lane -> lane.cuts().stream())
                                        .filter(cut -> cut.limb().equals("X"))
                                        .map(cut -> cut.kind()))
                                .containsExactly(Verdict.SHORTEN, Verdict.REMOVE)),
                tree("a rank tree's arms come down together in one lane", rank).together("M0", "M1", "M2", "M3", "M4"),
                tree(
                                "the number of years told is the number that have work",
                                neglected().limb("X", limb -> limb.on("M0", 1)
                                        .diameter(3)
                                        .fault(FaultKind.CROWDED)))
                        .and(found -> assertThat(found.plan().years()).isEqualTo(1)));
    }

    @TestFactory
    Stream<DynamicTest> kindsAndPurposes() {
        SurveyBuilder grafts = neglected(4, limb -> limb.cultivar("Brickfield Russet"))
                .limb("W", limb -> limb.diameter(6)
                        .azimuth(45)
                        .cultivar("Clay Pippin")
                        .fruiting(1))
                .limb(
                        "W1",
                        limb -> limb.on("W", 1).diameter(1.5).angle(85).years(1).fault(FaultKind.UPRIGHT_SHOOT))
                .limb("W2", limb -> limb.on("W", 1.4).diameter(2).fault(FaultKind.DEAD))
                .limb("S", limb -> limb.on("M0", 2).diameter(4).azimuth(0).fruiting(1));
        SurveyBuilder wild = neglected().limb("D", limb -> limb.on("M0", 1).fault(FaultKind.DEAD));
        wild.purpose = Purpose.WILDLIFE;
        wild.targetHeightM = OptionalDouble.of(2);
        wild.clearanceM = OptionalDouble.of(3);
        SurveyBuilder citrus = neglected(4, limb -> limb.fruiting(2));
        citrus.species = Species.CITRUS;
        citrus.today = LocalDate.of(2027, 5, 1);
        citrus.targetHeightM = OptionalDouble.of(6);
        SurveyBuilder whip = new SurveyBuilder().limb("L", limb -> limb.role(Role.LEADER)
                .diameter(1.5)
                .origin(0)
                .angle(90)
                .length(1.8)
                .years(1));
        whip.plantedYear = OptionalInt.of(2026);
        whip.formWanted = Form.CENTRAL_LEADER;
        whip.heightM = 1.8;
        SurveyBuilder young = new SurveyBuilder().limb("L", limb -> limb.role(Role.LEADER)
                .diameter(3)
                .origin(0.5)
                .angle(89)
                .length(2)
                .years(3));
        for (int i = 0; i < 3; i++) {
            int number = i;
            young.limb("S" + i, limb -> limb.diameter(1.4)
                    .origin(0.8)
                    .azimuth(number * 120)
                    .angle(number == 2 ? 75 : 50)
                    .length(0.9)
                    .years(1));
        }
        young.limb("T", limb -> limb.diameter(1.8)
                .origin(0.9)
                .azimuth(60)
                .angle(50)
                .length(0.9)
                .years(3));
        young.plantedYear = OptionalInt.of(2023);
        young.formWanted = Form.CENTRAL_LEADER;
        young.yearsSinceCut = OptionalDouble.of(1);
        SurveyBuilder hedge =
                neglected(6, limb -> limb.diameter(4).angle(85).length(3).years(15));
        hedge.formWanted = Form.HEDGE;
        hedge.targetHeightM = OptionalDouble.of(2.8);
        SurveyBuilder fig =
                neglected(4, limb -> limb.origin(0.3).angle(75).length(3).years(8));
        fig.species = Species.FIG;
        fig.targetHeightM = OptionalDouble.of(2.5);
        fig.today = LocalDate.of(2027, 3, 10);
        return tests(
                tree("a weak graft is only cleaned; the strong gives up wood for it", grafts)
                        .finds(Verdict.KEEP, "W", "W1")
                        .finds(Verdict.REMOVE, "W2")
                        .by(Rule.STRONG_GRAFT, "S"),
                tree("a wildlife tree keeps its height and its low limbs; dead wood goes", wild)
                        .finds(Verdict.REMOVE, "D")
                        .and(found -> assertThat(found.plan().lanes().stream().flatMap(lane -> lane.cuts().stream()))
                                .hasSize(1)),
                tree("a citrus in fruit within its size is left alone", citrus)
                        .cutsNothing()
                        .says("M0", ReasonCode.EVERGREEN_LEFT_ALONE),
                tree("a whip is headed where its first branches are wanted", whip)
                        .finds(Verdict.SHORTEN, "L")
                        .by(Rule.FORMING, "L"),
                tree("a young tree's side leaders are tipped, the steep one is bent, the older ones left", young)
                        .finds(Verdict.SHORTEN, "S0", "S1")
                        .finds(Verdict.BEND, "S2")
                        .never(Verdict.SHORTEN, "T", "L")
                        .never(Verdict.REMOVE, "L", "S0", "S1", "S2", "T"),
                tree("a hedge is cut to its line in wood of four centimetres", hedge)
                        .finds(Verdict.SHORTEN, "M0", "M5"),
                tree("a fig's renewal is not overruled by its height", fig).by(Rule.RENEWAL, "M0", "M1", "M2", "M3"),
                tree(
                                "a gooseberry's ticked crossing stem goes",
                                withFrame()
                                        .with(it -> it.species = Species.GOOSEBERRY)
                                        .limb("X", limb -> limb.origin(0.2)
                                                .diameter(1.5)
                                                .length(0.8)
                                                .fault(FaultKind.CROSSING_CENTRE)))
                        .finds(Verdict.REMOVE, "X")
                        .by(Rule.INTO_CENTRE, "X"),
                tree(
                                "a peach's shoot of last year is crop, never too high",
                                neglected()
                                        .with(it -> it.species = Species.PEACH)
                                        .with(it -> it.targetHeightM = OptionalDouble.of(3.3))
                                        .limb("X", limb -> limb.on("M0", 2.5)
                                                .diameter(0.9)
                                                .angle(60)
                                                .azimuth(0)
                                                .length(0.9)
                                                .years(1)))
                        .never(Verdict.REMOVE, "X"),
                tree("good old fruiting wood in order is left", neglected())
                        .cutsNothing()
                        .is(Triage.RENOVATE));
    }
}
