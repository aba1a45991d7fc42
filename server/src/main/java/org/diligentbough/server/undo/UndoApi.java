package org.diligentbough.server.undo;

import java.time.Instant;
import java.util.List;
import org.diligentbough.server.shared.History.Kept;
import org.diligentbough.server.shared.MayBeNull;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Changes: what each was before and after, and undoing them. */
@RestController
@RequestMapping("/api/changes/{id}")
class UndoApi {
    private final UndoService service;

    UndoApi(UndoService service) {
        this.service = service;
    }

    /**
     * One change.
     *
     * @param entity what kind of thing it was about
     * @param undoable whether it can still be undone
     * @param changes what differs, field by field; the first forty
     */
    record KeptChangeView(
            long id,
            Instant at,
            @MayBeNull String who,
            String entity,
            String action,
            boolean undoable,
            List<UndoService.FieldChanged> changes) {}

    @GetMapping
    KeptChangeView change(@PathVariable long id) {
        Kept change = service.one(id);
        return new KeptChangeView(
                change.id(),
                change.at(),
                change.who(),
                change.about().entity(),
                change.action(),
                service.undoable(change),
                service.changes(change));
    }

    /** Makes a change undone, where nothing has changed the same thing since. */
    @PostMapping("/undo")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void undo(@PathVariable long id) {
        service.undo(id);
    }
}
