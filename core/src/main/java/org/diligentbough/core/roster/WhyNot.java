package org.diligentbough.core.roster;

import java.util.ArrayList;
import java.util.List;
import org.diligentbough.core.roster.Roster.Reason;
import org.diligentbough.core.roster.Roster.Why;
import org.diligentbough.core.roster.RosterCase.Day;
import org.diligentbough.core.roster.RosterCase.Visit;

/**
 * Which must keeps a visit from every day: of the days that came nearest to it, what stopped it there. Where nothing but other
 * trees stands in its way, hours ran out.
 */
final class WhyNot {
    private final RosterPlan plan;
    private final CaseIndex index;

    WhyNot(RosterPlan plan) {
        this.plan = plan;
        this.index = plan.index;
    }

    /** What stopped it, and how many other hurdles were taken before. */
    private record Stopped(int after, List<Reason> reasons) {}

    List<Reason> of(int visit) {
        int furthest = -1;
        List<Reason> found = new ArrayList<>();
        for (int d = 0; d < index.of.days().size(); d++) {
            if (index.fixedDay[visit] >= 0 && index.fixedDay[visit] != d) {
                continue;
            }
            Stopped stopped = on(d, visit);
            if (stopped.after() > furthest) {
                furthest = stopped.after();
                found.clear();
            }
            if (stopped.after() == furthest) {
                stopped.reasons().stream()
                        .filter(reason -> !found.contains(reason))
                        .forEach(found::add);
            }
        }
        return found.isEmpty() ? List.of(new Reason(Why.WINDOW, "")) : List.copyOf(found);
    }

    private Stopped on(int d, int number) {
        Visit visit = index.of.visits().get(number);
        Day day = index.of.days().get(d);
        List<PersonDay> coming = plan.peopleOf(d);
        if (!index.inWindow[d][number]) {
            return stopped(Why.WINDOW);
        }
        if (day.wet() && visit.dry()) {
            return stopped(Why.WET);
        }
        if (day.windy() && visit.offGround()) {
            return stopped(Why.WINDY);
        }
        if (coming.size() < index.of.least()) {
            return stopped(Why.ALONE);
        }
        if (coming.stream().noneMatch(one -> index.lead[d][one.person])) {
            return stopped(Why.NO_LEADER);
        }
        if (coming.stream().noneMatch(one -> index.firstAid[d][one.person])) {
            return stopped(Why.NO_FIRST_AIDER);
        }
        List<Reason> wanting = new ArrayList<>();
        visit.tickets().stream().sorted().forEach(ticket -> {
            if (coming.stream()
                    .noneMatch(one -> !index.underAge[d][one.person]
                            && index.of.people().get(one.person).holds(ticket, day.date()))) {
                wanting.add(new Reason(Why.NO_TICKET, ticket));
            }
        });
        visit.kit().stream().sorted().forEach(kit -> {
            if (day.shed().getOrDefault(kit, 0) == 0) {
                wanting.add(new Reason(Why.NO_KIT, kit));
            }
        });
        if (!wanting.isEmpty()) {
            return new Stopped(Why.NO_TICKET.ordinal(), wanting);
        }
        long grown =
                coming.stream().filter(one -> !index.underAge[d][one.person]).count();
        if (visit.offGround() && grown < index.of.least()) {
            return stopped(Why.UNDER_AGE);
        }
        int most = (int) Math.min(index.of.most(), visit.offGround() ? grown : coming.size());
        int atWork = Math.max(1, Math.min(visit.places(), most));
        int takes = index.of.setUpMinutes() + (visit.personMinutes() + atWork - 1) / atWork;
        return stopped(takes > day.ends() - day.starts() ? Why.TOO_LONG : Why.TIME);
    }

    private static Stopped stopped(Why why) {
        return new Stopped(why.ordinal(), List.of(new Reason(why, "")));
    }
}
