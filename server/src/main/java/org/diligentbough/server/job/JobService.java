package org.diligentbough.server.job;

import jakarta.annotation.PostConstruct;
import jakarta.annotation.PreDestroy;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
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
    private static final int BEAT_EVERY_SECONDS = 5;
    private static final String STOPPED =
            "The server was stopped while it ran. What was done before holds; start it again.";

    private final JobMapper jobs;
    private final CurrentPerson person;
    private final int threads = Math.max(2, Runtime.getRuntime().availableProcessors());
    private final ExecutorService workers = Executors.newFixedThreadPool(threads);

    JobService(JobMapper jobs, CurrentPerson person) {
        this.jobs = jobs;
        this.person = person;
    }

    /** Jobs that wait for this server's hands or are in them. */
    private final Set<Long> mine = ConcurrentHashMap.newKeySet();

    private final ScheduledExecutorService pulse = Executors.newSingleThreadScheduledExecutor();

    @PostConstruct
    void beat() {
        pulse.scheduleWithFixedDelay(this::sayAlive, BEAT_EVERY_SECONDS, BEAT_EVERY_SECONDS, TimeUnit.SECONDS);
    }

    /** A piece may take longer than a job may be silent. */
    private void sayAlive() {
        try {
            if (!mine.isEmpty()) {
                jobs.alive(List.copyOf(mine));
            }
        } catch (RuntimeException e) {
            // The next beat may reach the database again; until then the job is silent, as it should be.
            LOG.warn("jobs could not be said to be alive: {}", e.getMessage());
        }
    }

    /** Ends the jobs of this server, so that nobody waits for them. */
    @PreDestroy
    void stop() {
        pulse.shutdownNow();
        workers.shutdownNow();
        for (long id : mine) {
            try {
                jobs.end(id, "failed", STOPPED);
            } catch (RuntimeException e) {
                LOG.warn("job {} could not be ended: {}", id, e.getMessage());
            }
        }
    }

    /** Starts work of a kind on a site, or tells of the same work that waits or runs already. */
    public JobRow start(String kind, long siteId, List<Long> pieces, Consumer<Long> work) {
        long who = person.id();
        jobs.latest(siteId, kind).filter(JobRow::silent).ifPresent(job -> jobs.end(job.id(), "failed", STOPPED));
        Optional<Long> added = jobs.add(kind, siteId, who, pieces.size());
        if (added.isEmpty()) {
            return latest(kind, siteId).orElseThrow();
        }
        long id = added.get();
        mine.add(id);
        Running running = new Running(id, pieces, work);
        for (int i = 0; i < threads; i++) {
            workers.submit(running);
        }
        return job(id);
    }

    /** A job, worked at by several hands at once. */
    private final class Running implements Runnable {
        private final long id;
        private final List<Long> pieces;
        private final Consumer<Long> work;
        private final AtomicInteger next = new AtomicInteger();
        private final AtomicInteger done = new AtomicInteger();
        private final AtomicInteger handsLeft = new AtomicInteger(threads);
        private final AtomicBoolean begun = new AtomicBoolean();
        private final AtomicBoolean over = new AtomicBoolean();

        private Running(long id, List<Long> pieces, Consumer<Long> work) {
            this.id = id;
            this.pieces = pieces;
            this.work = work;
        }

        @Override
        public void run() {
            try {
                if (begun.compareAndSet(false, true) && jobs.begin(id) == 0) {
                    over.set(true);
                }
                for (int at = next.getAndIncrement(); at < pieces.size() && !over.get(); at = next.getAndIncrement()) {
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
            } finally {
                if (handsLeft.decrementAndGet() == 0) {
                    end();
                }
            }
        }

        private void end() {
            if (!over.get()) {
                jobs.progress(id, done.get());
                jobs.end(id, "done", null);
            }
            mine.remove(id);
        }
    }

    /** How a job stands; one whose server went away counts as failed. */
    public JobRow job(long id) {
        JobRow job = jobs.find(id).orElseThrow(() -> ProblemException.notFound("There is no such job."));
        return told(job);
    }

    /** The latest job of a kind at a site. */
    public Optional<JobRow> latest(String kind, long siteId) {
        return jobs.latest(siteId, kind).map(JobService::told);
    }

    private static JobRow told(JobRow job) {
        return job.silent() ? job.as("failed", STOPPED) : job;
    }

    /** Stops a job after the pieces at hand; what was done holds. */
    public JobRow cancel(long id) {
        person.id();
        job(id);
        jobs.end(id, "cancelled", null);
        return job(id);
    }
}
