package org.diligentbough.server.crew;

import jakarta.annotation.PreDestroy;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.roster.DetailFitted;
import org.diligentbough.core.roster.DetailFitted.Fitted;
import org.diligentbough.core.roster.Roster;
import org.diligentbough.core.roster.RosterMaker;
import org.diligentbough.core.roster.RosterMaker.Limits;
import org.diligentbough.server.access.PrivacyService.PersonForgotten;
import org.diligentbough.server.crew.DayMapper.DayRow;
import org.diligentbough.server.crew.Proposed.LeftTree;
import org.diligentbough.server.crew.Proposed.ProposedCrew;
import org.diligentbough.server.crew.Proposed.ProposedPerson;
import org.diligentbough.server.crew.Proposed.ProposedTurn;
import org.diligentbough.server.shared.ClockTime;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Wording;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.concurrent.CustomizableThreadFactory;
import org.springframework.stereotype.Service;

/**
 * Proposes what to fill a day with: crews, trees, order and clock. It is looked for outside of requests, kept as it gets better,
 * and lies beside the day until somebody takes it over, whole or crew by crew.
 */
@Service
class DayRosterService {
    private static final Logger LOG = LoggerFactory.getLogger(DayRosterService.class);
    private static final double SECONDS = 6;
    private static final double SEASON_SECONDS = 12;
    private static final int MOST_DAYS = 12;
    /** A server that went away in the middle is waited for no longer than this; nor is one that has other days in hand. */
    private static final double OVER_SECONDS = 2;

    private static final Fitted NO_DETAIL = new Fitted(Map.of(), Map.of());
    private static final double WAITS_SECONDS = 60;
    private static final long WRITE_EVERY_MS = 250;
    private final DayService days;
    private final DayCase cases;
    private final ProposalMapper proposals;
    private final CurrentPerson person;
    private final Wording wording;
    private final ExecutorService hand = Executors.newSingleThreadExecutor(new CustomizableThreadFactory("roster-"));
    private volatile boolean stopping;

    DayRosterService(DayService days, DayCase cases, ProposalMapper proposals, CurrentPerson person, Wording wording) {
        this.days = days;
        this.cases = cases;
        this.proposals = proposals;
        this.person = person;
        this.wording = wording;
    }

    /** What was found so far is kept; nobody betters it any more. */
    @PreDestroy
    void stop() {
        stopping = true;
        hand.shutdown();
    }

    /**
     * Begins to look for a proposal, in the place of whatever there was.
     *
     * @throws ProblemException 422 when the day is over
     */
    void begin(long dayId) {
        DayRow day = days.row(dayId);
        if (day.over()) {
            throw ProblemException.wrongField("", "was rained off or called off; there is nothing to fill");
        }
        begin(List.of(day), SECONDS);
    }

    /**
     * Begins to look for proposals for all days that are planned and not confirmed yet, together.
     *
     * @throws ProblemException 422 when there is none
     */
    void beginSeason(long siteId) {
        List<DayRow> open = days.planned(siteId, MOST_DAYS);
        if (open.isEmpty()) {
            throw ProblemException.wrongField("", "has no day to fill; plan work days first");
        }
        begin(open, SEASON_SECONDS);
    }

    private void begin(List<DayRow> some, double seconds) {
        DayCase.Asked asked = cases.of(some);
        Map<DayRow, Instant> begun = new LinkedHashMap<>();
        some.forEach(day -> begun.put(day, proposals.begin(day.id(), person.id(), WAITS_SECONDS)));
        hand.submit(() -> look(begun, seconds, asked));
    }

    /** A day to fill with what is proposed for it. */
    record DayAndProposal(DayRow day, Optional<ProposalMapper.ProposalRow> proposal) {}

    List<DayAndProposal> ofSeason(long siteId) {
        return days.planned(siteId, MOST_DAYS).stream()
                .map(day -> new DayAndProposal(day, proposals.of(day.id())))
                .toList();
    }

    void stopLooking(long dayId) {
        proposals.stop(dayId);
    }

    /** Whoever is forgotten stands in no proposal any more; it is looked for anew where it is wanted. */
    @EventListener
    void forgotten(PersonForgotten event) {
        proposals.dropNaming(event.personId());
    }

    void throwAway(long dayId) {
        proposals.drop(dayId);
    }

    Optional<ProposalMapper.ProposalRow> of(long dayId) {
        return proposals.of(days.row(dayId).id());
    }

    private void look(Map<DayRow, Instant> begun, double seconds, DayCase.Asked asked) {
        boolean[] gone = new boolean[1];
        long[] written = new long[1];
        try {
            begun.forEach((day, since) -> proposals.hold(day.id(), since, seconds + OVER_SECONDS));
            Roster roster = RosterMaker.make(
                    asked.of(),
                    Limits.seconds(seconds, begun.keySet().iterator().next().id()),
                    better -> {
                        long now = System.currentTimeMillis();
                        if (now - written[0] > WRITE_EVERY_MS) {
                            written[0] = now;
                            gone[0] = write(begun, asked, better, NO_DETAIL) == 0;
                        }
                    },
                    () -> stopping || gone[0]);
            write(begun, asked, roster, DetailFitted.of(asked.of(), roster, asked.details()));
        } catch (RuntimeException e) {
            LOG.error("no roster for {}", begun.keySet(), e);
        } finally {
            begun.forEach((day, since) -> proposals.end(day.id(), since));
        }
    }

    /** Keeps what was found; of how many days it is still waited for. */
    private int write(Map<DayRow, Instant> begun, DayCase.Asked asked, Roster roster, Fitted detail) {
        int waited = 0;
        // What found no place on any of the days is told with the first.
        boolean first = true;
        for (Map.Entry<DayRow, Instant> one : begun.entrySet()) {
            waited += proposals.better(
                    one.getKey().id(), one.getValue(), told(asked, roster, detail, one.getKey(), first));
            first = false;
        }
        return waited;
    }

    private Proposed told(DayCase.Asked asked, Roster roster, Fitted detail, DayRow day, boolean withLeft) {
        String id = RosterPeople.id(day);
        Set<String> at = new HashSet<>();
        List<ProposedCrew> crews = roster.crews().stream()
                .filter(crew -> crew.day().equals(id))
                .map(crew -> {
                    at.addAll(crew.people());
                    List<ProposedPerson> inCrew = new ArrayList<>();
                    inCrew.add(named(asked, crew.leader()));
                    crew.people().stream()
                            .filter(one -> !one.equals(crew.leader()))
                            .forEach(one -> inCrew.add(named(asked, one)));
                    return new ProposedCrew(
                            crew.crew(),
                            inCrew,
                            crew.visits().stream()
                                    .map(turn -> clocked(
                                            asked,
                                            turn.visit(),
                                            detail,
                                            detail.clock().getOrDefault(turn.visit(), turn)))
                                    .toList());
                })
                .toList();
        Roster.DayTold ofDay = roster.days().stream()
                .filter(one -> one.day().equals(id))
                .findFirst()
                .orElseThrow();
        return new Proposed(
                crews,
                withLeft ? left(asked, roster) : List.of(),
                asked.of().people().stream()
                        .filter(one -> !at.contains(one.id())
                                && one.days().stream()
                                        .anyMatch(there -> there.day().equals(id)))
                        .map(one -> named(asked, one.id()))
                        .sorted((one, other) -> one.name().compareTo(other.name()))
                        .toList(),
                ofDay.missing().stream().map(Codes::of).toList(),
                ofDay.idleMinutes());
    }

    private List<LeftTree> left(DayCase.Asked asked, Roster roster) {
        return Stream.concat(asked.held().stream(), roster.notPlaced().stream().map(left -> {
                    ProposedTurn turn = asked.turns().get(left.visit());
                    return new LeftTree(
                            turn.treeId(),
                            turn.tag(),
                            turn.visitId(),
                            left.reasons().stream().map(wording::of).toList());
                }))
                .toList();
    }

    private static ProposedPerson named(DayCase.Asked asked, String id) {
        return new ProposedPerson(Long.parseLong(id), asked.people().get(id).name());
    }

    /** A turn by the clock, with as many of its young shoots as there is time for. */
    private static ProposedTurn clocked(DayCase.Asked asked, String id, Fitted detail, Roster.Turn at) {
        ProposedTurn turn = asked.turns().get(id);
        int small = detail.minutes().getOrDefault(id, 0);
        DetailFitted.Detail all = asked.details().get(id);
        return new ProposedTurn(
                turn.treeId(),
                turn.tag(),
                turn.visitId(),
                turn.taskId(),
                ClockTime.text(at.starts()),
                ClockTime.text(at.ends()),
                turn.minutes() + small,
                turn.urgent(),
                turn.cuts(),
                all == null ? turn.shoots() : Integer.valueOf(all.cuts() * small / all.personMinutes()),
                turn.leaves());
    }
}
