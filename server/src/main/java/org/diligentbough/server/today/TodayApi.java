package org.diligentbough.server.today;

import org.diligentbough.server.today.TodayService.BoardView;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** What a coordinator looks at first, over HTTP. */
@RestController
class TodayApi {
    private final TodayService service;

    TodayApi(TodayService service) {
        this.service = service;
    }

    @GetMapping("/api/sites/{siteId}/today")
    BoardView board(@PathVariable long siteId) {
        return service.board(siteId);
    }
}
