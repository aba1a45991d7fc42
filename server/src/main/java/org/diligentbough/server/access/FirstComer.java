package org.diligentbough.server.access;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Writes into the log, once all is ready, by which address the first coordinator comes in, while there is nobody who could invite them. */
@Component
class FirstComer {
    private static final Logger LOG = LoggerFactory.getLogger(FirstComer.class);

    private final InvitationService invitations;
    private final AccountMapper accounts;

    FirstComer(InvitationService invitations, AccountMapper accounts) {
        this.invitations = invitations;
        this.accounts = accounts;
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        accounts.forgetOldEvents();
        invitations
                .first()
                .ifPresentOrElse(
                        secret -> LOG.info("the first coordinator comes in at /join#{}", secret),
                        () -> LOG.info("people come in by signing in or by invitation"));
    }
}
