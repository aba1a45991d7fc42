package org.diligentbough.core.crew;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalLong;
import java.util.Set;
import org.diligentbough.core.crew.DayFinding.Weight;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.season.MayCut;
import org.diligentbough.core.verdict.Ticket;

/** What is wrong with a work day, or still wanting, by the rules people work by. */
public final class DayCheck {
    /** What volunteers bring of their own. */
    private static final Set<Kit> OWN = Set.of(Kit.SECATEURS, Kit.GLOVES);

    private static final int LEAST_PEOPLE = 2;

    private final Knowledge knowledge;
    private final WorkDay day;
    private final List<DayFinding> findings = new ArrayList<>();

    private DayCheck(Knowledge knowledge, WorkDay day) {
        this.knowledge = knowledge;
        this.day = day;
    }

    /** Everything to be said of a day, what may not be first. */
    public static List<DayFinding> of(WorkDay day, Knowledge knowledge) {
        return new DayCheck(knowledge, day).findings();
    }

    private List<DayFinding> findings() {
        day.visits().forEach(this::season);
        day.visits().forEach(this::people);
        day.visits().forEach(this::kit);
        wholeDay();
        day.coming().forEach(this::helper);
        ladders();
        findings.sort(Comparator.comparing(DayFinding::weight));
        return List.copyOf(findings);
    }

    private void season(TreeVisit visit) {
        if (visit.boundToWindow() && visit.mayCut().answer() == MayCut.Answer.NO) {
            say(
                    Weight.REFUSED,
                    visit,
                    ReasonCode.DAY_OUTSIDE_WINDOW,
                    visit.tree(),
                    visit.mayCut().nextOpens(),
                    visit.mayCut().nextCloses());
        } else if (visit.boundToWindow() && visit.mayCut().answer() == MayCut.Answer.WITH_CARE) {
            say(Weight.TOLD, visit, ReasonCode.DAY_WITH_CARE, visit.tree());
        }
        // Wind keeps people off ladders whatever they cut; the rest of the weather matters to live wood.
        if (visit.boundToWindow() || visit.offTheGround()) {
            Weight weight = visit.weather().answer() == MayCut.Answer.NO ? Weight.WANTED : Weight.TOLD;
            visit.weather()
                    .reasons()
                    .forEach(reason -> say(weight, visit, ReasonCode.DAY_WEATHER, visit.tree(), reason));
        }
        if (!visit.outdated().isEmpty()) {
            say(Weight.WANTED, visit, ReasonCode.DAY_OUTDATED, visit.tree(), String.join(", ", visit.outdated()));
        }
    }

    private List<Helper> helpersOf(TreeVisit visit) {
        return day.coming().stream()
                .filter(helper -> visit.helpers().contains(helper.id()))
                .toList();
    }

    private void people(TreeVisit visit) {
        List<Helper> helpers = helpersOf(visit);
        if (helpers.isEmpty()) {
            say(Weight.WANTED, visit, ReasonCode.DAY_NOBODY, visit.tree());
            return;
        }
        if (helpers.size() < LEAST_PEOPLE) {
            say(Weight.WANTED, visit, ReasonCode.DAY_ALONE, visit.tree());
        }
        visit.tickets().stream().sorted().forEach(ticket -> {
            if (helpers.stream().noneMatch(helper -> holds(helper, ticket))) {
                say(Weight.REFUSED, visit, ReasonCode.DAY_NO_TICKET, visit.tree(), ticket);
            }
        });
        for (Helper helper : helpers) {
            if (visit.offTheGround() && helper.maybeUnderAge(day.on())) {
                findings.add(new DayFinding(
                        Weight.REFUSED,
                        knowledge.reason(ReasonCode.DAY_UNDER_AGE, helper.name(), visit.tree()),
                        OptionalLong.of(visit.id()),
                        OptionalLong.of(helper.id())));
            }
        }
    }

    /** Whoever is an arborist may do what a ladder ticket allows. */
    private boolean holds(Helper helper, Ticket ticket) {
        return helper.holds(ticket, day.on()) || ticket == Ticket.LADDER && helper.holds(Ticket.ARBORIST, day.on());
    }

    private void kit(TreeVisit visit) {
        visit.kit().stream().sorted().filter(kit -> !OWN.contains(kit)).forEach(kit -> {
            if (day.shed().getOrDefault(kit, 0) == 0) {
                say(Weight.WANTED, visit, ReasonCode.DAY_KIT_MISSING, visit.tree(), kit);
            }
        });
    }

    private void wholeDay() {
        if (day.coming().stream().noneMatch(helper -> helper.holds(Ticket.LEAD, day.on()))) {
            sayOfDay(Weight.WANTED, ReasonCode.DAY_NO_LEADER);
        }
        if (day.coming().stream().noneMatch(helper -> helper.holds(Ticket.FIRST_AID, day.on()))) {
            sayOfDay(Weight.WANTED, ReasonCode.DAY_NO_FIRST_AIDER);
        }
    }

    private void helper(Helper helper) {
        int minutes = clockMinutes(helper, day.visits());
        if (minutes > day.minutes()) {
            sayOf(helper, ReasonCode.DAY_TOO_LONG, helper.name(), minutes, day.minutes());
        }
        if (!helper.canCome()) {
            sayOf(helper, ReasonCode.DAY_NOT_SAID_TO_COME, helper.name());
        }
    }

    /** By the clock, whole minutes, what somebody has on the visits they are on. */
    public static int clockMinutes(Helper helper, List<TreeVisit> visits) {
        return (int) Math.ceil(visits.stream()
                .filter(visit -> visit.helpers().contains(helper.id()))
                .mapToDouble(TreeVisit::clockMinutes)
                .sum());
    }

    private void ladders() {
        long wanted = day.visits().stream()
                .filter(visit -> visit.kit().contains(Kit.LADDER))
                .count();
        int held = day.shed().getOrDefault(Kit.LADDER, 0);
        if (held > 0 && wanted > held) {
            sayOfDay(Weight.TOLD, ReasonCode.DAY_LADDERS_SHARED, wanted, held);
        }
    }

    private void say(Weight weight, TreeVisit visit, ReasonCode code, Object... arguments) {
        findings.add(new DayFinding(
                settled(weight), knowledge.reason(code, arguments), OptionalLong.of(visit.id()), OptionalLong.empty()));
    }

    private void sayOfDay(Weight weight, ReasonCode code, Object... arguments) {
        findings.add(new DayFinding(
                settled(weight), knowledge.reason(code, arguments), OptionalLong.empty(), OptionalLong.empty()));
    }

    private void sayOf(Helper helper, ReasonCode code, Object... arguments) {
        findings.add(new DayFinding(
                Weight.TOLD, knowledge.reason(code, arguments), OptionalLong.empty(), OptionalLong.of(helper.id())));
    }

    private Weight settled(Weight weight) {
        return weight == Weight.WANTED && day.confirmed() ? Weight.REFUSED : weight;
    }
}
