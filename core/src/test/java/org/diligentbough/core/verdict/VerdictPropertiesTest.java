package org.diligentbough.core.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.IntRange;
import org.diligentbough.core.Chance;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.LimbCopy;
import org.diligentbough.core.RandomTrees;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.LivingCrown;

/** What must hold of the judgement of every tree, tried on made-up ones of all kinds. */
class VerdictPropertiesTest {
    private static final double ROUNDING = 1e-9;

    @Provide
    Arbitrary<SurveyBuilder> trees() {
        return Arbitraries.longs().map(RandomTrees::tree);
    }

    /** By the table alone: only light knows south from north. */
    private static Map<String, Verdict> verdictsInUnknownLight(SurveyBuilder tree) {
        return tree.limbs.stream().collect(Collectors.toMap(Limb::id, limb -> tree.judge(limb.id())
                .verdict()));
    }

    private static Map<String, Verdict> verdicts(SurveyBuilder tree) {
        return tree.evaluate().limbs().stream()
                .collect(Collectors.toMap(limb -> limb.limb().id(), LimbVerdict::verdict));
    }

    @Property(tries = 300, seed = Chance.JQWIK)
    void theOrderInWhichLimbsWereEnteredDoesNotMatter(@ForAll("trees") SurveyBuilder tree) {
        Map<String, Verdict> asEntered = verdicts(tree);
        Collections.shuffle(tree.limbs, new Random(1));
        assertThat(verdicts(tree)).isEqualTo(asEntered);
    }

    @Property(tries = 300, seed = Chance.JQWIK)
    void turningTheWholeTreeDoesNotMatter(
            @ForAll("trees") SurveyBuilder tree, @ForAll @IntRange(min = 1, max = 359) int by) {
        Map<String, Verdict> before = verdictsInUnknownLight(tree);
        List<Limb> turned = new ArrayList<>();
        for (Limb limb : tree.limbs) {
            turned.add(new LimbCopy(limb).azimuth((limb.azimuthDeg() + by) % 360));
        }
        tree.limbs.clear();
        tree.limbs.addAll(turned);
        assertThat(verdictsInUnknownLight(tree)).isEqualTo(before);
    }

    @Property(tries = 300, seed = Chance.JQWIK)
    void everyVerdictHasAReasonAndEveryCutLiesOnItsLimb(@ForAll("trees") SurveyBuilder tree) {
        Evaluation evaluation = tree.evaluate();
        for (LimbVerdict limb : evaluation.limbs()) {
            assertThat(limb.reasons()).isNotEmpty();
            boolean acts = limb.verdict() == Verdict.REMOVE
                    || limb.verdict() == Verdict.SHORTEN
                    || limb.verdict() == Verdict.BEND;
            assertThat(limb.cut().isPresent()).isEqualTo(acts);
            limb.cut().ifPresent(cut -> {
                assertThat(cut.place().alongM()).isBetween(0.0, limb.limb().lengthM() + ROUNDING);
                assertThat(cut.diameterCm()).isPositive();
                assertThat(cut.minutes()).isPositive();
                cut.place().sideBranch().ifPresent(id -> {
                    Limb branch = evaluation.facts().branching().get(id);
                    assertThat(branch.parent()).contains(limb.limb().id());
                });
            });
        }
    }

    @Property(tries = 300, seed = Chance.JQWIK)
    void whatGoesWithALimbGrowsFromOneThatIsCut(@ForAll("trees") SurveyBuilder tree) {
        Evaluation evaluation = tree.evaluate();
        Branching branching = evaluation.facts().branching();
        Map<String, LimbVerdict> byId = evaluation.limbs().stream()
                .collect(Collectors.toMap(limb -> limb.limb().id(), limb -> limb));
        for (LimbVerdict limb : evaluation.limbs()) {
            if (limb.verdict() == Verdict.GOES_WITH_PARENT) {
                Verdict parent = byId.get(
                                branching.parentOf(limb.limb()).orElseThrow().id())
                        .verdict();
                assertThat(parent).isIn(Verdict.REMOVE, Verdict.SHORTEN, Verdict.GOES_WITH_PARENT);
            }
        }
    }

    @Property(tries = 300, seed = Chance.JQWIK)
    void takingWoodAwayInAnyOrderTakesTheSameCrown(@ForAll("trees") SurveyBuilder tree, @ForAll long seed) {
        TreeFacts facts = tree.evaluate().facts();
        LivingCrown crown = new LivingCrown(facts.branching(), facts.shares());
        double whole = crown.left();
        List<Limb> limbs = new ArrayList<>(tree.limbs);
        Collections.shuffle(limbs, new Random(seed));
        double taken = 0;
        for (Limb limb : limbs) {
            double before = crown.left();
            double now = limb.id().hashCode() % 2 == 0 ? crown.remove(limb) : crown.shorten(limb, limb.lengthM() / 2);
            assertThat(now).isGreaterThanOrEqualTo(-1e-12);
            assertThat(crown.left()).isCloseTo(before - now, within(1e-9));
            taken += now;
        }
        assertThat(taken + crown.left()).isCloseTo(whole, within(1e-9));
    }

    @Property(tries = 300, seed = Chance.JQWIK)
    void aFaultlessFruitfulTreeIsLeftAlone(
            @ForAll @IntRange(min = 2, max = 5) int mains, @ForAll @IntRange(min = 30, max = 60) int angle) {
        SurveyBuilder tree = new SurveyBuilder();
        for (int i = 0; i < mains; i++) {
            double azimuth = i * 360.0 / mains;
            tree.limb("M" + i, limb -> limb.azimuth(azimuth).angle(angle).fruiting(2));
        }
        assertThat(verdicts(tree).values()).containsOnly(Verdict.KEEP);
        assertThat(tree.evaluate().plan().lanes()).allSatisfy(lane -> {
            assertThat(lane.cuts()).isEmpty();
            assertThat(lane.minutes()).isEqualTo(lane.upkeepMinutes());
        });
    }
}
