package org.diligentbough.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.TimeUnit;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.light.CrownLight;
import org.diligentbough.core.light.Neighbour;
import org.diligentbough.core.light.Shading;
import org.diligentbough.core.light.Sky;
import org.diligentbough.core.plan.Wishes;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.visit.TreeToday;
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
    private static final int NEIGHBOURS = 6;

    @Param({"20", "100", "200"})
    int limbs;

    private Rulebook rules;
    private Survey survey;
    private Sky sky;
    private final List<Neighbour> near = new ArrayList<>();

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
        sky = Sky.over(survey.site(), rules.knowledge());
        for (int i = 0; i < NEIGHBOURS; i++) {
            near.add(new Neighbour(
                    "K-" + i,
                    5 * Math.sin(i * Math.PI / 3),
                    5 * Math.cos(i * Math.PI / 3),
                    6,
                    2.5,
                    OptionalDouble.of(100)));
        }
    }

    @Benchmark
    public Evaluation evaluate() {
        return Evaluation.of(
                TreeToday.asSurveyed(survey),
                new Evaluation.Given(Wishes.NONE, List.of(), near, Optional.empty()),
                rules);
    }

    /** Light in the crown alone. */
    @Benchmark
    public CrownLight light() {
        return new CrownLight(survey, new Branching(survey.limbs()), near, sky, rules.knowledge());
    }

    /** Light with what shades what, and what each neighbour takes. */
    @Benchmark
    public Shading shading() {
        return light().shading();
    }

    /** What makes ready for light once a site. */
    @Benchmark
    public Sky sky() {
        return Sky.over(survey.site(), rules.knowledge());
    }
}
