package org.diligentbough.server.judgement;

import jakarta.annotation.PreDestroy;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.diligentbough.server.judgement.StaleTreeMapper.ProgressRow;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.OrchardService.TreesOutdated;
import org.diligentbough.server.shared.Today;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Judges trees outside requests. What makes many of them stale marks them in its own transaction; one hand on each server
 * works the marks off, a short transaction a tree, so that several servers share them, a kill loses none, and a request
 * never waits for a site.
 */
@Service
public class JudgingQueue {
    private static final Logger LOG = LoggerFactory.getLogger(JudgingQueue.class);
    /** Marks of other servers are found by looking. */
    private static final long LOOK_EVERY_MS = 1000;

    private static final long STOP_WITHIN_SECONDS = 10;

    private final StaleTreeMapper stale;
    private final JudgementService judgement;
    private final OrchardService orchard;
    private final Today today;
    private final TransactionTemplate transaction;
    private final long lapsedEveryMs;
    private final Semaphore work = new Semaphore(0);
    private final CountDownLatch ended = new CountDownLatch(1);
    private volatile boolean stopping;
    private Thread hand;

    JudgingQueue(
            StaleTreeMapper stale,
            JudgementService judgement,
            OrchardService orchard,
            Today today,
            TransactionTemplate transaction,
            @Value("${bough.judging.lapsed-every-ms:60000}") long lapsedEveryMs) {
        this.stale = stale;
        this.judgement = judgement;
        this.orchard = orchard;
        this.today = today;
        this.transaction = transaction;
        this.lapsedEveryMs = lapsedEveryMs;
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        hand = new Thread(this::workOff, "judging");
        hand.setDaemon(true);
        hand.start();
    }

    /** The tree in hand is ended, since what it would lose is its own time only. */
    @PreDestroy
    void stop() throws InterruptedException {
        stopping = true;
        work.release();
        if (hand != null && !ended.await(STOP_WITHIN_SECONDS, TimeUnit.SECONDS)) {
            LOG.warn("judging did not end in time; the tree in hand is judged anew at the next start");
        }
    }

    /** Marks the trees in the transaction that made them stale. */
    @EventListener
    @Transactional(propagation = Propagation.MANDATORY)
    public void mark(TreesOutdated outdated) {
        stale.mark(outdated.siteId(), outdated.species());
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                work.release();
            }
        });
    }

    /** Marks what lapsed by the calendar, site by site. */
    public void markLapsed() {
        orchard.sites().forEach(site -> stale.markLapsed(site.id(), today.in(site.zone())));
    }

    /** How the judging of a site's trees stands. */
    ProgressRow progress(long siteId) {
        return stale.progress(orchard.site(siteId).id());
    }

    private void workOff() {
        long lookForLapsedAt = System.nanoTime();
        while (!stopping) {
            try {
                if (System.nanoTime() - lookForLapsedAt >= 0) {
                    markLapsed();
                    lookForLapsedAt = System.nanoTime() + TimeUnit.MILLISECONDS.toNanos(lapsedEveryMs);
                }
                if (!judgedOne()) {
                    await();
                }
            } catch (RuntimeException | Error e) {
                // The database may be away; the queue is in it and waits too. Whatever it is, the hand must not go with
                // it.
                LOG.warn("judging waits: {}", e.getMessage());
                await();
            }
        }
        ended.countDown();
    }

    private void await() {
        try {
            if (work.tryAcquire(LOOK_EVERY_MS, TimeUnit.MILLISECONDS)) {
                work.drainPermits();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            stopping = true;
        }
    }

    /** Judges the tree whose turn it is; false when none waits. */
    boolean judgedOne() {
        long[] inHand = {0};
        try {
            return Boolean.TRUE.equals(transaction.execute(status -> {
                Optional<Long> next = stale.next();
                next.ifPresent(treeId -> {
                    inHand[0] = treeId;
                    judgement.judgeAnew(treeId);
                });
                return next.isPresent();
            }));
        } catch (RuntimeException | Error e) {
            if (inHand[0] == 0) {
                throw e;
            }
            LOG.error("tree {} could not be judged; it is tried again later", inHand[0], e);
            stale.putOff(inHand[0]);
            return true;
        }
    }
}
