package org.diligentbough.server.job;

import jakarta.annotation.PreDestroy;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.diligentbough.server.job.JobMapper.JobRow;
import org.diligentbough.server.job.JobMapper.PieceRow;
import org.diligentbough.server.judgement.JudgementService;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.ProblemException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.concurrent.CustomizableThreadFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Works through a site's trees one after another: each is judged anew, a short transaction a tree, by as many hands on each
 * server as there are processors. What is left of a job is in the database, so that it can be watched and cancelled through
 * any server, several servers share it, and one that goes away leaves it to the others or to its own next start.
 */
@Service
public class JobService {
    private static final Logger LOG = LoggerFactory.getLogger(JobService.class);
    /** Jobs started through other servers are found by looking. */
    private static final long LOOK_EVERY_MS = 1000;

    private static final long STOP_WITHIN_SECONDS = 10;

    private final JobMapper jobs;
    private final JudgementService judgement;
    private final CurrentPerson person;
    private final TransactionTemplate transaction;
    private final int hands = Math.max(2, Runtime.getRuntime().availableProcessors());
    private final ExecutorService workers = Executors.newFixedThreadPool(hands, new CustomizableThreadFactory("job-"));
    private final Semaphore work = new Semaphore(0);
    private volatile boolean stopping;

    JobService(JobMapper jobs, JudgementService judgement, CurrentPerson person, TransactionTemplate transaction) {
        this.jobs = jobs;
        this.judgement = judgement;
        this.person = person;
        this.transaction = transaction;
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        for (int i = 0; i < hands; i++) {
            workers.submit(this::workOff);
        }
    }

    /** The trees in hand are ended; the rest waits for another server or the next start. */
    @PreDestroy
    void stop() throws InterruptedException {
        stopping = true;
        work.release(hands);
        workers.shutdown();
        if (!workers.awaitTermination(STOP_WITHIN_SECONDS, TimeUnit.SECONDS)) {
            LOG.warn("a job's tree did not end in time; it is worked out anew at the next start");
        }
    }

    /** Starts work of a kind on a site's trees, or tells of the same work that waits or runs already. */
    public JobRow start(String kind, long siteId, List<Long> trees) {
        long who = person.id();
        Optional<Long> added = transaction.execute(status -> {
            Optional<Long> id = jobs.add(kind, siteId, who, trees.size());
            if (id.isPresent() && trees.isEmpty()) {
                jobs.end(id.get(), "done", null);
            } else if (id.isPresent()) {
                jobs.addPieces(id.get(), trees);
            }
            return id;
        });
        work.release(hands);
        return added.map(this::job).orElseGet(() -> latest(kind, siteId).orElseThrow());
    }

    private void workOff() {
        while (!stopping) {
            try {
                if (!workedOne()) {
                    work.tryAcquire(LOOK_EVERY_MS, TimeUnit.MILLISECONDS);
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return;
            } catch (RuntimeException | Error e) {
                // The database may be away; the jobs are in it and wait too.
                LOG.warn("jobs wait: {}", e.getMessage());
                pause();
            }
        }
    }

    private void pause() {
        try {
            TimeUnit.MILLISECONDS.sleep(LOOK_EVERY_MS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            stopping = true;
        }
    }

    /** Works out the piece whose turn it is; false when none waits. */
    private boolean workedOne() {
        PieceRow[] inHand = {null};
        try {
            return Boolean.TRUE.equals(transaction.execute(status -> {
                Optional<PieceRow> next = jobs.next();
                next.ifPresent(piece -> {
                    inHand[0] = piece;
                    judgement.judgeAnew(piece.treeId());
                    jobs.drop(piece);
                    jobs.progress(piece.jobId());
                    jobs.endIfNothingIsLeft(piece.jobId());
                });
                return next.isPresent();
            }));
        } catch (RuntimeException | Error e) {
            if (inHand[0] == null) {
                throw e;
            }
            LOG.error("job {} stopped at tree {}", inHand[0].jobId(), inHand[0].treeId(), e);
            end(
                    inHand[0].jobId(),
                    "failed",
                    "It stopped at a tree that could not be worked out. What was done before holds.");
            return true;
        }
    }

    private void end(long id, String state, String problem) {
        transaction.executeWithoutResult(status -> {
            // Pieces before the job, as hands take them, so that neither waits for the other.
            jobs.dropPieces(id);
            jobs.end(id, state, problem);
        });
    }

    /** How a job stands. */
    public JobRow job(long id) {
        return jobs.find(id).orElseThrow(() -> ProblemException.notFound("There is no such job."));
    }

    /** The latest job of a kind at a site. */
    public Optional<JobRow> latest(String kind, long siteId) {
        return jobs.latest(siteId, kind);
    }

    /** Stops a job after the trees at hand; what was done holds. */
    public JobRow cancel(long id) {
        person.id();
        job(id);
        end(id, "cancelled", null);
        return job(id);
    }
}
