package org.diligentbough.core.roster;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.diligentbough.core.roster.Roster.Crew;
import org.diligentbough.core.roster.Roster.Turn;
import org.diligentbough.core.roster.RosterCase.Day;
import org.diligentbough.core.roster.RosterCase.Person;
import org.diligentbough.core.roster.RosterCase.Presence;
import org.diligentbough.core.roster.RosterCase.Visit;

/** Every must looked at once more, from the case and the roster alone, by other code than makes it. */
final class Checked {
    private final RosterCase of;
    private final Map<String, Day> days;
    private final Map<String, Person> people;
    private final Map<String, Visit> visits;
    private final List<String> wrong = new ArrayList<>();

    private Checked(RosterCase of) {
        this.of = of;
        this.days = of.days().stream().collect(Collectors.toMap(Day::id, Function.identity()));
        this.people = of.people().stream().collect(Collectors.toMap(Person::id, Function.identity()));
        this.visits = of.visits().stream().collect(Collectors.toMap(Visit::id, Function.identity()));
    }

    /** What is wrong, in words; empty when nothing is. */
    static List<String> wrong(RosterCase of, Roster roster) {
        Checked checked = new Checked(of);
        checked.roster(roster);
        return checked.wrong;
    }

    private void roster(Roster roster) {
        Set<String> placed = new HashSet<>();
        Set<String> busy = new HashSet<>();
        for (Crew crew : roster.crews()) {
            crew.people().forEach(one -> say(!busy.add(one + crew.day()), one + " is in two crews"));
            crew.visits().forEach(turn -> say(!placed.add(turn.visit()), turn.visit() + " twice"));
            crew(crew);
        }
        roster.notPlaced().forEach(left -> {
            say(!placed.add(left.visit()), left.visit() + " is placed and not");
            say(left.reasons().isEmpty(), left.visit() + " without a reason");
        });
        say(placed.size() != of.visits().size(), "not every visit is told of");
        for (Day day : of.days()) {
            List<Crew> crews = roster.crews().stream()
                    .filter(crew -> crew.day().equals(day.id()))
                    .toList();
            boolean aid = crews.stream()
                    .flatMap(crew -> crew.people().stream())
                    .anyMatch(one -> holds(one, "first-aid", day.date()));
            say(!crews.isEmpty() && !aid, "nobody knows first aid on " + day.id());
            shed(day, crews.stream().flatMap(crew -> crew.visits().stream()).toList());
        }
    }

    private boolean holds(String person, String ticket, LocalDate on) {
        LocalDate until = people.get(person).ticketsUntil().get(ticket);
        return until != null && !until.isBefore(on);
    }

    private boolean young(String person, LocalDate on) {
        return people.get(person).birthYear().isPresent()
                && on.getYear() - people.get(person).birthYear().getAsInt() < 18;
    }

    private void crew(Crew crew) {
        Day day = days.get(crew.day());
        int from = day.starts();
        int until = day.ends();
        for (String one : crew.people()) {
            Presence there = people.get(one).days().stream()
                    .filter(presence -> presence.day().equals(crew.day()))
                    .findFirst()
                    .orElse(null);
            say(there == null, one + " did not say to come on " + crew.day());
            if (there != null) {
                from = Math.max(from, there.from());
                until = Math.min(until, there.until());
            }
        }
        say(crew.people().size() < Math.max(2, of.least()), "alone");
        say(crew.people().size() > of.most(), "too many");
        say(crew.visits().isEmpty(), "a crew without work");
        say(
                !crew.people().contains(crew.leader()) || !holds(crew.leader(), "lead", day.date()),
                "no leader in " + crew);
        boolean sick = false;
        Visit before = null;
        int now = from;
        for (Turn turn : crew.visits()) {
            Visit visit = visits.get(turn.visit());
            double metres =
                    before == null ? 0 : Math.hypot(visit.eastM() - before.eastM(), visit.northM() - before.northM());
            int atWork = Math.min(visit.places(), crew.people().size());
            say(
                    turn.starts() < now + metres / of.metresPerMinute() + of.setUpMinutes(),
                    visit.id() + " begins too soon");
            say(turn.ends() - turn.starts() < (double) visit.personMinutes() / atWork, visit.id() + " is too quick");
            say(turn.ends() > until, visit.id() + " ends too late");
            say(
                    day.date().isBefore(visit.opens()) || day.date().isAfter(visit.closes()),
                    visit.id() + " out of its window");
            say(day.wet() && visit.dry() || day.windy() && visit.offGround(), visit.id() + " in bad weather");
            say(sick && !visit.sick(), visit.id() + " after a sick tree");
            visit.tickets()
                    .forEach(ticket -> say(
                            crew.people().stream()
                                    .noneMatch(one -> holds(one, ticket, day.date()) && !young(one, day.date())),
                            visit.id() + " without " + ticket));
            say(
                    visit.offGround() && crew.people().stream().anyMatch(one -> young(one, day.date())),
                    visit.id() + " with somebody under age off the ground");
            sick |= visit.sick();
            now = turn.ends();
            before = visit;
        }
        of.fixedVisits().stream()
                .filter(fixed ->
                        crew.visits().stream().anyMatch(turn -> turn.visit().equals(fixed.visit())))
                .forEach(fixed -> say(!fixed.day().equals(crew.day()), fixed.visit() + " was moved"));
    }

    private void shed(Day day, List<Turn> turns) {
        Set<String> kits = turns.stream()
                .flatMap(turn -> visits.get(turn.visit()).kit().stream())
                .collect(Collectors.toSet());
        for (String kit : kits) {
            List<Turn> using = turns.stream()
                    .filter(turn -> visits.get(turn.visit()).kit().contains(kit))
                    .toList();
            for (Turn one : using) {
                long atOnce = using.stream()
                        .filter(other -> other.starts() <= one.starts() && one.starts() < other.ends())
                        .count();
                say(atOnce > day.shed().getOrDefault(kit, 0), "more " + kit + " than the shed holds on " + day.id());
            }
        }
    }

    private void say(boolean is, String what) {
        if (is) {
            wrong.add(what);
        }
    }
}
