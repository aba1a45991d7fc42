package org.diligentbough.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.core.SurveyBuilder.verdictOn;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.plan.Wishes;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Group;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.verdict.Rule;
import org.diligentbough.core.verdict.Verdict;
import org.diligentbough.core.visit.TreeToday;
import org.junit.jupiter.api.Test;

/** The strong are brought down to the others, the weak only tipped, if at all. Common practice, no source. */
class GroupBalanceTest {
    private static Evaluation among(Group group, SurveyBuilder tree) {
        return Evaluation.of(
                TreeToday.asSurveyed(tree.build()),
                new Evaluation.Given(Wishes.NONE, List.of(), List.of(), Optional.of(group)),
                SurveyBuilder.RULES);
    }

    private static Evaluation among(double othersM, SurveyBuilder tree) {
        return among(new Group("Row 2", 3, othersM, tree.spreadM, OptionalDouble.empty()), tree);
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
        assertThat(evaluation.facts().tree().targetHeightM()).hasValue(3);
    }

    @Test
    void aTreeAboutAsTallAsTheOthersIsLeftAlone() {
        Evaluation evaluation = among(4.5, tall());
        assertThat(evaluation.facts().tree().targetHeightM()).isEmpty();
        assertThat(evaluation.cautions())
                .extracting(Reason::code)
                .doesNotContain(ReasonCode.GROUP_STRONG, ReasonCode.GROUP_WEAK);
    }

    @Test
    void aWiderCrownIsBroughtInToTheOthers() {
        Group narrower = new Group("Row 2", 3, 4.6, 3.4, OptionalDouble.empty());
        Evaluation evaluation = among(narrower, tall());
        assertThat(evaluation.facts().tree().noted().spreadTargetM()).hasValue(3.4);
        assertThat(evaluation.facts().tree().targetHeightM()).isEmpty();
        assertThat(evaluation.cautions()).extracting(Reason::code).contains(ReasonCode.GROUP_STRONG);
    }

    @Test
    void growthCountsToo() {
        SurveyBuilder tree = tall().with(one -> one.shootCm = OptionalDouble.of(60));
        // As tall and as wide as the others: only its shoots, twice as long as theirs, make it the strong one.
        Group others = new Group("Row 2", 3, 5, 5, OptionalDouble.of(30));
        assertThat(among(others, tree).cautions()).extracting(Reason::code).contains(ReasonCode.GROUP_STRONG);
        Group alike = new Group("Row 2", 3, 5, 5, OptionalDouble.of(55));
        assertThat(among(alike, tree).cautions())
                .extracting(Reason::code)
                .doesNotContain(ReasonCode.GROUP_STRONG, ReasonCode.GROUP_WEAK);
    }

    @Test
    void aWeakOneIsOnlyCleaned() {
        SurveyBuilder tree = tall().limb(
                        "X", limb -> limb.diameter(4).azimuth(60).fault(FaultKind.CROSSING_CENTRE))
                .limb("D", limb -> limb.diameter(4).azimuth(180).fault(FaultKind.DEAD));
        Group taller = new Group("Row 2", 3, 6.5, 6, OptionalDouble.empty());
        Evaluation evaluation = among(taller, tree);
        assertThat(evaluation.cautions()).extracting(Reason::code).contains(ReasonCode.GROUP_WEAK);
        assertThat(verdictOn(evaluation, "D").verdict()).isEqualTo(Verdict.REMOVE);
        assertThat(verdictOn(evaluation, "X").verdict()).isEqualTo(Verdict.KEEP);
        assertThat(verdictOn(evaluation, "X").reasons())
                .extracting(Reason::code)
                .contains(ReasonCode.WEAK_IN_GROUP_ONLY_CLEANED, ReasonCode.TICKED_WEAK_IN_GROUP);
        assertThat(verdictOn(tree.evaluate(), "X").verdict()).isEqualTo(Verdict.REMOVE);
    }

    @Test
    void aForkThatMaySplitIsSeenToAllTheSame() {
        SurveyBuilder tree = tall().limb(
                        "F", limb -> limb.diameter(8).azimuth(60).angle(75))
                .limb("G", limb -> limb.diameter(9).azimuth(75).angle(75).fault(FaultKind.INCLUDED_BARK, "F"));
        Evaluation evaluation = among(new Group("Row 2", 3, 6.5, 6, OptionalDouble.empty()), tree);
        assertThat(evaluation.limbs()).anySatisfy(limb -> {
            assertThat(limb.verdict()).isEqualTo(Verdict.REMOVE);
            assertThat(limb.rule()).contains(Rule.SPLIT_UNION);
        });
    }

    @Test
    void treesThatASurveyFindsCloseByAreTheOthersOfAGroup() {
        SurveyBuilder tree = tall().with(one -> {
            one.surroundings.add(new Survey.Surrounding(Survey.Surrounding.Kind.TREE, 90, 3, 3.4, 1.7));
            one.surroundings.add(new Survey.Surrounding(Survey.Surrounding.Kind.TREE, 270, 3, 3.6, 1.8));
            // Too far off to be of the group.
            one.surroundings.add(new Survey.Surrounding(Survey.Surrounding.Kind.TREE, 0, 20, 9, 4));
        });
        assertThat(tree.evaluate().facts().tree().targetHeightM()).isEmpty();
        Survey survey = tree.build();
        Survey grouped =
                survey.wanting(OptionalDouble.empty(), survey.tree().noted().ofGroup("The three by the gate"));
        Evaluation evaluation = Evaluation.of(grouped, SurveyBuilder.RULES);
        assertThat(evaluation.facts().tree().targetHeightM()).hasValue(3.5);
        assertThat(evaluation.cautions()).extracting(Reason::code).contains(ReasonCode.GROUP_STRONG);
    }
}
