package org.diligentbough.server.invite;

import jakarta.annotation.PreDestroy;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.concurrent.CustomizableThreadFactory;
import org.springframework.stereotype.Component;

/** Has people reminded in time. */
@Component
class Reminders {
    private static final Logger LOG = LoggerFactory.getLogger(Reminders.class);
    private static final int LOOK_EVERY_MINUTES = 10;

    private final DayInvitations invitations;
    private final ScheduledExecutorService clock =
            Executors.newSingleThreadScheduledExecutor(new CustomizableThreadFactory("remind-"));

    Reminders(DayInvitations invitations) {
        this.invitations = invitations;
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        clock.scheduleWithFixedDelay(this::remind, 1, LOOK_EVERY_MINUTES, TimeUnit.MINUTES);
    }

    @PreDestroy
    void stop() {
        clock.shutdown();
    }

    private void remind() {
        try {
            invitations.remind();
        } catch (RuntimeException e) {
            LOG.warn("reminders wait: {}", e.getMessage());
        }
    }
}
