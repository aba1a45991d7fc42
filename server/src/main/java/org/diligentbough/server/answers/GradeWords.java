package org.diligentbough.server.answers;

import java.util.Locale;
import org.diligentbough.core.wood.WoodFacts.Union;
import org.diligentbough.core.wood.WoodGrade.Part;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;

/** Parts of a grade in words. */
@Component
class GradeWords {
    private final MessageSource messages;

    GradeWords(MessageSource messages) {
        this.messages = messages;
    }

    /** Its figure in words. */
    String text(Part part) {
        if (part.grade().isEmpty()) {
            return say("grade-not-known-" + code(part.part()));
        }
        double value = part.value().orElse(0);
        return switch (part.measure()) {
            case STEM_UNION -> say("grade-stem-union-" + code(Union.values()[(int) value]));
            default -> say("grade-" + code(part.measure()), value);
        };
    }

    /** Where it was seen. */
    String source(Part part) {
        return say("grade-source-" + code(part.measure()));
    }

    private static String code(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private String say(String code, Object... with) {
        return messages.getMessage(code, with, Locale.ENGLISH);
    }
}
