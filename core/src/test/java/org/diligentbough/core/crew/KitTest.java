package org.diligentbough.core.crew;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Ticket;
import org.junit.jupiter.api.Test;

/** What a cut takes, and who may hold the ladder. Common practice, no source. */
class KitTest {

    private static Set<Kit> kit(SurveyBuilder tree, String limb) {
        Evaluation evaluation = tree.evaluate();
        LimbVerdict verdict = SurveyBuilder.verdictOn(evaluation, limb);
        return Kit.of(verdict.cut().orElseThrow(), evaluation.facts());
    }

    @Test
    void aLowBranchWantsItsToolAndNoMore() {
        SurveyBuilder tree = SurveyBuilder.withFrame()
                .limb("X", limb -> limb.diameter(3).azimuth(60).length(1.5).fault(FaultKind.CROSSING_CENTRE));
        assertThat(kit(tree, "X")).containsExactlyInAnyOrder(Kit.LOPPERS);
    }

    @Test
    void theYearlyCuttingIsDoneFromTheGround() {
        SurveyBuilder low = SurveyBuilder.of(Species.GOOSEBERRY).with(tree -> tree.heightM = 1.2);
        assertThat(Kit.ofUpkeep(low.evaluate().facts()))
                .containsExactlyInAnyOrder(Kit.SECATEURS, Kit.LOPPERS, Kit.SAW, Kit.GLOVES);
        SurveyBuilder high = SurveyBuilder.withFrame().with(tree -> tree.heightM = 4);
        assertThat(Kit.ofUpkeep(high.evaluate().facts()))
                .containsExactlyInAnyOrder(Kit.SECATEURS, Kit.LOPPERS, Kit.SAW, Kit.POLE_PRUNER, Kit.HELMET);
    }

    @Test
    void aHighOneWantsALadderAndAHelmet() {
        SurveyBuilder tree = SurveyBuilder.withFrame()
                .limb(
                        "X",
                        limb -> limb.diameter(5).origin(3).azimuth(60).length(2).fault(FaultKind.CROSSING_CENTRE));
        assertThat(kit(tree, "X")).containsExactlyInAnyOrder(Kit.SAW, Kit.LADDER, Kit.HELMET);
    }

    @Test
    void aThinOneWithinReachOfAPoleWantsNoLadder() {
        SurveyBuilder tree = SurveyBuilder.withFrame().limb("X", limb -> limb.diameter(2.5)
                .origin(3)
                .azimuth(60)
                .length(1)
                .fault(FaultKind.CROSSING_CENTRE));
        assertThat(kit(tree, "X")).containsExactlyInAnyOrder(Kit.POLE_PRUNER, Kit.HELMET);
    }

    @Test
    void heavyWoodWantsARope() {
        SurveyBuilder tree = SurveyBuilder.withFrame()
                .limb("X", limb -> limb.diameter(14).azimuth(60).length(4).fault(FaultKind.CROSSING_CENTRE));
        assertThat(kit(tree, "X")).contains(Kit.ROPE);
    }

    @Test
    void thornsWantGloves() {
        SurveyBuilder bush = SurveyBuilder.of(Species.GOOSEBERRY);
        for (int i = 0; i < 9; i++) {
            int number = i;
            bush.limb("G" + i, limb -> limb.diameter(2)
                    .origin(0.1)
                    .azimuth(number * 40)
                    .angle(55)
                    .length(0.9)
                    .fruiting(2));
        }
        bush.limb(
                "D",
                limb -> limb.diameter(1.5).origin(0.1).azimuth(20).length(0.8).fault(FaultKind.DEAD));
        assertThat(kit(bush, "D")).contains(Kit.GLOVES, Kit.SECATEURS);
    }

    @Test
    void everyToolOfTheCutsIsAmongTheKit() {
        for (var tool : org.diligentbough.core.verdict.Tool.values()) {
            assertThat(Kit.valueOf(tool.name())).isNotNull();
        }
    }

    @Test
    void aTicketHoldsThroughItsLastDay() {
        LocalDate last = LocalDate.of(2027, 3, 6);
        Helper helper = new Helper(1, "Marl", OptionalInt.of(1980), Map.of(Ticket.LADDER, last), true);
        assertThat(helper.holds(Ticket.LADDER, last)).isTrue();
        assertThat(helper.holds(Ticket.LADDER, last.plusDays(1))).isFalse();
        assertThat(helper.holds(Ticket.LEAD, last)).isFalse();
    }

    @Test
    void aBirthYearLeavesTheYearOfTheEighteenthBirthdayOpen() {
        LocalDate on = LocalDate.of(2027, 12, 31);
        assertThat(helper(OptionalInt.of(2009)).maybeUnderAge(on)).isTrue();
        assertThat(helper(OptionalInt.of(2008)).maybeUnderAge(on)).isFalse();
        assertThat(helper(OptionalInt.of(2012)).maybeUnderAge(on)).isTrue();
        assertThat(helper(OptionalInt.empty()).maybeUnderAge(on)).isFalse();
    }

    private static Helper helper(OptionalInt born) {
        return new Helper(1, "Wren", born, Map.of(), true);
    }
}
