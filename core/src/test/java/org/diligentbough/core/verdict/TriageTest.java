package org.diligentbough.core.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.core.SurveyBuilder.withFrame;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Bearing;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.Fault;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Lean;
import org.diligentbough.core.survey.OverTarget;
import org.diligentbough.core.survey.TreeSurvey;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a tree as a whole calls for. */
class TriageTest {

    private static TreeVerdict tree(SurveyBuilder survey) {
        return survey.evaluate().tree();
    }

    private static TreeSurvey.Trunk trunk(double wallCm) {
        return new TreeSurvey.Trunk(OptionalDouble.empty(), Optional.empty(), OptionalDouble.of(wallCm), Lean.NONE);
    }

    @Test
    void anOrdinaryTreeIsMaintained() {
        assertThat(tree(withFrame()).triage()).isEqualTo(Triage.MAINTAIN);
        assertThat(tree(withFrame()).yearsNeeded()).isEqualTo(1);
    }

    @Test
    void liftingSoilACrackOrAThinWallIsReferredWithoutEmptyingTheAnswer() {
        SurveyBuilder leaning = withFrame().limb("X", limb -> limb.fault(FaultKind.CROSSING_CENTRE));
        leaning.trunk = new TreeSurvey.Trunk(
                OptionalDouble.empty(), Optional.empty(), OptionalDouble.empty(), Lean.LIFTING_SOIL);
        Evaluation evaluation = leaning.evaluate();
        assertThat(evaluation.tree().triage()).isEqualTo(Triage.REFER);
        assertThat(evaluation.plan().lanes()).isNotEmpty();
        assertThat(leaning.judge("X").cut().orElseThrow().tickets()).contains(Ticket.ARBORIST);
        SurveyBuilder cracked = withFrame();
        cracked.trunk =
                new TreeSurvey.Trunk(OptionalDouble.of(40), Optional.of(false), OptionalDouble.empty(), Lean.NONE);
        assertThat(tree(cracked).triage()).isEqualTo(Triage.REFER);
    }

    @Test
    void theWallOfAHollowIsScreenedAtThreeTenthsOfTheRadius() {
        // Girth 94.25 cm: radius 15 cm, so 4.4 cm of wall is 0.293 (from memory: Mattheck).
        SurveyBuilder hollow = withFrame();
        hollow.girthCm = 94.25;
        hollow.trunk = trunk(4.4);
        assertThat(tree(hollow).triage()).isEqualTo(Triage.REFER);
        hollow.trunk = trunk(5.5);
        assertThat(tree(hollow).triage()).isEqualTo(Triage.MAINTAIN);
    }

    @Test
    void woodOverARoadOrNearALineIsReferredOverAPathNot() {
        assertThat(tree(withFrame().limb("X", limb -> limb.over(OverTarget.ROAD).fruiting(2)))
                        .triage())
                .isEqualTo(Triage.REFER);
        assertThat(tree(withFrame().limb("X", limb -> limb.over(OverTarget.PATH).fruiting(2)))
                        .triage())
                .isEqualTo(Triage.MAINTAIN);
    }

    @Test
    void aTreeWithNothingAliveOrFullOfSilverLeafIsTakenOut() {
        SurveyBuilder dead = new SurveyBuilder().limb("A", limb -> limb.fault(FaultKind.DEAD));
        assertThat(tree(dead).triage()).isEqualTo(Triage.TAKE_OUT);
        SurveyBuilder plum = SurveyBuilder.of(Species.PLUM)
                .limb("A", limb -> limb.diameter(10).fault(Fault.diseased(Disease.SILVER_LEAF)))
                .limb("B", limb -> limb.diameter(8));
        assertThat(tree(plum).triage()).isEqualTo(Triage.TAKE_OUT);
    }

    @Test
    void weakGrowthOnABearingTreeRests() {
        SurveyBuilder weak = withFrame();
        weak.shootCm = OptionalDouble.of(14.9);
        assertThat(tree(weak).triage()).isEqualTo(Triage.REST);
        assertThat(tree(weak).allowance().year()).hasValue(0);
        weak.shootCm = OptionalDouble.of(15);
        assertThat(tree(weak).triage()).isEqualTo(Triage.MAINTAIN);
    }

    @Test
    void aYoungTreeThatHasNotFruitedIsNotFailing() {
        SurveyBuilder young =
                new SurveyBuilder().limb("A", limb -> limb.diameter(3).fruiting(0));
        young.shootCm = OptionalDouble.of(12);
        young.plantedYear = OptionalInt.of(2023);
        assertThat(tree(young).triage()).isEqualTo(Triage.MAINTAIN);
    }

    @Test
    void aTreeThatLostItsAllowanceInTheLastYearRests() {
        SurveyBuilder cut = withFrame();
        cut.removedLast12Months = 0.25;
        // All of a year's allowance, but in the pruning year before.
        assertThat(tree(cut).triage()).isNotEqualTo(Triage.REST);
        cut.yearsSinceCut = OptionalDouble.of(0.3);
        assertThat(tree(cut).triage()).isEqualTo(Triage.REST);
        cut.policy = new Policy(
                Policy.Allowance.THIRD,
                0.1,
                3,
                Policy.Pome.LATE_WINTER,
                Policy.Apricot.DRY_SUMMER,
                Policy.Peach.BUD_SWELL,
                Policy.Fig.WHOLE,
                Policy.Bend.SLANTING,
                Policy.Sealing.NONE,
                Policy.InGrowth.NONE);
        assertThat(tree(cut).triage()).isEqualTo(Triage.MAINTAIN);
    }

    @Test
    void heightUprightsNeglectOrTooMuchWorkCallForRenovation() {
        SurveyBuilder tall = withFrame();
        tall.targetHeightM = OptionalDouble.of(4.2);
        tall.heightM = 5.25;
        assertThat(tree(tall).triage()).isEqualTo(Triage.MAINTAIN);
        tall.heightM = 5.3;
        assertThat(tree(tall).triage()).isEqualTo(Triage.RENOVATE);
        SurveyBuilder thicket = withFrame();
        thicket.waterSprouts = OptionalInt.of(31);
        assertThat(tree(thicket).triage()).isEqualTo(Triage.RENOVATE);
        SurveyBuilder neglected = withFrame();
        neglected.yearsSinceCut = OptionalDouble.of(5);
        assertThat(tree(neglected).triage()).isEqualTo(Triage.RENOVATE);
        assertThat(tree(neglected).yearsNeeded()).isEqualTo(3);
        SurveyBuilder much = withFrame().limb("X", limb -> limb.diameter(13).fault(FaultKind.CROSSING_CENTRE));
        assertThat(tree(much).triage()).isEqualTo(Triage.RENOVATE);
    }

    @ParameterizedTest
    @CsvSource({"14.9,WEAK", "15,MODEST", "30,MODEST", "30.1,GOOD", "45,GOOD", "45.1,STRONG", "75,STRONG", "75.1,RANK"})
    void vigourGoesByEndShoots(double cm, Vigour expected) {
        SurveyBuilder survey = withFrame();
        survey.shootCm = OptionalDouble.of(cm);
        assertThat(tree(survey).vigour()).contains(expected);
    }

    @Test
    void aPeachGrowsWellUpToSixtyCentimetres() {
        SurveyBuilder peach = withFrame();
        peach.species = Species.PEACH;
        peach.shootCm = OptionalDouble.of(60);
        assertThat(tree(peach).vigour()).contains(Vigour.GOOD);
    }

    @Test
    void allowancesAreAQuarterAThirdATenthAndFifteenPercent() {
        // Common practice; from memory: renovation guides for old apples.
        assertThat(tree(withFrame()).allowance().year()).hasValue(0.25);
        assertThat(tree(withFrame()).allowance().summer()).hasValue(0.10);
        assertThat(tree(withFrame()).allowance().bigCuts()).hasValue(3);
        assertThat(tree(withFrame().with(s -> s.species = Species.PLUM))
                        .allowance()
                        .summer())
                .hasValue(0.25);
        assertThat(tree(withFrame().with(s -> s.species = Species.CITRUS))
                        .allowance()
                        .year())
                .hasValue(0.15);
        assertThat(tree(withFrame().with(s -> s.species = Species.PEACH))
                        .allowance()
                        .year()
                        .orElseThrow())
                .isBetween(0.333, 0.334);
        assertThat(tree(withFrame().with(s -> s.species = Species.FIG))
                        .allowance()
                        .year())
                .isEmpty();
    }

    @Test
    void theFormAimedAtIsTheOneWantedElseTheOneItHasElseTheUsualOne() {
        SurveyBuilder apple = withFrame()
                .limb("X", limb -> limb.fault(FaultKind.CROSSING_CENTRE).fruiting(2));
        apple.formWanted = null;
        assertThat(apple.evaluate().facts().formWanted()).isEqualTo(Form.OPEN_CENTRE);
        assertThat(apple.judge("X").verdict()).isEqualTo(Verdict.REMOVE);
        apple.formWanted = Form.NATURAL;
        assertThat(apple.judge("X").verdict()).isEqualTo(Verdict.KEEP);
    }

    @Test
    void anAppleOfUnknownBearingWarns() {
        SurveyBuilder apple = withFrame();
        apple.bearing = Bearing.UNKNOWN;
        assertThat(apple.evaluate().cautions()).extracting(Reason::code).contains(ReasonCode.CAUTION_BEARING_UNKNOWN);
        apple.bearing = Bearing.SPUR;
        assertThat(apple.evaluate().cautions())
                .extracting(Reason::code)
                .doesNotContain(ReasonCode.CAUTION_BEARING_UNKNOWN);
    }

    @Test
    void anImplausibleHeightIsACautionAndNoRefusal() {
        SurveyBuilder odd = withFrame();
        odd.heightM = 12;
        assertThat(odd.evaluate().cautions()).extracting(Reason::code).contains(ReasonCode.CAUTION_HEIGHT_DIFFERS);
    }
}
