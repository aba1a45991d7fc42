package org.diligentbough.server.job;

import jakarta.annotation.PreDestroy;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import org.diligentbough.server.job.JobMapper.JobRow;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.ProblemException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;

/**
 * Runs work that takes long, one piece after another on as many threads as there are processors. Its progress is kept in
 * the database: it can be looked at, and cancelled, from any page and through any server.
 */
@Service
public class JobService {
    private static final Logger LOG = LoggerFactory.getLogger(JobService.class);
    private static final int PIECES_BETWEEN_NOTES = 5;

    private final JobMapper jobs;
    private final CurrentPerson person;
    private final int threads = Math.max(2, Runtime.getRuntime().availableProcessors());
    private final ExecutorService workers = Executors.newFixedThreadPool(threads);

    JobService(JobMapper jobs, CurrentPerson person) {
        this.jobs = jobs;
        this.person = person;
    }

    @PreDestroy
    void stop() {
        workers.shutdownNow();
    }

    /** Starts work of a kind on a site, or tells of the same work that runs already. */
    public JobRow start(String kind, long siteId, List<Long> pieces, Consumer<Long> work) {
        long who = person.id();
        Optional<JobRow> running =
                latest(kind, siteId).filter(job -> job.state().equals("running"));
        if (running.isPresent()) {
            return running.get();
        }
        long id = jobs.start(kind, siteId, who, pieces.size());
        AtomicInteger next = new AtomicInteger();
        AtomicInteger done = new AtomicInteger();
        AtomicInteger atWork = new AtomicInteger(threads);
        AtomicBoolean over = new AtomicBoolean();
        for (int i = 0; i < threads; i++) {
            workers.submit(() -> {
                try {
                    for (int at = next.getAndIncrement();
                            at < pieces.size() && !over.get();
                            at = next.getAndIncrement()) {
                        work.accept(pieces.get(at));
                        int count = done.incrementAndGet();
                        if (count % PIECES_BETWEEN_NOTES == 0 && jobs.progress(id, count) == 0) {
                            over.set(true);
                        }
                    }
                } catch (RuntimeException e) {
                    over.set(true);
                    LOG.error("job {} stopped", id, e);
                    jobs.end(
                            id,
                            "failed",
                            "It stopped at a piece that could not be worked out. What was done before holds.");
                }
                if (atWork.decrementAndGet() == 0 && !over.get()) {
                    jobs.progress(id, done.get());
                    jobs.end(id, "done", null);
                }
            });
        }
        return job(id);
    }

    /** How a job stands; one whose server went away counts as failed. */
    public JobRow job(long id) {
        JobRow job = jobs.find(id).orElseThrow(() -> ProblemException.notFound("There is no such job."));
        return endedIfSilent(job);
    }

    /** The latest job of a kind at a site. */
    public Optional<JobRow> latest(String kind, long siteId) {
        return jobs.latest(siteId, kind).map(this::endedIfSilent);
    }

    private JobRow endedIfSilent(JobRow job) {
        if (!job.silent()) {
            return job;
        }
        jobs.end(
                job.id(), "failed", "The server was stopped while it ran. What was done before holds; start it again.");
        return jobs.find(job.id()).orElseThrow();
    }

    /** Stops a job after the pieces at hand; what was done holds. */
    public JobRow cancel(long id) {
        person.id();
        job(id);
        jobs.end(id, "cancelled", null);
        return job(id);
    }
}
