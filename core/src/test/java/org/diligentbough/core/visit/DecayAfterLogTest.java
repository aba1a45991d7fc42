package org.diligentbough.core.visit;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.outlook.Outlook;
import org.diligentbough.core.survey.Face;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.FoundDecay;
import org.diligentbough.core.verdict.Ticket;
import org.diligentbough.core.verdict.Triage;
import org.diligentbough.core.visit.MadeCut.CutFace;
import org.junit.jupiter.api.Test;

/** What is found at a cut face changes the next judgement. */
class DecayAfterLogTest {
    private static final LocalDate CUT = LocalDate.of(2027, 2, 15);

    private static SurveyBuilder tree() {
        SurveyBuilder tree = new SurveyBuilder();
        tree.surveyedOn = LocalDate.of(2027, 1, 10);
        for (int i = 0; i < 4; i++) {
            int number = i;
            tree.limb("L" + i, limb -> limb.diameter(10)
                    .azimuth(number * 90)
                    .angle(45)
                    .length(4)
                    .fruiting(2));
        }
        return tree.limb("S", limb -> limb.on("L0", 1).diameter(4).fault(FaultKind.CROSSING_CENTRE));
    }

    private static MadeCut cut(String limb, MadeCut.Kind kind, Face face, double acrossCm, double hollowCm) {
        return new MadeCut(
                limb,
                kind,
                kind == MadeCut.Kind.SHORTENED ? 2 : 0,
                false,
                false,
                Optional.empty(),
                Optional.of(new CutFace(
                        face,
                        OptionalDouble.of(acrossCm),
                        hollowCm > 0 ? OptionalDouble.of(hollowCm) : OptionalDouble.empty())));
    }

    private static Evaluation after(List<FoundDecay> looks, MadeCut... cuts) {
        TreeToday standing =
                SurveyBuilder.RULES.standing(List.of(tree().build()), List.of(new Visit(CUT, List.of(cuts), 0)), looks);
        return Evaluation.of(standing, Evaluation.Given.NOTHING, SurveyBuilder.RULES);
    }

    private static List<ReasonCode> said(List<Reason> reasons) {
        return reasons.stream().map(Reason::code).toList();
    }

    @Test
    void aLimbHollowSixOfEightIsReferredAndWhatHangsOnItIsAnArborists() {
        Evaluation sound = after(List.of(), cut("L0", MadeCut.Kind.SHORTENED, Face.SOUND, 8, 0));
        assertThat(sound.tree().triage()).isNotEqualTo(Triage.REFER);
        Evaluation hollow = after(List.of(), cut("L0", MadeCut.Kind.SHORTENED, Face.HOLLOW, 8, 6));
        // t/R = 1 / 4, loss (6/8)^3 = 0.42.
        assertThat(hollow.tree().triage()).isEqualTo(Triage.REFER);
        assertThat(said(hollow.tree().reasons())).contains(ReasonCode.REFER_HOLLOW_LIMB);
        assertThat(said(hollow.cautions())).contains(ReasonCode.CAUTION_DECAY_SCREENED);
        assertThat(hollow.limbs().stream()
                        .filter(limb -> limb.limb().id().equals("S"))
                        .findFirst()
                        .orElseThrow()
                        .cut()
                        .orElseThrow()
                        .tickets())
                .contains(Ticket.ARBORIST);
    }

    @Test
    void aHollowAtTheCollarIsHeldAgainstTheTrunkItRunsInto() {
        Evaluation small = after(List.of(), cut("L0", MadeCut.Kind.REMOVED, Face.HOLLOW, 8, 6));
        assertThat(small.tree().triage()).isNotEqualTo(Triage.REFER);
        assertThat(said(small.cautions())).contains(ReasonCode.CAUTION_DECAY_SCREENED);
        Evaluation wide = after(List.of(), cut("L0", MadeCut.Kind.REMOVED, Face.HOLLOW, 30, 30));
        assertThat(said(wide.tree().reasons())).contains(ReasonCode.REFER_HOLLOW_FACE);
    }

    @Test
    void softWithoutAMeasureIsToBeKnockedAndStainedAloneChangesNothing() {
        assertThat(said(after(List.of(), cut("L0", MadeCut.Kind.SHORTENED, Face.SOFT, 8, 0))
                        .cautions()))
                .contains(ReasonCode.CAUTION_DECAY_UNMEASURED);
        Evaluation stained = after(List.of(), cut("L0", MadeCut.Kind.SHORTENED, Face.STAINED, 8, 0));
        assertThat(said(stained.cautions()))
                .doesNotContain(ReasonCode.CAUTION_DECAY_UNMEASURED, ReasonCode.CAUTION_DECAY_SCREENED);
    }

    @Test
    void aWoundThatRotsIsSaid() {
        FoundDecay look = new FoundDecay(
                "L0", Optional.empty(), 1, Face.SOUND, 10, OptionalDouble.empty(), CUT.plusDays(3), true);
        Evaluation rots = after(List.of(look), cut("L0", MadeCut.Kind.REMOVED, Face.SOUND, 10, 0));
        assertThat(said(rots.cautions())).contains(ReasonCode.CAUTION_WOUND_ROTS);
    }

    @Test
    void aFaceGoesWithWhatBoreIt() {
        Evaluation gone = after(
                List.of(),
                cut("S", MadeCut.Kind.SHORTENED, Face.HOLLOW, 4, 3),
                cut("L0", MadeCut.Kind.REMOVED, Face.SOUND, 10, 0));
        assertThat(gone.facts().tree().noted().decay()).isEmpty();
    }

    @Test
    void aHollowLimbSplitsSooner() {
        double sound = split(after(List.of(), cut("L0", MadeCut.Kind.SHORTENED, Face.SOUND, 8, 0)));
        double hollow = split(after(List.of(), cut("L0", MadeCut.Kind.SHORTENED, Face.HOLLOW, 8, 6)));
        assertThat(hollow).isGreaterThan(sound);
    }

    private static double split(Evaluation evaluation) {
        return Outlook.of(evaluation.planned(), SurveyBuilder.RULES.rootstocks())
                .leftAlone()
                .get(0)
                .splitRisk();
    }
}
