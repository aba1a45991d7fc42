package org.diligentbough.bench;

import java.time.LocalDate;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.orchard.Site;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.season.MayCut;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.season.Seen;
import org.diligentbough.core.season.Window;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** What the year of one tree costs: its calendar made from the climate, its windows, and one answer. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class SeasonBenchmark {
    @Param({"APPLE", "APRICOT", "FIG"})
    Species species;

    private final Rulebook rules = Rulebook.load();
    private final Site site = new SurveyBuilder().build().site();

    @Benchmark
    public List<Window> year() {
        return rules.calendar(site, species, false, Seen.NOTHING).windows(new PruningYear(2027, false));
    }

    @Benchmark
    public MayCut answer() {
        return rules.calendar(site, species, false, Seen.NOTHING).mayCut(LocalDate.of(2027, 3, 1));
    }
}
