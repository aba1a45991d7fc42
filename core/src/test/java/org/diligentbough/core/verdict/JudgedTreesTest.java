package org.diligentbough.core.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.core.SurveyBuilder.withFrame;
import static org.diligentbough.core.verdict.Verdict.BEND;
import static org.diligentbough.core.verdict.Verdict.GOES_WITH_PARENT;
import static org.diligentbough.core.verdict.Verdict.KEEP;
import static org.diligentbough.core.verdict.Verdict.REMOVE;
import static org.diligentbough.core.verdict.Verdict.SHORTEN;
import static org.diligentbough.core.verdict.Verdict.WAIT;

import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.SurveyBuilder.LimbBuilder;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Purpose;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.Fault;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.OverTarget;
import org.diligentbough.core.survey.Role;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;

/**
 * A catalogue of judged trees: every row of the table and its exceptions, each told as a pruner would say it. Common
 * practice, no source.
 */
class JudgedTreesTest {

    /** A tree with a good frame of three and one limb to be judged. */
    private static DynamicTest limb(String said, Verdict wanted, UnaryOperator<LimbBuilder> limb) {
        return limb(said, wanted, tree -> {}, limb);
    }

    private static DynamicTest limb(
            String said, Verdict wanted, Consumer<SurveyBuilder> tree, UnaryOperator<LimbBuilder> limb) {
        return tree(said, "X", wanted, withFrame().limb("X", limb).with(tree));
    }

    private static DynamicTest tree(String said, String limb, Verdict wanted, SurveyBuilder tree) {
        return DynamicTest.dynamicTest(
                said + ": " + limb + " " + wanted,
                () -> assertThat(tree.judge(limb).verdict()).isEqualTo(wanted));
    }

    private static Consumer<SurveyBuilder> kind(Species species) {
        return tree -> tree.species = species;
    }

    @TestFactory
    Stream<DynamicTest> soundness() {
        return Stream.of(
                limb("dead wood goes in any season", REMOVE, x -> x.fault(FaultKind.DEAD)),
                limb(
                        "dead wood goes from a wildlife tree as well",
                        REMOVE,
                        tree -> tree.purpose = Purpose.WILDLIFE,
                        x -> x.fault(FaultKind.DEAD)),
                tree(
                        "what grows on a dead limb is dead with it",
                        "X1",
                        GOES_WITH_PARENT,
                        withFrame().limb("X", x -> x.fault(FaultKind.DEAD)).limb("X1", x -> x.on("X", 1))),
                limb("canker on a limb that has no side branch", REMOVE, x -> x.fault(Fault.diseased(Disease.CANKER))),
                limb(
                        "fire blight is cut with its limb",
                        REMOVE,
                        kind(Species.PEAR),
                        x -> x.fault(Fault.diseased(Disease.FIRE_BLIGHT))),
                limb("leaf curl on a growing tree is lived with", KEEP, kind(Species.PEACH), x -> x.fruiting(2)
                        .fault(Fault.diseased(Disease.LEAF_CURL))),
                limb("a stub goes to the collar", REMOVE, x -> x.length(0.3).fault(FaultKind.STUB)),
                limb("a fig's renewal stub is meant", WAIT, kind(Species.FIG), x -> x.length(0.1)
                        .years(3)
                        .fault(FaultKind.STUB)),
                limb("a broken limb without a side branch", REMOVE, x -> x.fault(FaultKind.BROKEN)),
                tree(
                        "a broken limb with a sound side branch below the break",
                        "X",
                        SHORTEN,
                        withFrame()
                                .limb("X", x -> x.fruiting(2).fault(FaultKind.BROKEN))
                                .limb("X1", x -> x.on("X", 1.8)
                                        .diameter(3)
                                        .azimuth(60)
                                        .fruiting(2))),
                limb("a cracked limb", REMOVE, x -> x.fault(FaultKind.CRACKED)),
                limb("a tip that dies back is cut into sound wood", SHORTEN, x -> x.fruiting(2)
                        .fault(FaultKind.TIP_DIEBACK)));
    }

    @TestFactory
    Stream<DynamicTest> pairs() {
        SurveyBuilder fork = new SurveyBuilder()
                .limb("A", x -> x.diameter(14).azimuth(0).angle(58).fruiting(2).fault(FaultKind.INCLUDED_BARK, "B"))
                .limb(
                        "B",
                        x -> x.diameter(11).azimuth(180).angle(58).fruiting(2).fault(FaultKind.INCLUDED_BARK, "A"));
        SurveyBuilder rubbing = withFrame()
                .limb("X", x -> x.diameter(6).fruiting(2).fault(FaultKind.RUBBING, "Y"))
                .limb("Y", x -> x.diameter(4).azimuth(80).fruiting(2));
        return Stream.of(
                tree("of two stems pressed together the sounder and thicker stays", "A", KEEP, fork),
                tree("and the other goes", "B", REMOVE, fork),
                tree("of a rubbing pair the smaller goes", "Y", REMOVE, rubbing),
                tree("and the larger stays", "X", KEEP, rubbing),
                tree(
                        "a dead partner goes alone",
                        "X",
                        KEEP,
                        withFrame()
                                .limb("X", x -> x.diameter(4).fruiting(2).fault(FaultKind.RUBBING, "Y"))
                                .limb("Y", x -> x.diameter(6).azimuth(80).fault(FaultKind.DEAD))),
                limb("crowded between others", REMOVE, x -> x.fruiting(1).fault(FaultKind.CROWDED)));
    }

    @TestFactory
    Stream<DynamicTest> frame() {
        return Stream.of(
                limb("across the centre of an open tree", REMOVE, x -> x.fruiting(2)
                        .fault(FaultKind.CROSSING_CENTRE)),
                limb(
                        "across the centre of a natural tree",
                        KEEP,
                        tree -> tree.formWanted = Form.NATURAL,
                        x -> x.fruiting(2).fault(FaultKind.CROSSING_CENTRE)),
                limb(
                        "across the centre of a citrus, which is never opened",
                        KEEP,
                        kind(Species.CITRUS),
                        x -> x.fault(FaultKind.CROSSING_CENTRE)),
                tree(
                        "a side limb over half as thick as its limb",
                        "X1",
                        REMOVE,
                        withFrame()
                                .limb("X", x -> x.diameter(8).fruiting(2))
                                .limb("X1", x -> x.on("X", 1).diameter(4.5).fruiting(2))),
                tree(
                        "a side limb of just half",
                        "X1",
                        KEEP,
                        withFrame().limb("X", x -> x.diameter(8).fruiting(2)).limb("X1", x -> x.on("X", 1)
                                .diameter(4)
                                .azimuth(60)
                                .angle(45)
                                .fruiting(2))),
                limb(
                        "a top above the height wanted",
                        SHORTEN,
                        tree -> tree.targetHeightM = OptionalDouble.of(3),
                        x -> x.angle(70).length(4).years(5).fruiting(2)),
                limb(
                        "the same top on a wildlife tree",
                        KEEP,
                        tree -> {
                            tree.targetHeightM = OptionalDouble.of(3);
                            tree.purpose = Purpose.WILDLIFE;
                        },
                        x -> x.angle(55).length(4).fruiting(2)),
                limb("shaded underneath and weak", REMOVE, x -> x.angle(5)
                        .fruiting(0)
                        .fault(FaultKind.SHADED)),
                limb("shaded but bearing well", WAIT, x -> x.angle(40)
                        .fruiting(2)
                        .fault(FaultKind.SHADED)),
                limb(
                        "the outer half hangs below the clearance",
                        REMOVE,
                        tree -> tree.clearanceM = OptionalDouble.of(1.5),
                        x -> x.origin(1.6).angle(-20).fruiting(2)),
                limb(
                        "it leaves low but rises clear",
                        KEEP,
                        tree -> tree.clearanceM = OptionalDouble.of(1.5),
                        x -> x.origin(0.6).angle(45).fruiting(2)),
                limb(
                        "low on a wildlife tree",
                        KEEP,
                        tree -> {
                            tree.clearanceM = OptionalDouble.of(1.5);
                            tree.purpose = Purpose.WILDLIFE;
                        },
                        x -> x.origin(0.6).angle(35).length(1).fruiting(2).fault(FaultKind.LOW)),
                limb("over a path by its end", SHORTEN, x -> x.years(9)
                        .fruiting(2)
                        .fault(FaultKind.ENCROACHING)),
                limb(
                        "a weeping main branch is propped",
                        BEND,
                        x -> x.angle(-10).origin(2.5).fruiting(2).fault(FaultKind.WEEPING)),
                limb("weeping cherry wood fruits best", KEEP, kind(Species.SWEET_CHERRY), x -> x.angle(0)
                        .origin(2.5)
                        .fruiting(2)
                        .fault(FaultKind.WEEPING)),
                limb("overlong and end-heavy", SHORTEN, kind(Species.PLUM), x -> x.years(9)
                        .fruiting(2)
                        .fault(FaultKind.OVERLONG)));
    }

    @TestFactory
    Stream<DynamicTest> shoots() {
        return Stream.of(
                limb("an upright shoot among others", REMOVE, x -> x.on("N", 1)
                        .angle(85)
                        .azimuth(10)
                        .diameter(1.5)
                        .years(1)
                        .fault(FaultKind.UPRIGHT_SHOOT)),
                limb(
                        "upright, old and barren, others beside it",
                        REMOVE,
                        x -> x.azimuth(20).angle(85).fruiting(0).years(9).fault(FaultKind.UPRIGHT_UNFRUITFUL)),
                tree(
                        "the only limb in its sector stays",
                        "X",
                        KEEP,
                        new SurveyBuilder()
                                .limb("N", x -> x.diameter(12).azimuth(0).fruiting(2))
                                .limb("X", x -> x.azimuth(180)
                                        .angle(80)
                                        .fruiting(0)
                                        .years(9)
                                        .fault(FaultKind.UPRIGHT_UNFRUITFUL))),
                limb("a citrus keeps its uprights", KEEP, kind(Species.CITRUS), x -> x.angle(85)
                        .fault(FaultKind.UPRIGHT_UNFRUITFUL)),
                limb("from below the graft", REMOVE, x -> x.diameter(2).fault(FaultKind.BELOW_GRAFT)),
                tree(
                        "young, pliable, steep and well placed is bent",
                        "X",
                        BEND,
                        new SurveyBuilder()
                                .limb("N", x -> x.diameter(12).azimuth(0).fruiting(2))
                                .limb("X", x -> x.azimuth(180)
                                        .diameter(2)
                                        .angle(75)
                                        .length(1.5)
                                        .years(2))),
                limb("fruitful at 45 degrees", KEEP, x -> x.fruiting(2)),
                limb("level cherry wood", KEEP, kind(Species.SWEET_CHERRY), x -> x.angle(5)
                        .fruiting(2)),
                limb("nothing clear: look again next year", WAIT, x -> x.angle(10)),
                limb(
                        "a named leader is never too thick",
                        KEEP,
                        tree -> tree.formWanted = Form.CENTRAL_LEADER,
                        x -> x.role(Role.LEADER).diameter(14).angle(45).fruiting(2)));
    }

    /** What the tree as a whole is found to be. */
    private static DynamicTest whole(String said, Triage wanted, SurveyBuilder tree) {
        return DynamicTest.dynamicTest(
                said + ": " + wanted,
                () -> assertThat(tree.evaluate().tree().triage()).isEqualTo(wanted));
    }

    @TestFactory
    Stream<DynamicTest> wholeTrees() {
        return Stream.of(
                whole("a tree in good order", Triage.MAINTAIN, withFrame()),
                whole(
                        "untouched for seven years",
                        Triage.RENOVATE,
                        withFrame().with(tree -> tree.yearsSinceCut = OptionalDouble.of(7))),
                whole(
                        "a thicket of forty uprights",
                        Triage.RENOVATE,
                        withFrame().with(tree -> tree.waterSprouts = OptionalInt.of(40))),
                whole(
                        "end shoots of ten centimetres",
                        Triage.REST,
                        withFrame().with(tree -> tree.shootCm = OptionalDouble.of(10))),
                whole(
                        "a quarter taken within the year",
                        Triage.REST,
                        withFrame().with(tree -> {
                            tree.removedLast12Months = 0.25;
                            tree.yearsSinceCut = OptionalDouble.of(0.2);
                        })),
                whole("a limb over the road", Triage.REFER, withFrame().limb("X", x -> x.over(OverTarget.ROAD))),
                whole(
                        "silver leaf in most of it",
                        Triage.TAKE_OUT,
                        new SurveyBuilder()
                                .with(kind(Species.PLUM))
                                .limb("A", x -> x.diameter(12).fault(Fault.diseased(Disease.SILVER_LEAF)))
                                .limb("B", x -> x.azimuth(180).fruiting(2))));
    }
}
