package org.diligentbough.core.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.diligentbough.core.SurveyBuilder.verdictOn;

import java.time.LocalDate;
import java.util.List;
import java.util.OptionalDouble;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.plan.RenovationPlan.Task;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.survey.Role;
import org.diligentbough.core.survey.SurveyNotes;
import org.junit.jupiter.api.Test;

/**
 * What published guidance says of each kind, against what is planned. All from memory, the publication named beside each
 * check; none was at hand word by word.
 */
class KindsReferenceTest {
    private static SurveyBuilder vase(Species species, double armM) {
        SurveyBuilder tree = SurveyBuilder.of(species);
        tree.heightM = 2.6;
        tree.spreadM = 3.4;
        tree.girthCm = 45;
        tree.yearsSinceCut = OptionalDouble.of(1);
        for (int i = 0; i < 4; i++) {
            double azimuth = 90 * i;
            tree.limb("" + (char) ('A' + i), limb -> limb.origin(0.6)
                    .diameter(6)
                    .length(armM)
                    .angle(45)
                    .azimuth(azimuth)
                    .years(8)
                    .fruiting(2));
        }
        return tree;
    }

    private static SurveyBuilder stems(Species species, int count, double lengthM) {
        SurveyBuilder bush = SurveyBuilder.of(species);
        bush.formWanted = Form.BUSH;
        bush.heightM = 1.3;
        bush.spreadM = 1.4;
        for (int i = 0; i < count; i++) {
            int number = i;
            bush.limb("S" + i, limb -> limb.origin(0.05)
                    .diameter(1.6)
                    .length(lengthM)
                    .angle(60)
                    .azimuth(number * 360.0 / count)
                    .years(1 + number % 6)
                    .fruiting(2));
        }
        return bush;
    }

    private static SurveyBuilder shoot(SurveyBuilder tree, String id, double lengthM) {
        return tree.limb(id, limb -> limb.on("A", 1)
                .diameter(0.8)
                .length(lengthM)
                .angle(40)
                .azimuth(60)
                .years(1)
                .fruiting(0));
    }

    private static List<PlannedCut> cutsOf(Evaluation evaluation, int year, Verdict kind) {
        return evaluation.plan().lanes().stream()
                .filter(lane -> lane.year().year() == year)
                .map(Lane::cuts)
                .flatMap(List::stream)
                .filter(cut -> cut.kind() == kind)
                .toList();
    }

    /**
     * Peach bears on shoots of last year, 30 to 60 cm being the best; they are thinned to about 15 cm apart, so that about
     * half of last year's growth goes (from memory: Clemson and UC ANR extension, pruning peach trees).
     */
    @Test
    void peachShootsAreThinnedToAHandOfEachOther() {
        SurveyBuilder tree = vase(Species.PEACH, 2);
        tree.noted = SurveyNotes.NOTHING.counting(120);
        Evaluation evaluation = shoot(tree, "P", 0.45).evaluate();
        // A shoot of the best length is crop as it is.
        assertThat(verdictOn(evaluation, "P").verdict()).isEqualTo(Verdict.KEEP);
        Task keep = evaluation.plan().lanes().stream()
                .flatMap(lane -> lane.tasks().stream())
                .filter(task -> task.what().code() == ReasonCode.TASK_PEACH_KEEP)
                .findFirst()
                .orElseThrow();
        double armsCm = 4 * 200;
        int kept = ((Number) keep.what().arguments().get(0)).intValue();
        assertThat(armsCm / kept).isBetween(10.0, 15.5);
        assertThat(kept / 120.0).isBetween(0.4, 0.7);
    }

    /**
     * A fig bears its main crop on growth of the same year and may be cut hard: it fruits again that season; only the early
     * crop, on last year's wood, is lost (from memory: UC and Texas A&M extension, figs).
     */
    @Test
    void aFigCutHardLosesItsEarlyCropOnly() {
        SurveyBuilder fig = vase(Species.FIG, 2.6);
        fig.formWanted = Form.BUSH;
        fig.yearsSinceCut = OptionalDouble.of(5);
        Evaluation evaluation = fig.evaluate();
        List<PlannedCut> cuts = cutsOf(evaluation, 2027, Verdict.SHORTEN);
        assertThat(cuts).hasSize(4);
        assertThat(cuts.stream().mapToDouble(PlannedCut::crop).sum()).isBetween(0.05, 0.35);
    }

    /**
     * Gooseberry and red currant: an open bush of eight to ten main branches; in winter the leaders lose half of last
     * season's growth and the side shoots go to one to three buds, about 7.5 cm at most (from memory: Royal Horticultural
     * Society, gooseberries and redcurrants: pruning).
     */
    @Test
    void gooseberriesKeepEightToTenBranchesHalved() {
        for (Species species : List.of(Species.GOOSEBERRY, Species.RED_CURRANT)) {
            Evaluation evaluation = stems(species, 13, 1).evaluate();
            assertThat(13 - cutsOf(evaluation, 2027, Verdict.REMOVE).size()).isBetween(8, 10);
            // What grew last year is not told: it is taken to be a length over its years.
            PlannedCut young = cutsOf(evaluation, 2027, Verdict.SHORTEN).stream()
                    .filter(cut -> cut.limb().equals("S0"))
                    .findFirst()
                    .orElseThrow();
            assertThat(young.cut().place().alongM()).isCloseTo(0.5, within(0.01));
            assertThat(evaluation.plan().lanes().get(0).tasks())
                    .extracting(task -> task.what().code())
                    .contains(ReasonCode.TASK_BUSH_SIDE_SHOOTS);
        }
    }

    /**
     * Black currant bears on last year's wood: a quarter to a third of the oldest stems goes to the ground each winter (from
     * memory: Royal Horticultural Society, blackcurrants: pruning).
     */
    @Test
    void blackCurrantsLoseAQuarterToAThirdOfTheirStems() {
        for (int count : new int[] {9, 12, 15}) {
            List<PlannedCut> out =
                    cutsOf(stems(Species.BLACK_CURRANT, count, 1.2).evaluate(), 2027, Verdict.REMOVE);
            assertThat((double) out.size() / count).isBetween(0.25, 0.34);
        }
    }

    /**
     * Persimmon flowers on growth of the year from buds near the ends of last year's shoots; heading in winter takes the
     * crop, pinching in early summer branches it (from memory: University of Florida IFAS extension, the Japanese persimmon).
     */
    @Test
    void aPersimmonsStrongShootsAreBranchedInEarlySummerNotHeadedInWinter() {
        Evaluation evaluation = shoot(vase(Species.PERSIMMON, 2), "P", 0.9).evaluate();
        Lane lane = evaluation.plan().lanes().stream()
                .filter(one -> one.cuts().stream().anyMatch(cut -> cut.limb().equals("P")))
                .findFirst()
                .orElseThrow();
        assertThat(lane.season()).isEqualTo(Season.EARLY_SUMMER);
        assertThat(lane.opens()).isBetween(LocalDate.of(2027, 5, 15), LocalDate.of(2027, 6, 15));
    }

    /**
     * Plums are cut in leaf and growth, June to August, for silver leaf and canker get in through winter's wounds (from
     * memory: Royal Horticultural Society, plums: pruning).
     */
    @Test
    void plumsAreCutFromJuneToAugust() {
        Evaluation evaluation = shoot(vase(Species.PLUM, 2), "P", 0.9).evaluate();
        assertThat(evaluation.plan().lanes()).isNotEmpty().allSatisfy(lane -> {
            assertThat(lane.opens()).isAfterOrEqualTo(LocalDate.of(2027, 6, 1));
            assertThat(lane.opens()).isBeforeOrEqualTo(LocalDate.of(2027, 8, 31));
        });
    }

    /**
     * The modified Lorette way: in late summer laterals of a restricted tree go to three leaves, what grows on them to one
     * (from memory: Royal Horticultural Society, apples and pears: summer pruning).
     */
    @Test
    void restrictedTreesAreCutToThreeLeavesAndOne() {
        SurveyBuilder tree = SurveyBuilder.of(Species.APPLE);
        tree.formWanted = Form.ESPALIER;
        tree.yearsSinceCut = OptionalDouble.of(1);
        tree.limb("T", limb -> limb.origin(0.8)
                .diameter(3)
                .length(1.8)
                .angle(0)
                .azimuth(90)
                .years(9)
                .fruiting(2)
                .role(Role.TIER));
        tree.limb(
                "L",
                limb -> limb.on("T", 0.8).diameter(0.8).length(0.5).angle(70).years(1));
        tree.limb(
                "M",
                limb -> limb.on("L", 0.1).diameter(0.5).length(0.3).angle(70).years(1));
        Evaluation evaluation = tree.evaluate();
        // Leaves of a shoot stand some three centimetres apart.
        double lateralM = verdictOn(evaluation, "L").cut().orElseThrow().place().alongM();
        assertThat(lateralM).isBetween(0.06, 0.15);
        assertThat(evaluation.plan().lanes().get(0).season()).isEqualTo(Season.SUMMER);
        assertThat(evaluation.plan().lanes().get(0).opens())
                .isBetween(LocalDate.of(2027, 7, 1), LocalDate.of(2027, 8, 31));
    }
}
