package org.diligentbough.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.core.SurveyBuilder.verdictOn;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.plan.Edits;
import org.diligentbough.core.survey.Group;
import org.diligentbough.core.verdict.Rule;
import org.diligentbough.core.verdict.Verdict;
import org.diligentbough.core.visit.Standing;
import org.junit.jupiter.api.Test;

/** The strong are brought down to the others, the weak only tipped, if at all. Common practice, no source. */
class GroupBalanceTest {
    private static Evaluation among(double othersM, SurveyBuilder tree) {
        return Evaluation.of(
                Standing.asSurveyed(tree.build()),
                new Evaluation.Given(Edits.NONE, List.of(), List.of(), Optional.of(new Group("Row 2", 3, othersM))),
                SurveyBuilder.RULES);
    }

    private static SurveyBuilder tall() {
        return SurveyBuilder.withFrame()
                .limb("U", limb -> limb.azimuth(60).angle(70).length(4).fruiting(2))
                .with(tree -> tree.heightM = 5);
    }

    @Test
    void aTreeTallerThanItsGroupIsLoweredToIt() {
        assertThat(verdictOn(tall().evaluate(), "U").verdict()).isNotEqualTo(Verdict.SHORTEN);
        Evaluation evaluation = among(3.5, tall());
        assertThat(verdictOn(evaluation, "U").rule()).contains(Rule.TOO_HIGH);
        assertThat(evaluation.cautions()).extracting(Reason::code).contains(ReasonCode.GROUP_STRONG);
    }

    @Test
    void aLowerHeightThatIsWantedAnywayStands() {
        Evaluation evaluation = among(4, tall().with(tree -> tree.targetHeightM = OptionalDouble.of(3)));
        assertThat(evaluation.scene().tree().targetHeightM()).hasValue(3);
    }

    @Test
    void aTreeAboutAsTallAsTheOthersIsLeftAlone() {
        Evaluation evaluation = among(4.5, tall());
        assertThat(evaluation.scene().tree().targetHeightM()).isEmpty();
        assertThat(evaluation.cautions())
                .extracting(Reason::code)
                .doesNotContain(ReasonCode.GROUP_STRONG, ReasonCode.GROUP_WEAK);
    }

    @Test
    void ofAWeakOneItIsSaidToSpareIt() {
        assertThat(among(6, tall()).cautions()).extracting(Reason::code).contains(ReasonCode.GROUP_WEAK);
    }
}
