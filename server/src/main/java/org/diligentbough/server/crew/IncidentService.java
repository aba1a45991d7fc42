package org.diligentbough.server.crew;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Once;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Incidents and near misses: noted the same day, added to and never altered. */
@Service
class IncidentService {
    private final IncidentMapper incidents;
    private final DayMapper days;
    private final OrchardService orchard;
    private final History history;
    private final CurrentPerson person;
    private final Today today;
    private final Once once;

    IncidentService(
            IncidentMapper incidents,
            DayMapper days,
            OrchardService orchard,
            History history,
            CurrentPerson person,
            Today today,
            Once once) {
        this.incidents = incidents;
        this.days = days;
        this.orchard = orchard;
        this.history = history;
        this.person = person;
        this.today = today;
        this.once = once;
    }

    /**
     * What happened.
     *
     * @param nearMiss whether nobody and nothing was hurt
     * @param hurt who or what was, and how
     * @param done on the spot
     * @param follows what is done so that it does not happen again
     */
    record IncidentData(
            @MayBeNull Long dayId,
            @MayBeNull Long treeId,
            @NotNull(message = "is missing; give the day") LocalDate on,
            boolean nearMiss,

            @NotBlank(message = "is missing; say what happened")
            @Size(max = 1000, message = "is longer than 1000 letters")
            String what,

            @MayBeNull @Size(max = 200, message = "is longer than 200 letters")
            String who,

            @MayBeNull @Size(max = 500, message = "is longer than 500 letters")
            String hurt,

            @MayBeNull @Size(max = 1000, message = "is longer than 1000 letters")
            String done,

            @MayBeNull @Size(max = 1000, message = "is longer than 1000 letters")
            String follows) {
        private IncidentData stripped() {
            return new IncidentData(
                    dayId, treeId, on, nearMiss, what.strip(), text(who), text(hurt), text(done), text(follows));
        }

        private static String text(String given) {
            return given == null || given.isBlank() ? null : given.strip();
        }
    }

    /** An entry of the register. */
    record IncidentView(
            long id,
            IncidentData data,
            @MayBeNull String tag,
            @MayBeNull String by,
            Instant at) {}

    List<IncidentView> ofSite(long siteId) {
        return incidents.ofSite(siteId).stream().map(IncidentService::view).toList();
    }

    private static IncidentView view(IncidentMapper.IncidentRow row) {
        return new IncidentView(
                row.id(),
                new IncidentData(
                        row.workDayId(),
                        row.treeId(),
                        row.onDate(),
                        row.nearMiss(),
                        row.what(),
                        row.who(),
                        row.hurt(),
                        row.done(),
                        row.follows()),
                row.tag(),
                row.enteredBy(),
                row.enteredAt());
    }

    /** Adds one. What is sent again under the same key is added once. */
    @Transactional
    IncidentView add(long siteId, Optional<UUID> key, IncidentData data) {
        long who = person.id();
        if (data.on().isAfter(today.in(orchard.site(siteId).zone()))) {
            throw ProblemException.wrongField("/on", "has not come yet; give the day it happened");
        }
        if (data.treeId() != null && orchard.tree(data.treeId()).siteId() != siteId) {
            throw ProblemException.wrongField("/treeId", "is a tree of another site; choose one of this");
        }
        if (data.dayId() != null
                && days.find(data.dayId()).filter(day -> day.siteId() == siteId).isEmpty()) {
            throw ProblemException.wrongField("/dayId", "is no work day of this site");
        }
        long kept = once.keep(key, "incident at site " + siteId, data, () -> {
            long id = incidents.add(siteId, data.stripped(), who);
            history.added(new About("incident", id, siteId, data.treeId()), data);
            return id;
        });
        return ofSite(siteId).stream()
                .filter(one -> one.id() == kept)
                .findFirst()
                .orElseThrow(() -> ProblemException.notFound("That entry is gone."));
    }
}
