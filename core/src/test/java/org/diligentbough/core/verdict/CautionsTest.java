package org.diligentbough.core.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.core.SurveyBuilder.withFrame;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Bearing;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.Fault;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Lean;
import org.diligentbough.core.survey.TreeSurvey;
import org.junit.jupiter.api.Test;

/** What a crew is told before it begins: each caution where it applies and not where it does not. */
class CautionsTest {

    private static List<ReasonCode> cautions(SurveyBuilder tree) {
        return tree.evaluate().cautions().stream().map(Reason::code).toList();
    }

    @Test
    void aTreeThatNeedsNoCutAsksForNoCare() {
        assertThat(cautions(withFrame())).isEmpty();
    }

    @Test
    void overheadCutsHeavyWoodAndLaddersAreTold() {
        SurveyBuilder tree = withFrame()
                .limb("X", limb -> limb.origin(2.6).diameter(14).length(4).fault(FaultKind.CROSSING_CENTRE));
        assertThat(cautions(tree))
                .contains(
                        ReasonCode.CAUTION_HEAVY,
                        ReasonCode.CAUTION_LADDER,
                        ReasonCode.CAUTION_NOBODY_BENEATH,
                        ReasonCode.CAUTION_WILDLIFE_AND_LAW);
        SurveyBuilder light = withFrame().limb("X", limb -> limb.diameter(4).fault(FaultKind.CROSSING_CENTRE));
        assertThat(cautions(light)).doesNotContain(ReasonCode.CAUTION_HEAVY, ReasonCode.CAUTION_LADDER);
    }

    @Test
    void dangerToPeopleStandsBeforeEverythingElse() {
        SurveyBuilder hollow = withFrame().limb("X", limb -> limb.fault(FaultKind.CROSSING_CENTRE));
        hollow.trunk = new TreeSurvey.Trunk(OptionalDouble.empty(), Optional.empty(), OptionalDouble.of(2), Lean.NONE);
        assertThat(cautions(hollow)).startsWith(ReasonCode.CAUTION_REFER, ReasonCode.CAUTION_SCREENING_ONLY);
    }

    @Test
    void thornsOfGooseberryAndPomegranate() {
        assertThat(cautions(withFrame().with(tree -> tree.species = Species.POMEGRANATE)))
                .contains(ReasonCode.CAUTION_THORNS);
        assertThat(cautions(withFrame().with(tree -> tree.species = Species.PEAR)))
                .doesNotContain(ReasonCode.CAUTION_THORNS);
    }

    @Test
    void aTipBearerIsToldOnlyWhereSomethingIsShortened() {
        SurveyBuilder tips = withFrame();
        tips.bearing = Bearing.TIP;
        assertThat(cautions(tips)).doesNotContain(ReasonCode.CAUTION_TIP_BEARER);
        tips.limb("X", limb -> limb.fault(FaultKind.OVERLONG))
                .limb("X1", limb -> limb.on("X", 2).diameter(3).azimuth(60));
        assertThat(cautions(tips)).contains(ReasonCode.CAUTION_TIP_BEARER);
    }

    @Test
    void woundsAreLeftOpenUnlessTheSiteSealsItsStoneFruit() {
        SurveyBuilder plum = withFrame().limb("X", limb -> limb.fault(FaultKind.CROSSING_CENTRE));
        plum.species = Species.PLUM;
        assertThat(cautions(plum)).contains(ReasonCode.CAUTION_WOUNDS_OPEN);
        plum.policy = new Policy(
                Policy.Allowance.QUARTER,
                0.1,
                3,
                Policy.Pome.LATE_WINTER,
                Policy.Apricot.DRY_SUMMER,
                Policy.Peach.BUD_SWELL,
                Policy.Fig.WHOLE,
                Policy.Bend.SLANTING,
                Policy.Sealing.STONE_FRUIT,
                Policy.InGrowth.NONE);
        assertThat(cautions(plum))
                .contains(ReasonCode.CAUTION_WOUNDS_SEALED)
                .doesNotContain(ReasonCode.CAUTION_WOUNDS_OPEN);
        plum.species = Species.APPLE;
        assertThat(cautions(plum)).contains(ReasonCode.CAUTION_WOUNDS_OPEN);
    }

    @Test
    void aSickTreeIsVisitedLast() {
        assertThat(cautions(withFrame().limb("X", limb -> limb.fault(Fault.diseased(Disease.CANKER)))))
                .contains(ReasonCode.CAUTION_SICK_TREE);
    }

    @Test
    void figuresThatCanHardlyBeAreQuestionedAndNotRefused() {
        SurveyBuilder odd = withFrame()
                .limb("T", limb -> limb.diameter(40).fruiting(2).azimuth(60))
                .limb("N1", limb -> limb.on("N", 1).diameter(13))
                .limb("N2", limb -> limb.on("N", 1).fault(FaultKind.RUBBING));
        assertThat(cautions(odd))
                .contains(
                        ReasonCode.CAUTION_THICKER_THAN_TRUNK,
                        ReasonCode.CAUTION_THICKER_THAN_PARENT,
                        ReasonCode.CAUTION_PARTNER_UNNAMED);
        assertThat(cautions(new SurveyBuilder())).containsExactly(ReasonCode.CAUTION_NO_LIMBS);
    }
}
