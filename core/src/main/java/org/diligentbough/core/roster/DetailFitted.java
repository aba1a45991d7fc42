package org.diligentbough.core.roster;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.diligentbough.core.roster.CrewsByHand.CrewGiven;
import org.diligentbough.core.roster.CrewsByHand.Looked;
import org.diligentbough.core.roster.Roster.Crew;
import org.diligentbough.core.roster.RosterCase.Visit;

/**
 * Detail work, hundreds of small cuts that could take any number of hours, fitted to what a roster's days have to spare: the big
 * cuts of all trees have their place first.
 */
public final class DetailFitted {
    private final Map<String, Integer> minutes = new HashMap<>();
    private final Map<String, Roster.Turn> clock = new HashMap<>();
    private RosterCase of;

    private DetailFitted(RosterCase of) {
        this.of = of;
    }

    /**
     * What of it found room.
     *
     * @param minutes person-minutes of detail by visit, of those that found any
     * @param clock the turns of all crews by visit, with that in them
     */
    public record Fitted(Map<String, Integer> minutes, Map<String, Roster.Turn> clock) {
        public Fitted {
            minutes = Map.copyOf(minutes);
            clock = Map.copyOf(clock);
        }
    }

    /**
     * Fits detail into a roster, tree by tree in the order crews come to them, as much of each as breaks nothing: all, or what a
     * number of small cuts of it takes.
     *
     * @param roster made of the case
     * @param detail by visit, how many small cuts and the person-minutes of all
     */
    public static Fitted of(RosterCase of, Roster roster, Map<String, Detail> detail) {
        DetailFitted fitted = new DetailFitted(of);
        for (RosterCase.Day day : of.days()) {
            List<Crew> crews = roster.crews().stream()
                    .filter(crew -> crew.day().equals(day.id()))
                    .toList();
            if (!crews.isEmpty()) {
                fitted.day(day.id(), crews, detail);
            }
        }
        return new Fitted(fitted.minutes, fitted.clock);
    }

    /** Small cuts of a visit. */
    public record Detail(int cuts, int personMinutes) {
        /** What some of them take. */
        int minutesOf(int some) {
            return (int) Math.ceil((double) personMinutes * some / cuts);
        }
    }

    private void day(String day, List<Crew> crews, Map<String, Detail> detail) {
        List<CrewGiven> given = crews.stream()
                .map(crew -> new CrewGiven(
                        crew.people(),
                        crew.visits().stream().map(Roster.Turn::visit).toList()))
                .toList();
        Looked looked = CrewsByHand.look(of, day, given);
        int broken = looked.breaches().size();
        for (CrewGiven crew : given) {
            for (String visit : crew.visits()) {
                Detail wanted = detail.get(visit);
                // Halved until it has room: nobody counts small cuts more finely than that.
                for (int some = wanted == null ? 0 : wanted.cuts(); some > 0; some /= 2) {
                    RosterCase with = with(visit, wanted.minutesOf(some));
                    Looked now = CrewsByHand.look(with, day, given);
                    if (now.breaches().size() <= broken) {
                        of = with;
                        looked = now;
                        minutes.put(visit, wanted.minutesOf(some));
                        break;
                    }
                }
            }
        }
        looked.crews().forEach(turns -> turns.forEach(turn -> clock.put(turn.visit(), turn)));
    }

    private RosterCase with(String visit, int more) {
        List<Visit> visits = new ArrayList<>();
        for (Visit one : of.visits()) {
            visits.add(!one.id().equals(visit) ? one : one.longer(more));
        }
        return new RosterCase(
                of.least(),
                of.most(),
                of.metresPerMinute(),
                of.setUpMinutes(),
                of.days(),
                of.people(),
                visits,
                of.fixedVisits(),
                of.fixedPeople(),
                of.sent(),
                of.weights());
    }
}
