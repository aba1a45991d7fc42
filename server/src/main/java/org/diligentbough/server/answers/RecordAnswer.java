package org.diligentbough.server.answers;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.diligentbough.core.answer.Answers;
import org.diligentbough.core.answer.Answers.OrchardRecords;
import org.diligentbough.core.answer.Comparison;
import org.diligentbough.core.answer.CuttingAnswer;
import org.diligentbough.core.answer.CuttingAnswer.Measure;
import org.diligentbough.core.answer.CuttingAnswer.Pooled;
import org.diligentbough.core.answer.Learned;
import org.diligentbough.core.answer.Learning;
import org.diligentbough.core.answer.TreeHistory;
import org.diligentbough.core.fruit.FruitRecord;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.wood.DiseaseSpread.Spread;
import org.diligentbough.core.wood.WoodGrade;
import org.diligentbough.server.shared.MayBeNull;

/** The answer to a record file. Intervals are of 80 %. */
record RecordAnswer(
        ResponseAnswer response,
        ResponseAnswer size,
        ResponseAnswer shoots,
        ResponseAnswer light,
        List<BiennialAnswer> biennial,
        List<EfficiencyAnswer> efficiency,
        List<WoundAnswer> wounds,
        List<GradeAnswer> grades,
        List<DiseaseAnswer> disease,
        List<LearnedAnswer> learned,
        List<TooHardAnswer> tooHard) {

    /** A grade that is not known. */
    private static final String NOT_KNOWN = "not-known";

    /** What cutting did by one measure; an effect is a difference of logarithms. */
    record ResponseAnswer(
            List<ComparedAnswer> trees,
            List<ShareAnswer> byShare,
            List<SeasonAnswer> bySeason,
            PooledAnswer bigCuts,
            PooledAnswer smallCuts,
            PooledAnswer all,
            SlopeAnswer slope) {}

    record ComparedAnswer(
            String label,
            int pruningYear,
            double share,
            @MayBeNull Double effect,
            @MayBeNull Double low,
            @MayBeNull Double high,
            @MayBeNull Double bootstrapLow,
            @MayBeNull Double bootstrapHigh,
            String says,
            int likeTrees,
            List<Integer> before,
            List<Integer> after,
            boolean undercounted,
            @MayBeNull String wanted) {}

    record PooledAnswer(
            int n,
            @MayBeNull Double effect,
            @MayBeNull Double low,
            @MayBeNull Double high) {
        static PooledAnswer of(Pooled pooled) {
            return new PooledAnswer(pooled.n(), or(pooled.effect()), or(pooled.low()), or(pooled.high()));
        }
    }

    record ShareAnswer(
            double from,
            double to,
            int n,
            @MayBeNull Double effect,
            @MayBeNull Double low,
            @MayBeNull Double high) {}

    record SeasonAnswer(
            String season,
            int n,
            @MayBeNull Double effect,
            @MayBeNull Double low,
            @MayBeNull Double high) {}

    record SlopeAnswer(
            @MayBeNull Double perTenth,
            @MayBeNull Double low,
            @MayBeNull Double high) {}

    record BiennialAnswer(String label, @MayBeNull Double index, int years) {}

    record EfficiencyAnswer(
            String label,
            int year,
            @MayBeNull Double kgPerCm2,
            @MayBeNull Double fruitPerCm2) {}

    record WoundAnswer(
            String label,
            String id,
            double closingMmPerYear,
            double expectedMmPerYear,
            @MayBeNull Integer closedYear,
            @MayBeNull Integer low,
            @MayBeNull Integer high,
            String state) {}

    record GradeAnswer(String label, String grade, List<GradePartAnswer> parts) {}

    record GradePartAnswer(
            String part,
            String measure,
            @MayBeNull Double value,
            String grade,
            @MayBeNull LocalDate on) {}

    record DiseaseAnswer(
            String kind,
            double reachM,
            int sick,
            int canHave,
            int joins,
            double expected,
            double p,
            List<RiskAnswer> atRisk) {}

    record RiskAnswer(String label, double risk, boolean suspected) {}

    record LearnedAnswer(
            String what,
            @MayBeNull String kind,
            @MayBeNull String season,
            @MayBeNull String cut,
            @MayBeNull String work,
            double shipped,
            double value,
            double low,
            double high,
            int cases) {}

    record TooHardAnswer(String label, int pruningYear, int shoots, double expected) {}

    static RecordAnswer of(OrchardRecords records, Answers answers) {
        List<BiennialAnswer> biennial = new ArrayList<>();
        List<EfficiencyAnswer> efficiency = new ArrayList<>();
        List<WoundAnswer> wounds = new ArrayList<>();
        List<GradeAnswer> grades = new ArrayList<>();
        for (TreeHistory tree : records.trees()) {
            FruitRecord fruit = answers.fruit(tree);
            if (!tree.fruit().isEmpty()) {
                FruitRecord.Biennial found = fruit.biennial();
                biennial.add(new BiennialAnswer(
                        tree.label(), or(found.index()), found.years() == 0 ? 0 : found.years() + 1));
            }
            fruit.figures().stream()
                    .filter(year ->
                            year.kilosPerCm2().isPresent() || year.fruitPerCm2().isPresent())
                    .map(year -> new EfficiencyAnswer(
                            tree.label(), year.year().year(), or(year.kilosPerCm2()), or(year.fruitPerCm2())))
                    .forEach(efficiency::add);
            answers.wounds(tree).stream()
                    .map(one -> new WoundAnswer(
                            tree.label(),
                            one.id(),
                            one.course().closingMmPerYear(),
                            one.course().expectedMmPerYear(),
                            or(one.course().closedYear()),
                            or(one.course().low()),
                            or(one.course().high()),
                            Codes.of(one.course().state())))
                    .forEach(wounds::add);
            grades.add(grade(tree.label(), answers.grade(tree, records.today())));
        }
        return new RecordAnswer(
                response(answers.cutting(Measure.FRUIT)),
                response(answers.cutting(Measure.SIZE)),
                response(answers.cutting(Measure.SHOOTS)),
                response(answers.cutting(Measure.LIGHT)),
                biennial,
                efficiency,
                wounds,
                grades,
                answers.diseases(records.today()).stream()
                        .map(RecordAnswer::disease)
                        .toList(),
                answers.learned().stream().map(RecordAnswer::learned).toList(),
                answers.tooHard().stream().map(RecordAnswer::tooHard).toList());
    }

    private static ResponseAnswer response(CuttingAnswer.Answers answers) {
        return new ResponseAnswer(
                answers.trees().stream().map(RecordAnswer::compared).toList(),
                answers.byShare().stream()
                        .map(one -> new ShareAnswer(
                                one.from(),
                                one.to(),
                                one.pooled().n(),
                                or(one.pooled().effect()),
                                or(one.pooled().low()),
                                or(one.pooled().high())))
                        .toList(),
                answers.bySeason().entrySet().stream().map(RecordAnswer::season).toList(),
                PooledAnswer.of(answers.bigCuts()),
                PooledAnswer.of(answers.smallCuts()),
                PooledAnswer.of(answers.all()),
                new SlopeAnswer(
                        or(answers.slope().perTenth()),
                        or(answers.slope().low()),
                        or(answers.slope().high())));
    }

    private static SeasonAnswer season(Map.Entry<Season, Pooled> one) {
        Pooled pooled = one.getValue();
        return new SeasonAnswer(
                Codes.of(one.getKey()), pooled.n(), or(pooled.effect()), or(pooled.low()), or(pooled.high()));
    }

    private static ComparedAnswer compared(Comparison one) {
        return new ComparedAnswer(
                one.label(),
                one.cut().pruningYear(),
                one.cut().share(),
                or(one.effect()),
                or(one.low()),
                or(one.high()),
                or(one.bootstrapLow()),
                or(one.bootstrapHigh()),
                Codes.of(one.says()),
                one.likeTrees(),
                one.before(),
                one.after(),
                one.undercounted(),
                one.wanted().map(AnswerWords::wanted).orElse(null));
    }

    private static GradeAnswer grade(String label, WoodGrade grade) {
        return new GradeAnswer(
                label,
                grade.grade().map(Enum::name).orElse(NOT_KNOWN),
                grade.parts().stream()
                        .map(part -> new GradePartAnswer(
                                Codes.of(part.part()).replace('-', ' '),
                                Codes.of(part.measure()),
                                or(part.value()),
                                part.grade().map(Enum::name).orElse(NOT_KNOWN),
                                part.on().orElse(null)))
                        .toList());
    }

    private static DiseaseAnswer disease(Spread spread) {
        return new DiseaseAnswer(
                Codes.of(spread.disease()),
                spread.reachM(),
                spread.sick().size(),
                spread.canHave(),
                spread.joins(),
                spread.expected(),
                spread.p(),
                spread.atRisk().stream()
                        .map(one -> new RiskAnswer(one.label(), one.risk(), one.suspected()))
                        .toList());
    }

    private static LearnedAnswer learned(Learned one) {
        return new LearnedAnswer(
                Codes.of(one.what()),
                one.group().kind().map(Codes::of).orElse(null),
                one.group().season().map(Codes::of).orElse(null),
                one.group().way().map(Codes::of).orElse(null),
                one.group().work().orElse(null),
                one.shipped(),
                one.value(),
                one.low(),
                one.high(),
                one.cases());
    }

    private static TooHardAnswer tooHard(Learning.TooHard one) {
        return new TooHardAnswer(
                one.label(), one.regrown().pruningYear(), one.regrown().shoots(), one.expected());
    }

    private static Double or(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }

    private static Integer or(OptionalInt value) {
        return value.isPresent() ? value.getAsInt() : null;
    }
}
