package org.diligentbough.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.core.SurveyBuilder.withFrame;

import java.util.List;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.plan.PlanCare.Care;
import org.diligentbough.core.survey.FaultKind;
import org.junit.jupiter.api.Test;

/** What a plan asks for besides its cuts. Common practice, no source. */
class PlanCareTest {
    private static List<Care> of(SurveyBuilder tree, ReasonCode what) {
        Evaluation evaluation = tree.evaluate();
        return evaluation.care().stream()
                .filter(care -> care.what().code() == what)
                .toList();
    }

    @Test
    void shootsAreTornOffInTheYearMuchWentAndWoundsLookedAtTheYearAfter() {
        SurveyBuilder tree =
                withFrame().limb("X", limb -> limb.diameter(8).azimuth(60).fault(FaultKind.CROSSING_CENTRE));
        assertThat(of(tree, ReasonCode.CARE_SHOOTS)).singleElement().satisfies(care -> {
            assertThat(care.year().year()).isEqualTo(2027);
            assertThat(care.what().arguments()).containsExactly("X");
            assertThat(care.minutes()).isEqualTo(3);
        });
        assertThat(of(tree, ReasonCode.CARE_WOUNDS))
                .extracting(care -> care.year().year())
                .containsExactly(2028);
    }

    /** Shoots are torn off pome and stone trees after a few hundredths; peaches and bushes choose from theirs. */
    @Test
    void whatAnswersACutIsTornOffOrChosenByKind() {
        SurveyBuilder apple =
                withFrame().limb("X", limb -> limb.diameter(6).azimuth(60).fault(FaultKind.CROSSING_CENTRE));
        assertThat(of(apple, ReasonCode.CARE_SHOOTS)).hasSize(1);
        SurveyBuilder peach =
                withFrame().limb("X", limb -> limb.diameter(6).azimuth(60).fault(FaultKind.CROSSING_CENTRE));
        peach.species = Species.PEACH;
        assertThat(of(peach, ReasonCode.CARE_SHOOTS)).isEmpty();
        assertThat(of(peach, ReasonCode.CARE_CHOOSE_SHOOTS)).hasSize(1);
        SurveyBuilder fig =
                withFrame().limb("X", limb -> limb.diameter(6).azimuth(60).fault(FaultKind.CROSSING_CENTRE));
        fig.species = Species.FIG;
        assertThat(of(fig, ReasonCode.CARE_SHOOTS)).isEmpty();
        assertThat(of(fig, ReasonCode.CARE_CHOOSE_SHOOTS)).isEmpty();
        SurveyBuilder small =
                withFrame().limb("X", limb -> limb.diameter(2).azimuth(60).fault(FaultKind.CROSSING_CENTRE));
        assertThat(of(small, ReasonCode.CARE_SHOOTS)).isEmpty();
    }

    @Test
    void inAContainerRootAndTopGoTogether() {
        SurveyBuilder lemon = SurveyBuilder.of(Species.APPLE)
                .limb("M", limb -> limb.diameter(3).fruiting(2));
        lemon.inContainer = true;
        assertThat(of(lemon, ReasonCode.CARE_CONTAINER)).hasSize(1);
    }

    @Test
    void tiesComeOffTwoYearsAfterABend() {
        SurveyBuilder tree = withFrame().limb("Y", limb -> limb.diameter(2)
                .azimuth(60)
                .angle(75)
                .length(1.5)
                .years(2));
        assertThat(of(tree, ReasonCode.CARE_TIES_OFF))
                .extracting(care -> care.year().year())
                .containsExactly(2029);
    }

    @Test
    void spursOfCrowdedLimbsAreThinned() {
        SurveyBuilder tree = withFrame()
                .limb("F", limb -> limb.diameter(9).azimuth(60).fruiting(3))
                .limb("X", limb -> limb.diameter(3).azimuth(180).fault(FaultKind.BROKEN));
        assertThat(of(tree, ReasonCode.CARE_SPURS))
                .singleElement()
                .satisfies(care -> assertThat(care.what().arguments()).containsExactly("F"));
    }
}
