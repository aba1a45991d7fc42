package org.diligentbough.core.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.junit.jupiter.api.DynamicTest;

/** A tree with what must and must not be found and planned, told as a pruner would say it. Common practice, no source. */
public final class TreeCatalogue {
    private final String said;
    private final SurveyBuilder tree;
    private final List<Consumer<Evaluation>> wanted = new ArrayList<>();

    private TreeCatalogue(String said, SurveyBuilder tree) {
        this.said = said;
        this.tree = tree;
    }

    public static TreeCatalogue tree(String said, SurveyBuilder tree) {
        return new TreeCatalogue(said, tree);
    }

    /** The verdict wanted on some limbs. */
    public TreeCatalogue finds(Verdict verdict, String... limbs) {
        return and(found -> {
            for (String limb : limbs) {
                assertThat(SurveyBuilder.verdictOn(found, limb).verdict())
                        .as(limb)
                        .isEqualTo(verdict);
            }
        });
    }

    /** What must not be done to some limbs. */
    public TreeCatalogue never(Verdict verdict, String... limbs) {
        return and(found -> {
            for (String limb : limbs) {
                assertThat(SurveyBuilder.verdictOn(found, limb).verdict())
                        .as(limb)
                        .isNotEqualTo(verdict);
            }
        });
    }

    /** The rule that gives a limb's verdict. */
    public TreeCatalogue by(Rule rule, String... limbs) {
        return and(found -> {
            for (String limb : limbs) {
                assertThat(SurveyBuilder.verdictOn(found, limb).rule()).as(limb).contains(rule);
            }
        });
    }

    public TreeCatalogue says(String limb, ReasonCode... codes) {
        return and(found -> assertThat(SurveyBuilder.verdictOn(found, limb).reasons())
                .as(limb)
                .extracting(reason -> reason.code())
                .contains(codes));
    }

    public TreeCatalogue cutTo(String limb, String branch) {
        return and(found -> assertThat(SurveyBuilder.verdictOn(found, limb)
                        .cut()
                        .orElseThrow()
                        .place()
                        .sideBranch())
                .contains(branch));
    }

    public TreeCatalogue is(Triage triage) {
        return and(found -> assertThat(found.tree().triage()).isEqualTo(triage));
    }

    /** Cuts that are made in the first pruning year of the plan. */
    public TreeCatalogue first(String... limbs) {
        return and(found -> assertThat(ofYear(found, 0)).contains(limbs));
    }

    /** Cuts that are all made in one lane. */
    public TreeCatalogue together(String... limbs) {
        return and(found ->
                assertThat(found.plan().lanes()).anyMatch(lane -> tags(lane).containsAll(List.of(limbs))));
    }

    /** The order of years in which limbs get their last cut: none before the one named before it. */
    public TreeCatalogue inOrder(String... limbs) {
        return and(found -> {
            List<Integer> years = new ArrayList<>();
            for (String limb : limbs) {
                years.add(lastYear(found, limb));
            }
            assertThat(years).isSorted();
        });
    }

    public TreeCatalogue yearsAtMost(int most) {
        return and(found -> assertThat(years(found).size()).isBetween(1, most));
    }

    public TreeCatalogue placesAll() {
        return and(found -> assertThat(found.plan().placesAll()).isTrue());
    }

    /** Nothing is planned but counted shoots. */
    public TreeCatalogue cutsNothing() {
        return and(found ->
                assertThat(found.plan().lanes()).allMatch(lane -> lane.cuts().isEmpty()));
    }

    /** What a pruning year of the plan takes in all, counted from the first with work. */
    public TreeCatalogue takesAtMost(int year, double share) {
        return and(found -> assertThat(taken(found, year)).isLessThanOrEqualTo(share + 1e-6));
    }

    public TreeCatalogue takesAtLeast(int year, double share) {
        return and(found -> assertThat(taken(found, year)).isGreaterThanOrEqualTo(share));
    }

    /** No top stands over this height, m, once the plan is done. */
    public TreeCatalogue endsAtMost(double heightM) {
        return and(found -> assertThat(heightAfter(found)).isLessThanOrEqualTo(heightM + 1e-6));
    }

    public TreeCatalogue endsAtLeast(double heightM) {
        return and(found -> assertThat(heightAfter(found)).isGreaterThanOrEqualTo(heightM));
    }

    public TreeCatalogue and(Consumer<Evaluation> check) {
        wanted.add(check);
        return this;
    }

    public DynamicTest test() {
        return DynamicTest.dynamicTest(said, () -> {
            Evaluation found = tree.evaluate();
            wanted.forEach(check -> check.accept(found));
        });
    }

    static List<Integer> years(Evaluation found) {
        return found.plan().lanes().stream()
                .map(lane -> lane.year().year())
                .distinct()
                .toList();
    }

    private static List<String> tags(Lane lane) {
        return lane.cuts().stream().map(PlannedCut::limb).toList();
    }

    static List<String> ofYear(Evaluation found, int index) {
        int year = years(found).get(index);
        return found.plan().lanes().stream()
                .filter(lane -> lane.year().year() == year)
                .flatMap(lane -> tags(lane).stream())
                .toList();
    }

    private static double taken(Evaluation found, int index) {
        int year = years(found).get(0) + index;
        return found.plan().lanes().stream()
                .filter(lane -> lane.year().year() == year)
                .mapToDouble(lane -> lane.share()
                        + lane.detail().map(detail -> detail.share()).orElse(0.0))
                .sum();
    }

    private static int lastYear(Evaluation found, String limb) {
        return found.plan().lanes().stream()
                .filter(lane -> tags(lane).contains(limb))
                .mapToInt(lane -> lane.year().year())
                .max()
                .orElse(Integer.MAX_VALUE);
    }

    /** Height, m, of the highest living point that the plan leaves. */
    public static double heightAfter(Evaluation found) {
        var crown = found.crownAfterPlan();
        var branching = found.facts().branching();
        double highest = 0;
        for (var limb : branching.outwards()) {
            if (crown.keptOf(limb.id()) > 0 && branching.living(limb)) {
                double endM = found.plan().lanes().stream()
                        .flatMap(lane -> lane.cuts().stream())
                        .filter(cut -> cut.limb().equals(limb.id()) && cut.kind() == Verdict.SHORTEN)
                        .mapToDouble(cut -> cut.cut().place().alongM())
                        .min()
                        .orElse(limb.lengthM());
                highest = Math.max(highest, branching.pointAt(limb, endM).upM());
                highest = Math.max(highest, branching.baseOfLimb(limb).upM());
            }
        }
        return highest;
    }
}
