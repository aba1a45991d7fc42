package org.diligentbough.core.roster;

import static org.assertj.core.api.Assertions.assertThat;

import ai.timefold.solver.core.api.score.buildin.hardmediumsoftlong.HardMediumSoftLongScore;
import java.util.ArrayList;
import java.util.List;
import org.diligentbough.core.Chance;
import org.diligentbough.core.roster.RosterMaker.Limits;
import org.junit.jupiter.api.Test;

/**
 * The search against every roster there is: six visits, two crews, six people. Kit for all and a first-aider everywhere make what
 * a crew loses its own, so that the best tour of every set of visits by every set of people is found once and the sets are put
 * together; hours fairly shared are weighed by what each set of people then works.
 */
class OptimumTest {
    private static final int PEOPLE = 6;
    private static final int VISITS = 6;

    /** The best there is, by looking at all. */
    private static final class All {
        private final RosterPlan plan;
        private final CaseIndex index;
        private long best = Long.MIN_VALUE;
        private RosterScore score;

        private All(RosterCase of) {
            plan = new RosterPlan(of);
            index = plan.index;
        }

        /** Points the best roster has, urgent trees counted as more than all else. */
        private long best() {
            for (int first = 0; first < 1 << PEOPLE; first++) {
                int rest = (1 << PEOPLE) - 1 - first;
                for (int second = rest; ; second = (second - 1) & rest) {
                    if (second <= first) {
                        crews(first, second);
                    }
                    if (second == 0) {
                        break;
                    }
                }
            }
            return best;
        }

        private void crews(int first, int second) {
            if (!crewOfRightSize(first) || !crewOfRightSize(second)) {
                return;
            }
            plan.people.forEach(one -> {
                boolean inFirst = (first >> one.number & 1) == 1;
                boolean inSecond = (second >> one.number & 1) == 1;
                one.crew = inFirst ? plan.crews.get(0) : inSecond ? plan.crews.get(1) : null;
            });
            tour(0, 0);
            tour(1, 0);
            score = RosterScore.of(plan);
            // Of the tours of a set the one with the least way is the best: all else a set loses is the same in any
            // order.
            List<Integer> ofSecond = fitting(1, second);
            for (int of : fitting(0, first)) {
                for (int other : ofSecond) {
                    if ((of & other) == 0) {
                        look(of, other);
                    }
                }
            }
        }

        /** Sets of visits a crew can do: what breaks a must in one crew breaks it whatever the other does. */
        private List<Integer> fitting(int crew, int people) {
            tour(1 - crew, 0);
            List<Integer> sets = new ArrayList<>();
            for (int of = 0; of < 1 << VISITS; of++) {
                tour(crew, of);
                if (of == 0 || people != 0 && looked().hardScore() == 0) {
                    sets.add(of);
                }
            }
            return sets;
        }

        private static boolean crewOfRightSize(int people) {
            int size = Integer.bitCount(people);
            return size == 0 || size >= 2 && size <= 4;
        }

        private void tour(int crew, int of) {
            plan.crews.get(crew).visits = shortest(of);
        }

        private HardMediumSoftLongScore looked() {
            plan.crews.forEach(crew -> score.afterListVariableChanged(crew, RosterPlan.VISITS, 0, 0));
            return score.calculateScore();
        }

        private void look(int of, int other) {
            tour(0, of);
            tour(1, other);
            HardMediumSoftLongScore now = looked();
            if (now.hardScore() == 0) {
                best = Math.max(best, now.mediumScore() * 1_000_000_000L + now.softScore());
            }
        }

        private final List<List<VisitNumber>> tours = new ArrayList<>(java.util.Collections.nCopies(1 << VISITS, null));

        private List<VisitNumber> shortest(int of) {
            if (tours.get(of) == null) {
                tours.set(of, tour(of, new ArrayList<>(), new ArrayList<>(), 0, new double[] {Double.MAX_VALUE}));
            }
            return tours.get(of);
        }

        private List<VisitNumber> tour(
                int left, List<VisitNumber> so, List<VisitNumber> found, double walked, double[] least) {
            if (left == 0) {
                if (walked < least[0]) {
                    least[0] = walked;
                    found.clear();
                    found.addAll(so);
                }
                return found;
            }
            for (int i = 0; i < VISITS; i++) {
                boolean sickTooSoon = index.of.visits().get(i).sick() && healthyLeft(left);
                if ((left >> i & 1) == 1 && !sickTooSoon) {
                    double more =
                            so.isEmpty() ? 0 : index.way[so.get(so.size() - 1).number()][i];
                    so.add(plan.visits.get(i));
                    tour(left & ~(1 << i), so, found, walked + more, least);
                    so.remove(so.size() - 1);
                }
            }
            return found;
        }

        private boolean healthyLeft(int left) {
            for (int i = 0; i < VISITS; i++) {
                if ((left >> i & 1) == 1 && !index.of.visits().get(i).sick()) {
                    return true;
                }
            }
            return false;
        }
    }

    /** Two crews and no third. */
    private static RosterCase twoCrews(long seed) {
        RosterCase of = RandomRosters.easy(seed, PEOPLE, VISITS);
        List<RosterCase.Person> people = new ArrayList<>(of.people());
        for (int i = 2; i < people.size(); i++) {
            RosterCase.Person one = people.get(i);
            var tickets = new java.util.HashMap<>(one.ticketsUntil());
            tickets.remove("lead");
            people.set(
                    i,
                    new RosterCase.Person(
                            one.id(),
                            one.days(),
                            one.birthYear(),
                            one.skill(),
                            one.hoursThisSeason(),
                            tickets,
                            one.knows()));
        }
        return new RosterCase(
                2,
                4,
                50,
                5,
                of.days(),
                people,
                of.visits(),
                List.of(),
                List.of(),
                RosterCase.Sent.NOTHING,
                RandomRosters.WEIGHTS);
    }

    @Test
    void fiftySmallCasesComeOutAsTheBestThereIs() {
        int equal = 0;
        for (int seed = 0; seed < 50; seed++) {
            RosterCase of = twoCrews(Chance.seed(seed));
            long best = new All(of).best();
            Roster found = RosterMaker.make(of, Limits.steps(20_000, seed));
            long reached = -found.urgentLeft() * 1_000_000_000L + found.soft();
            assertThat(Checked.wrong(of, found)).isEmpty();
            // Each wish is told in whole points.
            assertThat(reached).as("seed " + seed).isLessThanOrEqualTo(best + Should.values().length);
            equal += reached >= best - Should.values().length ? 1 : 0;
        }
        assertThat(equal).isEqualTo(50);
    }
}
