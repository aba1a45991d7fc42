package org.diligentbough.core.roster;

import ai.timefold.solver.core.api.solver.Solver;
import ai.timefold.solver.core.api.solver.SolverFactory;
import ai.timefold.solver.core.config.heuristic.selector.move.composite.UnionMoveSelectorConfig;
import ai.timefold.solver.core.config.heuristic.selector.move.generic.ChangeMoveSelectorConfig;
import ai.timefold.solver.core.config.heuristic.selector.move.generic.SwapMoveSelectorConfig;
import ai.timefold.solver.core.config.heuristic.selector.move.generic.list.ListChangeMoveSelectorConfig;
import ai.timefold.solver.core.config.heuristic.selector.move.generic.list.ListSwapMoveSelectorConfig;
import ai.timefold.solver.core.config.heuristic.selector.move.generic.list.SubListChangeMoveSelectorConfig;
import ai.timefold.solver.core.config.heuristic.selector.move.generic.list.kopt.KOptListMoveSelectorConfig;
import ai.timefold.solver.core.config.localsearch.LocalSearchPhaseConfig;
import ai.timefold.solver.core.config.localsearch.LocalSearchType;
import ai.timefold.solver.core.config.localsearch.decider.acceptor.LocalSearchAcceptorConfig;
import ai.timefold.solver.core.config.localsearch.decider.forager.LocalSearchForagerConfig;
import ai.timefold.solver.core.config.score.director.ScoreDirectorFactoryConfig;
import ai.timefold.solver.core.config.solver.EnvironmentMode;
import ai.timefold.solver.core.config.solver.SolverConfig;
import ai.timefold.solver.core.config.solver.termination.TerminationConfig;
import java.time.Duration;
import java.util.OptionalInt;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;

/** Makes rosters: what a leader would do with a pencil, and then better by search as long as it may take. */
public final class RosterMaker {
    private static final long LOOK_EVERY_MS = 50;
    private static final long MOVES_A_STEP = 10;
    /** How much of what it may take each round gets; a round that finds nothing more leaves its rest. */
    private static final double[] ROUNDS = {0.3, 0.3, 0.1, 0.2, 0.1};

    private static final boolean[] WARM = {false, true, false, true, false};
    private static final int WORTH_PARTING = 2_000;
    private static final String TEMPERATURE = "2hard/1medium/1000soft";

    private RosterMaker() {}

    /**
     * How long it may take.
     *
     * @param seconds of the clock; the search ends before when nothing better comes
     * @param steps of the search instead, when the same case is to give the same roster
     * @param seed the search takes its chances by
     */
    public record Limits(double seconds, OptionalInt steps, long seed) {
        public static Limits steps(int steps, long seed) {
            return new Limits(0, OptionalInt.of(steps), seed);
        }

        public static Limits seconds(double seconds, long seed) {
            return new Limits(seconds, OptionalInt.empty(), seed);
        }

        /** So few steps are not worth parting. */
        private int rounds() {
            return steps.isPresent() && steps.getAsInt() < WORTH_PARTING ? 1 : ROUNDS.length;
        }

        private Limits part(int round) {
            if (rounds() == 1) {
                return this;
            }
            return new Limits(
                    seconds * ROUNDS[round],
                    steps.isPresent() ? OptionalInt.of(Math.max(1, (int) (steps.getAsInt() * ROUNDS[round]))) : steps,
                    seed + round);
        }
    }

    public static Roster make(RosterCase of, Limits limits) {
        return make(of, limits, better -> {}, () -> false);
    }

    /**
     * Makes a roster.
     *
     * @param better is told every roster that is better than the one before, from another thread or this
     * @param stop asked from time to time: what is best then is the roster
     */
    public static Roster make(RosterCase of, Limits limits, Consumer<Roster> better, BooleanSupplier stop) {
        RosterPlan start = new RosterPlan(of);
        PlainLeader.fill(start);
        start.score = RosterScore.of(start).calculateScore();
        if (!of.sent().nothing()) {
            RosterPlan before = AsSent.of(of);
            start = before.score.compareTo(start.score) >= 0 ? before : start;
        }
        if (start.visits.isEmpty() || start.crews.isEmpty()) {
            return RosterTold.of(start);
        }
        better.accept(RosterTold.of(start));
        RosterPlan best = start;
        for (int round = 0; round < limits.rounds() && !stop.getAsBoolean(); round++) {
            // In turn cold, taking what is hardly worse than of late, and warm, taking much that is worse at first.
            RosterPlan found =
                    search(best, factory(limits.part(round), WARM[round], EnvironmentMode.NO_ASSERT), better, stop);
            best = found.score.compareTo(best.score) > 0 ? found : best;
        }
        return RosterTold.of(UrgentFirst.of(best));
    }

    private static RosterPlan search(
            RosterPlan from, SolverFactory<RosterPlan> factory, Consumer<Roster> better, BooleanSupplier stop) {
        Solver<RosterPlan> solver = factory.buildSolver();
        solver.addEventListener(event -> {
            RosterPlan found = event.getNewBestSolution();
            if (event.isNewBestSolutionInitialized() && found.score.compareTo(from.score) > 0) {
                better.accept(RosterTold.of(found));
            }
        });
        Thread watch = watch(solver, stop);
        RosterPlan found = solver.solve(from);
        watch.interrupt();
        return found;
    }

    private static Thread watch(Solver<RosterPlan> solver, BooleanSupplier stop) {
        Thread watch = new Thread(
                () -> {
                    try {
                        while (true) {
                            if (stop.getAsBoolean()) {
                                solver.terminateEarly(); // told again until it hears: it may not have begun
                            }
                            Thread.sleep(LOOK_EVERY_MS);
                        }
                    } catch (InterruptedException e) {
                        Thread.currentThread().interrupt();
                    }
                },
                "roster watch");
        watch.setDaemon(true);
        watch.start();
        return watch;
    }

    static SolverFactory<RosterPlan> factory(Limits limits, boolean warm, EnvironmentMode mode) {
        TerminationConfig termination = new TerminationConfig();
        if (limits.steps().isPresent()) {
            // Where nothing near is as good, a step would try for ever.
            termination
                    .withStepCountLimit(limits.steps().getAsInt())
                    .withMoveCountLimit(limits.steps().getAsInt() * MOVES_A_STEP);
        } else {
            Duration most = Duration.ofMillis(Math.round(limits.seconds() * 1000));
            termination.withSpentLimit(most).withUnimprovedSpentLimit(most.dividedBy(2));
        }
        LocalSearchPhaseConfig search = warm
                ? new LocalSearchPhaseConfig()
                        .withAcceptorConfig(
                                new LocalSearchAcceptorConfig().withSimulatedAnnealingStartingTemperature(TEMPERATURE))
                        .withForagerConfig(new LocalSearchForagerConfig().withAcceptedCountLimit(1))
                : new LocalSearchPhaseConfig().withLocalSearchType(LocalSearchType.LATE_ACCEPTANCE);
        return SolverFactory.create(new SolverConfig()
                .withSolutionClass(RosterPlan.class)
                .withEntityClasses(CrewSlot.class, PersonDay.class)
                .withEnvironmentMode(mode)
                .withRandomSeed(limits.seed())
                .withScoreDirectorFactory(
                        new ScoreDirectorFactoryConfig().withIncrementalScoreCalculatorClass(RosterScore.class))
                .withTerminationConfig(termination)
                .withPhases(search.withMoveSelectorConfig(new UnionMoveSelectorConfig()
                        .withMoveSelectors(
                                new ChangeMoveSelectorConfig(),
                                new SwapMoveSelectorConfig(),
                                new ListChangeMoveSelectorConfig(),
                                new ListSwapMoveSelectorConfig(),
                                new SubListChangeMoveSelectorConfig(),
                                new KOptListMoveSelectorConfig()))));
    }
}
