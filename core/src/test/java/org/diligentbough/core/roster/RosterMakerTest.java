package org.diligentbough.core.roster;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;

import ai.timefold.solver.core.config.solver.EnvironmentMode;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import org.diligentbough.core.Effort;
import org.diligentbough.core.roster.RosterCase.FixedPerson;
import org.diligentbough.core.roster.RosterCase.FixedVisit;
import org.diligentbough.core.roster.RosterMaker.Limits;
import org.junit.jupiter.api.Test;

class RosterMakerTest {
    private static final int STEPS = 400;

    @Test
    void noMustIsBrokenOnFiveHundredRandomDays() {
        for (int seed = 0; seed < 500; seed++) {
            RosterCase of = RandomRosters.of(seed, 1 + seed % 3, 3 + seed % 9, 2 + seed % 11);
            Roster roster = RosterMaker.make(of, Limits.steps(STEPS, seed));
            assertThat(Checked.wrong(of, roster)).as("seed " + seed).isEmpty();
            assertThat(roster.broken()).as("seed " + seed).isEmpty();
        }
    }

    @Test
    void theSameCaseSeedAndStepsGiveTheSameRoster() {
        RosterCase of = RandomRosters.of(11, 3, 12, 20);
        Roster once = RosterMaker.make(of, Limits.steps(3000, 5));
        assertThat(RosterMaker.make(of, Limits.steps(3000, 5))).isEqualTo(once);
    }

    @Test
    void theSearchCountsAsALookFromNewDoes() {
        for (int seed = 0; seed < 5; seed++) {
            RosterPlan plan = new RosterPlan(RandomRosters.of(seed, 2, 8, 10));
            PlainLeader.fill(plan);
            plan.score = RosterScore.of(plan).calculateScore();
            if (!plan.crews.isEmpty()) {
                RosterPlan best = RosterMaker.factory(
                                Limits.steps(200, seed), seed % 2 == 0, EnvironmentMode.FULL_ASSERT)
                        .buildSolver()
                        .solve(plan);
                assertThat(best.score).isEqualTo(RosterScore.of(best).calculateScore());
            }
        }
    }

    @Test
    void theSearchIsNeverWorseThanAPlainLeaderAndMostlyBetter() {
        int better = 0;
        for (int seed = 0; seed < 40; seed++) {
            RosterCase of = RandomRosters.of(1000 + seed, 2, 10, 16);
            RosterPlan plain = new RosterPlan(of);
            PlainLeader.fill(plain);
            Roster leader = RosterTold.of(plain);
            Roster found = RosterMaker.make(of, Limits.steps(4000, seed));
            assertThat(Checked.wrong(of, leader)).isEmpty();
            assertThat(found.urgentLeft()).isLessThanOrEqualTo(leader.urgentLeft());
            if (found.urgentLeft() == leader.urgentLeft()) {
                assertThat(found.soft()).isGreaterThanOrEqualTo(leader.soft() - Should.values().length);
            }
            better += found.urgentLeft() < leader.urgentLeft() || found.soft() > leader.soft() ? 1 : 0;
        }
        assertThat(better).isGreaterThan(20);
    }

    @Test
    void whatWasSetByHandStaysWhereItCan() {
        RosterCase of = RandomRosters.easy(3, 6, 8);
        String visit = of.visits().stream()
                .filter(one -> !RandomRosters.FIRST.isBefore(one.opens()) && !RandomRosters.FIRST.isAfter(one.closes()))
                .findFirst()
                .orElseThrow()
                .id();
        RosterCase fixed = RandomRosters.fixed(
                of,
                List.of(new FixedVisit(visit, "d0")),
                List.of(new FixedPerson("p0", "d0", 2), new FixedPerson("p1", "d0", 2)));
        Roster roster = RosterMaker.make(fixed, Limits.steps(3000, 1));
        assertThat(roster.broken()).isEmpty();
        assertThat(roster.crews().stream().flatMap(crew -> crew.visits().stream()))
                .anyMatch(turn -> turn.visit().equals(visit));
        assertThat(roster.crews()).anySatisfy(crew -> {
            assertThat(crew.crew()).isEqualTo(2);
            assertThat(crew.people()).contains("p0", "p1");
        });
    }

    @Test
    void handsThatAskTheImpossibleAreToldSoAndNobodyIsEndangered() {
        RosterCase of = RandomRosters.easy(3, 6, 8);
        String outside = of.visits().stream()
                .filter(one -> RandomRosters.FIRST.isBefore(one.opens()) || RandomRosters.FIRST.isAfter(one.closes()))
                .findFirst()
                .orElseThrow()
                .id();
        Roster roster = RosterMaker.make(
                RandomRosters.fixed(of, List.of(new FixedVisit(outside, "d0")), List.of()), Limits.steps(2000, 1));
        assertThat(roster.broken()).isEqualTo(Map.of(Must.SET_BY_HAND_STAYS, 1));
        assertThat(roster.notPlaced()).anySatisfy(left -> {
            assertThat(left.visit()).isEqualTo(outside);
            assertThat(left.reasons()).extracting(Roster.Reason::why).containsExactly(Roster.Why.WINDOW);
        });
    }

    @Test
    void fortyCrewDaysStandWithinASecondAndGetBetterWhileOneLooks() {
        RosterCase of = RandomRosters.of(77, 14, 30, 160);
        AtomicInteger told = new AtomicInteger();
        long begun = System.nanoTime();
        long[] first = new long[1];
        Roster roster = RosterMaker.make(
                of,
                Limits.seconds(3, 1),
                better -> {
                    if (told.getAndIncrement() == 0) {
                        first[0] = System.nanoTime() - begun;
                    }
                },
                () -> false);
        assertThat(Checked.wrong(of, roster)).isEmpty();
        assertThat(roster.crews().size()).isGreaterThan(20);
        assertThat(first[0] / 1e9).as("the first stands after s").isLessThan(5);
        assertThat(told.get()).isGreaterThan(1);
    }

    @Test
    void aLargeFileEndsAtItsBoundOfEffort() {
        RosterCase of = RandomRosters.of(9, 40, 200, 500);
        long begun = System.nanoTime();
        Throwable ended = catchThrowable(
                () -> Effort.within(Duration.ofSeconds(2), () -> RosterMaker.make(of, Limits.seconds(1, 1))));
        if (ended != null) {
            assertThat(ended).isInstanceOf(Effort.TooMuch.class);
        }
        assertThat((System.nanoTime() - begun) / 1e9).isLessThan(20);
    }

    @Test
    void itStopsWhenItIsToldTo() {
        long begun = System.nanoTime();
        RosterMaker.make(RandomRosters.of(5, 3, 12, 30), Limits.seconds(60, 1), better -> {}, () -> true);
        assertThat((System.nanoTime() - begun) / 1e9).isLessThan(10);
    }
}
