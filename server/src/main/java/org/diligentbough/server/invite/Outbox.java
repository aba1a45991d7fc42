package org.diligentbough.server.invite;

import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.io.ByteArrayInputStream;
import java.util.List;
import java.util.Optional;
import java.util.Properties;
import java.util.concurrent.TimeUnit;
import org.diligentbough.server.access.PrivacyService.PersonForgotten;
import org.diligentbough.server.invite.LetterMapper.EmlRow;
import org.diligentbough.server.invite.LetterMapper.Kind;
import org.diligentbough.server.invite.LetterMapper.LetterRow;
import org.diligentbough.server.invite.LetterMapper.State;
import org.diligentbough.server.shared.ProblemException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.mail.MailException;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/**
 * What is written to people. Every letter is kept as it is; where a mail server is named it is sent outside of requests, tried
 * again when that server does not take it, and given up after some tries with what the server said.
 */
@Service
class Outbox {
    private static final Logger LOG = LoggerFactory.getLogger(Outbox.class);
    private static final int MOST_TRIES = 6;
    private static final double FIRST_WAIT_SECONDS = 30;
    private static final double HOLD_SECONDS = 60;
    private static final int TIMEOUT_MS = 15_000;
    private static final int LOOK_EVERY_SECONDS = 2;
    private static final int KEPT_DAYS = 90;
    private static final int LONGEST_FAILURE = 300;

    private final LetterMapper letters;
    private final LetterMime mime;
    private final MailSettings settings;
    private final JavaMailSenderImpl server = new JavaMailSenderImpl();

    Outbox(LetterMapper letters, LetterMime mime, MailSettings settings) {
        this.letters = letters;
        this.mime = mime;
        this.settings = settings;
        if (settings.goesOut()) {
            server.setHost(settings.host());
            server.setPort(settings.port());
            Properties how = server.getJavaMailProperties();
            how.put("mail.smtp.connectiontimeout", TIMEOUT_MS);
            how.put("mail.smtp.timeout", TIMEOUT_MS);
            how.put("mail.smtp.writetimeout", TIMEOUT_MS);
            how.put("mail.smtp.starttls.enable", settings.tls());
            how.put("mail.smtp.starttls.required", settings.tls());
            if (settings.user() != null && !settings.user().isBlank()) {
                server.setUsername(settings.user());
                server.setPassword(settings.password());
                how.put("mail.smtp.auth", true);
            }
        }
    }

    @Scheduled(initialDelay = 1, fixedDelay = 24, timeUnit = TimeUnit.HOURS)
    void dropOld() {
        letters.dropOlder(KEPT_DAYS);
    }

    /** For whom a letter is, about which day. */
    record Addressed(long siteId, long personId, long dayId, String mail) {}

    /** Puts a letter into the outbox. */
    void put(Addressed to, Kind kind, Letter letter) {
        State state = to.mail() == null ? State.BY_HAND : settings.goesOut() ? State.WAITING : State.KEPT;
        letters.add(
                to.siteId(),
                to.personId(),
                to.dayId(),
                kind,
                to.mail(),
                letter.subject(),
                mime.text(letter),
                letter.link(),
                mime.message(letter, to.mail()),
                state);
    }

    List<LetterRow> ofSite(long siteId, long before, int most) {
        return letters.ofSite(siteId, before, most);
    }

    byte[] eml(long id) {
        return letters.eml(id)
                .orElseThrow(() -> ProblemException.notFound("There is no such letter."))
                .eml();
    }

    @Scheduled(initialDelay = LOOK_EVERY_SECONDS, fixedDelay = LOOK_EVERY_SECONDS, timeUnit = TimeUnit.SECONDS)
    void round() {
        try {
            if (settings.goesOut()) {
                Optional<EmlRow> next = letters.takeNext(HOLD_SECONDS);
                while (next.isPresent()) {
                    send(next.get());
                    next = letters.takeNext(HOLD_SECONDS);
                }
            }
        } catch (RuntimeException e) {
            LOG.warn("the outbox waits: {}", e.getMessage());
        }
    }

    private void send(EmlRow letter) {
        try {
            server.send(new MimeMessage(server.getSession(), new ByteArrayInputStream(letter.eml())));
            letters.sent(letter.id());
        } catch (MailException | MessagingException e) {
            String why = e.getMessage() == null ? e.getClass().getSimpleName() : e.getMessage();
            letters.failed(
                    letter.id(),
                    why.substring(0, Math.min(LONGEST_FAILURE, why.length())),
                    letter.tries() >= MOST_TRIES ? State.GIVEN_UP : State.WAITING,
                    FIRST_WAIT_SECONDS * Math.pow(4, letter.tries() - 1.0));
        }
    }

    @EventListener
    void forgotten(PersonForgotten event) {
        letters.forget(event.personId());
    }
}
