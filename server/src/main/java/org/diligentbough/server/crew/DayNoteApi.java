package org.diligentbough.server.crew;

import jakarta.validation.Valid;
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
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What is noted of a work day as a whole while it runs; added to, never altered. */
@RestController
@RequestMapping("/api/days/{dayId}/notes")
public class DayNoteApi {
    private final DayMapper days;
    private final DayService service;
    private final History history;
    private final CurrentPerson person;
    private final Once once;

    DayNoteApi(DayMapper days, DayService service, History history, CurrentPerson person, Once once) {
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

    @GetMapping
    public List<NoteView> notesOfDay(@PathVariable long dayId) {
        return days.notes(service.row(dayId).id()).stream()
                .map(row -> new NoteView(row.id(), row.note(), row.saidBy(), row.saidAt()))
                .toList();
    }

    /** Notes something of a day as a whole. What is sent again under the same key is noted once. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    @Transactional
    public List<NoteView> noteOfDay(
            @PathVariable long dayId,
            @RequestHeader(name = Once.HEADER) Optional<UUID> key,
            @Valid @RequestBody NewNote note) {
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
