package org.diligentbough.server.shared;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.diligentbough.core.Effort;
import org.junit.jupiter.api.Test;

class TwoAtATimeTest {
    private final TwoAtATime turns = new TwoAtATime(Duration.ofSeconds(20));

    @Test
    void whatTakesMoreOfAProcessorThanItMayIsEndedAndTheNextIsNot() {
        TwoAtATime brief = new TwoAtATime(Duration.ofMillis(20));
        assertThatThrownBy(() -> brief.ask(() -> {
                    while (true) {
                        Effort.look();
                    }
                }))
                .isInstanceOf(ProblemException.class)
                .hasMessageContaining("of a processor");
        assertThat(brief.ask(() -> "quick")).isEqualTo("quick");
    }

    @Test
    void twoAreJudgedAtATimeAFewWaitAndTheRestAreToldToComeAgain() throws Exception {
        CountDownLatch begun = new CountDownLatch(2);
        CountDownLatch goOn = new CountDownLatch(1);
        AtomicInteger now = new AtomicInteger();
        AtomicInteger most = new AtomicInteger();
        ExecutorService callers = Executors.newFixedThreadPool(10);
        List<Future<Integer>> answers = new ArrayList<>();
        for (int i = 0; i < 10; i++) {
            answers.add(callers.submit(() -> turns.ask(() -> {
                most.accumulateAndGet(now.incrementAndGet(), Math::max);
                begun.countDown();
                try {
                    goOn.await(10, TimeUnit.SECONDS);
                } catch (InterruptedException e) {
                    throw new IllegalStateException(e);
                }
                return now.getAndDecrement();
            })));
        }
        assertThat(begun.await(10, TimeUnit.SECONDS)).isTrue();
        while (turns.room() > 0) {
            Thread.onSpinWait();
        }
        assertThatThrownBy(() -> turns.ask(() -> 1))
                .isInstanceOf(ProblemException.class)
                .hasMessageContaining("two at a time");
        goOn.countDown();
        for (Future<Integer> answer : answers) {
            assertThat(answer.get(10, TimeUnit.SECONDS)).isPositive();
        }
        callers.shutdown();
        assertThat(most).hasValue(2);
        assertThat(turns.ask(() -> "again")).isEqualTo("again");
    }
}
