package org.diligentbough.bench;

import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Survey;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** What judging and planning one tree costs in the core, and how it grows with its limbs. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(2)
public class EvaluateBenchmark {
    @Param({"20", "100", "200"})
    int limbs;

    private Rulebook rules;
    private Survey survey;

    @Setup
    public void makeTree() {
        rules = Rulebook.load();
        SurveyBuilder tree = new SurveyBuilder();
        for (int i = 0; i < limbs; i++) {
            int number = i;
            boolean main = i % 5 == 0;
            tree.limb("L" + i, limb -> {
                if (main) {
                    limb.diameter(8 + number % 7).azimuth(number * 37 % 360).fruiting(2);
                } else {
                    limb.on("L" + (number - number % 5), 0.4 * (number % 5)).azimuth(number * 53 % 360);
                }
                return number % 4 == 1 ? limb.fault(FaultKind.CROSSING_CENTRE) : limb;
            });
        }
        survey = tree.build();
    }

    @Benchmark
    public Evaluation evaluate() {
        return Evaluation.of(survey, rules, Map.of());
    }
}
