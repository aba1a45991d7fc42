package org.diligentbough.core.answer;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.answer.CuttingAnswer.Measure;
import org.diligentbough.core.answer.CuttingAnswer.Pooled;
import org.diligentbough.core.answer.Learned.Group;
import org.diligentbough.core.answer.Learned.What;
import org.diligentbough.core.answer.TreeHistory.NamedCourse;
import org.diligentbough.core.answer.TreeHistory.NamedWound;
import org.diligentbough.core.fruit.FruitRecord;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.wood.DiseaseSpread;
import org.diligentbough.core.wood.DiseaseSpread.Place;
import org.diligentbough.core.wood.DiseaseSpread.Spread;
import org.diligentbough.core.wood.Grading;
import org.diligentbough.core.wood.WoodGrade;
import org.diligentbough.core.wood.WoundClosing;

/** What the records of one orchard answer on a day. */
public final class Answers {
    /** From so many effects on cutting's own answer is learned from. */
    private static final int EFFECTS = 3;

    private static final double CM_A_M = 100;

    private final OrchardRecords records;
    private final Rulebook rules;
    private final Knowledge knowledge;
    private final Grading grading;

    public Answers(OrchardRecords records, Rulebook rules) {
        this.records = records;
        this.rules = rules;
        this.knowledge = rules.knowledge();
        this.grading = new Grading(knowledge, rules.diseases());
    }

    /**
     * The records of an orchard.
     *
     * @param southern whether it lies south of the equator
     * @param seed of shuffles and resampling
     * @param minutes person-minutes reckoned and taken, by kind of work
     * @param kilos of prunings reckoned and found
     */
    public record OrchardRecords(
            List<TreeHistory> trees,
            boolean southern,
            LocalDate today,
            long seed,
            Map<String, List<Learning.Case>> minutes,
            List<Learning.Case> kilos) {
        public OrchardRecords {
            trees = List.copyOf(trees);
        }
    }

    private WoundClosing closing(TreeHistory tree) {
        return new WoundClosing(rules.of(tree.species()).knowledge());
    }

    /** How a tree's wounds close. */
    public List<NamedCourse> wounds(TreeHistory tree) {
        return tree.courses(closing(tree), records.today());
    }

    /** How sound a tree's wood is on a day. */
    public WoodGrade grade(TreeHistory tree, LocalDate on) {
        return grading.of(tree.wood(closing(tree), on));
    }

    /** Each disease that was ever seen, in the order of the diseases. */
    public List<Spread> diseases(LocalDate on) {
        DiseaseSpread spread = new DiseaseSpread(knowledge, rules.diseases());
        List<Place> places = records.trees().stream()
                .filter(tree -> tree.place().isPresent())
                .map(tree -> new Place(
                        tree.label(),
                        tree.species(),
                        tree.place().orElseThrow().eastM(),
                        tree.place().orElseThrow().northM(),
                        tree.sightings().orElse(List.of())))
                .toList();
        return Arrays.stream(Disease.values())
                .flatMap(disease -> spread.of(disease, places, on, records.seed()).stream())
                .toList();
    }

    /** What cutting did by one measure. */
    public CuttingAnswer.Answers cutting(Measure measure) {
        return new CuttingAnswer(measure, records.trees(), records.southern(), knowledge, records.seed()).answers();
    }

    /** A tree's fruit over the years. */
    public FruitRecord fruit(TreeHistory tree) {
        return new FruitRecord(tree.fruit(), tree.girths(), records.southern(), knowledge);
    }

    /** Cuts that were answered by far more shoots than they should have been. */
    public List<Learning.TooHard> tooHard() {
        return new Learning(knowledge).tooHard(records.trees());
    }

    /** All that is learned; nothing where there are no records. */
    public List<Learned> learned() {
        Learning learning = new Learning(knowledge);
        List<Learned> learned = new ArrayList<>(learning.regrowth(records.trees()));
        learned.addAll(learning.length(records.trees()));
        Map<Group, List<Learning.Case>> minutes = new LinkedHashMap<>();
        records.minutes().forEach((work, cases) -> minutes.put(Group.work(work), cases));
        learned.addAll(learning.factors(What.MINUTES, 1, minutes));
        if (!records.kilos().isEmpty()) {
            learned.add(learning.factor(What.KILOS, Group.work("prunings"), 1, records.kilos()));
        }
        records.trees().stream().map(TreeHistory::species).distinct().sorted().forEach(kind -> {
            closing(learning, kind, learned);
            fruit(learning, kind, learned);
        });
        return learned;
    }

    /**
     * A figure of the rules that the orchard's own records would have otherwise.
     *
     * @param kind for trees of which kind alone; empty for all
     * @param value to be taken instead of {@code shipped}
     */
    public record Proposal(
            Figure figure, Optional<Species> kind, double shipped, double value, double low, double high, int cases) {
        private static Proposal of(Figure figure, Learned learned) {
            return new Proposal(
                    figure,
                    learned.group().kind(),
                    learned.shipped(),
                    learned.value(),
                    learned.low(),
                    learned.high(),
                    learned.cases());
        }

        private Proposal times(double factor) {
            return new Proposal(figure, kind, shipped * factor, value * factor, low * factor, high * factor, cases);
        }
    }

    /** What the orchard's records would have otherwise: first for all trees, then by kind where there are several. */
    public List<Proposal> proposals() {
        Learning learning = new Learning(knowledge);
        List<TreeHistory> trees = records.trees();
        List<Proposal> found = new ArrayList<>();
        List<Learning.Case> minutes =
                records.minutes().values().stream().flatMap(List::stream).toList();
        all(learning, What.MINUTES, minutes).ifPresent(one -> found.add(Proposal.of(Figure.MINUTES_TIMES, one)));
        all(learning, What.KILOS, records.kilos()).ifPresent(one -> found.add(Proposal.of(Figure.PRUNINGS_TIMES, one)));
        learning.dormantRegrowth(trees).ifPresent(one -> found.add(Proposal.of(Figure.OUTLOOK_SHOOTS, one)));
        byKind(found, Figure.OUTLOOK_SHOOTS, learning.dormantRegrowthByKind(trees), 1);
        learning.summerRegrowth(trees).ifPresent(one -> found.add(Proposal.of(Figure.OUTLOOK_SUMMER_REGROWTH, one)));
        learning.lengthOfAll(trees)
                .ifPresent(one ->
                        found.add(Proposal.of(Figure.OUTLOOK_SHOOT_M, one).times(1 / CM_A_M)));
        byKind(found, Figure.OUTLOOK_SHOOT_M, learning.length(trees), 1 / CM_A_M);
        Map<Species, List<Learning.Case>> closed = new TreeMap<>();
        trees.stream().map(TreeHistory::species).distinct().forEach(kind -> closed.put(kind, closingCases(kind)));
        closed.values().removeIf(List::isEmpty);
        all(
                        learning,
                        What.CLOSING,
                        closed.values().stream().flatMap(List::stream).toList())
                .ifPresent(one -> found.add(Proposal.of(Figure.WOUND_CLOSING_TIMES, one)));
        byKind(
                found,
                Figure.WOUND_CLOSING_TIMES,
                closed.entrySet().stream()
                        .map(one -> learning.factor(What.CLOSING, Group.of(one.getKey()), 1, one.getValue()))
                        .toList(),
                1);
        return found;
    }

    private static Optional<Learned> all(Learning learning, What what, List<Learning.Case> cases) {
        return cases.isEmpty() ? Optional.empty() : Optional.of(learning.factor(what, Group.work("all"), 1, cases));
    }

    /** What is learned of one kind alone is what is learned of all. */
    private static void byKind(List<Proposal> found, Figure figure, List<Learned> learned, double factor) {
        if (learned.size() > 1) {
            learned.forEach(one -> found.add(Proposal.of(figure, one).times(factor)));
        }
    }

    private void closing(Learning learning, Species kind, List<Learned> learned) {
        List<Learning.Case> cases = closingCases(kind);
        if (!cases.isEmpty()) {
            double shipped = cases.stream()
                    .mapToDouble(Learning.Case::reckoned)
                    .average()
                    .orElseThrow();
            learned.add(learning.factor(What.CLOSING, Group.of(kind), shipped, cases));
        }
    }

    private List<Learning.Case> closingCases(Species kind) {
        List<Learning.Case> cases = new ArrayList<>();
        for (TreeHistory tree : records.trees()) {
            if (tree.species() != kind) {
                continue;
            }
            Map<String, NamedWound> wounds = new LinkedHashMap<>();
            tree.wounds().orElse(List.of()).forEach(wound -> wounds.put(wound.id(), wound));
            for (NamedCourse one : wounds(tree)) {
                // Rot stops closing: that says nothing of how fast sound wood closes.
                boolean rots = wounds.get(one.id()).wound().rots();
                if (one.course().looks() > 0 && one.course().closingMmPerYear() > 0 && !rots) {
                    // Against what was shipped, so that what was learned is not learned again.
                    cases.add(new Learning.Case(
                            one.course().expectedMmPerYear()
                                    / rules.of(kind).knowledge().get(Figure.WOUND_CLOSING_TIMES),
                            one.course().closingMmPerYear()));
                }
            }
        }
        return cases;
    }

    private void fruit(Learning learning, Species kind, List<Learned> learned) {
        List<TreeHistory> ofKind =
                records.trees().stream().filter(tree -> tree.species() == kind).toList();
        Pooled all = new CuttingAnswer(Measure.FRUIT, ofKind, records.southern(), knowledge, records.seed())
                .answers()
                .all();
        if (all.n() >= EFFECTS) {
            // An interval of 80 % is 1.2816 deviations to either side.
            double deviation = (all.high().getAsDouble() - all.low().getAsDouble()) / (2 * 1.2816);
            learned.add(learning.normal(
                    What.FRUIT, Group.of(kind), 1, all.effect().getAsDouble(), deviation * deviation, all.n()));
        }
    }
}
