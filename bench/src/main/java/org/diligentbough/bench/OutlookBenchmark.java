package org.diligentbough.bench;

import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.light.CrownLight;
import org.diligentbough.core.outlook.Outlook;
import org.diligentbough.core.outlook.Planned;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;
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

/**
 * A tree's judging, planning and years ahead apart, as limbs grow in number; run with {@code -prof gc} for what is
 * allocated. {@link #rays} is the limit beside them: as many paths through as many bodies as one way's years want, in a plain
 * loop.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class OutlookBenchmark {
    private static final int MAINS = 6;
    private static final int PLACES_A_LIMB = 16;
    private static final int PATCHES = 20;

    @Param({"5", "20", "60", "200"})
    int limbs;

    private Rulebook rules;
    private Survey survey;
    private Evaluation evaluation;
    private Planned planned;

    @Setup
    public void makeTree() {
        rules = Rulebook.load();
        Random random = new Random(limbs);
        SurveyBuilder tree = new SurveyBuilder();
        tree.heightM = 6;
        tree.spreadM = 6;
        for (int i = 0; i < limbs; i++) {
            int number = i;
            tree.limb("L" + i, limb -> {
                if (number < MAINS) {
                    return limb.origin(1.2)
                            .diameter(9 + random.nextInt(4))
                            .azimuth(60 * number)
                            .angle(40 + random.nextInt(35))
                            .length(3 + random.nextDouble() * 2)
                            .years(20)
                            .fruiting(2);
                }
                Limb main = tree.limbs.get(random.nextInt(MAINS));
                limb.on(main.id(), main.lengthM() * (0.2 + 0.7 * random.nextDouble()))
                        .diameter(1 + 3 * random.nextDouble())
                        .azimuth(random.nextInt(360))
                        .angle(random.nextInt(80))
                        .length(0.5 + random.nextDouble())
                        .years(8)
                        .fruiting(random.nextInt(3));
                return random.nextInt(4) == 0 ? limb.fault(FaultKind.CROSSING_CENTRE) : limb;
            });
        }
        survey = tree.build();
        evaluation = tree.evaluate();
        planned = evaluation.planned();
    }

    /** Light and verdicts. */
    @Benchmark
    public Evaluation.Found judging() {
        return Evaluation.found(survey, rules);
    }

    /** Light, verdicts and the plan. */
    @Benchmark
    public Evaluation judgingAndPlan() {
        return Evaluation.of(survey, rules);
    }

    /** Light as it is told, small wood counted. */
    @Benchmark
    public CrownLight lightTold() {
        return evaluation.crownLight();
    }

    @Benchmark
    public Outlook threeWays() {
        return Outlook.of(planned, rules.rootstocks());
    }

    @Benchmark
    public Outlook.Banded threeWaysWithBands() {
        return Outlook.banded(planned, rules.rootstocks());
    }

    /** Ten years of one way's paths and bodies in a plain loop. */
    @Benchmark
    public double rays() {
        double sum = 0;
        for (int year = 0; year < Outlook.YEARS; year++) {
            for (int place = 0; place < limbs * PLACES_A_LIMB; place++) {
                for (int body = 0; body < limbs; body++) {
                    double c = 0.1 * body - 0.05 * place;
                    for (int patch = 0; patch < PATCHES; patch++) {
                        double b = c * 0.3 + patch * 0.01;
                        double within = b * b - c;
                        sum += within > 0 ? Math.sqrt(within) : 0;
                    }
                }
            }
        }
        return sum;
    }
}
