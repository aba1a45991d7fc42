package org.diligentbough.core.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.TreeMap;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.diligentbough.core.Chance;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.SurveyBuilder.LimbBuilder;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.plan.RenovationPlan;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.LivingCrown;
import org.diligentbough.core.survey.Role;
import org.diligentbough.core.survey.SurveyNotes;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;

/**
 * Whole plants of each kind, neglected, half renewed and well kept: what is planned of them, year by year, and what it takes
 * of crown, crop and time. Cuts and lanes written by hand, shares, crop and minutes gone through by hand, from common practice; from memory: university extension guides on peach, fig, persimmon and plum, horticultural society
 * guides on gooseberry, currants and trained trees.
 */
class KindPlantsTest {
    /** A plant and the lanes it should have: year and season, what is cut how, and work that is no limb's. */
    private record Plant(String name, SurveyBuilder survey, String... lanes) {}

    private static Plant plant(String name, SurveyBuilder survey, String... lanes) {
        return new Plant(name, survey, lanes);
    }

    @TestFactory
    Stream<DynamicTest> isPlannedAsItsKindWantsIt() {
        return Stream.of(peaches(), figs(), bushes(), moreBushes(), others(), moreTrees())
                .flatMap(List::stream)
                .map(plant -> DynamicTest.dynamicTest(plant.name(), () -> {
                    Evaluation evaluation = plant.survey().evaluate();
                    assertThat(lanes(evaluation)).containsExactly(plant.lanes());
                }));
    }

    /** Of several cultivars the strong gives way: the weak one's share of what stands never falls. */
    @Property(tries = 60, seed = Chance.JQWIK)
    void aWeakCultivarsShareNeverFalls(
            @ForAll @DoubleRange(min = 2, max = 5) double weakCm, @ForAll @IntRange(min = 2, max = 6) int sides) {
        SurveyBuilder tree = grown(Species.APPLE).limb("W", limb -> limb.origin(0.8)
                .diameter(weakCm)
                .length(1.4)
                .angle(45)
                .azimuth(60)
                .years(8)
                .cultivar("Weak One"));
        for (int i = 0; i < sides; i++) {
            tree.limb("S" + i, side(i % 2 == 0 ? "A" : "B", 0.7 + 0.2 * i, 40 * i, 5, 0.9));
        }
        Evaluation evaluation = tree.evaluate();
        LivingCrown before = new LivingCrown(
                evaluation.facts().branching(), evaluation.facts().shares());
        LivingCrown after = evaluation.crownAfterPlan();
        double was =
                evaluation.facts().shares().own(evaluation.facts().branching().get("W")) / before.left();
        double is =
                evaluation.facts().shares().own(evaluation.facts().branching().get("W"))
                        * after.keptOf("W")
                        / after.left();
        assertThat(is).isGreaterThanOrEqualTo(was - 1e-9);
    }

    private static List<String> lanes(Evaluation evaluation) {
        return evaluation.plan().lanes().stream()
                .map(lane -> lane.year().year() + " " + lane.season().name().toLowerCase(Locale.ROOT) + ":"
                        + Stream.concat(
                                        lane.cuts().stream()
                                                .collect(Collectors.groupingBy(
                                                        cut -> cut.kind().name().toLowerCase(Locale.ROOT),
                                                        TreeMap::new,
                                                        Collectors.mapping(
                                                                cut -> cut.limb(),
                                                                Collectors.collectingAndThen(
                                                                        Collectors.toList(),
                                                                        limbs -> limbs.stream()
                                                                                .sorted()
                                                                                .collect(Collectors.joining(" "))))))
                                                .entrySet()
                                                .stream()
                                                .map(kind -> " " + kind.getKey() + " " + kind.getValue()),
                                        lane.tasks().stream()
                                                .map(task -> " "
                                                        + task.what()
                                                                .code()
                                                                .name()
                                                                .toLowerCase(Locale.ROOT)))
                                .collect(Collectors.joining(";"))
                        + figures(lane))
                .toList();
    }

    /** Share of the living crown, share of the crop it bears on, person-minutes. */
    private static String figures(RenovationPlan.Lane lane) {
        double detail = lane.detail().map(RenovationPlan.Detail::share).orElse(0.0);
        return " | %.0f %% of the crown, %.0f %% of the crop, %d min"
                .formatted(100 * (lane.share() + detail), 100 * lane.crop(), lane.minutes());
    }

    private static SurveyBuilder tree(Species species, Consumer<SurveyBuilder> how) {
        SurveyBuilder tree = SurveyBuilder.of(species);
        tree.heightM = 2.6;
        tree.spreadM = 3;
        tree.girthCm = 40;
        how.accept(tree);
        return tree;
    }

    private static UnaryOperator<LimbBuilder> arm(double azimuth) {
        return limb -> limb.origin(0.6)
                .diameter(6)
                .length(1.9)
                .angle(45)
                .azimuth(azimuth)
                .years(7)
                .fruiting(2);
    }

    private static UnaryOperator<LimbBuilder> side(String parent, double alongM, double azimuth, int years, double m) {
        return limb -> limb.on(parent, alongM)
                .diameter(years > 1 ? 1.8 : 0.9)
                .length(m)
                .angle(35)
                .azimuth(azimuth)
                .years(years)
                .fruiting(years > 1 ? 2 : 0);
    }

    private static SurveyBuilder vase(Species species) {
        return tree(species, one -> one.limb("A", arm(0)).limb("B", arm(120)).limb("C", arm(240)));
    }

    private static List<Plant> peaches() {
        return List.of(
                plant(
                        "a peach whose wood has all fruited grows its next wood first",
                        vase(Species.PEACH)
                                .limb("A1", side("A", 0.8, 30, 3, 0.9))
                                .limb("B1", side("B", 0.8, 150, 2, 0.8))
                                .with(one -> one.yearsSinceCut = OptionalDouble.of(4)),
                        // No successor yet: only its ordinary cutting.
                        "2027 bud_swell:" + " | 0 % of the crown, 0 % of the crop, 25 min"),
                plant(
                        "a peach half renewed: what fruited out to its successor, the rest shortened",
                        vase(Species.PEACH)
                                .limb("A1", side("A", 0.8, 30, 2, 0.9))
                                .limb("A2", side("A1", 0.1, 30, 1, 0.5))
                                .limb("B1", side("B", 0.8, 150, 1, 0.8)),
                        "2027 bud_swell: shorten A1 B1; task_peach_keep"
                                + " | 2 % of the crown, 2 % of the crop, 25 min"),
                plant(
                        "a peach well kept: shoots for the crop, others for the wood of next year",
                        vase(Species.PEACH)
                                .limb("A1", side("A", 0.8, 30, 1, 0.7))
                                .limb("B1", side("B", 0.8, 150, 1, 0.4))
                                .limb("C1", limb -> side("C", 0.8, 270, 1, 0.7)
                                        .apply(limb)
                                        .role(Role.RENEWAL))
                                .with(one -> one.noted = SurveyNotes.NOTHING.counting(60)),
                        "2027 bud_swell: shorten A1 C1; task_peach_keep"
                                + " | 1 % of the crown, 0 % of the crop, 31 min"));
    }

    private static SurveyBuilder fig(double topM, int stems, Consumer<SurveyBuilder> how) {
        return tree(Species.FIG, one -> {
            one.formWanted = Form.BUSH;
            for (int i = 0; i < stems; i++) {
                double azimuth = i * 360.0 / stems;
                one.limb("F" + i, limb -> limb.origin(0.1)
                        .diameter(5)
                        .length((topM - 0.1) / Math.sin(Math.toRadians(70)))
                        .angle(70)
                        .azimuth(azimuth)
                        .years(8)
                        .fruiting(2));
            }
            how.accept(one);
        });
    }

    private static List<Plant> figs() {
        return List.of(
                plant(
                        "a neglected fig renewed whole: every stem, and its shoots chosen that summer",
                        fig(3, 4, one -> one.yearsSinceCut = OptionalDouble.of(6)),
                        "2027 dormant: shorten F0 F1 F2 F3" + " | 55 % of the crown, 17 % of the crop, 12 min",
                        "2027 early_summer: task_fig_choose" + " | 0 % of the crown, 0 % of the crop, 20 min"),
                plant(
                        "a fig renewed last year: its shoots of last year to a bud or two",
                        fig(1.2, 3, one -> one.yearsSinceCut = OptionalDouble.of(1))
                                .limb("S", side("F0", 0.6, 20, 1, 0.5))
                                .limb("T", side("F1", 0.6, 140, 1, 0.06)),
                        "2027 dormant: shorten S" + " | 1 % of the crown, 0 % of the crop, 13 min"),
                plant(
                        "a fig of eight renewed limb by limb: two stems a year, and it bears all the time",
                        fig(2.6, 8, one -> {
                            one.yearsSinceCut = OptionalDouble.of(5);
                            one.policy = FigPolicy.byLimb();
                        }),
                        "2027 dormant: shorten F2 F4 | 12 % of the crown, 4 % of the crop, 6 min",
                        "2027 early_summer: task_fig_choose | 0 % of the crown, 0 % of the crop, 10 min",
                        "2028 dormant: shorten F3 F5 | 14 % of the crown, 4 % of the crop, 6 min",
                        "2028 early_summer: task_fig_choose | 0 % of the crown, 0 % of the crop, 10 min",
                        "2029 dormant: shorten F1 F6 | 16 % of the crown, 4 % of the crop, 6 min",
                        "2029 early_summer: task_fig_choose | 0 % of the crown, 0 % of the crop, 10 min",
                        "2030 dormant: shorten F0 F7 | 19 % of the crown, 4 % of the crop, 6 min",
                        "2030 early_summer: task_fig_choose | 0 % of the crown, 0 % of the crop, 10 min"),
                plant(
                        "a fig of three limb by limb: one stem a year",
                        fig(2.6, 3, one -> {
                            one.yearsSinceCut = OptionalDouble.of(5);
                            one.policy = FigPolicy.byLimb();
                        }),
                        "2027 dormant: shorten F1 | 16 % of the crown, 5 % of the crop, 3 min",
                        "2027 early_summer: task_fig_choose | 0 % of the crown, 0 % of the crop, 5 min",
                        "2028 dormant: shorten F2 | 19 % of the crown, 5 % of the crop, 3 min",
                        "2028 early_summer: task_fig_choose | 0 % of the crown, 0 % of the crop, 5 min",
                        "2029 dormant: shorten F0 | 24 % of the crown, 5 % of the crop, 3 min",
                        "2029 early_summer: task_fig_choose | 0 % of the crown, 0 % of the crop, 5 min"));
    }

    private static SurveyBuilder bush(Species species, int mains, UnaryOperator<LimbBuilder> how) {
        return tree(species, one -> {
            one.formWanted = Form.BUSH;
            one.heightM = 1.2;
            one.spreadM = 1.3;
            for (int i = 0; i < mains; i++) {
                int number = i;
                one.limb(
                        "M" + (i + 10),
                        limb -> how.apply(limb.origin(0.1)
                                .diameter(1.6)
                                .length(1)
                                .angle(60)
                                .azimuth(number * 360.0 / mains)
                                .fruiting(2)
                                .years(number + 1)));
            }
        });
    }

    private static List<Plant> bushes() {
        return List.of(
                plant(
                        "a neglected gooseberry of fifteen: a third a year, the oldest first; what stays is halved",
                        bush(Species.GOOSEBERRY, 15, limb -> limb),
                        "2027 dormant: remove M20 M21 M22 M23 M24; shorten M10 M11 M12 M13 M14 M15 M16 M17 M18 M19; task_bush_side_shoots"
                                + " | 44 % of the crown, 44 % of the crop, 35 min"),
                plant(
                        "a gooseberry half renewed: the ticked one first, then the oldest",
                        bush(Species.GOOSEBERRY, 11, limb -> limb).limb("X", limb -> limb.origin(0.1)
                                .diameter(1.6)
                                .length(1)
                                .angle(60)
                                .azimuth(10)
                                .years(2)
                                .fault(FaultKind.INWARD)),
                        "2027 dormant: remove M20 X; shorten M10 M11 M12 M13 M14 M15 M16 M17 M18 M19; task_bush_side_shoots"
                                + " | 30 % of the crown, 24 % of the crop, 26 min"),
                plant(
                        "a red currant well kept: nothing goes, all is halved",
                        bush(Species.RED_CURRANT, 8, limb -> limb),
                        "2027 dormant: shorten M10 M11 M12 M13 M14 M15 M16 M17; task_bush_side_shoots"
                                + " | 17 % of the crown, 17 % of the crop, 16 min"),
                plant(
                        "a black currant: a third of its stems, the oldest, to the ground",
                        bush(Species.BLACK_CURRANT, 9, limb -> limb),
                        "2027 dormant: remove M16 M17 M18" + " | 33 % of the crown, 33 % of the crop, 9 min"));
    }

    private static SurveyBuilder grown(Species species) {
        return tree(species, one -> {
            one.heightM = 4;
            one.spreadM = 4;
            one.girthCm = 70;
            for (int i = 0; i < 3; i++) {
                double azimuth = 120 * i;
                one.limb(
                        "" + (char) ('A' + i),
                        limb -> arm(azimuth).apply(limb.diameter(9)).length(2.6).diameter(9));
            }
        });
    }

    private static List<Plant> moreBushes() {
        return List.of(
                plant(
                        "a gooseberry well kept: nothing goes, all is halved",
                        bush(Species.GOOSEBERRY, 9, limb -> limb),
                        "2027 dormant: shorten M10 M11 M12 M13 M14 M15 M16 M17 M18; task_bush_side_shoots"
                                + " | 17 % of the crown, 17 % of the crop, 18 min"),
                plant(
                        "a neglected red currant of twenty: a third a year, six and then four",
                        bush(Species.RED_CURRANT, 20, limb -> limb),
                        "2027 dormant: remove M24 M25 M26 M27 M28 M29; shorten M10 M11 M12 M13 M14 M15 M16 M17 M18 M19; task_bush_side_shoots"
                                + " | 38 % of the crown, 38 % of the crop, 38 min",
                        "2028 dormant: remove M20 M21 M22 M23" + " | 32 % of the crown, 20 % of the crop, 12 min"),
                plant(
                        "a red currant half renewed: the one too many, the rest halved",
                        bush(Species.RED_CURRANT, 11, limb -> limb),
                        "2027 dormant: remove M20; shorten M10 M11 M12 M13 M14 M15 M16 M17 M18 M19; task_bush_side_shoots"
                                + " | 24 % of the crown, 24 % of the crop, 23 min"),
                plant(
                        "a neglected black currant of twelve stems: four of the oldest",
                        bush(Species.BLACK_CURRANT, 12, limb -> limb),
                        "2027 dormant: remove M18 M19 M20 M21" + " | 33 % of the crown, 33 % of the crop, 12 min"),
                plant(
                        "a black currant renewed each year: two of six",
                        bush(Species.BLACK_CURRANT, 6, limb -> limb),
                        "2027 dormant: remove M14 M15" + " | 33 % of the crown, 33 % of the crop, 7 min"));
    }

    private static List<Plant> moreTrees() {
        return List.of(
                plant(
                        "a neglected persimmon: dead and crossing wood in winter, topping in early summer",
                        grown(Species.PERSIMMON)
                                .limb("A1", limb -> side("A", 1, 20, 1, 0.9)
                                        .apply(limb)
                                        .angle(80))
                                .limb("D", limb -> side("B", 1.2, 130, 6, 0.9)
                                        .apply(limb)
                                        .fault(FaultKind.DEAD))
                                .limb("X", limb -> side("C", 1.2, 60, 6, 1.2)
                                        .apply(limb)
                                        .fault(FaultKind.INWARD))
                                .with(one -> {
                                    one.yearsSinceCut = OptionalDouble.of(9);
                                    one.formWanted = Form.OPEN_CENTRE;
                                }),
                        "2027 any: remove D" + " | 0 % of the crown, 0 % of the crop, 3 min",
                        "2027 dormant: remove X" + " | 1 % of the crown, 1 % of the crop, 3 min",
                        "2027 early_summer: shorten A1" + " | 0 % of the crown, 0 % of the crop, 1 min"),
                plant(
                        "a persimmon well kept: its ordinary cutting, and the shoots that were counted",
                        grown(Species.PERSIMMON).with(one -> one.noted = SurveyNotes.NOTHING.counting(5)),
                        "2027 dormant:" + " | 0 % of the crown, 0 % of the crop, 20 min",
                        "2027 early_summer: task_persimmon_shoots" + " | 0 % of the crown, 0 % of the crop, 3 min"),
                plant(
                        "a neglected plum: the crossing limb and the long shoots in one summer",
                        grown(Species.PLUM)
                                .limb("A1", side("A", 1, 20, 1, 0.9))
                                .limb("X", limb -> side("C", 1.2, 60, 6, 1.2)
                                        .apply(limb)
                                        .fault(FaultKind.INWARD))
                                .with(one -> one.yearsSinceCut = OptionalDouble.of(8)),
                        "2027 summer: remove X; shorten A1" + " | 2 % of the crown, 1 % of the crop, 4 min"),
                plant(
                        "a plum well kept: only what was counted",
                        grown(Species.PLUM).with(one -> one.noted = SurveyNotes.NOTHING.counting(18)),
                        "2027 summer: task_plum_shoots" + " | 0 % of the crown, 0 % of the crop, 26 min"),
                plant(
                        "a neglected apricot whose fruiting wood has no young shoot near the arm: it is grown first",
                        grown(Species.APRICOT)
                                .limb("A1", side("A", 1, 20, 3, 1.1))
                                .with(one -> one.yearsSinceCut = OptionalDouble.of(8))),
                plant(
                        "an apricot well kept: nothing to do but its ordinary cutting",
                        grown(Species.APRICOT).limb("A1", side("A", 1, 20, 3, 0.4)),
                        "2027 summer:" + " | 0 % of the crown, 0 % of the crop, 32 min"),
                plant(
                        "a neglected espalier: ties, all its laterals, those counted too",
                        espalier().with(one -> {
                            one.yearsSinceCut = OptionalDouble.of(7);
                            one.noted = SurveyNotes.NOTHING.counting(80);
                        }),
                        "2027 summer: shorten L; task_ties_first; task_laterals"
                                + " | 7 % of the crown, 0 % of the crop, 51 min"),
                plant(
                        "an espalier whose laterals are short already: only its ties",
                        tree(Species.PEAR, one -> {
                            one.formWanted = Form.ESPALIER;
                            one.limb("T", tier()).limb("L", side("T", 0.8, 60, 1, 0.15));
                        }),
                        "2027 summer: task_ties_first" + " | 0 % of the crown, 0 % of the crop, 32 min"),
                plant("a young citrus is left alone", tree(Species.CITRUS, one -> {
                    one.plantedYear = OptionalInt.of(2025);
                    one.limb("A", limb -> arm(0).apply(limb).length(0.9).fruiting(0));
                })),
                plant(
                        "a dense citrus loses what is dead, and is not opened",
                        tree(Species.CITRUS, one -> {
                            one.targetHeightM = OptionalDouble.of(3);
                            one.limb("A", arm(0))
                                    .limb("U", limb -> side("A", 0.8, 90, 6, 0.9)
                                            .apply(limb)
                                            .angle(85)
                                            .fault(FaultKind.UPRIGHT_UNFRUITFUL))
                                    .limb("D", limb -> side("A", 1.2, 90, 6, 0.9)
                                            .apply(limb)
                                            .fault(FaultKind.DEAD));
                        }),
                        "2027 any: remove D" + " | 0 % of the crown, 0 % of the crop, 1 min"));
    }

    private static UnaryOperator<LimbBuilder> tier() {
        return limb -> limb.origin(0.8)
                .diameter(3)
                .length(1.8)
                .angle(0)
                .azimuth(90)
                .years(9)
                .fruiting(2)
                .role(Role.TIER);
    }

    private static SurveyBuilder espalier() {
        return tree(Species.PEAR, one -> {
            one.formWanted = Form.ESPALIER;
            one.limb("T", tier()).limb("L", side("T", 0.8, 60, 1, 0.5));
        });
    }

    private static List<Plant> others() {
        return List.of(
                plant(
                        "a persimmon: its strong shoots are topped in early summer, in winter nothing is taken",
                        grown(Species.PERSIMMON)
                                .limb("A1", limb -> side("A", 1, 20, 1, 0.9)
                                        .apply(limb)
                                        .angle(85)
                                        .fault(FaultKind.UPRIGHT_SHOOT))
                                .limb("B1", side("B", 1, 140, 1, 0.4)),
                        "2027 dormant:" + " | 0 % of the crown, 0 % of the crop, 22 min",
                        "2027 early_summer: shorten A1" + " | 0 % of the crown, 0 % of the crop, 1 min"),
                plant(
                        "a plum: long shoots to two buds, laterals to three, in July",
                        grown(Species.PLUM).limb("A1", side("A", 1, 20, 1, 0.9)).limb("B1", side("B", 1, 140, 1, 0.4)),
                        "2027 summer: shorten A1 B1" + " | 1 % of the crown, 0 % of the crop, 26 min"),
                plant(
                        "an apricot: fruiting wood back to the young shoot near its arm, long shoots tipped",
                        grown(Species.APRICOT)
                                .limb("A1", side("A", 1, 20, 3, 1.1))
                                .limb("A2", side("A1", 0.3, 30, 1, 0.3))
                                .limb("B1", side("B", 1, 140, 1, 0.7))
                                .with(one -> one.today = LocalDate.of(2027, 2, 20)),
                        "2027 summer: shorten A1 B1" + " | 1 % of the crown, 1 % of the crop, 32 min"),
                plant(
                        "an espalier: ties, then laterals to three buds and what grows on them to one, in summer",
                        tree(Species.PEAR, one -> {
                            one.formWanted = Form.ESPALIER;
                            one.limb("T", limb -> limb.origin(0.8)
                                            .diameter(3)
                                            .length(1.8)
                                            .angle(0)
                                            .azimuth(90)
                                            .years(9)
                                            .fruiting(2)
                                            .role(Role.TIER))
                                    .limb("L", side("T", 0.8, 60, 1, 0.5))
                                    .limb("K", limb -> limb.on("L", 0.05)
                                            .diameter(0.5)
                                            .azimuth(80)
                                            .length(0.3)
                                            .years(1));
                        }),
                        "2027 summer: shorten K L; task_ties_first" + " | 7 % of the crown, 0 % of the crop, 32 min"),
                plant("a small citrus in fruit is left alone", tree(Species.CITRUS, one -> {
                    one.heightM = 1.2;
                    one.plantedYear = OptionalInt.of(2020);
                    one.targetHeightM = OptionalDouble.of(3);
                    one.limb("A", limb -> arm(0).apply(limb).length(0.9));
                })));
    }
}
