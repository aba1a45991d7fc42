package org.diligentbough.server.shared;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.Source;
import org.diligentbough.core.roster.Must;
import org.diligentbough.core.roster.Roster;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;

/** Puts the core's reasons into sentences. */
@Component
public class Wording {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM uuuu", Locale.ENGLISH);

    private final MessageSource messages;
    private final Units units;

    Wording(MessageSource messages, Units units) {
        this.messages = messages;
        this.units = units;
    }

    /** A reason as shown and answered. */
    public record Worded(String code, String text, String source) {}

    public List<Worded> all(List<Reason> reasons) {
        return reasons.stream().map(this::of).toList();
    }

    /** What of a day's crews may not be: at a tree, or of a crew; {@code what} is a ticket, a kit or a time. */
    public String breach(Must must, String tree, String what) {
        return messages.getMessage("breach." + Codes.of(must), new Object[] {tree, what}, Locale.ENGLISH);
    }

    /** Why a tree found no place on a roster. */
    public String of(Roster.Reason reason) {
        return messages.getMessage(
                "roster." + Codes.of(reason.why()), new Object[] {reason.what().replace('-', ' ')}, Locale.ENGLISH);
    }

    /** The sentence for a reason and where it comes from. */
    public Worded of(Reason reason) {
        String code = Codes.of(reason.code());
        return new Worded(code, say(code, reason.arguments().toArray()), source(reason.source()));
    }

    /** A sentence of the catalogue, days written out, in the units of whoever asks. */
    public String say(String code, Object... with) {
        Object[] arguments = Stream.of(with).map(this::argument).toArray();
        return units.inWords(messages.getMessage(code, arguments, Locale.ENGLISH));
    }

    private Object argument(Object argument) {
        if (argument instanceof LocalDate day) {
            return DAY.format(day);
        }
        if (argument instanceof Reason reason) {
            return of(reason).text();
        }
        return argument instanceof Enum<?> value ? value(value) : argument;
    }

    /** A value of an enumeration in words: its written form with spaces, unless the catalogue knows better. */
    private String value(Enum<?> value) {
        String code = Codes.of(value);
        return messages.getMessage("value-" + code, null, code.replace('-', ' '), Locale.ENGLISH);
    }

    /** Where a number or a rule comes from. */
    public String source(Source source) {
        return switch (source.mark()) {
            case COMMON_PRACTICE -> "common practice";
            case FROM_MEMORY -> "from memory: " + source.publication();
            case OWN_ASSUMPTION -> "our own assumption";
        };
    }
}
