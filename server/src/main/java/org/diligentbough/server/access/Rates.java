package org.diligentbough.server.access;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.Ticker;
import java.time.Duration;
import java.util.concurrent.atomic.AtomicInteger;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.stereotype.Component;

/** Counts what somebody asks for, and has whoever asks too often wait. Nobody is locked out for good. */
@Component
public class Rates {
    private static final int MOST_COUNTED = 100_000;

    private final Cache<String, AtomicInteger> minute;
    private final Cache<String, AtomicInteger> hour;

    Rates() {
        this(Ticker.systemTicker());
    }

    Rates(Ticker ticker) {
        minute = counters(Duration.ofMinutes(1), ticker);
        hour = counters(Duration.ofHours(1), ticker);
    }

    private static Cache<String, AtomicInteger> counters(Duration window, Ticker ticker) {
        return Caffeine.newBuilder()
                .expireAfterWrite(window)
                .maximumSize(MOST_COUNTED)
                .ticker(ticker)
                .build();
    }

    /**
     * Counts one more.
     *
     * @throws ProblemException 429 when it is one more than {@code most} within a minute of the first
     */
    public void aMinute(String what, int most) {
        count(minute, what, most, Duration.ofMinutes(1), "in a minute");
    }

    /** The same for an hour. */
    public void anHour(String what, int most) {
        count(hour, what, most, Duration.ofHours(1), "in an hour");
    }

    private static void count(
            Cache<String, AtomicInteger> counters, String what, int most, Duration window, String when) {
        if (counters.get(what, key -> new AtomicInteger()).incrementAndGet() > most) {
            throw ProblemException.tooOften(
                    "That was asked too often. Nothing is lost: try again " + when + ".", (int) window.toSeconds());
        }
    }
}
