package org.diligentbough.core.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.core.SurveyBuilder.withFrame;
import static org.diligentbough.core.verdict.Verdict.BEND;
import static org.diligentbough.core.verdict.Verdict.KEEP;
import static org.diligentbough.core.verdict.Verdict.REMOVE;
import static org.diligentbough.core.verdict.Verdict.SHORTEN;
import static org.diligentbough.core.verdict.Verdict.WAIT;

import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.SurveyBuilder.LimbBuilder;
import org.diligentbough.core.orchard.Bearing;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Purpose;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.Fault;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Role;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;

/**
 * Single limbs where one rule meets another, or just fails to bite: what a pruner would say of each. With
 * {@link JudgedTreesTest} over a hundred. Common practice, no source.
 */
class LimbCatalogueTest {

    private static DynamicTest limb(String said, Verdict wanted, Rule rule, UnaryOperator<LimbBuilder> limb) {
        return limb(said, wanted, rule, tree -> {}, limb);
    }

    private static DynamicTest limb(
            String said, Verdict wanted, Rule rule, Consumer<SurveyBuilder> how, UnaryOperator<LimbBuilder> limb) {
        return of(said, wanted, rule, withFrame().limb("X", limb).with(how));
    }

    private static DynamicTest of(String said, Verdict wanted, Rule rule, SurveyBuilder tree) {
        return in(said, wanted, rule, tree, Map.of());
    }

    private static DynamicTest in(
            String said, Verdict wanted, Rule rule, SurveyBuilder tree, Map<String, Double> light) {
        return DynamicTest.dynamicTest(said, () -> {
            LimbVerdict found = tree.judgeIn(light, "X");
            assertThat(found.verdict()).isEqualTo(wanted);
            assertThat(found.rule()).contains(rule);
        });
    }

    private static Consumer<SurveyBuilder> kind(Species species) {
        return tree -> tree.species = species;
    }

    private static Consumer<SurveyBuilder> form(Form form) {
        return tree -> tree.formWanted = form;
    }

    private static Consumer<SurveyBuilder> wanted(double heightM) {
        return tree -> tree.targetHeightM = OptionalDouble.of(heightM);
    }

    /** A side limb on the north limb, pointing outwards. */
    private static UnaryOperator<LimbBuilder> side(UnaryOperator<LimbBuilder> how) {
        return limb -> how.apply(limb.on("N", 1.5).azimuth(0).angle(45));
    }

    @TestFactory
    Stream<DynamicTest> soundness() {
        return Stream.of(
                limb("dead before crossing", REMOVE, Rule.DEAD, x -> x.fault(FaultKind.CROSSING_CENTRE)
                        .fault(FaultKind.DEAD)),
                limb("sick before overlong", REMOVE, Rule.DISEASED, x -> x.fault(FaultKind.OVERLONG)
                        .fault(Fault.diseased(Disease.CANKER))),
                limb("broken before low", REMOVE, Rule.DAMAGED, x -> x.fault(FaultKind.LOW)
                        .fault(FaultKind.BROKEN)),
                limb("a broken young branch back to a bud below it", SHORTEN, Rule.DAMAGED, x -> x.diameter(3)
                        .years(3)
                        .brokenAt(2)),
                limb("a thin one of unknown age likewise", SHORTEN, Rule.DAMAGED, x -> x.diameter(2.4)
                        .brokenAt(2)),
                limb("an old thick one broken half way goes", REMOVE, Rule.DAMAGED, x -> x.diameter(9)
                        .years(30)
                        .brokenAt(1.5)),
                limb("an old one nicked near its tip is cut there", SHORTEN, Rule.DAMAGED, x -> x.diameter(9)
                        .years(20)
                        .brokenAt(2.8)),
                limb("a cracked young one back to a bud", SHORTEN, Rule.DAMAGED, x -> x.diameter(2.5)
                        .years(2)
                        .fault(FaultKind.CRACKED)),
                limb("insects on a growing tree are lived with", KEEP, Rule.FRUITFUL, x -> x.fruiting(2)
                        .fault(Fault.diseased(Disease.INSECT))),
                limb(
                        "insects on a weak one are not",
                        REMOVE,
                        Rule.DISEASED,
                        tree -> tree.shootCm = OptionalDouble.of(8),
                        x -> x.fruiting(2).fault(Fault.diseased(Disease.INSECT))),
                limb(
                        "gum at a fresh cut on stone fruit is a defence",
                        KEEP,
                        Rule.FRUITFUL,
                        kind(Species.PLUM).andThen(tree -> tree.yearsSinceCut = OptionalDouble.of(0.5)),
                        x -> x.fruiting(2).fault(Fault.diseased(Disease.GUMMING))),
                limb(
                        "gum with no cut to explain it is a sickness",
                        REMOVE,
                        Rule.DISEASED,
                        kind(Species.PLUM).andThen(tree -> tree.yearsSinceCut = OptionalDouble.of(5)),
                        x -> x.fruiting(2).fault(Fault.diseased(Disease.GUMMING))),
                limb("from below the graft, though it bears", REMOVE, Rule.BELOW_GRAFT, x -> x.fruiting(3)
                        .fault(FaultKind.BELOW_GRAFT)));
    }

    @TestFactory
    Stream<DynamicTest> frame() {
        return Stream.of(
                limb(
                        "crossing in a leader tree",
                        REMOVE,
                        Rule.INTO_CENTRE,
                        form(Form.CENTRAL_LEADER),
                        x -> x.fault(FaultKind.CROSSING_CENTRE)),
                limb("crossing in a fan", REMOVE, Rule.INTO_CENTRE, form(Form.FAN), x -> x.fault(FaultKind.INWARD)),
                limb("crossing in a hedge is borne", KEEP, Rule.FRUITFUL, form(Form.HEDGE), x -> x.fruiting(2)
                        .fault(FaultKind.CROSSING_CENTRE)),
                limb(
                        "inward in a fig, which wants to be open",
                        REMOVE,
                        Rule.INTO_CENTRE,
                        kind(Species.FIG).andThen(tree -> tree.formWanted = null),
                        x -> x.fault(FaultKind.INWARD)),
                limb("the named leader may lean in", KEEP, Rule.FRUITFUL, x -> x.role(Role.LEADER)
                        .fruiting(2)
                        .fault(FaultKind.INWARD)),
                limb("a side limb of six tenths", REMOVE, Rule.THICK_SIDE_LIMB, side(x -> x.diameter(7.2)
                        .fruiting(2))),
                limb("of four tenths it stays", KEEP, Rule.FRUITFUL, side(x -> x.diameter(4.8)
                        .fruiting(2))),
                limb(
                        "in a young tree nothing is too thick",
                        KEEP,
                        Rule.FRUITFUL,
                        tree -> tree.plantedYear = OptionalInt.of(2024),
                        side(x -> x.diameter(7.2).fruiting(2))),
                limb(
                        "in a citrus nothing is too thick",
                        KEEP,
                        Rule.NOTHING_CLEAR,
                        kind(Species.CITRUS),
                        side(x -> x.diameter(7.2).fruiting(2))),
                limb("thick and crossing is crossing", REMOVE, Rule.INTO_CENTRE, side(x -> x.diameter(7.2)
                        .fault(FaultKind.INWARD))),
                limb("low and thick is thick", REMOVE, Rule.THICK_SIDE_LIMB, side(x -> x.diameter(7.2)
                        .fault(FaultKind.LOW))),
                limb("ticked low with no clearance said", REMOVE, Rule.LOW, x -> x.fault(FaultKind.LOW)),
                limb(
                        "only the end of a young limb low",
                        SHORTEN,
                        Rule.LOW,
                        tree -> tree.clearanceM = OptionalDouble.of(1.5),
                        x -> x.origin(2).angle(-15).length(2.6).diameter(3).years(5)),
                limb("a bush's branch on the ground", REMOVE, Rule.LOW, kind(Species.GOOSEBERRY), x -> x.origin(0.1)
                        .angle(-5)
                        .length(0.8)
                        .diameter(1)),
                limb("weeping in a cherry is good wood", KEEP, Rule.FRUITFUL, kind(Species.SOUR_CHERRY), x -> x.angle(0)
                        .fruiting(2)
                        .fault(FaultKind.WEEPING)),
                limb("encroaching, young: to a bud short of it", SHORTEN, Rule.ENCROACHING, side(x -> x.diameter(2)
                        .length(1.5)
                        .years(4)
                        .fault(FaultKind.ENCROACHING))),
                limb(
                        "past the width allotted with nothing to cut to",
                        REMOVE,
                        Rule.ENCROACHING,
                        tree -> tree.noted = Wanted.width(4),
                        x -> x.angle(10).length(4).years(40).diameter(9)),
                limb(
                        "a hand past it is borne",
                        KEEP,
                        Rule.FRUITFUL,
                        tree -> tree.noted = Wanted.width(5.9),
                        x -> x.angle(35).length(3.8).fruiting(2)),
                limb("overlong and young: a third off", SHORTEN, Rule.OVERLONG, x -> x.diameter(3)
                        .years(3)
                        .fault(FaultKind.OVERLONG)),
                limb(
                        "an overlong tip bearer without a branch is left",
                        WAIT,
                        Rule.OVERLONG,
                        tree -> tree.bearing = Bearing.TIP,
                        x -> x.diameter(3).years(3).fault(FaultKind.OVERLONG)));
    }

    @TestFactory
    Stream<DynamicTest> height() {
        return Stream.of(
                limb("twenty centimetres over is at its height", KEEP, Rule.FRUITFUL, wanted(3.3), x -> x.angle(45)
                        .length(3)
                        .fruiting(2)),
                limb(
                        "half a metre over, four years old: to a bud",
                        SHORTEN,
                        Rule.TOO_HIGH,
                        wanted(2.9),
                        x -> x.diameter(3).years(4)),
                limb("half a metre over, old: look for a branch", WAIT, Rule.TOO_HIGH, wanted(2.9), x -> x.years(40)),
                limb("no height wanted, none too high", KEEP, Rule.FRUITFUL, x -> x.angle(58)
                        .length(6)
                        .fruiting(2)),
                limb(
                        "a wildlife tree has none",
                        KEEP,
                        Rule.FRUITFUL,
                        wanted(2).andThen(tree -> tree.purpose = Purpose.WILDLIFE),
                        x -> x.fruiting(2)),
                limb(
                        "what leaves above the aim and stands over it goes",
                        REMOVE,
                        Rule.TOO_HIGH,
                        wanted(3.45),
                        x -> x.on("N", 2.9).azimuth(0).angle(60).length(1.2).years(12)),
                limb(
                        "what leaves above it but stays within reach stays",
                        KEEP,
                        Rule.FRUITFUL,
                        wanted(3.3),
                        x -> x.on("N", 2.8).azimuth(0).angle(30).length(0.4).fruiting(2)),
                limb(
                        "an upright that goes is not topped",
                        REMOVE,
                        Rule.UPRIGHT_UNFRUITFUL,
                        wanted(3),
                        x -> x.azimuth(20).angle(80).years(4).diameter(3).fault(FaultKind.UPRIGHT_UNFRUITFUL)),
                limb("one too low to be topped is taken for being low", REMOVE, Rule.LOW, wanted(2.9), x -> x.years(4)
                        .diameter(3)
                        .fault(FaultKind.LOW)),
                limb(
                        "a hedge is cut to its line in old wood",
                        SHORTEN,
                        Rule.TOO_HIGH,
                        wanted(2.9).andThen(form(Form.HEDGE)),
                        x -> x.diameter(4).years(30)),
                limb(
                        "but not in wood of eight centimetres",
                        WAIT,
                        Rule.TOO_HIGH,
                        wanted(2.9).andThen(form(Form.HEDGE)),
                        x -> x.diameter(8).years(30)),
                limb(
                        "a peach's shoot of last year is crop",
                        WAIT,
                        Rule.NOTHING_CLEAR,
                        wanted(2.9).andThen(kind(Species.PEACH)),
                        x -> x.diameter(1).years(1)));
    }

    @TestFactory
    Stream<DynamicTest> shootsAndLight() {
        SurveyBuilder gap = new SurveyBuilder()
                .limb("N", x -> x.diameter(12).azimuth(0).fruiting(2))
                .limb("E", x -> x.diameter(12).azimuth(60).fruiting(2))
                .limb("X", x -> x.diameter(2)
                        .azimuth(210)
                        .angle(80)
                        .years(2)
                        .length(1.5)
                        .fault(FaultKind.UPRIGHT_SHOOT));
        SurveyBuilder full =
                withFrame().limb("W", x -> x.diameter(12).azimuth(300).fruiting(2));
        full.mainsWanted = OptionalInt.of(4);
        full.limb(
                "X",
                x -> x.diameter(2).azimuth(60).angle(80).years(2).length(1.5).fault(FaultKind.UPRIGHT_SHOOT));
        SurveyBuilder renews = withFrame()
                .limb("S", x -> x.diameter(6).azimuth(60).fault(FaultKind.SPENT))
                .limb("X", x -> x.on("S", 0.5).diameter(1.5).angle(80).years(1).fault(FaultKind.UPRIGHT_SHOOT));
        SurveyBuilder dark = withFrame().limb("X", x -> x.diameter(4).years(9).fruiting(1));
        SurveyBuilder darkShoot =
                withFrame().limb("X", x -> x.diameter(2).years(2).fruiting(0));
        SurveyBuilder darkRenewal = withFrame()
                .limb("X", x -> x.diameter(3).years(5).role(Role.RENEWAL).fruiting(0));
        SurveyBuilder darkFruitful =
                withFrame().limb("X", x -> x.diameter(4).years(9).fruiting(2));
        SurveyBuilder shortDark =
                withFrame().limb("X", x -> x.on("N", 1).length(0.4).years(6).fruiting(0));
        return Stream.of(
                limb("a steep shoot of a year that nobody ticked", REMOVE, Rule.UPRIGHT_SHOOT, side(x -> x.angle(85)
                        .diameter(1.2)
                        .years(1))),
                limb("at sixty degrees it is none", WAIT, Rule.NOTHING_CLEAR, side(x -> x.angle(60)
                        .diameter(1.2)
                        .years(1))),
                limb("of four years it is none", WAIT, Rule.NOTHING_CLEAR, side(x -> x.angle(85)
                        .diameter(2.2)
                        .years(4))),
                limb("a fig's is its next crop", SHORTEN, Rule.RENEWAL, kind(Species.FIG), side(x -> x.angle(85)
                        .diameter(1.2)
                        .years(1))),
                of("in a gap between mains it is bent", BEND, Rule.UPRIGHT_SHOOT, gap),
                of("with mains enough it goes", REMOVE, Rule.UPRIGHT_SHOOT, full),
                of("what renews its spent parent is kept", KEEP, Rule.UPRIGHT_SHOOT, renews),
                in("dark and hardly bearing", REMOVE, Rule.SHADED_UNDERNEATH, dark, Map.of("X", 0.1)),
                in("light enough by a hair", WAIT, Rule.NOTHING_CLEAR, dark, Map.of("X", 0.21)),
                in("dark wood of two years may yet grow out", WAIT, Rule.NOTHING_CLEAR, darkShoot, Map.of("X", 0.1)),
                in("dark but kept to renew", KEEP, Rule.FRUITFUL, darkRenewal, Map.of("X", 0.1)),
                in("dark but bearing well: only light lacks", WAIT, Rule.NOTHING_CLEAR, darkFruitful, Map.of("X", 0.1)),
                in(
                        "a spur of forty centimetres is no matter of light",
                        WAIT,
                        Rule.NOTHING_CLEAR,
                        shortDark,
                        Map.of("X", 0.1)),
                limb("ticked shaded and weak", REMOVE, Rule.SHADED_UNDERNEATH, side(x -> x.angle(5)
                        .years(9)
                        .fault(FaultKind.SHADED))),
                limb("spent with nothing to take over waits", WAIT, Rule.RENEWAL, x -> x.fault(FaultKind.SPENT)),
                limb("kept to renew is kept, not waited on", KEEP, Rule.FRUITFUL, side(x -> x.role(Role.RENEWAL)
                        .diameter(2)
                        .years(3))),
                limb("fruiting crowded is kept and thinned", KEEP, Rule.FRUITFUL, x -> x.fruiting(3)));
    }
}
