package org.diligentbough.server.invite;

import com.samskivert.mustache.Mustache;
import com.samskivert.mustache.Template;
import jakarta.mail.MessagingException;
import jakarta.mail.Session;
import jakarta.mail.internet.MimeMessage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.Date;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Properties;
import java.util.UUID;
import org.springframework.context.MessageSource;
import org.springframework.core.io.ByteArrayResource;
import org.springframework.core.io.ClassPathResource;
import org.springframework.mail.javamail.MimeMessageHelper;
import org.springframework.stereotype.Component;

/**
 * Lays letters out: as plain text and as HTML in which every field is escaped, with the day's calendar entry, as one MIME message
 * (RFC 5322, RFC 2045) the way it is kept and sent.
 */
@Component
class LetterMime {
    private final MessageSource messages;
    private final MailSettings settings;
    private final Clock clock;
    private final Template text = template("letter.txt", false);
    private final Template html = template("letter.html", true);

    LetterMime(MessageSource messages, MailSettings settings, Clock clock) {
        this.messages = messages;
        this.settings = settings;
        this.clock = clock;
    }

    private static Template template(String name, boolean escapes) {
        try {
            return Mustache.compiler()
                    .escapeHTML(escapes)
                    .emptyStringIsFalse(true)
                    .compile(new ClassPathResource("mail/" + name).getContentAsString(StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** What is read, without any markup. */
    String text(Letter letter) {
        return text.execute(fields(letter)).strip() + "\n";
    }

    private Map<String, Object> fields(Letter letter) {
        Map<String, Object> fields = new HashMap<>();
        fields.put("subject", letter.subject());
        fields.put("hello", letter.hello());
        fields.put("paragraphs", letter.paragraphs());
        fields.put("turns", letter.turns());
        fields.put("turns?", !letter.turns().isEmpty());
        fields.put("link", letter.link());
        fields.put("answer", messages.getMessage("mail.answer", null, Locale.ENGLISH));
        fields.put("end", messages.getMessage("mail.end", null, Locale.ENGLISH));
        return fields;
    }

    /**
     * The whole message.
     *
     * @param to a mail address, or null where none is known: then the field is left out
     */
    byte[] message(Letter letter, String to) {
        try {
            MimeMessage message = new Numbered();
            MimeMessageHelper parts = new MimeMessageHelper(message, true, StandardCharsets.UTF_8.name());
            parts.setFrom(settings.from());
            if (to != null) {
                parts.setTo(to);
            }
            parts.setSubject(letter.subject().replaceAll("\\p{Cntrl}+", " "));
            parts.setSentDate(Date.from(clock.instant()));
            parts.setText(text(letter), html.execute(fields(letter)));
            parts.addAttachment(
                    "day.ics",
                    new ByteArrayResource(letter.calendar().getBytes(StandardCharsets.UTF_8)),
                    "text/calendar; charset=UTF-8; method=" + (letter.cancels() ? "CANCEL" : "PUBLISH"));
            ByteArrayOutputStream written = new ByteArrayOutputStream();
            message.writeTo(written);
            return written.toByteArray();
        } catch (MessagingException e) {
            throw new IllegalArgumentException("This letter cannot be written.", e);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Is numbered without the name of the machine it was written on. */
    private static final class Numbered extends MimeMessage {
        Numbered() {
            super(Session.getInstance(new Properties()));
        }

        @Override
        protected void updateMessageID() throws MessagingException {
            setHeader("Message-ID", "<" + UUID.randomUUID() + "@diligent-bough>");
        }
    }
}
