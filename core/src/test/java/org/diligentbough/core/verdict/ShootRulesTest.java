package org.diligentbough.core.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.core.SurveyBuilder.withFrame;

import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.SurveyBuilder.LimbBuilder;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.FaultKind;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/** Upright, young, spent and good wood: for each row a limb on which it bites and one on which it must not. Common practice, no source. */
class ShootRulesTest {

    private static LimbVerdict judge(UnaryOperator<LimbBuilder> limb) {
        return withFrame().limb("X", limb).judge("X");
    }

    private static boolean says(LimbVerdict verdict, ReasonCode code) {
        return verdict.reasons().stream().anyMatch(reason -> reason.code() == code);
    }

    @Nested
    class Row09UprightShoot {
        @Test
        void goes() {
            assertThat(judge(limb -> limb.on("N", 1).azimuth(10).angle(85).fault(FaultKind.UPRIGHT_SHOOT))
                            .verdict())
                    .isEqualTo(Verdict.REMOVE);
        }

        @Test
        void oneThatRenewsItsParentStays() {
            SurveyBuilder tree = withFrame()
                    .limb("X", limb -> limb.fault(FaultKind.SPENT))
                    .limb("X1", limb -> limb.on("X", 0.8).diameter(2).fault(FaultKind.UPRIGHT_SHOOT))
                    .limb("X2", limb -> limb.on("X", 0.5).diameter(2).fault(FaultKind.UPRIGHT_SHOOT));
            assertThat(tree.judge("X2").verdict()).as("nearer the frame").isEqualTo(Verdict.KEEP);
            assertThat(tree.judge("X").verdict()).isEqualTo(Verdict.SHORTEN);
            assertThat(tree.judge("X1").verdict()).isEqualTo(Verdict.GOES_WITH_PARENT);
        }

        @Test
        void oneInAGapIsBentAndTheNextOneGoes() {
            SurveyBuilder tree = new SurveyBuilder()
                    .limb("N", limb -> limb.diameter(12).azimuth(0).fruiting(2))
                    .limb("X", limb -> limb.diameter(2).azimuth(180).angle(85).fault(FaultKind.UPRIGHT_SHOOT))
                    .limb("Y", limb -> limb.diameter(2).azimuth(170).angle(85).fault(FaultKind.UPRIGHT_SHOOT));
            assertThat(tree.judge("X").verdict()).isEqualTo(Verdict.BEND);
            assertThat(tree.judge("Y").verdict()).isEqualTo(Verdict.REMOVE);
        }

        @Test
        void notOnCitrus() {
            SurveyBuilder citrus = withFrame().limb("X", limb -> limb.on("N", 1).fault(FaultKind.UPRIGHT_SHOOT));
            citrus.species = Species.CITRUS;
            assertThat(citrus.judge("X").verdict()).isEqualTo(Verdict.KEEP);
        }
    }

    @Nested
    class Row10UprightUnfruitful {
        @Test
        void goesWhereOthersStand() {
            assertThat(judge(limb -> limb.azimuth(60).fault(FaultKind.UPRIGHT_UNFRUITFUL))
                            .verdict())
                    .isEqualTo(Verdict.REMOVE);
        }

        @Test
        void staysAloneInItsSectorAndOnlyItsOwnUprightsGo() {
            SurveyBuilder tree = new SurveyBuilder()
                    .limb("N", limb -> limb.diameter(12).azimuth(0).fruiting(2))
                    .limb("X", limb -> limb.azimuth(180).angle(80).fault(FaultKind.UPRIGHT_UNFRUITFUL))
                    .limb("X1", limb -> limb.on("X", 1).azimuth(180).fault(FaultKind.UPRIGHT_SHOOT));
            assertThat(tree.judge("X").verdict()).isEqualTo(Verdict.KEEP);
            assertThat(tree.judge("X1").verdict()).isEqualTo(Verdict.REMOVE);
        }

        @Test
        void ofTwoAloneTogetherOneStays() {
            SurveyBuilder tree = new SurveyBuilder()
                    .limb("N", limb -> limb.diameter(12).azimuth(0).fruiting(2))
                    .limb("X", limb -> limb.diameter(7).azimuth(180).fault(FaultKind.UPRIGHT_UNFRUITFUL))
                    .limb("Y", limb -> limb.diameter(5).azimuth(170).fault(FaultKind.UPRIGHT_UNFRUITFUL));
            assertThat(tree.judge("X").verdict()).isEqualTo(Verdict.KEEP);
            assertThat(tree.judge("Y").verdict()).isEqualTo(Verdict.REMOVE);
        }
    }

    @Nested
    class Row16Spent {
        @Test
        void isCutToAYoungShootNearerTheFrame() {
            SurveyBuilder tree = withFrame()
                    .limb("X", limb -> limb.fault(FaultKind.SPENT))
                    .limb("X1", limb -> limb.on("X", 0.5).diameter(1.5).years(1));
            LimbVerdict spent = tree.judge("X");
            assertThat(tree.judge("X1").verdict()).as("it takes over").isEqualTo(Verdict.KEEP);
            assertThat(spent.verdict()).isEqualTo(Verdict.SHORTEN);
            assertThat(spent.cut().orElseThrow().kind()).isEqualTo(CutKind.RENEWAL);
        }

        @Test
        void waitsUntilThereIsOne() {
            LimbVerdict spent = judge(limb -> limb.fault(FaultKind.SPENT));
            assertThat(spent.verdict()).isEqualTo(Verdict.WAIT);
            assertThat(says(spent, ReasonCode.SPENT_GROW_FIRST)).isTrue();
        }
    }

    @Nested
    class Row17BelowGraft {
        @Test
        void goesInAnySeason() {
            LimbVerdict sucker = judge(limb -> limb.origin(0.1).fault(FaultKind.BELOW_GRAFT));
            assertThat(sucker.verdict()).isEqualTo(Verdict.REMOVE);
            assertThat(sucker.anySeason()).isTrue();
            assertThat(sucker.cut().orElseThrow().kind()).isEqualTo(CutKind.SUCKER);
        }

        @Test
        void isNotMerelyShortenedForItsHeight() {
            SurveyBuilder tree =
                    withFrame().limb("X", limb -> limb.length(5).angle(80).fault(FaultKind.BELOW_GRAFT));
            tree.targetHeightM = OptionalDouble.of(4);
            assertThat(tree.judge("X").verdict()).isEqualTo(Verdict.REMOVE);
        }

        @Test
        void aLowLimbOfTheTreeItselfStays() {
            assertThat(judge(limb -> limb.origin(0.4).fruiting(2)).verdict()).isEqualTo(Verdict.KEEP);
        }
    }

    @Nested
    class Row19Pliable {
        private SurveyBuilder young(double diameterCm, double angleDeg) {
            return new SurveyBuilder()
                    .limb("X", limb -> limb.diameter(diameterCm)
                            .angle(angleDeg)
                            .azimuth(0)
                            .length(1.2))
                    .limb("Y", limb -> limb.diameter(2)
                            .angle(50)
                            .azimuth(120)
                            .length(1.2)
                            .fruiting(1))
                    .limb("Z", limb -> limb.diameter(2)
                            .angle(50)
                            .azimuth(240)
                            .length(1.2)
                            .fruiting(1));
        }

        @Test
        void aSteepThinBranchIsSpread() {
            LimbVerdict verdict = young(2.4, 61).judge("X");
            assertThat(verdict.verdict()).isEqualTo(Verdict.BEND);
            assertThat(verdict.cut().orElseThrow().technique()).isEqualTo(Technique.TIE);
            assertThat(verdict.cut().orElseThrow().tool()).isEqualTo(Tool.SPREADER);
        }

        @Test
        void notAThickNorALevelOneNorASideLimb() {
            assertThat(young(2.5, 61).judge("X").verdict()).isEqualTo(Verdict.WAIT);
            assertThat(young(2.4, 60).judge("X").verdict()).isEqualTo(Verdict.WAIT);
            assertThat(judge(limb -> limb.on("N", 1).diameter(2).angle(70)).verdict())
                    .isEqualTo(Verdict.WAIT);
        }

        @Test
        void notTheOneThatIsToLead() {
            SurveyBuilder tree = young(2.4, 88);
            tree.formWanted = Form.CENTRAL_LEADER;
            assertThat(tree.judge("X").verdict()).isEqualTo(Verdict.WAIT);
        }
    }

    @Nested
    class Row20Fruitful {
        @Test
        void thirtyToSixtyDegreesStay() {
            assertThat(judge(limb -> limb.angle(30).fruiting(1)).verdict()).isEqualTo(Verdict.KEEP);
            assertThat(judge(limb -> limb.angle(60).fruiting(1)).verdict()).isEqualTo(Verdict.KEEP);
            assertThat(judge(limb -> limb.angle(29).fruiting(1)).verdict()).isEqualTo(Verdict.WAIT);
            assertThat(judge(limb -> limb.angle(61).fruiting(1)).verdict()).isEqualTo(Verdict.WAIT);
        }

        @Test
        void cherryFruitsLevelToo() {
            SurveyBuilder cherry = withFrame().limb("X", limb -> limb.angle(0).fruiting(1));
            cherry.species = Species.SOUR_CHERRY;
            assertThat(cherry.judge("X").verdict()).isEqualTo(Verdict.KEEP);
        }

        @Test
        void crowdedFruitStaysAndIsThinned() {
            LimbVerdict crowded = judge(limb -> limb.fruiting(3));
            assertThat(crowded.verdict()).isEqualTo(Verdict.KEEP);
            assertThat(says(crowded, ReasonCode.THIN_CROWDED_SPURS)).isTrue();
        }
    }

    @Nested
    class Row21NothingClear {
        @Test
        void waits() {
            LimbVerdict verdict = judge(limb -> limb);
            assertThat(verdict.verdict()).isEqualTo(Verdict.WAIT);
            assertThat(verdict.reasons()).hasSize(1);
            assertThat(verdict.cut()).isEmpty();
        }
    }
}
