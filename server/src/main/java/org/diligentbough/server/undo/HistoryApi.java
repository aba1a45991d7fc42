package org.diligentbough.server.undo;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.MayBeNull;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Who changed what at a site. */
@RestController
class HistoryApi {
    private static final int AT_ONCE = 100;

    private final History history;

    HistoryApi(History history) {
        this.history = history;
    }

    /**
     * A change in the list of a site.
     *
     * @param who null when the program itself made it
     * @param tag of the tree it was about
     */
    record SiteChangeView(
            long id,
            Instant at,
            @MayBeNull Long personId,
            @MayBeNull String who,
            String entity,
            String action,
            @MayBeNull Long treeId,
            @MayBeNull String tag) {}

    /**
     * The changes at a site, the newest first, a hundred at a time.
     *
     * @param person who made them
     * @param entity what kind of thing they were about
     * @param q a word in what was before or after, or a tree's tag
     * @param before only those older than this one
     */
    @GetMapping("/api/sites/{siteId}/history")
    List<SiteChangeView> changes(
            @PathVariable long siteId,
            @RequestParam Optional<Long> person,
            @RequestParam(defaultValue = "") String entity,
            @RequestParam(defaultValue = "") String q,
            @RequestParam Optional<Long> before) {
        return history
                .ofSite(
                        siteId,
                        new History.Asked(person.orElse(null), entity, q.strip(), before.orElse(Long.MAX_VALUE)),
                        AT_ONCE)
                .stream()
                .map(row -> new SiteChangeView(
                        row.id(),
                        row.at(),
                        row.personId(),
                        row.who(),
                        row.entity(),
                        row.action(),
                        row.treeId(),
                        row.tag()))
                .toList();
    }
}
