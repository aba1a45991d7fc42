package org.diligentbough.core.roster;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.diligentbough.core.roster.CrewsByHand.CrewGiven;
import org.diligentbough.core.roster.DetailFitted.Detail;
import org.diligentbough.core.roster.DetailFitted.Fitted;
import org.diligentbough.core.roster.RosterMaker.Limits;
import org.junit.jupiter.api.Test;

class DetailFittedTest {
    @Test
    void detailFillsWhatTheDayHasToSpareAndBreaksNothing() {
        int fittedInAll = 0;
        int whole = 0;
        for (int seed = 0; seed < 30; seed++) {
            RosterCase of = RandomRosters.easy(seed, 6, 3);
            Roster roster = RosterMaker.make(of, Limits.steps(200, seed));
            Map<String, Detail> detail = new HashMap<>();
            of.visits().forEach(visit -> detail.put(visit.id(), new Detail(64, 300)));
            Fitted fitted = DetailFitted.of(of, roster, detail);
            fittedInAll += fitted.minutes().size();
            whole += (int)
                    fitted.minutes().values().stream().filter(one -> one == 300).count();
            for (Roster.Crew crew : roster.crews()) {
                int until = of.days().get(0).ends();
                int before = of.days().get(0).starts();
                for (Roster.Turn turn : crew.visits()) {
                    Roster.Turn now = fitted.clock().get(turn.visit());
                    assertThat(now.starts()).isGreaterThanOrEqualTo(before);
                    assertThat(now.ends()).isLessThanOrEqualTo(until);
                    assertThat(now.ends() - now.starts()).isGreaterThanOrEqualTo(turn.ends() - turn.starts());
                    before = now.ends();
                }
            }
        }
        assertThat(fittedInAll).isGreaterThan(20);
        assertThat(whole)
                .as("300 person-minutes more are too much for most of these days")
                .isLessThan(fittedInAll);
    }

    @Test
    void aDayWithoutRoomTakesNone() {
        RosterCase of = RandomRosters.easy(3, 4, 12);
        Roster roster = RosterMaker.make(of, Limits.steps(200, 3));
        Map<String, Detail> detail = new HashMap<>();
        of.visits().forEach(visit -> detail.put(visit.id(), new Detail(1, 5000)));
        Fitted fitted = DetailFitted.of(of, roster, detail);
        assertThat(fitted.minutes()).isEmpty();
        roster.crews().forEach(crew -> crew.visits()
                .forEach(turn -> assertThat(fitted.clock()).containsEntry(turn.visit(), turn)));
    }

    @Test
    void whatIsFittedIsAsMuchAsHasRoom() {
        RosterCase of = null;
        Roster roster = null;
        for (int seed = 0; roster == null || roster.crews().isEmpty(); seed++) {
            of = RandomRosters.easy(seed, 4, 1);
            roster = RosterMaker.make(of, Limits.steps(200, seed));
        }
        String visit = roster.crews().get(0).visits().get(0).visit();
        Fitted fitted = DetailFitted.of(of, roster, Map.of(visit, new Detail(64, 640)));
        int minutes = fitted.minutes().get(visit);
        assertThat(minutes % 10).isZero();
        // Twice as much would not have had room.
        CrewGiven crew = new CrewGiven(roster.crews().get(0).people(), List.of(visit));
        RosterCase more = new RosterCase(
                of.least(),
                of.most(),
                of.metresPerMinute(),
                of.setUpMinutes(),
                of.days(),
                of.people(),
                of.visits().stream().map(one -> one.longer(2 * minutes)).toList(),
                List.of(),
                List.of(),
                RosterCase.Sent.NOTHING,
                of.weights());
        assertThat(minutes == 640
                        || !CrewsByHand.look(more, "d0", List.of(crew))
                                .breaches()
                                .isEmpty())
                .isTrue();
    }
}
