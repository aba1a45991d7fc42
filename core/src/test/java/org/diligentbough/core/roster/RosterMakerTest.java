package org.diligentbough.core.roster;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;

import ai.timefold.solver.core.config.solver.EnvironmentMode;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import org.diligentbough.core.Chance;
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
            RosterCase of = RandomRosters.of(Chance.seed(seed), 1 + seed % 3, 3 + seed % 9, 2 + seed % 11);
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
            RosterPlan plan = new RosterPlan(RandomRosters.of(Chance.seed(seed), 2, 8, 10));
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
            RosterCase of = RandomRosters.of(Chance.seed(1000 + seed), 2, 10, 16);
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

    private static long inTheirCrews(RosterCase of, Roster roster) {
        return of.sent().people().stream()
                        .filter(sent -> roster.crews().stream()
                                .anyMatch(crew -> crew.day().equals(sent.day())
                                        && crew.crew() == sent.crew()
                                        && crew.people().contains(sent.person())))
                        .count()
                + of.sent().visits().stream()
                        .filter(sent -> roster.crews().stream()
                                .anyMatch(crew -> crew.day().equals(sent.day())
                                        && crew.crew() == sent.crew()
                                        && crew.visits().stream()
                                                .anyMatch(turn -> turn.visit().equals(sent.visit()))))
                        .count();
    }

    @Test
    void whatWasSentOutIsMendedWithLittleChange() {
        int sent = 0;
        long kept = 0;
        long keptAnew = 0;
        for (int seed = 0; seed < 30; seed++) {
            RosterCase of = RandomRosters.easy(seed, 9, 12);
            Roster before = RosterMaker.make(of, Limits.steps(STEPS, seed));
            String goes = before.crews()
                    .get(0)
                    .people()
                    .get(before.crews().get(0).people().size() - 1);
            RosterCase after = RandomRosters.sent(of, before, goes);
            Roster mended = RosterMaker.make(after, Limits.steps(STEPS, seed));
            assertThat(Checked.wrong(after, mended)).as("seed " + seed).isEmpty();
            assertThat(mended.crews()).noneMatch(crew -> crew.people().contains(goes));
            sent += after.sent().people().size() + after.sent().visits().size();
            kept += inTheirCrews(after, mended);
            RosterCase anew = new RosterCase(
                    of.least(),
                    of.most(),
                    of.metresPerMinute(),
                    of.setUpMinutes(),
                    of.days(),
                    after.people(),
                    of.visits(),
                    List.of(),
                    List.of(),
                    RosterCase.Sent.NOTHING,
                    of.weights());
            keptAnew += inTheirCrews(after, RosterMaker.make(anew, Limits.steps(STEPS, seed)));
        }
        assertThat(kept)
                .as("of " + sent + ", anew " + keptAnew)
                .isGreaterThan(sent * 3 / 4)
                .isGreaterThan(keptAnew);
    }

    @Test
    void aCrewComesToUrgentTreesSoonWhereThatCostsNothing() {
        for (int seed = 0; seed < 20; seed++) {
            RosterCase of = RandomRosters.easy(seed, 4, 6);
            Roster roster = RosterMaker.make(of, Limits.steps(STEPS, seed));
            for (Roster.Crew crew : roster.crews()) {
                List<Boolean> urgent = crew.visits().stream()
                        .map(turn -> of.visits().stream()
                                .anyMatch(visit -> visit.id().equals(turn.visit()) && visit.urgent()))
                        .toList();
                boolean sick = crew.visits().stream().anyMatch(turn -> of.visits().stream()
                        .anyMatch(visit -> visit.id().equals(turn.visit()) && visit.sick()));
                if (!sick
                        && crew.visits().size() > 1
                        && urgent.stream().filter(one -> one).count() == 1) {
                    assertThat(urgent.indexOf(true))
                            .as("in the first half of its round, seed " + seed)
                            .isLessThanOrEqualTo((crew.visits().size() - 1) / 2);
                }
            }
        }
    }
}
