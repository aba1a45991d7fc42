package org.diligentbough.core.roster;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.diligentbough.core.Chance;
import org.diligentbough.core.roster.CrewsByHand.Breach;
import org.diligentbough.core.roster.CrewsByHand.CrewGiven;
import org.diligentbough.core.roster.CrewsByHand.Looked;
import org.diligentbough.core.roster.RosterMaker.Limits;
import org.junit.jupiter.api.Test;

class CrewsByHandTest {
    @Test
    void whatTheSearchMadeBreaksNothingWhenLaidOutByHandAndHasTheSameClock() {
        int crews = 0;
        for (int seed = 0; seed < 60; seed++) {
            RosterCase of = RandomRosters.of(Chance.seed(seed), 1, 4 + seed % 8, 3 + seed % 9);
            Roster roster = RosterMaker.make(of, Limits.steps(200, seed));
            Looked looked = CrewsByHand.look(
                    of,
                    "d0",
                    roster.crews().stream()
                            .map(crew -> new CrewGiven(
                                    crew.people(),
                                    crew.visits().stream()
                                            .map(Roster.Turn::visit)
                                            .toList()))
                            .toList());
            assertThat(looked.breaches()).as("seed " + seed).isEmpty();
            assertThat(looked.crews())
                    .isEqualTo(roster.crews().stream().map(Roster.Crew::visits).toList());
            crews += roster.crews().size();
        }
        assertThat(crews).isGreaterThan(30);
    }

    @Test
    void whatIsThrownTogetherBreaksWhatTheScoreSaysItBreaks() {
        Set<Must> seen = EnumSet.noneOf(Must.class);
        for (int seed = 0; seed < 200; seed++) {
            RosterCase of = RandomRosters.of(Chance.seed(seed), 1, 6, 8);
            Random random = new Random(seed);
            List<CrewGiven> crews = new ArrayList<>();
            for (int c = 0; c < 2; c++) {
                int number = c;
                List<String> people = of.people().stream()
                        .filter(one ->
                                !one.days().isEmpty() && Math.floorMod(one.id().hashCode(), 2) == number)
                        .map(RosterCase.Person::id)
                        .toList();
                List<String> visits = of.visits().stream()
                        .map(RosterCase.Visit::id)
                        .filter(id -> Math.floorMod(id.hashCode() + random.nextInt(1), 2) == number)
                        .toList();
                crews.add(new CrewGiven(people, visits));
            }
            Looked looked = CrewsByHand.look(of, "d0", crews);
            RosterPlan plan = new RosterPlan(of);
            plan.crews.clear();
            for (CrewGiven given : crews) {
                CrewSlot slot = new CrewSlot(plan.crews.size(), 0);
                given.visits().forEach(id -> slot.visits.add(plan.visits.get(plan.index.visit(id))));
                plan.people.stream()
                        .filter(one -> given.people()
                                .contains(of.people().get(one.person).id()))
                        .forEach(one -> one.crew = slot);
                plan.crews.add(slot);
            }
            RosterScore score = RosterScore.of(plan);
            score.calculateScore();
            Set<Must> broken = looked.breaches().stream().map(Breach::must).collect(Collectors.toSet());
            assertThat(broken).as("seed " + seed).isEqualTo(score.brokenMusts().keySet());
            seen.addAll(broken);
        }
        assertThat(seen)
                .as("the thrown together break all there is to break by hand")
                .hasSizeGreaterThan(9);
    }
}
