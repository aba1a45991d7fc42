package org.diligentbough.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.diligentbough.core.plan.MovedCutsTest.eightLimbs;
import static org.diligentbough.core.plan.MovedCutsTest.laneOf;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.diligentbough.core.Chance;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.RandomTrees;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.season.Window;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.verdict.Decision;
import org.diligentbough.core.verdict.OwnAllowance;
import org.diligentbough.core.verdict.Verdict;
import org.diligentbough.core.visit.TreeToday;
import org.junit.jupiter.api.Test;

/** What people want of a plan is done, the rules fill in around it, and what breaks is said. */
class WishesTest {
    private static Evaluation with(SurveyBuilder tree, Wishes edits) {
        return Evaluation.of(
                TreeToday.asSurveyed(tree.build()),
                new Evaluation.Given(edits, List.of(), List.of(), Optional.empty()),
                SurveyBuilder.RULES);
    }

    private static Wishes decided(SurveyBuilder tree, String limb, Verdict verdict, OptionalDouble alongM) {
        return new Wishes(
                OptionalInt.empty(),
                Optional.empty(),
                List.of(),
                List.of(new Decision(limb, verdict, alongM, "Wren Ashdown", tree.today)),
                Set.of(),
                Set.of());
    }

    private static List<PlannedCut> cuts(Evaluation evaluation, String limb) {
        return evaluation.plan().lanes().stream()
                .flatMap(lane -> lane.cuts().stream())
                .filter(cut -> cut.limb().equals(limb))
                .toList();
    }

    /** With the plan kept that it had before. */
    private static Evaluation keeping(SurveyBuilder tree, Evaluation before) {
        List<Pin> cuts = before.plan().lanes().stream()
                .flatMap(lane -> lane.cuts().stream()
                        .map(cut -> Pin.kept(
                                cut.limb(),
                                cut.kind(),
                                lane.year().year(),
                                lane.season(),
                                lane.quality(),
                                cut.cut().place().alongM())))
                .toList();
        return with(tree, Wishes.NONE.keeping(cuts));
    }

    @Test
    void whatIsForbiddenIsNotPlanned() {
        SurveyBuilder tree = eightLimbs();
        Evaluation evaluation = with(tree, decided(tree, "L0", Verdict.KEEP, OptionalDouble.empty()));
        assertThat(cuts(evaluation, "L0")).isEmpty();
        assertThat(SurveyBuilder.verdictOn(evaluation, "L0").reasons().get(0).code())
                .isEqualTo(ReasonCode.DECIDED);
    }

    @Test
    void aCutTheJudgementDidNotProposeIsPlannedWhereItWasAskedFor() {
        SurveyBuilder tree = eightLimbs();
        Evaluation evaluation = with(tree, decided(tree, "L6", Verdict.SHORTEN, OptionalDouble.of(2.4)));
        assertThat(cuts(evaluation, "L6")).singleElement().satisfies(cut -> {
            assertThat(cut.kind()).isEqualTo(Verdict.SHORTEN);
            assertThat(cut.cut().place().alongM()).isCloseTo(2.4, within(1e-9));
        });
    }

    @Test
    void whatIsInsistedOnComesInTheFirstWindow() {
        SurveyBuilder tree = eightLimbs();
        String last = tree.evaluate().plan().lanes().get(1).cuts().get(0).limb();
        Evaluation evaluation = with(
                tree, new Wishes(OptionalInt.empty(), Optional.empty(), List.of(), List.of(), Set.of(last), Set.of()));
        assertThat(laneOf(evaluation, last).year().year()).isEqualTo(2027);
        PlanRules.hold(evaluation);
    }

    @Test
    void whatIsSplitIsShortenedByAboutHalfAndRemovedTheNextYear() {
        SurveyBuilder tree = eightLimbs();
        Evaluation evaluation = with(
                tree, new Wishes(OptionalInt.empty(), Optional.empty(), List.of(), List.of(), Set.of(), Set.of("L0")));
        assertThat(cuts(evaluation, "L0"))
                .extracting(PlannedCut::kind)
                .containsExactly(Verdict.SHORTEN, Verdict.REMOVE);
        // Half of an eighth, of three quarters of the crown at the least.
        assertThat(cuts(evaluation, "L0").get(0).share()).isLessThanOrEqualTo(0.0625 / 0.75 + 1e-3);
        PlanRules.hold(evaluation);
    }

    @Test
    void aTreesOwnAllowanceBindsAndSaysWhoSetItAndWhy() {
        SurveyBuilder tree = eightLimbs();
        Evaluation evaluation = with(
                tree,
                new Wishes(
                        OptionalInt.empty(),
                        Optional.of(new OwnAllowance(0.13, "weak after the drought", "Wren Ashdown")),
                        List.of(),
                        List.of(),
                        Set.of(),
                        Set.of()));
        evaluation.plan().lanes().forEach(lane -> assertThat(lane.share()).isLessThanOrEqualTo(0.13 + 1e-9));
        assertThat(evaluation.tree().allowance().reasons().get(0).arguments())
                .contains("weak after the drought", "Wren Ashdown");
    }

    @Test
    void anyNumberOfYearsCanBeAskedForAndElseIsSuggestedWithWhy() {
        SurveyBuilder tree = eightLimbs();
        Evaluation asked =
                with(tree, new Wishes(OptionalInt.of(8), Optional.empty(), List.of(), List.of(), Set.of(), Set.of()));
        assertThat(asked.plan().years()).isEqualTo(8);
        assertThat(asked.plan().yearsWhy()).isEmpty();
        RenovationPlan suggested = tree.evaluate().plan();
        assertThat(suggested.years()).isBetween(2, 5);
        assertThat(suggested.yearsWhy()).isPresent();
    }

    @Test
    void aPlanThatIsKeptStandsWhereItWasAndLeavesOutWhatWasFoundSince() {
        SurveyBuilder tree = eightLimbs();
        Evaluation before = tree.evaluate();
        tree.limb("N", limb -> limb.diameter(3).azimuth(100).fault(FaultKind.BROKEN));
        Evaluation after = keeping(tree, before);
        assertThat(cuts(after, "N")).isEmpty();
        assertThat(after.plan().notPlaced()).anySatisfy(limb -> {
            assertThat(limb.limb()).isEqualTo("N");
            assertThat(limb.reasons()).extracting(reason -> reason.code()).contains(ReasonCode.NOT_IN_KEPT_PLAN);
        });
        for (Lane lane : before.plan().lanes()) {
            for (PlannedCut cut : lane.cuts()) {
                assertThat(laneOf(after, cut.limb()).year()).isEqualTo(lane.year());
                assertThat(cuts(after, cut.limb())).noneMatch(PlannedCut::byHand);
            }
        }
    }

    @Property(tries = 250, seed = Chance.JQWIK)
    void whateverIsWantedThePlanKeepsItsRulesOrSaysWhichItBreaks(@ForAll long seed) {
        SurveyBuilder tree = RandomTrees.tree(seed);
        Random random = new Random(seed);
        List<Decision> decisions = new ArrayList<>();
        Set<String> insisted = new HashSet<>();
        Set<String> split = new HashSet<>();
        List<Pin> pins = new ArrayList<>();
        Verdict[] verdicts = {Verdict.KEEP, Verdict.REMOVE, Verdict.SHORTEN, Verdict.BEND};
        for (Limb limb : tree.limbs) {
            switch (random.nextInt(8)) {
                case 0 ->
                    decisions.add(new Decision(
                            limb.id(),
                            verdicts[random.nextInt(4)],
                            random.nextBoolean()
                                    ? OptionalDouble.of(limb.lengthM() * (0.2 + random.nextInt(7) / 10.0))
                                    : OptionalDouble.empty(),
                            "Wren Ashdown",
                            tree.today));
                case 1 -> insisted.add(limb.id());
                case 2 -> split.add(limb.id());
                case 3 ->
                    pins.add(new Pin(
                            limb.id(),
                            Verdict.REMOVE,
                            tree.today.getYear() + random.nextInt(4),
                            Season.DORMANT,
                            Optional.of(Window.Quality.BEST)));
                default -> {}
            }
        }
        Evaluation evaluation = with(
                tree,
                new Wishes(
                        random.nextBoolean() ? OptionalInt.of(1 + random.nextInt(8)) : OptionalInt.empty(),
                        random.nextInt(3) == 0
                                ? Optional.of(new OwnAllowance(random.nextInt(40) / 100.0, "why", "who"))
                                : Optional.empty(),
                        pins,
                        decisions,
                        insisted,
                        split));
        PlanRules.hold(evaluation);
    }

    @Test
    void aPlanThatIsKeptHasWhatComesOffOnTheDayOfWhatItGrowsFrom() {
        aPlanThatIsKeptStandsAsItWas(119);
    }

    /** The same trees each time, some hundred; what people ask for beside it is tried anew each time above. */
    @Property(tries = 600, seed = "20261127")
    void aPlanThatIsKeptStandsAsItWas(@ForAll long seed) {
        SurveyBuilder tree = RandomTrees.tree(seed);
        Evaluation before = tree.evaluate();
        Evaluation kept = keeping(tree, before);
        assertThat(made(kept)).containsExactlyInAnyOrderElementsOf(made(before));
        assertThat(kept.plan().lanes().stream().flatMap(lane -> lane.cuts().stream()))
                .allSatisfy(cut -> assertThat(cut.breaks()).isEmpty());
    }

    /** Which limb is cut how, where and when. */
    private static List<String> made(Evaluation evaluation) {
        return evaluation.plan().lanes().stream()
                .flatMap(lane -> lane.cuts().stream().map(cut -> "%s %s at %.2f m, %d %s"
                        .formatted(
                                cut.limb(),
                                cut.kind(),
                                cut.cut().place().alongM(),
                                lane.year().year(),
                                lane.season())))
                .toList();
    }
}
