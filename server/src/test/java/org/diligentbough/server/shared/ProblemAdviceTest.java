package org.diligentbough.server.shared;

import static org.assertj.core.api.Assertions.assertThat;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.read.ListAppender;
import java.io.IOException;
import org.apache.catalina.connector.ClientAbortException;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.slf4j.LoggerFactory;

class ProblemAdviceTest {
    private final Logger log = (Logger) LoggerFactory.getLogger(ProblemAdvice.class);
    private final ListAppender<ILoggingEvent> said = new ListAppender<>();

    @BeforeEach
    void listen() {
        said.start();
        log.addAppender(said);
    }

    @AfterEach
    void stop() {
        log.detachAppender(said);
    }

    @Test
    void somebodyWhoDoesNotWaitForTheAnswerIsNoFailure() {
        assertThat(new ProblemAdvice().unexpected(new ClientAbortException(new IOException("Broken pipe"))))
                .isNull();
        assertThat(said.list).isEmpty();
    }

    @Test
    void whatFailsHereIsWrittenDownAndTold() {
        assertThat(new ProblemAdvice()
                        .unexpected(new IllegalStateException("odd"))
                        .getStatusCode()
                        .value())
                .isEqualTo(500);
        assertThat(said.list).extracting(ILoggingEvent::getLevel).containsExactly(Level.ERROR);
    }
}
