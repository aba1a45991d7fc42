package org.diligentbough.server.judgement;

import org.diligentbough.server.judgement.StaleTreeMapper.ProgressRow;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** How far the judging of a site's trees has come. */
@RestController
class JudgingApi {
    private final JudgingQueue queue;

    JudgingApi(JudgingQueue queue) {
        this.queue = queue;
    }

    /**
     * What waits to be judged.
     *
     * @param waiting trees whose judgement in lists is not the newest yet
     * @param failing those of them that could not be judged when they were tried, and are tried again later
     * @param trees all that are judged at the site
     */
    record JudgingView(int waiting, int failing, int trees) {}

    @GetMapping("/api/sites/{siteId}/judging")
    JudgingView judging(@PathVariable long siteId) {
        ProgressRow progress = queue.progress(siteId);
        return new JudgingView(progress.waiting(), progress.failing(), progress.trees());
    }
}
