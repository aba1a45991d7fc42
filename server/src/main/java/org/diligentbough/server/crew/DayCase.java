package org.diligentbough.server.crew;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.roster.DetailFitted;
import org.diligentbough.core.roster.RosterCase;
import org.diligentbough.core.season.MayCut;
import org.diligentbough.core.season.Weather;
import org.diligentbough.server.crew.DayMapper.DayRow;
import org.diligentbough.server.crew.DayView.Candidate;
import org.diligentbough.server.crew.DayView.DayTaskView;
import org.diligentbough.server.crew.DayView.VisitView;
import org.diligentbough.server.crew.PeopleService.Person;
import org.diligentbough.server.crew.Proposed.LeftTree;
import org.diligentbough.server.crew.Proposed.ProposedCut;
import org.diligentbough.server.crew.Proposed.ProposedTurn;
import org.diligentbough.server.crew.RosterVisits.Window;
import org.diligentbough.server.figures.SiteRules;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.plan.PlanMapper;
import org.diligentbough.server.season.SiteWeatherService;
import org.diligentbough.server.shared.Wording;
import org.diligentbough.server.visit.VisitCut;
import org.diligentbough.server.visit.VisitTask;
import org.springframework.stereotype.Component;

/**
 * What a roster of one or several days of a site is made of: who comes or said they can, what stands on the days, and what is
 * open and may be done by those who come in the weather that is known. Crews that stand already are changed as little as can be.
 */
@Component
class DayCase {
    private final DayReader reader;
    private final DayCandidates candidates;
    private final RosterPeople people;
    private final CrewBoard board;
    private final OrchardService orchard;
    private final PlanMapper plans;
    private final Wording wording;
    private final SiteRules rules;
    private final SiteWeatherService weather;

    DayCase(
            DayReader reader,
            DayCandidates candidates,
            RosterPeople people,
            CrewBoard board,
            OrchardService orchard,
            PlanMapper plans,
            Wording wording,
            SiteRules rules,
            SiteWeatherService weather) {
        this.reader = reader;
        this.candidates = candidates;
        this.people = people;
        this.board = board;
        this.orchard = orchard;
        this.plans = plans;
        this.wording = wording;
        this.rules = rules;
        this.weather = weather;
    }

    /** What a roster is made of, with what its names stand for, and the small cuts that wait for what the days have to spare. */
    record Asked(
            RosterCase of,
            Map<String, ProposedTurn> turns,
            Map<String, Person> people,
            List<LeftTree> held,
            Map<String, DetailFitted.Detail> details) {}

    /**
     * The case of days as they stand.
     *
     * @param days of one site, in their order; one at least
     */
    Asked of(List<DayRow> days) {
        Gathered gathered = new Gathered(days);
        days.forEach(gathered::standing);
        days.forEach(gathered::open);
        return gathered.asked();
    }

    private final class Gathered {
        private final List<DayRow> days;
        private final long siteId;
        private final Map<String, Person> names = new HashMap<>();
        private final List<RosterCase.Person> coming;
        private final SiteWeatherService.Known known;
        private final Map<Long, Double> worth = new HashMap<>();
        private final Map<String, ProposedTurn> turns = new HashMap<>();
        private final List<RosterCase.Visit> visits = new ArrayList<>();
        private final List<RosterCase.FixedVisit> fixed = new ArrayList<>();
        private final List<RosterCase.FixedPerson> sentPeople = new ArrayList<>();
        private final List<RosterCase.SentVisit> sentVisits = new ArrayList<>();
        private final List<LeftTree> held = new ArrayList<>();
        private final Map<String, DetailFitted.Detail> details = new HashMap<>();
        private final Set<Long> seen = new HashSet<>();

        private Gathered(List<DayRow> days) {
            this.days = days;
            this.siteId = days.get(0).siteId();
            this.coming = people.of(days, true, names);
            this.known = weather.of(siteId);
            for (DayRow day : days) {
                Map<Long, Double> open = new HashMap<>();
                plans.openOn(siteId, day.onDay()).forEach(lane -> open.merge(lane.treeId(), lane.worth(), Double::sum));
                open.forEach((tree, one) -> worth.merge(tree, one, Math::max));
            }
            double most = worth.values().stream().mapToDouble(one -> one).max().orElse(0);
            // As a share of the most any gains.
            worth.replaceAll((tree, one) -> most <= 0 ? 0 : Math.max(0, one / most));
        }

        private void standing(DayRow day) {
            DayView view = reader.view(day);
            for (VisitView visit : view.visits()) {
                if (!visit.logged()) {
                    String id = RosterVisits.id(visit);
                    turns.put(
                            id,
                            new ProposedTurn(
                                    visit.treeId(),
                                    visit.tag(),
                                    visit.id(),
                                    null,
                                    "",
                                    "",
                                    visit.minutes(),
                                    RosterVisits.urgent(visit),
                                    null,
                                    null,
                                    List.of()));
                    visits.add(RosterVisits.of(visit, orchard.tree(visit.treeId()), day.onDay()));
                    fixed.add(new RosterCase.FixedVisit(id, RosterPeople.id(day)));
                }
            }
            for (DayTaskView task : view.tasks()) {
                if (!task.done()) {
                    String id = RosterVisits.id(task);
                    turns.put(
                            id,
                            new ProposedTurn(
                                    task.treeId(),
                                    task.tag() == null ? task.title() : task.tag() + ": " + task.title(),
                                    null,
                                    task.id(),
                                    "",
                                    "",
                                    task.minutes(),
                                    false,
                                    null,
                                    null,
                                    List.of()));
                    visits.add(RosterVisits.of(task, day.onDay()));
                    fixed.add(new RosterCase.FixedVisit(id, RosterPeople.id(day)));
                }
            }
            RosterCase.Sent sent = board.sent(day);
            sentPeople.addAll(sent.people());
            sentVisits.addAll(sent.visits());
        }

        private void open(DayRow day) {
            for (Candidate candidate : candidates.candidates(day.id())) {
                if (seen.add(candidate.treeId())) {
                    Optional<Window> window = window(candidate, day.onDay());
                    window.ifPresent(within -> add(candidate, within));
                }
            }
        }

        /** From the first of the days on which weather lets it be done, to the last before weather holds it again. */
        private Optional<Window> window(Candidate candidate, LocalDate first) {
            Species species = Codes.parse(Species.class, candidate.species()).orElseThrow();
            LocalDate opens = null;
            LocalDate closes = candidate.closes();
            Weather.Holds holds = null;
            for (DayRow day : days) {
                LocalDate on = day.onDay();
                if (!on.isBefore(first) && !on.isAfter(closes)) {
                    Weather.Holds that = known.holds(species, on);
                    boolean may = that.answer() != MayCut.Answer.NO;
                    holds = may || holds != null ? holds : that;
                    if (may && opens == null) {
                        opens = on;
                    } else if (!may && opens != null) {
                        closes = on.minusDays(1);
                    }
                }
            }
            if (opens == null && holds != null) {
                held.add(new LeftTree(
                        candidate.treeId(),
                        candidate.tag(),
                        null,
                        holds.reasons().stream()
                                .map(reason -> wording.of(reason).text())
                                .toList()));
            }
            return opens == null ? Optional.empty() : Optional.of(new Window(opens, closes));
        }

        private void add(Candidate candidate, Window window) {
            String id = "tree-" + candidate.treeId();
            // What wants a ticket nobody has is left for another day, and the rest is done.
            List<VisitCut> may = candidate.cuts().stream()
                    .filter(cut -> cut.tickets().stream().allMatch(this::held))
                    .toList();
            boolean all = may.size() == candidate.cuts().size() || may.isEmpty() && besides(candidate) == 0;
            List<VisitCut> cuts = all ? candidate.cuts() : may;
            int minutes = besides(candidate)
                    + cuts.stream().mapToInt(VisitCut::minutes).sum();
            boolean urgent = cuts.stream().anyMatch(VisitCut::urgent);
            int small = shootsMinutes(candidate);
            // Where there is other work the shoots wait for what the day has to spare.
            boolean fits = small > 0 && minutes > small;
            if (fits) {
                minutes -= small;
                details.put(id, new DetailFitted.Detail(candidate.shoots(), small));
            }
            turns.put(
                    id,
                    new ProposedTurn(
                            candidate.treeId(),
                            candidate.tag(),
                            null,
                            null,
                            "",
                            "",
                            minutes,
                            urgent,
                            all
                                    ? null
                                    : cuts.stream()
                                            .map(cut -> new ProposedCut(cut.limb(), cut.kind()))
                                            .toList(),
                            candidate.shoots() == 0
                                    ? null
                                    : fits ? Integer.valueOf(0) : Integer.valueOf(candidate.shoots()),
                            candidate.cuts().stream()
                                    .filter(cut -> !cuts.contains(cut))
                                    .map(VisitCut::limb)
                                    .toList()));
            visits.add(RosterVisits.of(
                    id,
                    orchard.tree(candidate.treeId()),
                    window,
                    minutes,
                    cuts.stream().flatMap(cut -> cut.tickets().stream()).collect(Collectors.toSet()),
                    candidate.kit(),
                    cuts.stream().anyMatch(DayReader::offTheGround),
                    candidate.sick(),
                    urgent,
                    worth.getOrDefault(candidate.treeId(), 0.0)));
        }

        /** Whether a grown-up who comes holds a ticket. */
        private boolean held(String ticket) {
            LocalDate first = days.get(0).onDay();
            return coming.stream().anyMatch(one -> !one.maybeUnderAge(first) && one.holds(ticket, first));
        }

        private Asked asked() {
            return new Asked(
                    new RosterCase(
                            RosterVisits.LEAST_IN_A_CREW,
                            RosterVisits.MOST_IN_A_CREW,
                            RosterVisits.METRES_PER_MINUTE,
                            RosterVisits.SET_UP_MINUTES,
                            days.stream().map(people::day).toList(),
                            coming,
                            visits,
                            fixed,
                            List.of(),
                            new RosterCase.Sent(sentPeople, sentVisits),
                            RosterCase.Weights.of(rules.of(siteId).knowledge())),
                    turns,
                    names,
                    held,
                    details);
        }
    }

    /** Person-minutes of the young shoots. */
    private static int shootsMinutes(Candidate candidate) {
        return besides(candidate)
                - candidate.upkeepMinutes()
                - candidate.tasks().stream().mapToInt(VisitTask::minutes).sum();
    }

    /** Person-minutes of what no ticket is wanted for: shoots, yearly work, ordinary cutting. */
    private static int besides(Candidate candidate) {
        return candidate.minutes()
                - candidate.cuts().stream().mapToInt(VisitCut::minutes).sum();
    }
}
