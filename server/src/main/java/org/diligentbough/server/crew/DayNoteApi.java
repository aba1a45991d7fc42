package org.diligentbough.server.crew;

import jakarta.validation.Valid;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.diligentbough.server.crew.DayNoteService.NewNote;
import org.diligentbough.server.crew.DayNoteService.NoteView;
import org.diligentbough.server.shared.Once;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Notes on work days, over HTTP. */
@RestController
@RequestMapping("/api/days/{dayId}/notes")
class DayNoteApi {
    private final DayNoteService service;

    DayNoteApi(DayNoteService service) {
        this.service = service;
    }

    @GetMapping
    List<NoteView> notesOfDay(@PathVariable long dayId) {
        return service.notesOfDay(dayId);
    }

    /** Notes something of a day as a whole. What is sent again under the same key is noted once. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    List<NoteView> noteOfDay(
            @PathVariable long dayId,
            @RequestHeader(name = Once.HEADER) Optional<UUID> key,
            @Valid @RequestBody NewNote note) {
        return service.noteOfDay(dayId, key, note);
    }
}
