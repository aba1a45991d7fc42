package org.diligentbough.server.shared;

import java.time.Duration;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.diligentbough.core.Effort;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Lets two of the open computations be done at a time, so that whoever calls it leaves the server its time for the others. A
 * few wait for their turn, no longer than a moment; the rest are told to come again.
 */
@Component
public class TwoAtATime {
    private static final int AT_A_TIME = 2;
    private static final int WAITING = 8;
    private static final long WAIT_SECONDS = 2;

    private final Semaphore turns = new Semaphore(AT_A_TIME, true);
    private final Semaphore here = new Semaphore(AT_A_TIME + WAITING);

    private final Duration most;

    TwoAtATime(@Value("${bough.open-computations.processor-time:20s}") Duration most) {
        this.most = most;
    }

    public <T> T ask(Supplier<T> work) {
        if (!here.tryAcquire()) {
            throw busy();
        }
        try {
            if (!turns.tryAcquire(WAIT_SECONDS, TimeUnit.SECONDS)) {
                throw busy();
            }
            try {
                return Effort.within(most, work);
            } finally {
                turns.release();
            }
        } catch (Effort.TooMuch e) {
            throw ProblemException.tooLarge(
                    "Reckoning this takes more than " + most.toSeconds()
                            + " seconds of a processor, which is the most for what is asked without signing in. Send less at a time; of a tree leave out limbs or what hardly shades it.");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw busy();
        } finally {
            here.release();
        }
    }

    /** How many more may come and wait. */
    int room() {
        return here.availablePermits();
    }

    private static ProblemException busy() {
        return ProblemException.busy(
                "Others are being served just now, two at a time. Nothing is lost: send this one again in a moment.");
    }
}
