package org.diligentbough.core.visit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.diligentbough.core.Chance;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.RandomTrees;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.plan.PlanRules;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Survey;
import org.junit.jupiter.api.Assertions;

/** Whatever is logged, the plan that follows keeps its rules. */
class LogPropertiesTest {

    @Property(tries = 500, seed = Chance.JQWIK)
    void whateverIsLoggedThePlanThatFollowsKeepsItsRules(@ForAll long seed) {
        SurveyBuilder tree = RandomTrees.tree(seed);
        Random random = new Random(seed);
        tree.surveyedOn = tree.today;
        List<Visit> visits = new ArrayList<>();
        LocalDate on = tree.surveyedOn;
        Set<String> gone = new java.util.HashSet<>();
        for (int i = random.nextInt(3); i >= 0; i--) {
            on = on.plusDays(random.nextInt(200));
            visits.add(visit(tree, on, random, gone));
        }
        tree.today = on.plusDays(random.nextInt(200));
        Survey survey = tree.build();
        TreeToday standing = SurveyBuilder.RULES.standing(List.of(survey), visits);
        Evaluation after = Evaluation.of(standing, Evaluation.Given.NOTHING, SurveyBuilder.RULES);
        PlanRules.hold(after, standing.taken());
        Set<String> standingLimbs =
                standing.survey().limbs().stream().map(Limb::id).collect(Collectors.toSet());
        assertThat(standingLimbs).noneMatch(gone::contains);
        assertThat(after.plan().lanes())
                .allMatch(lane -> lane.cuts().stream().allMatch(cut -> standingLimbs.contains(cut.limb())));
        assertThat(standing.taken().share()).isBetween(0.0, 1 + 1e-9);
    }

    private static Visit visit(SurveyBuilder tree, LocalDate on, Random random, Set<String> gone) {
        List<MadeCut> cuts = new ArrayList<>();
        for (Limb limb : tree.limbs) {
            int what = random.nextInt(8);
            boolean renewal = random.nextInt(5) == 0;
            if (what == 0) {
                cuts.add(new MadeCut(limb.id(), MadeCut.Kind.REMOVED, 0, false, renewal, Optional.empty()));
                gone.add(limb.id());
            } else if (what == 1) {
                double alongM = limb.lengthM() * (0.1 + random.nextInt(9) / 10.0);
                cuts.add(new MadeCut(
                        limb.id(), MadeCut.Kind.SHORTENED, alongM, random.nextBoolean(), renewal, Optional.empty()));
            } else if (what == 2) {
                cuts.add(new MadeCut(limb.id(), MadeCut.Kind.BENT, 0, false, false, Optional.empty()));
            }
        }
        return new Visit(on, cuts, random.nextInt(20));
    }

    /** Ways of telling the same work: in one visit or in two, on the same day, the tree stands the same. */
    @Property(tries = 300, seed = Chance.JQWIK)
    void theShareTakenDoesNotDependOnHowTheWorkIsSplit(@ForAll long seed) {
        SurveyBuilder tree = RandomTrees.tree(seed);
        Random random = new Random(seed);
        List<Limb> onTrunk = tree.limbs.stream()
                .filter(limb -> limb.parent().isEmpty() && random.nextBoolean())
                .toList();
        List<MadeCut> cuts = onTrunk.stream()
                .map(limb -> new MadeCut(limb.id(), MadeCut.Kind.REMOVED, 0, false, false, Optional.empty()))
                .toList();
        Survey survey = tree.build();
        TreeToday once =
                SurveyBuilder.RULES.standing(List.of(survey), List.of(new Visit(survey.surveyedOn(), cuts, 0)));
        List<Visit> oneByOne = cuts.stream()
                .map(cut -> new Visit(survey.surveyedOn(), List.of(cut), 0))
                .toList();
        TreeToday apart = SurveyBuilder.RULES.standing(List.of(survey), oneByOne);
        Assertions.assertEquals(once.taken().share(), apart.taken().share(), 1e-9);
        assertThat(apart.survey().limbs()).isEqualTo(once.survey().limbs());
        if (!once.survey().limbs().isEmpty()) {
            assertThat(apart.survey().tree().heightM())
                    .isCloseTo(once.survey().tree().heightM(), within(1e-9));
        }
    }
}
