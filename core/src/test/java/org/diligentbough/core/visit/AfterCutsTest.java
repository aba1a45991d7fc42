package org.diligentbough.core.visit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.CrownShares;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Survey;
import org.junit.jupiter.api.Test;

/** A survey once cuts are made: what stands, how long it is, what is still wrong with it, what leaf it has. */
class AfterCutsTest {
    private static final LocalDate DAY = LocalDate.of(2027, 2, 20);

    /** Two equal limbs on the trunk; on A two side limbs, near its base and near its tip. */
    private static SurveyBuilder tree() {
        return new SurveyBuilder()
                .limb("A", limb -> limb.diameter(10).azimuth(0).length(4))
                .limb("B", limb -> limb.diameter(10).azimuth(180).length(4))
                .limb("A1", limb -> limb.on("A", 1).diameter(5).length(1.5))
                .limb("A2", limb -> limb.on("A", 3).diameter(5).length(1));
    }

    private static MadeCut cut(String limb, MadeCut.Kind kind, double alongM) {
        return new MadeCut(limb, kind, alongM, false, false, Optional.empty());
    }

    private static Survey after(SurveyBuilder tree, MadeCut... cuts) {
        Visit visit = new Visit(DAY, Arrays.asList(cuts), 0);
        return new AfterCuts(tree.build(), visit, SurveyBuilder.RULES.knowledge()).survey(visit, DAY);
    }

    private static Limb limb(Survey survey, String id) {
        return new Branching(survey.limbs()).get(id);
    }

    @Test
    void whatGrowsBeyondTheCutGoesWithTheEnd() {
        Survey after = after(tree(), cut("A", MadeCut.Kind.SHORTENED, 2));
        assertThat(after.limbs()).extracting(Limb::id).containsExactly("A", "B", "A1");
        assertThat(limb(after, "A").lengthM()).isEqualTo(2);
    }

    @Test
    void theSideBranchCutBackToStays() {
        Survey after = after(tree(), cut("A", MadeCut.Kind.SHORTENED, 3));
        assertThat(after.limbs()).extracting(Limb::id).contains("A2");
    }

    @Test
    void aCutPastTheTipTakesNothing() {
        Survey after = after(tree(), cut("A", MadeCut.Kind.SHORTENED, 9));
        assertThat(after.limbs()).isEqualTo(tree().build().limbs());
    }

    @Test
    void theLeafOfASideLimbIsMissingFromItsParentToo() {
        // A carries half the crown; A1 a quarter of that, by 5^2 of 10^2.
        Survey after = after(tree(), cut("A1", MadeCut.Kind.REMOVED, 0));
        assertThat(limb(after, "A").leafiness()).isCloseTo(0.75, within(1e-9));
        CrownShares shares = new CrownShares(new Branching(after.limbs()));
        assertThat(shares.of(limb(after, "A"))).isCloseTo(0.375 / 0.875, within(1e-9));
        assertThat(shares.of(limb(after, "B"))).isCloseTo(0.5 / 0.875, within(1e-9));
    }

    @Test
    void deadWoodThatGoesTakesNoLeaf() {
        SurveyBuilder tree =
                tree().limb("D", limb -> limb.on("A", 2).diameter(4).fault(FaultKind.DEAD));
        Survey after = after(tree, cut("D", MadeCut.Kind.REMOVED, 0));
        assertThat(limb(after, "A").leafiness()).isEqualTo(1);
    }

    @Test
    void faultsAtTheBaseOutliveAShortening() {
        for (FaultKind kind : FaultKind.values()) {
            SurveyBuilder tree = new SurveyBuilder()
                    .limb("A", limb -> limb.diameter(10).azimuth(0).length(4).fault(kind))
                    .limb("B", limb -> limb.diameter(10).azimuth(180).length(4));
            boolean stays = !limb(after(tree, cut("A", MadeCut.Kind.SHORTENED, 2)), "A")
                    .faults()
                    .isEmpty();
            boolean atTheEnd =
                    switch (kind) {
                        case TIP_DIEBACK, DISEASED, BROKEN, CRACKED, WEEPING, LOW, ENCROACHING, SPENT, OVERLONG -> true;
                        default -> false;
                    };
            assertThat(stays).as(kind.name()).isEqualTo(!atTheEnd);
        }
    }

    @Test
    void branchesAreBentAsTheSiteChooses() {
        SurveyBuilder tree = tree();
        tree.limb(
                "Y", limb -> limb.diameter(2).azimuth(90).angle(80).length(1.2).fault(FaultKind.UPRIGHT_SHOOT));
        Limb slanting = limb(after(tree, cut("Y", MadeCut.Kind.BENT, 0)), "Y");
        assertThat(slanting.angleDeg()).isEqualTo(45);
        assertThat(slanting.faults()).isEmpty();
        Policy usual = Policy.DEFAULT;
        tree.policy = new Policy(
                usual.allowance(),
                usual.summerAllowance(),
                usual.bigCuts(),
                usual.pome(),
                usual.apricot(),
                usual.peach(),
                usual.fig(),
                Policy.Bend.LEVEL,
                usual.sealing(),
                Policy.InGrowth.NONE);
        assertThat(limb(after(tree, cut("Y", MadeCut.Kind.BENT, 0)), "Y").angleDeg())
                .isZero();
        // What lies lower already is not raised.
        assertThat(limb(after(tree(), cut("A", MadeCut.Kind.BENT, 0)), "A").angleDeg())
                .isLessThanOrEqualTo(45);
    }

    @Test
    void uprightsEnteredAsLimbsAndTakenComeOffTheCount() {
        SurveyBuilder tree = tree();
        tree.waterSprouts = OptionalInt.of(10);
        tree.limb("U", limb -> limb.on("A", 1).diameter(1.5).fault(FaultKind.UPRIGHT_SHOOT));
        Visit visit = new Visit(DAY, List.of(cut("U", MadeCut.Kind.REMOVED, 0)), 4);
        Survey after = new AfterCuts(tree.build(), visit, SurveyBuilder.RULES.knowledge()).survey(visit, DAY);
        assertThat(after.tree().waterSprouts()).hasValue(5);
        Visit many = new Visit(DAY, List.of(), 400);
        assertThat(new AfterCuts(tree.build(), many, SurveyBuilder.RULES.knowledge())
                        .survey(many, DAY)
                        .tree()
                        .waterSprouts())
                .hasValue(0);
    }

    @Test
    void theTreeCountsAsCutOnTheDayOfTheVisit() {
        SurveyBuilder tree = tree();
        Visit visit = new Visit(DAY.minusYears(2), List.of(), 3);
        assertThat(new AfterCuts(tree.build(), visit, SurveyBuilder.RULES.knowledge())
                        .survey(visit, DAY)
                        .tree()
                        .yearsSinceCut()
                        .orElseThrow())
                .isCloseTo(2, within(0.01));
    }

    @Test
    void aShorteningWithoutAPlaceIsNoCut() {
        assertThatThrownBy(() -> cut("A", MadeCut.Kind.SHORTENED, 0))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("limb A");
    }
}
