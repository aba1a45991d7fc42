package org.diligentbough.core.roster;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import org.diligentbough.core.roster.Roster.Reason;
import org.diligentbough.core.roster.Roster.Why;
import org.diligentbough.core.roster.RosterCase.Day;
import org.diligentbough.core.roster.RosterCase.FixedPerson;
import org.diligentbough.core.roster.RosterCase.FixedVisit;
import org.diligentbough.core.roster.RosterCase.Person;
import org.diligentbough.core.roster.RosterCase.Presence;
import org.diligentbough.core.roster.RosterCase.Visit;
import org.diligentbough.core.roster.RosterMaker.Limits;
import org.junit.jupiter.api.Test;

/** Each must and each reason alone, with no more facts than it wants. */
class MustTest {
    private static final LocalDate DAY = RandomRosters.FIRST;
    private static final int NINE = 540;

    private final List<Person> people = new ArrayList<>(
            List.of(person("lea", Map.of("lead", DAY, "first-aid", DAY, "ladder", DAY)), person("joe", Map.of())));
    private final List<Visit> visits = new ArrayList<>(List.of(visit("v1")));
    private Day day = new Day("d1", DAY, NINE, NINE + 180, false, false, Map.of("ladder", 1));
    private List<FixedVisit> fixed = List.of();
    private List<FixedPerson> fixedPeople = List.of();

    private static Person person(String id, Map<String, LocalDate> tickets) {
        return new Person(
                id, List.of(new Presence("d1", NINE, NINE + 180)), OptionalInt.empty(), 2, 0, tickets, Set.of());
    }

    private static Person young(String id) {
        return new Person(
                id,
                List.of(new Presence("d1", NINE, NINE + 180)),
                OptionalInt.of(DAY.getYear() - 16),
                1,
                0,
                Map.of("ladder", DAY),
                Set.of());
    }

    private static Visit visit(String id) {
        return visit(id, Set.of(), Set.of(), false, false, false);
    }

    private static Visit visit(
            String id, Set<String> tickets, Set<String> kit, boolean offGround, boolean dry, boolean sick) {
        return new Visit(
                id, id, 0, 0, DAY.minusDays(5), DAY.plusDays(5), 60, 2, tickets, kit, offGround, dry, sick, false, 0.5);
    }

    private RosterCase of() {
        return new RosterCase(
                2,
                4,
                50,
                5,
                List.of(day),
                people,
                visits,
                fixed,
                fixedPeople,
                RosterCase.Sent.NOTHING,
                RandomRosters.WEIGHTS);
    }

    /** Everybody into the first crew, every visit in the order given. */
    private Map<Must, Integer> brokenByAllInOneCrew() {
        RosterPlan plan = new RosterPlan(of());
        CrewSlot crew = plan.crews.isEmpty() ? new CrewSlot(0, 0) : plan.crews.get(0);
        if (plan.crews.isEmpty()) {
            plan.crews.add(crew);
        }
        plan.people.forEach(one -> one.crew = crew);
        crew.visits.addAll(plan.visits);
        RosterScore score = RosterScore.of(plan);
        score.calculateScore();
        return score.brokenMusts();
    }

    private Roster made() {
        return RosterMaker.make(of(), Limits.steps(300, 1));
    }

    private void leftFor(Reason... reasons) {
        Roster roster = made();
        assertThat(roster.crews().stream().flatMap(crew -> crew.visits().stream()))
                .noneMatch(turn -> turn.visit().equals("v1"));
        assertThat(roster.notPlaced())
                .filteredOn(left -> left.visit().equals("v1"))
                .singleElement()
                .satisfies(left -> assertThat(left.reasons()).containsExactly(reasons));
        assertThat(Checked.wrong(of(), roster)).isEmpty();
    }

    private static Reason why(Why why) {
        return new Reason(why, "");
    }

    @Test
    void aGoodDayBreaksNothingAndKeepsTheClock() {
        assertThat(brokenByAllInOneCrew()).isEmpty();
        Roster roster = made();
        assertThat(roster.crews()).singleElement().satisfies(crew -> {
            assertThat(crew.leader()).isEqualTo("lea");
            assertThat(crew.people()).containsExactly("lea", "joe");
            // Five minutes to set up, then sixty person-minutes by two.
            assertThat(crew.visits()).containsExactly(new Roster.Turn("v1", NINE + 5, NINE + 35));
        });
        assertThat(roster.days().get(0).personMinutes()).isEqualTo(360);
        assertThat(roster.days().get(0).idleMinutes()).isEqualTo(360 - 2 * 35);
    }

    @Test
    void walkingAndPlacesAreCounted() {
        visits.add(new Visit("v2", "v2", 30, 40, DAY, DAY, 61, 1, Set.of(), Set.of(), false, false, false, false, 0.5));
        Roster roster = made();
        List<Roster.Turn> turns = roster.crews().get(0).visits();
        // Fifty metres are a minute; one place means one at work; minutes are whole.
        int first = turns.get(0).visit().equals("v1") ? 30 : 61;
        assertThat(turns.get(0).ends()).isEqualTo(NINE + 5 + first);
        assertThat(turns.get(1).starts()).isEqualTo(turns.get(0).ends() + 1 + 5);
        assertThat(turns.get(1).ends() - turns.get(1).starts()).isEqualTo(91 - first);
    }

    @Test
    void outsideItsWindow() {
        visits.set(
                0,
                new Visit(
                        "v1",
                        "v1",
                        0,
                        0,
                        DAY.plusDays(1),
                        DAY.plusDays(9),
                        60,
                        2,
                        Set.of(),
                        Set.of(),
                        false,
                        false,
                        false,
                        true,
                        1));
        assertThat(brokenByAllInOneCrew()).isEqualTo(Map.of(Must.IN_THE_WINDOW, 1));
        leftFor(why(Why.WINDOW));
        assertThat(made().urgentLeft()).isEqualTo(1);
    }

    @Test
    void wetAndWindy() {
        visits.set(0, visit("v1", Set.of(), Set.of(), false, true, false));
        day = new Day("d1", DAY, NINE, NINE + 180, true, false, Map.of());
        assertThat(brokenByAllInOneCrew()).isEqualTo(Map.of(Must.WHAT_WEATHER_ALLOWS, 1));
        leftFor(why(Why.WET));
        visits.set(0, visit("v1", Set.of(), Set.of(), true, false, false));
        day = new Day("d1", DAY, NINE, NINE + 180, false, true, Map.of());
        assertThat(brokenByAllInOneCrew()).isEqualTo(Map.of(Must.WHAT_WEATHER_ALLOWS, 1));
        leftFor(why(Why.WINDY));
    }

    @Test
    void aTicketThatNobodyHoldsThatDay() {
        visits.set(0, visit("v1", Set.of("pole-saw"), Set.of(), true, false, false));
        people.set(1, person("joe", Map.of("pole-saw", DAY.minusDays(1))));
        assertThat(brokenByAllInOneCrew()).isEqualTo(Map.of(Must.TICKET_IN_THE_CREW, 1));
        leftFor(new Reason(Why.NO_TICKET, "pole-saw"));
        people.set(1, person("joe", Map.of("pole-saw", DAY)));
        assertThat(brokenByAllInOneCrew()).isEmpty();
    }

    @Test
    void aTicketOfSomebodyUnderAgeCountsForNobodyOffTheGround() {
        people.set(0, person("lea", Map.of("lead", DAY, "first-aid", DAY)));
        people.add(young("kit"));
        visits.set(0, visit("v1", Set.of("ladder"), Set.of(), true, false, false));
        assertThat(brokenByAllInOneCrew())
                .isEqualTo(Map.of(Must.TICKET_IN_THE_CREW, 1, Must.UNDER_AGE_ON_THE_GROUND, 1));
        leftFor(new Reason(Why.NO_TICKET, "ladder"));
    }

    @Test
    void nobodyAloneAndNoCrowd() {
        people.remove(1);
        assertThat(brokenByAllInOneCrew()).isEqualTo(Map.of(Must.NOBODY_ALONE, 1));
        leftFor(why(Why.ALONE));
        for (String one : List.of("a", "b", "c", "d")) {
            people.add(person(one, Map.of()));
        }
        assertThat(brokenByAllInOneCrew()).isEqualTo(Map.of(Must.NO_CROWD, 1));
        assertThat(made().crews().get(0).people()).hasSize(4);
    }

    @Test
    void whoMayBeUnderAgeStaysOnTheGround() {
        people.set(1, young("kit"));
        visits.set(0, visit("v1", Set.of(), Set.of(), true, false, false));
        assertThat(brokenByAllInOneCrew()).isEqualTo(Map.of(Must.UNDER_AGE_ON_THE_GROUND, 1));
        leftFor(why(Why.UNDER_AGE));
        visits.set(0, visit("v1"));
        assertThat(made().crews()).hasSize(1);
    }

    @Test
    void aLeaderInEveryCrewAndAFirstAiderOnTheDay() {
        people.set(0, person("lea", Map.of("first-aid", DAY)));
        assertThat(brokenByAllInOneCrew()).isEqualTo(Map.of(Must.LEADER_IN_EVERY_CREW, 1));
        leftFor(why(Why.NO_LEADER));
        assertThat(made().days().get(0).missing()).containsExactly(Roster.Missing.LEADER);
        people.set(0, person("lea", Map.of("lead", DAY)));
        assertThat(brokenByAllInOneCrew()).isEqualTo(Map.of(Must.FIRST_AIDER_ON_THE_DAY, 1));
        leftFor(why(Why.NO_FIRST_AIDER));
        assertThat(made().days().get(0).missing()).containsExactly(Roster.Missing.FIRST_AIDER);
    }

    @Test
    void noMoreAtOnceThanTheShedHolds() {
        visits.set(0, visit("v1", Set.of(), Set.of("rope"), false, false, false));
        assertThat(brokenByAllInOneCrew()).isEqualTo(Map.of(Must.WHAT_THE_SHED_HOLDS, 1));
        leftFor(new Reason(Why.NO_KIT, "rope"));
        // One ladder and two crews: never at the same time.
        visits.clear();
        for (String one : List.of("v1", "v2", "v3", "v4")) {
            visits.add(visit(one, Set.of(), Set.of("ladder"), false, false, false));
        }
        people.add(person("ann", Map.of("lead", DAY)));
        people.add(person("bea", Map.of()));
        Roster roster = made();
        assertThat(Checked.wrong(of(), roster)).isEmpty();
        assertThat(roster.notPlaced()).isEmpty();
    }

    @Test
    void doneBeforeTheDayEndsAndBeforeAnybodyGoes() {
        visits.set(0, new Visit("v1", "v1", 0, 0, DAY, DAY, 352, 2, Set.of(), Set.of(), false, false, false, false, 1));
        assertThat(brokenByAllInOneCrew()).isEqualTo(Map.of(Must.DONE_IN_TIME, 1));
        leftFor(why(Why.TOO_LONG));
        visits.set(0, visit("v1"));
        people.set(
                1,
                new Person(
                        "joe",
                        List.of(new Presence("d1", NINE + 150, NINE + 180)),
                        OptionalInt.empty(),
                        0,
                        0,
                        Map.of(),
                        Set.of()));
        assertThat(brokenByAllInOneCrew()).isEqualTo(Map.of(Must.DONE_IN_TIME, 1));
        leftFor(why(Why.TIME));
    }

    @Test
    void sickTreesLast() {
        visits.add(0, visit("sick", Set.of(), Set.of(), false, false, true));
        assertThat(brokenByAllInOneCrew()).isEqualTo(Map.of(Must.SICK_TREES_LAST, 1));
        assertThat(made().crews().get(0).visits())
                .extracting(Roster.Turn::visit)
                .containsExactly("v1", "sick");
    }

    @Test
    void handsSetStay() {
        fixed = List.of(new FixedVisit("v1", "d1"));
        fixedPeople = List.of(new FixedPerson("joe", "d1", 1));
        assertThat(brokenByAllInOneCrew()).isEmpty();
        RosterPlan nothing = new RosterPlan(of());
        nothing.people.forEach(one -> one.crew = null);
        RosterScore score = RosterScore.of(nothing);
        score.calculateScore();
        assertThat(score.brokenMusts()).isEqualTo(Map.of(Must.SET_BY_HAND_STAYS, 2));
    }

    @Test
    void nobodyAndNothingGivesAnEmptyRosterWithReasons() {
        people.clear();
        leftFor(why(Why.ALONE));
        assertThat(made().days().get(0).missing()).containsExactly(Roster.Missing.LEADER, Roster.Missing.FIRST_AIDER);
        visits.clear();
        assertThat(made().crews()).isEmpty();
        assertThat(made().notPlaced()).isEmpty();
    }
}
