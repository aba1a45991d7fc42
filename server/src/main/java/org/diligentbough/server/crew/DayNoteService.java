package org.diligentbough.server.crew;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.diligentbough.server.crew.DayMapper.DayRow;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.Once;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is noted of a work day as a whole while it runs; added to, never altered. */
@Service
public class DayNoteService {
    private final DayMapper days;
    private final DayService service;
    private final History history;
    private final CurrentPerson person;
    private final Once once;

    DayNoteService(DayMapper days, DayService service, History history, CurrentPerson person, Once once) {
        this.days = days;
        this.service = service;
        this.history = history;
        this.person = person;
        this.once = once;
    }

    /** Something noted of a day as a whole while it ran. */
    public record NoteView(long id, String note, String by, Instant at) {}

    /** Something to be noted. */
    public record NewNote(
            @NotBlank(message = "is missing; say what is to be noted")
            @Size(max = 1000, message = "is longer than 1000 letters")
            String note) {}

    public List<NoteView> notesOfDay(long dayId) {
        return days.notes(service.row(dayId).id()).stream()
                .map(row -> new NoteView(row.id(), row.note(), row.saidBy(), row.saidAt()))
                .toList();
    }

    /** Notes something of a day as a whole. What is sent again under the same key is noted once. */
    @Transactional
    public List<NoteView> noteOfDay(long dayId, Optional<UUID> key, NewNote note) {
        person.id();
        DayRow day = service.row(dayId);
        once.keep(key, "note of day " + dayId, note, () -> {
            long added = days.addNote(dayId, person.id(), note.note().strip());
            history.added(new About("day-note", added, day.siteId(), null), note);
            return added;
        });
        return notesOfDay(dayId);
    }
}
