package org.diligentbough.core.roster;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.roster.RosterCase.Day;
import org.diligentbough.core.roster.RosterCase.FixedPerson;
import org.diligentbough.core.roster.RosterCase.FixedVisit;
import org.diligentbough.core.roster.RosterCase.Person;
import org.diligentbough.core.roster.RosterCase.Presence;
import org.diligentbough.core.roster.RosterCase.Visit;
import org.diligentbough.core.roster.RosterCase.Weights;

/** Cases for rosters, good and bad, by a seed. */
public final class RandomRosters {
    static final Weights WEIGHTS = Weights.of(Rulebook.load().knowledge());
    static final LocalDate FIRST = LocalDate.of(2027, 3, 6);
    private static final List<String> TICKETS = List.of("ladder", "pole-saw", "powered-saw", "climbing");
    private static final List<String> KIT = List.of("ladder", "hand-saw", "pole-pruner", "rope");

    private RandomRosters() {}

    public static RosterCase of(long seed, int days, int people, int visits) {
        Random random = new Random(seed);
        List<Day> ofDays = new ArrayList<>();
        for (int d = 0; d < days; d++) {
            Map<String, Integer> shed = new HashMap<>();
            KIT.forEach(kit -> shed.put(kit, random.nextInt(4)));
            int starts = 540 + 30 * random.nextInt(3);
            ofDays.add(new Day(
                    "d" + d,
                    FIRST.plusDays(7L * d),
                    starts,
                    starts + 120 + 30 * random.nextInt(6),
                    random.nextInt(6) == 0,
                    random.nextInt(6) == 0,
                    shed));
        }
        List<Person> ofPeople = new ArrayList<>();
        for (int p = 0; p < people; p++) {
            List<Presence> there = new ArrayList<>();
            for (Day day : ofDays) {
                if (random.nextInt(4) > 0) {
                    boolean part = random.nextInt(5) == 0;
                    there.add(new Presence(
                            day.id(), day.starts() + (part ? 30 : 0), day.ends() - (part ? random.nextInt(60) : 0)));
                }
            }
            Map<String, LocalDate> tickets = new HashMap<>();
            if (random.nextInt(3) == 0) {
                tickets.put("lead", FIRST.plusDays(random.nextInt(400) - 40L));
            }
            if (random.nextInt(2) == 0) {
                tickets.put("first-aid", FIRST.plusDays(random.nextInt(400) - 40L));
            }
            TICKETS.stream()
                    .filter(ticket -> random.nextInt(2) == 0)
                    .forEach(ticket -> tickets.put(ticket, FIRST.plusDays(random.nextInt(400) - 40L)));
            ofPeople.add(new Person(
                    "p" + p,
                    there,
                    random.nextInt(6) == 0 ? OptionalInt.of(2010) : OptionalInt.of(1950 + random.nextInt(50)),
                    random.nextInt(4),
                    random.nextInt(40) / 2.0,
                    tickets,
                    Set.of("K-" + random.nextInt(Math.max(1, visits)))));
        }
        List<Visit> ofVisits = new ArrayList<>();
        for (int v = 0; v < visits; v++) {
            LocalDate opens = FIRST.plusDays(random.nextInt(40) - 30L);
            Set<String> tickets = new HashSet<>();
            Set<String> kit = new HashSet<>();
            if (random.nextInt(3) == 0) {
                tickets.add(TICKETS.get(random.nextInt(4)));
            }
            if (random.nextInt(2) == 0) {
                kit.add(KIT.get(random.nextInt(4)));
            }
            ofVisits.add(new Visit(
                    "v" + v,
                    "K-" + v,
                    random.nextInt(80),
                    random.nextInt(60),
                    opens,
                    opens.plusDays(random.nextInt(60)),
                    10 + random.nextInt(180),
                    1 + random.nextInt(3),
                    tickets,
                    kit,
                    random.nextInt(3) == 0,
                    random.nextInt(4) == 0,
                    random.nextInt(6) == 0,
                    random.nextInt(8) == 0,
                    random.nextInt(100) / 100.0));
        }
        return new RosterCase(
                2, 4, 50, 5, ofDays, ofPeople, ofVisits, List.of(), List.of(), RosterCase.Sent.NOTHING, WEIGHTS);
    }

    /** The same with something set by hand. */
    static RosterCase fixed(RosterCase of, List<FixedVisit> visits, List<FixedPerson> people) {
        return new RosterCase(
                of.least(),
                of.most(),
                of.metresPerMinute(),
                of.setUpMinutes(),
                of.days(),
                of.people(),
                of.visits(),
                visits,
                people,
                of.sent(),
                of.weights());
    }

    /** The same after a roster of it was sent out, without somebody who does not come after all. */
    static RosterCase sent(RosterCase of, Roster roster, String goes) {
        List<FixedPerson> people = new ArrayList<>();
        List<RosterCase.SentVisit> visits = new ArrayList<>();
        roster.crews().forEach(crew -> {
            crew.people().stream()
                    .filter(one -> !one.equals(goes))
                    .forEach(one -> people.add(new FixedPerson(one, crew.day(), crew.crew())));
            crew.visits().forEach(turn -> visits.add(new RosterCase.SentVisit(turn.visit(), crew.day(), crew.crew())));
        });
        return new RosterCase(
                of.least(),
                of.most(),
                of.metresPerMinute(),
                of.setUpMinutes(),
                of.days(),
                of.people().stream().filter(one -> !one.id().equals(goes)).toList(),
                of.visits(),
                of.fixedVisits(),
                of.fixedPeople(),
                new RosterCase.Sent(people, visits),
                of.weights());
    }

    /** A case in which nothing stands in the way: grown-ups with every ticket, and whatever is wanted in the shed. */
    static RosterCase easy(long seed, int people, int visits) {
        RosterCase hard = of(seed, 1, people, visits);
        Day day = new Day(
                "d0",
                FIRST,
                540,
                540 + 150,
                false,
                false,
                Map.of("ladder", 9, "hand-saw", 9, "pole-pruner", 9, "rope", 9));
        LocalDate until = FIRST.plusYears(1);
        Map<String, LocalDate> all = Map.of(
                "lead",
                until,
                "first-aid",
                until,
                "ladder",
                until,
                "pole-saw",
                until,
                "powered-saw",
                until,
                "climbing",
                until);
        List<Person> able = hard.people().stream()
                .map(one -> new Person(
                        one.id(),
                        List.of(new Presence("d0", 540, 540 + 150)),
                        OptionalInt.empty(),
                        one.skill(),
                        one.hoursThisSeason(),
                        all,
                        one.knows()))
                .toList();
        return new RosterCase(
                2, 4, 50, 5, List.of(day), able, hard.visits(), List.of(), List.of(), RosterCase.Sent.NOTHING, WEIGHTS);
    }
}
