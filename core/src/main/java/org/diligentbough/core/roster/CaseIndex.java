package org.diligentbough.core.roster;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.diligentbough.core.roster.RosterCase.Day;
import org.diligentbough.core.roster.RosterCase.FixedVisit;
import org.diligentbough.core.roster.RosterCase.Person;
import org.diligentbough.core.roster.RosterCase.Visit;

/** A case by numbers instead of names, with what is asked a million times worked out once. */
final class CaseIndex {
    private static final String LEAD = "lead";
    private static final String FIRST_AID = "first-aid";
    private static final int EXPERIENCED = 2;

    final RosterCase of;
    final int visits;
    /** Whole minutes on foot from visit to visit. */
    final int[][] walk;
    /** Minutes on foot, as exact as they are. */
    final double[][] way;
    /** Whether a visit lies in its window and suits the weather of a day, by day and visit. */
    final boolean[][] inWindow;

    final boolean[][] weather;
    final int[] fixedDay;
    final boolean[] closesSoon;
    final int[][] kitOf;
    final int[][] ticketsOf;
    final int kits;
    final int[][] shed;
    final boolean[][] lead;
    final boolean[][] firstAid;
    final boolean[][] underAge;
    /** Tickets a person holds, as a grown-up, by day, person and ticket. */
    final boolean[][][] holds;

    /** The crew of a day in which somebody, or a visit, was sent out, from 0; -1 for none. */
    final int[][] sentPerson;

    final int[][] sentVisit;

    final boolean[] novice;
    final boolean[] experienced;
    final boolean[][] knows;

    private final Map<String, Integer> dayNumber = new HashMap<>();
    private final Map<String, Integer> visitNumber = new HashMap<>();
    private final Map<String, Integer> personNumber = new HashMap<>();

    CaseIndex(RosterCase of) {
        this.of = of;
        this.visits = of.visits().size();
        List<Day> days = of.days();
        List<Person> people = of.people();
        number(days.stream().map(Day::id).toList(), dayNumber);
        number(of.visits().stream().map(Visit::id).toList(), visitNumber);
        number(people.stream().map(Person::id).toList(), personNumber);
        Map<String, Integer> kitNumber = new HashMap<>();
        Map<String, Integer> ticketNumber = new HashMap<>();
        kitOf = new int[visits][];
        ticketsOf = new int[visits][];
        walk = new int[visits][visits];
        way = new double[visits][visits];
        fixedDay = new int[visits];
        closesSoon = new boolean[visits];
        LocalDate last = days.stream().map(Day::date).max(LocalDate::compareTo).orElse(LocalDate.MIN);
        for (int i = 0; i < visits; i++) {
            Visit visit = of.visits().get(i);
            kitOf[i] = numbers(visit.kit().stream().sorted().toList(), kitNumber);
            ticketsOf[i] = numbers(visit.tickets().stream().sorted().toList(), ticketNumber);
            fixedDay[i] = -1;
            closesSoon[i] = !days.isEmpty()
                    && !visit.closes().isAfter(last.plusDays(of.weights().soonDays()));
            for (int j = 0; j < visits; j++) {
                Visit other = of.visits().get(j);
                double metres = Math.hypot(visit.eastM() - other.eastM(), visit.northM() - other.northM());
                way[i][j] = metres / of.metresPerMinute();
                walk[i][j] = (int) Math.ceil(way[i][j]);
            }
        }
        kits = kitNumber.size();
        for (FixedVisit fixed : of.fixedVisits()) {
            fixedDay[visitNumber.get(fixed.visit())] = dayNumber.get(fixed.day());
        }
        sentPerson = new int[days.size()][people.size()];
        sentVisit = new int[days.size()][visits];
        for (int d = 0; d < days.size(); d++) {
            Arrays.fill(sentPerson[d], -1);
            Arrays.fill(sentVisit[d], -1);
        }
        of.sent()
                .people()
                .forEach(one -> sentPerson[dayNumber.get(one.day())][personNumber.get(one.person())] = one.crew() - 1);
        of.sent()
                .visits()
                .forEach(one -> sentVisit[dayNumber.get(one.day())][visitNumber.get(one.visit())] = one.crew() - 1);
        shed = new int[days.size()][kits];
        inWindow = new boolean[days.size()][visits];
        weather = new boolean[days.size()][visits];
        lead = new boolean[days.size()][people.size()];
        firstAid = new boolean[days.size()][people.size()];
        underAge = new boolean[days.size()][people.size()];
        holds = new boolean[days.size()][people.size()][ticketNumber.size()];
        for (int d = 0; d < days.size(); d++) {
            Day day = days.get(d);
            for (Map.Entry<String, Integer> kit : kitNumber.entrySet()) {
                shed[d][kit.getValue()] = day.shed().getOrDefault(kit.getKey(), 0);
            }
            for (int i = 0; i < visits; i++) {
                Visit visit = of.visits().get(i);
                inWindow[d][i] =
                        !day.date().isBefore(visit.opens()) && !day.date().isAfter(visit.closes());
                weather[d][i] = !(day.wet() && visit.dry()) && !(day.windy() && visit.offGround());
            }
            for (int p = 0; p < people.size(); p++) {
                Person person = people.get(p);
                underAge[d][p] = person.maybeUnderAge(day.date());
                lead[d][p] = !underAge[d][p] && person.holds(LEAD, day.date());
                firstAid[d][p] = person.holds(FIRST_AID, day.date());
                for (Map.Entry<String, Integer> ticket : ticketNumber.entrySet()) {
                    holds[d][p][ticket.getValue()] = !underAge[d][p] && person.holds(ticket.getKey(), day.date());
                }
            }
        }
        novice = new boolean[people.size()];
        experienced = new boolean[people.size()];
        knows = new boolean[people.size()][visits];
        for (int p = 0; p < people.size(); p++) {
            novice[p] = people.get(p).skill() == 0;
            experienced[p] = people.get(p).skill() >= EXPERIENCED;
            for (int i = 0; i < visits; i++) {
                knows[p][i] = people.get(p).knows().contains(of.visits().get(i).tree());
            }
        }
    }

    int day(String id) {
        return dayNumber.get(id);
    }

    int visit(String id) {
        return visitNumber.get(id);
    }

    int person(String id) {
        return personNumber.get(id);
    }

    private static void number(List<String> ids, Map<String, Integer> numbers) {
        ids.forEach(id -> numbers.put(id, numbers.size()));
    }

    private static int[] numbers(List<String> names, Map<String, Integer> numbers) {
        List<Integer> found = new ArrayList<>();
        for (String name : names) {
            found.add(numbers.computeIfAbsent(name, one -> numbers.size()));
        }
        return found.stream().mapToInt(Integer::intValue).toArray();
    }
}
