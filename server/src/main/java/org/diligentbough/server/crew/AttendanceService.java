package org.diligentbough.server.crew;

import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.diligentbough.server.crew.AttendanceMapper.AttendanceRow;
import org.diligentbough.server.crew.DayMapper.DayRow;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.shared.CodeOf;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Once;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Who came to a day and went again, from which hours count. */
@Service
class AttendanceService {
    private final AttendanceMapper attendance;
    private final DayMapper days;
    private final DayService service;
    private final OrchardService orchard;
    private final History history;
    private final CurrentPerson person;
    private final Once once;

    AttendanceService(
            AttendanceMapper attendance,
            DayMapper days,
            DayService service,
            OrchardService orchard,
            History history,
            CurrentPerson person,
            Once once) {
        this.attendance = attendance;
        this.days = days;
        this.service = service;
        this.orchard = orchard;
        this.history = history;
        this.person = person;
        this.once = once;
    }

    /** When somebody came and went; {@code wentAt} null while they are there. */
    record AttendanceView(
            long personId,
            String name,
            Instant cameAt,
            @MayBeNull Instant wentAt) {}

    /** Whether somebody comes or goes. */
    enum Step {
        CAME,
        WENT
    }

    /** Somebody comes or goes. */
    record SignData(
            @NotNull(message = "is missing; say who") Long personId,

            @NotNull(message = "is missing; give came or went") @CodeOf(Step.class)
            String step,

            @NotNull(message = "is missing; give the moment")
            Instant at) {}

    List<AttendanceView> ofDay(long dayId) {
        return attendance.ofDay(service.row(dayId).id()).stream()
                .map(row -> new AttendanceView(row.personId(), row.name(), row.cameAt(), row.wentAt()))
                .toList();
    }

    /**
     * Signs somebody in or out. Two phones that sign the same person in say the same thing: it counts once, from the sooner;
     * whoever turns up without having been on the day is on it from then on.
     *
     * @throws ProblemException 422 when the moment is not of the day's date, or somebody goes who did not come
     */
    @Transactional
    List<AttendanceView> sign(long dayId, Optional<UUID> key, SignData data) {
        long who = person.id();
        DayRow day = service.row(dayId);
        LocalDate on = data.at().atZone(orchard.site(day.siteId()).zone()).toLocalDate();
        if (!on.equals(day.onDay())) {
            throw ProblemException.wrongField(
                    "/at", "is not of the day itself, " + day.onDay() + "; give the moment it was");
        }
        service.belongs(dayId, data.personId());
        once.keep(key, "attendance of day " + dayId, data, () -> {
            attendance.take(dayId);
            boolean came = data.step().equals("came");
            if (came) {
                came(day, data, who);
            } else {
                went(day, data);
            }
            history.added(new About("attendance", dayId, day.siteId(), null), data);
            return dayId;
        });
        return ofDay(dayId);
    }

    private void came(DayRow day, SignData data, long who) {
        if (!day.people().contains(data.personId())) {
            days.addPerson(day.id(), data.personId());
        }
        Optional<AttendanceRow> there = of(day.id(), data.personId()).stream()
                .filter(row -> row.wentAt() == null || !row.wentAt().isBefore(data.at()))
                .findFirst();
        there.ifPresentOrElse(
                row -> attendance.cameSooner(row.id(), data.at()),
                () -> attendance.came(day.id(), data.personId(), data.at(), who));
    }

    private void went(DayRow day, SignData data) {
        List<AttendanceRow> before = of(day.id(), data.personId()).stream()
                .filter(row -> !row.cameAt().isAfter(data.at()))
                .toList();
        if (before.isEmpty()) {
            throw ProblemException.wrongField("/step", "is went, and nobody signed them in before; sign them in first");
        }
        AttendanceRow last = before.get(before.size() - 1);
        if (last.wentAt() == null) {
            attendance.went(last.id(), data.at());
        }
    }

    private List<AttendanceRow> of(long dayId, long personId) {
        return attendance.ofDay(dayId).stream()
                .filter(row -> row.personId() == personId)
                .toList();
    }
}
