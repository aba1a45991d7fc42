package org.diligentbough.core;

import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.time.Duration;
import java.util.function.Supplier;

/**
 * Bounds the processor time a computation may take, for whoever computes what strangers send. What computes long looks here from
 * time to time; without a bound that costs nothing.
 */
public final class Effort {
    private static final ThreadMXBean THREADS = ManagementFactory.getThreadMXBean();
    private static final ThreadLocal<Long> UNTIL_NS = new ThreadLocal<>();

    private Effort() {}

    /** A computation took more than it may. */
    public static final class TooMuch extends RuntimeException {
        private static final long serialVersionUID = 1L;

        TooMuch() {
            super("The computation takes more processor time than it may.");
        }
    }

    /**
     * Computes something within so much time of the processor, waiting not counted.
     *
     * @throws TooMuch when it takes more
     */
    public static <T> T within(Duration most, Supplier<T> work) {
        UNTIL_NS.set(THREADS.getCurrentThreadCpuTime() + most.toNanos());
        try {
            return work.get();
        } finally {
            UNTIL_NS.remove();
        }
    }

    /** Ends the computation of this thread when it has a bound and that is passed. */
    public static void look() {
        Long until = UNTIL_NS.get();
        if (until != null && THREADS.getCurrentThreadCpuTime() > until) {
            throw new TooMuch();
        }
    }
}
