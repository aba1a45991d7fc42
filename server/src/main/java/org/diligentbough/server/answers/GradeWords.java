package org.diligentbough.server.answers;

import java.util.Locale;
import org.diligentbough.core.wood.WoodFacts.Union;
import org.diligentbough.core.wood.WoodGrade.Part;
import org.diligentbough.server.shared.Wording;
import org.springframework.stereotype.Component;

/** Parts of a grade in words. */
@Component
class GradeWords {
    private final Wording wording;

    GradeWords(Wording wording) {
        this.wording = wording;
    }

    /** Its figure in words. */
    String text(Part part) {
        if (part.grade().isEmpty()) {
            return wording.say("grade-not-known-" + code(part.part()));
        }
        double value = part.value().orElse(0);
        return switch (part.measure()) {
            case STEM_UNION -> wording.say("grade-stem-union-" + code(Union.values()[(int) value]));
            default -> wording.say("grade-" + code(part.measure()), value);
        };
    }

    /** Where it was seen. */
    String source(Part part) {
        return wording.say("grade-source-" + code(part.measure()));
    }

    private static String code(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
