package org.diligentbough.server.roster;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.roster.RosterCase;
import org.diligentbough.core.roster.RosterMaker.Limits;
import org.diligentbough.server.shared.ClockTime;
import org.diligentbough.server.shared.FieldProblem;
import org.diligentbough.server.shared.OpenFormat;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/**
 * Reads roster files: first by the published schema, then for what a schema cannot say. Every wrong field is named by its JSON
 * pointer; a file with anything wrong is refused whole.
 */
@Component
class RosterFileReader {
    /** Nobody works alone, whatever is asked. */
    private static final int LEAST = 2;

    private static final int MOST = 4;
    private static final double METRES_PER_MINUTE = 50;
    private static final int SET_UP_MINUTES = 5;
    private static final double SECONDS = 5;
    private static final int SKILL = 1;
    private static final int PLACES = 2;
    private static final double WORTH = 0.5;

    private final OpenFormat format = new OpenFormat("roster file", "/formats/roster.schema.json");
    private final RosterCase.Weights weights;

    RosterFileReader(Rulebook rules) {
        this.weights = RosterCase.Weights.of(rules.knowledge());
    }

    /** What a file asks for. */
    record Asked(RosterCase of, Limits limits) {}

    /**
     * What a file asks for.
     *
     * @throws ProblemException 400 when it is not JSON, 422 naming every wrong field
     */
    Asked read(byte[] file) {
        JsonNode node = format.parse(file);
        List<FieldProblem> problems = format.problems(node, List.of());
        if (problems.isEmpty()) {
            problems = new Crossed(format.read(node, RosterFile.class)).problems();
        }
        if (!problems.isEmpty()) {
            throw ProblemException.wrongFields(problems);
        }
        return asked(format.read(node, RosterFile.class));
    }

    private Asked asked(RosterFile file) {
        List<RosterFile.FixedFile> fixed = or(file.fixed(), List.of());
        RosterCase of = new RosterCase(
                file.crew() == null ? LEAST : Math.max(LEAST, file.crew().least()),
                file.crew() == null ? MOST : file.crew().most(),
                or(file.metresPerMinute(), METRES_PER_MINUTE),
                or(file.setUpMinutes(), SET_UP_MINUTES),
                file.days().stream().map(RosterFileReader::day).toList(),
                file.people().stream().map(one -> person(one, file)).toList(),
                file.visits().stream().map(RosterFileReader::visit).toList(),
                fixed.stream()
                        .filter(one -> one.visit() != null)
                        .map(one -> new RosterCase.FixedVisit(one.visit(), one.day()))
                        .toList(),
                fixed.stream()
                        .filter(one -> one.person() != null)
                        .map(one -> new RosterCase.FixedPerson(one.person(), one.day(), one.crew()))
                        .toList(),
                sent(or(file.sent(), List.of())),
                weights);
        return new Asked(
                of,
                new Limits(
                        or(file.seconds(), SECONDS),
                        file.steps() == null ? OptionalInt.empty() : OptionalInt.of(file.steps()),
                        or(file.seed(), 1L)));
    }

    private static RosterCase.Sent sent(List<RosterFile.FixedFile> sent) {
        return new RosterCase.Sent(
                sent.stream()
                        .filter(one -> one.person() != null)
                        .map(one -> new RosterCase.FixedPerson(one.person(), one.day(), one.crew()))
                        .toList(),
                sent.stream()
                        .filter(one -> one.visit() != null)
                        .map(one -> new RosterCase.SentVisit(one.visit(), one.day(), one.crew()))
                        .toList());
    }

    private static RosterCase.Day day(RosterFile.DayFile day) {
        return new RosterCase.Day(
                day.id(),
                day.date(),
                ClockTime.minutes(day.starts()),
                ClockTime.minutes(day.ends()),
                or(day.wet(), false),
                or(day.windy(), false),
                or(day.shed(), Map.of()));
    }

    private static RosterCase.Person person(RosterFile.PersonFile person, RosterFile file) {
        Map<String, RosterFile.DayFile> days =
                file.days().stream().collect(Collectors.toMap(RosterFile.DayFile::id, day -> day));
        return new RosterCase.Person(
                person.id(),
                person.days().stream()
                        .map(there -> new RosterCase.Presence(
                                there.day(),
                                ClockTime.minutes(
                                        or(there.from(), days.get(there.day()).starts())),
                                ClockTime.minutes(
                                        or(there.until(), days.get(there.day()).ends()))))
                        .toList(),
                person.birthYear() == null ? OptionalInt.empty() : OptionalInt.of(person.birthYear()),
                or(person.skill(), SKILL),
                or(person.hoursThisSeason(), 0.0),
                or(person.tickets(), List.<RosterFile.TicketFile>of()).stream()
                        .collect(Collectors.toMap(
                                RosterFile.TicketFile::kind,
                                RosterFile.TicketFile::until,
                                (one, other) -> one.isAfter(other) ? one : other)),
                Set.copyOf(or(person.knows(), List.of())));
    }

    private static RosterCase.Visit visit(RosterFile.TurnFile visit) {
        return new RosterCase.Visit(
                visit.id(),
                or(visit.tree(), visit.id()),
                or(visit.eastM(), 0.0),
                or(visit.northM(), 0.0),
                visit.opens(),
                visit.closes(),
                visit.personMinutes(),
                or(visit.places(), PLACES),
                Set.copyOf(or(visit.tickets(), List.of())),
                Set.copyOf(or(visit.kit(), List.of())),
                or(visit.offGround(), false),
                or(visit.dry(), false),
                or(visit.sick(), false),
                or(visit.urgent(), false),
                or(visit.worth(), WORTH));
    }

    private static <T> T or(T given, T otherwise) {
        return given == null ? otherwise : given;
    }

    /** What fields say of each other. */
    private static final class Crossed {
        private final RosterFile file;
        private final List<FieldProblem> found = new ArrayList<>();
        private final Set<String> days = new HashSet<>();
        private final Set<String> visits = new HashSet<>();
        private final Map<String, Set<String>> people = new HashMap<>();

        private Crossed(RosterFile file) {
            this.file = file;
        }

        private List<FieldProblem> problems() {
            if (file.crew() != null && file.crew().most() < file.crew().least()) {
                say("/crew/most", "is less than the least; give as many or more");
            }
            for (int i = 0; i < file.days().size(); i++) {
                RosterFile.DayFile day = file.days().get(i);
                once(days.add(day.id()), "/days/" + i + "/id");
                ordered(day.starts(), day.ends(), "/days/" + i + "/ends");
            }
            for (int i = 0; i < file.people().size(); i++) {
                person(file.people().get(i), "/people/" + i);
            }
            for (int i = 0; i < file.visits().size(); i++) {
                RosterFile.TurnFile visit = file.visits().get(i);
                once(visits.add(visit.id()), "/visits/" + i + "/id");
                if (visit.closes().isBefore(visit.opens())) {
                    say("/visits/" + i + "/closes", "is before it opens; give the last day of its window");
                }
            }
            Set<String> fixed = new HashSet<>();
            List<RosterFile.FixedFile> byHand = or(file.fixed(), List.of());
            for (int i = 0; i < byHand.size(); i++) {
                fixed(byHand.get(i), fixed, "/fixed/" + i);
            }
            Set<String> sent = new HashSet<>();
            List<RosterFile.FixedFile> before = or(file.sent(), List.of());
            for (int i = 0; i < before.size(); i++) {
                fixed(before.get(i), sent, "/sent/" + i);
            }
            return found;
        }

        private void person(RosterFile.PersonFile person, String at) {
            once(!people.containsKey(person.id()), at + "/id");
            Set<String> comes = new HashSet<>();
            people.put(person.id(), comes);
            for (int i = 0; i < person.days().size(); i++) {
                RosterFile.PresenceFile there = person.days().get(i);
                String dayAt = at + "/days/" + i;
                if (!days.contains(there.day())) {
                    say(dayAt + "/day", "is the id of no day; give one of /days");
                }
                once(comes.add(there.day()), dayAt + "/day");
                if (there.from() != null && there.until() != null) {
                    ordered(there.from(), there.until(), dayAt + "/until");
                }
            }
        }

        private void fixed(RosterFile.FixedFile one, Set<String> before, String at) {
            if ((one.visit() == null) == (one.person() == null)) {
                say(at, "is about a visit or about a person; give one of them");
                return;
            }
            if (!days.contains(one.day())) {
                say(at + "/day", "is the id of no day; give one of /days");
            }
            if (one.visit() != null) {
                if (!visits.contains(one.visit())) {
                    say(at + "/visit", "is the id of no visit; give one of /visits");
                }
                once(before.add("visit " + one.visit()), at + "/visit");
            }
            if (one.visit() != null) {
                return;
            }
            if (one.crew() == null) {
                say(at + "/crew", "is missing; say into which crew, counted from 1");
            }
            if (!people.getOrDefault(one.person(), Set.of()).contains(one.day())) {
                say(at + "/person", "did not say to come that day; give somebody of /people who does");
            }
            once(before.add("person " + one.person() + " " + one.day()), at + "/person");
        }

        private void ordered(String from, String until, String at) {
            if (ClockTime.minutes(until) <= ClockTime.minutes(from)) {
                say(at, "is not later than the beginning; give a later time");
            }
        }

        private void once(boolean isNew, String at) {
            if (!isNew) {
                say(at, "stands here twice; give it once");
            }
        }

        private void say(String pointer, String what) {
            found.add(new FieldProblem(pointer, what));
        }
    }
}
