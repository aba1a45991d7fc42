package org.diligentbough.server.today;

import java.util.List;
import org.diligentbough.server.today.TimelineService.Moment;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** A tree’s line of time, over HTTP. */
@RestController
class TimelineApi {
    private final TimelineService service;

    TimelineApi(TimelineService service) {
        this.service = service;
    }

    /** Newest first. */
    @GetMapping("/api/trees/{treeId}/timeline")
    List<Moment> timeline(@PathVariable long treeId) {
        return service.timeline(treeId);
    }
}
