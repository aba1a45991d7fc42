package org.diligentbough.core.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.diligentbough.core.SurveyBuilder.RULES;
import static org.diligentbough.core.SurveyBuilder.verdictOn;
import static org.diligentbough.core.SurveyBuilder.withFrame;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.plan.Wishes;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.OverTarget;
import org.diligentbough.core.visit.TreeToday;
import org.junit.jupiter.api.Test;

/** The coordinator has the last word, and it is said. */
class DecisionTest {
    private static Evaluation decided(SurveyBuilder tree, String limb, Verdict verdict) {
        Decision decision = new Decision(limb, verdict, "Tamsin Oke", LocalDate.of(2027, 2, 20));
        return Evaluation.of(
                TreeToday.asSurveyed(tree.build()),
                new Evaluation.Given(Wishes.NONE, List.of(decision), List.of(), Optional.empty()),
                RULES);
    }

    private static SurveyBuilder crossing() {
        return withFrame()
                .limb("X", limb -> limb.fruiting(1).fault(FaultKind.CROSSING_CENTRE))
                .limb("X1", limb -> limb.on("X", 0.8).fruiting(2));
    }

    @Test
    void whatWasDecidedStandsFirstAndTheTableStaysAsAFurtherReason() {
        LimbVerdict kept = verdictOn(decided(crossing(), "X", Verdict.KEEP), "X");
        assertThat(kept.verdict()).isEqualTo(Verdict.KEEP);
        assertThat(kept.rule()).contains(Rule.DECIDED);
        assertThat(kept.cut()).isEmpty();
        assertThat(kept.reasons())
                .extracting(Reason::code)
                .startsWith(ReasonCode.DECIDED)
                .contains(ReasonCode.INTO_CENTRE);
        assertThat(kept.reasons().get(0).arguments()).containsExactly("Tamsin Oke", LocalDate.of(2027, 2, 20));
    }

    @Test
    void whatGrewOnALimbThatStaysIsJudgedForItself() {
        assertThat(verdictOn(crossing().evaluate(), "X1").verdict()).isEqualTo(Verdict.GOES_WITH_PARENT);
        assertThat(verdictOn(decided(crossing(), "X", Verdict.KEEP), "X1").verdict())
                .isNotEqualTo(Verdict.GOES_WITH_PARENT);
    }

    @Test
    void aRemovalThatWasDecidedIsPlanned() {
        Evaluation evaluation = decided(withFrame(), "SE", Verdict.REMOVE);
        assertThat(verdictOn(evaluation, "SE").cut().orElseThrow().kind()).isEqualTo(CutKind.COLLAR);
        assertThat(evaluation.plan().lanes().stream().flatMap(lane -> lane.cuts().stream()))
                .anyMatch(cut -> cut.limb().equals("SE"));
    }

    @Test
    void aShorteningThatWasDecidedTakesAThird() {
        Cut cut = verdictOn(decided(withFrame(), "SE", Verdict.SHORTEN), "SE")
                .cut()
                .orElseThrow();
        assertThat(cut.place().alongM()).isEqualTo(2);
    }

    @Test
    void aDecisionThatSaysWhatTheTableSaysChangesNothing() {
        LimbVerdict same = verdictOn(decided(crossing(), "X", Verdict.REMOVE), "X");
        assertThat(same.rule()).contains(Rule.INTO_CENTRE);
    }

    @Test
    void keepingWhatIsDangerousIsWarnedOf() {
        SurveyBuilder tree =
                withFrame().limb("X", limb -> limb.fault(FaultKind.DEAD).over(OverTarget.PATH));
        assertThat(decided(tree, "X", Verdict.KEEP).cautions())
                .extracting(Reason::code)
                .contains(ReasonCode.DECIDED_DESPITE_DANGER);
        assertThat(tree.evaluate().cautions())
                .extracting(Reason::code)
                .doesNotContain(ReasonCode.DECIDED_DESPITE_DANGER);
    }

    @Test
    void aDecisionAboutALimbThatIsGoneIsPassedOver() {
        assertThat(decided(withFrame(), "gone", Verdict.REMOVE).limbs())
                .extracting(LimbVerdict::rule)
                .doesNotContain(Optional.of(Rule.DECIDED));
    }

    @Test
    void nobodyDecidesThatALimbGoesWithAnother() {
        assertThatThrownBy(() -> new Decision("X", Verdict.GOES_WITH_PARENT, "Tamsin Oke", LocalDate.of(2027, 2, 20)))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
