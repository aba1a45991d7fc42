package org.diligentbough.core.outlook;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.outlook.Outlook.Grown;
import org.diligentbough.core.outlook.Outlook.Year;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.TreeSurvey;
import org.diligentbough.core.verdict.Verdict;
import org.junit.jupiter.api.Test;

/** Looking ahead, by trees that can be reckoned by hand. Common practice, no source. */
class OutlookTest {

    private static Outlook look(SurveyBuilder tree) {
        return Outlook.of(tree.evaluate().planned(), SurveyBuilder.RULES.rootstocks());
    }

    /** Four alike, apart, so that none shades another much; and a high one where {@code angle} is steep. */
    private static SurveyBuilder fourLimbs(double angle) {
        SurveyBuilder tree = new SurveyBuilder();
        for (int i = 0; i < 4; i++) {
            int number = i;
            tree.limb("M" + i, limb -> limb.diameter(8)
                    .origin(1.2)
                    .azimuth(number * 90)
                    .angle(angle)
                    .length(3.5)
                    .fruiting(2));
        }
        tree.yearsSinceCut = OptionalDouble.of(1);
        return tree;
    }

    private static Grown limb(Year year, String id) {
        return year.limbs().stream()
                .filter(limb -> limb.id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    private static double lengthM(Grown limb) {
        return Math.sqrt(Math.pow(limb.tip().eastM() - limb.base().eastM(), 2)
                + Math.pow(limb.tip().northM() - limb.base().northM(), 2)
                + Math.pow(limb.tip().upM() - limb.base().upM(), 2));
    }

    @Test
    void fruitBelowTheHeightWantedIsInReachAndNoneIsToldWhereNoHeightIsWanted() {
        SurveyBuilder low = fourLimbs(10);
        assertThat(look(low).leftAlone().get(0).fruit().goodInReach()).isEmpty();
        low.targetHeightM = OptionalDouble.of(6);
        Year all = look(low).leftAlone().get(0);
        assertThat(all.fruit().goodInReach().orElseThrow())
                .isCloseTo(all.fruit().good(), within(1e-9));
        assertThat(all.fruit().good()).isLessThan(all.fruit().all());
        SurveyBuilder high = fourLimbs(80);
        high.targetHeightM = OptionalDouble.of(1.5);
        Year above = look(high).leftAlone().get(0);
        // Of small wood that nobody entered a little hangs lower.
        assertThat(above.fruit().goodInReach().orElseThrow())
                .isLessThan(0.1 * above.fruit().good());
    }

    /** The years bring it down all the same: that hangs on a branch that nobody entered, and it is said. */
    @Test
    void aLeaderThatHasNothingToBeCutToIsSaidToWantABranch() {
        SurveyBuilder tree = fourLimbs(40).limb("T", limb -> limb.diameter(14)
                .origin(1.4)
                .azimuth(45)
                .angle(88)
                .length(5.5)
                .years(40)
                .fruiting(1));
        tree.heightM = 6.9;
        tree.targetHeightM = OptionalDouble.of(4);
        tree.yearsSinceCut = OptionalDouble.of(12);
        Evaluation found = tree.evaluate();
        assertThat(SurveyBuilder.verdictOn(found, "T").cut()).isEmpty();
        assertThat(PlanBuys.of(look(tree), found.planned()))
                .filteredOn(said -> said.code() == ReasonCode.OUTLOOK_WANTS_A_BRANCH)
                .singleElement()
                .satisfies(said -> assertThat(said.arguments().get(0)).isEqualTo("T"));
        SurveyBuilder low = fourLimbs(40);
        low.targetHeightM = OptionalDouble.of(4);
        assertThat(PlanBuys.of(look(low), low.evaluate().planned()))
                .extracting(Reason::code)
                .doesNotContain(ReasonCode.OUTLOOK_WANTS_A_BRANCH);
    }

    @Test
    void aLimbThatIsLoweredCarriesLeafUpToItsCutAndIsHeldThere() {
        SurveyBuilder tree = fourLimbs(45).limb("T", limb -> limb.diameter(6)
                .origin(1.4)
                .azimuth(45)
                .angle(75)
                .length(4)
                .years(9)
                .fruiting(2));
        tree.heightM = 5.3;
        tree.targetHeightM = OptionalDouble.of(4.0);
        tree.shootCm = OptionalDouble.of(60);
        List<Year> plan = look(tree).plan();
        Year cut = plan.stream()
                .filter(year -> year.limbs().stream()
                        .anyMatch(limb -> limb.id().equals("T") && limb.cut().equals(Optional.of(Verdict.SHORTEN))))
                .findFirst()
                .orElseThrow();
        double cutAtM = limb(cut, "T").cutAtM();
        for (Year year : plan.subList(plan.indexOf(cut) + 1, plan.size())) {
            Grown held = limb(year, "T");
            // Half a metre, and what one season adds before it is seen to.
            assertThat(lengthM(held)).isBetween(cutAtM, cutAtM + 0.5 + 0.25);
            assertThat(held.leafAlongM()).isLessThan(limb(cut, "T").leafAlongM());
        }
        assertThat(plan.get(10).heightM())
                .isLessThan(look(tree).leftAlone().get(10).heightM() - 0.5);
    }

    @Test
    void deadWoodIsAShareOfTheWoodSurveyedSoThatAGrowingTreeDoesNotSeemToLoseIt() {
        SurveyBuilder tree = fourLimbs(45).limb("D", limb -> limb.diameter(8)
                .origin(1.2)
                .azimuth(45)
                .angle(45)
                .length(3.5)
                .fault(FaultKind.DEAD));
        List<Year> alone = look(tree).leftAlone();
        assertThat(alone.get(0).deadShare()).isCloseTo(0.2, within(1e-9));
        assertThat(alone.get(10).deadShare()).isGreaterThanOrEqualTo(0.2 - 1e-9);
        assertThat(look(tree).plan().get(1).deadShare()).isLessThan(0.01);
    }

    @Test
    void shootsThatAnswerGrowMostInTheirFirstYear() {
        SurveyBuilder tree = OutlookPropertiesTest.neglected(5);
        tree.waterSprouts = OptionalInt.empty();
        List<Year> years = look(tree).allAtOnce();
        double first = years.get(1).regrown().get(0).lengthM();
        double second = years.get(2).regrown().get(0).lengthM() - first;
        double third = years.get(3).regrown().get(0).lengthM() - first - second;
        assertThat(first).isBetween(0.7, 2.0);
        assertThat(second).isLessThan(first);
        assertThat(third).isLessThan(second);
    }

    /** A cracked trunk, and stems that meet narrowly with bark pressed in, may split; an old crack less likely. */
    @Test
    void cracksAndUnionsOfTheTrunkRaiseTheRiskOfSplitting() {
        assertThat(look(fourLimbs(45)).leftAlone().get(0).splitRisk()).isZero();
        SurveyBuilder fresh = fourLimbs(45);
        fresh.trunk = new TreeSurvey.Trunk(
                OptionalDouble.of(40), Optional.of(true), OptionalDouble.empty(), TreeSurvey.Trunk.SOUND.lean());
        SurveyBuilder old = fourLimbs(45);
        old.trunk = new TreeSurvey.Trunk(
                OptionalDouble.of(40), Optional.of(false), OptionalDouble.empty(), TreeSurvey.Trunk.SOUND.lean());
        double risk = look(fresh).leftAlone().get(0).splitRisk();
        assertThat(risk).isCloseTo(0.05, within(1e-9));
        assertThat(look(old).leftAlone().get(0).splitRisk()).isCloseTo(risk / 2, within(1e-9));
        List<Year> years = look(fresh).leftAlone();
        assertThat(years.get(10).splitRisk()).isGreaterThan(years.get(0).splitRisk());
    }

    /** Halved each winter, a kept gooseberry grows again and bears as before. */
    @Test
    void theKindsYearlyWorkCostsAKeptBushNothing() {
        SurveyBuilder bush = SurveyBuilder.of(Species.GOOSEBERRY);
        bush.formWanted = Form.BUSH;
        bush.heightM = 1.2;
        bush.spreadM = 1.3;
        bush.yearsSinceCut = OptionalDouble.of(1);
        for (int i = 0; i < 8; i++) {
            int number = i;
            bush.limb("M" + i, limb -> limb.origin(0.1)
                    .diameter(1.6)
                    .length(1)
                    .angle(60)
                    .azimuth(number * 45)
                    .years(2 + number % 3)
                    .fruiting(2));
        }
        List<Year> plan = look(bush).plan();
        assertThat(plan.get(0).limbs()).anyMatch(limb -> limb.cut().isPresent());
        assertThat(plan.get(0).minutesDone()).isPositive();
        for (Year year : plan) {
            assertThat(year.fruit().all())
                    .isCloseTo(
                            plan.get(0).fruit().all(),
                            within(0.1 * plan.get(0).fruit().all()));
        }
    }

    /** A side limb at the very tip stays there when a year's growth is taken. */
    @Test
    void aSideLimbAtTheTipStaysOnItsLimb() {
        for (double lengthM : new double[] {1.3, 1.7, 2.1, 2.3, 3.1, 3.7}) {
            SurveyBuilder tree = fourLimbs(45)
                    .limb("T", limb -> limb.origin(1.2)
                            .diameter(6)
                            .azimuth(45)
                            .angle(40)
                            .length(lengthM))
                    .limb("S", limb -> limb.on("T", lengthM)
                            .diameter(3)
                            .azimuth(60)
                            .angle(20)
                            .length(0.8));
            assertThat(look(tree).plan()).hasSize(Outlook.YEARS);
        }
    }
}
