package org.diligentbough.server.job;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import org.diligentbough.server.job.JobMapper.JobRow;
import org.diligentbough.server.light.SiteLightService;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.shared.MayBeNull;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Work that takes long: started, watched, cancelled. */
@RestController
public class JobApi {
    private static final long LOOK_EVERY_MS = 300;

    private final JobService service;
    private final OrchardService orchard;
    private final SiteLightService light;
    private final ScheduledExecutorService looking = Executors.newScheduledThreadPool(1);

    JobApi(JobService service, OrchardService orchard, SiteLightService light) {
        this.service = service;
        this.orchard = orchard;
        this.light = light;
    }

    @PreDestroy
    void stop() {
        looking.shutdownNow();
    }

    /**
     * How a job stands.
     *
     * @param state waiting, running, done, cancelled or failed
     * @param done pieces worked out of {@code total}
     * @param problem why it failed
     */
    public record JobView(
            long id,
            String state,
            int done,
            int total,
            @MayBeNull String problem) {}

    /** Works out the light of every surveyed tree of a site anew, and with it judgement and plan. */
    @PostMapping("/api/sites/{siteId}/light/job")
    @ResponseStatus(HttpStatus.ACCEPTED)
    JobView startLight(@PathVariable long siteId) {
        return start("light", siteId, light.surveyed(orchard.site(siteId).id()));
    }

    /** The latest such job of a site, or none. */
    @GetMapping("/api/sites/{siteId}/light/job")
    List<JobView> lightJob(@PathVariable long siteId) {
        return latest("light", siteId);
    }

    /** Judges a site's trees anew as work of a kind. */
    public JobView start(String kind, long siteId, List<Long> trees) {
        return view(service.start(kind, siteId, trees));
    }

    /** The latest work of a kind at a site, or none. */
    public List<JobView> latest(String kind, long siteId) {
        return service.latest(kind, orchard.site(siteId).id()).stream()
                .map(JobApi::view)
                .toList();
    }

    @PostMapping("/api/jobs/{jobId}/cancel")
    JobView cancelJob(@PathVariable long jobId) {
        return view(service.cancel(jobId));
    }

    @GetMapping("/api/jobs/{jobId}")
    JobView job(@PathVariable long jobId) {
        return view(service.job(jobId));
    }

    /** A job's progress as server-sent events until it has ended. */
    @Hidden
    @GetMapping(path = "/api/jobs/{jobId}/progress", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter progress(@PathVariable long jobId) {
        service.job(jobId);
        SseEmitter events = new SseEmitter(0L);
        ScheduledFuture<?> look = looking.scheduleWithFixedDelay(
                () -> {
                    try {
                        JobView job = view(service.job(jobId));
                        events.send(job, MediaType.APPLICATION_JSON);
                        if (!job.state().equals("waiting") && !job.state().equals("running")) {
                            events.complete();
                        }
                    } catch (IOException | RuntimeException e) {
                        events.completeWithError(e);
                    }
                },
                0,
                LOOK_EVERY_MS,
                TimeUnit.MILLISECONDS);
        events.onCompletion(() -> look.cancel(false));
        events.onError(e -> look.cancel(false));
        return events;
    }

    private static JobView view(JobRow job) {
        return new JobView(job.id(), job.state(), job.done(), job.total(), job.problem());
    }
}
