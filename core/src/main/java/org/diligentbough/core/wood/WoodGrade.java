package org.diligentbough.core.wood;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * How sound a tree's wood is.
 *
 * @param grade the worst of what is known, and B at best while a part is not; empty when nothing is known
 * @param parts all parts, known or not
 */
public record WoodGrade(Optional<Grade> grade, List<Part> parts) {

    /**
     * One part of it.
     *
     * @param value its figure: a share, a number, centimetres; empty where there is none
     * @param measure what that figure is
     * @param grade empty: not known
     * @param on when that was seen
     */
    public record Part(
            GradePart part, OptionalDouble value, Measure measure, Optional<Grade> grade, Optional<LocalDate> on) {}

    /** What a part's figure says. */
    public enum Measure {
        SHARE_DEAD,
        DISEASES,
        DECAYED_FACES_SHARE,
        WALL_RATIO,
        CRACK_CM,
        STEM_UNION,
        WOUNDS,
        SHOOTS_CM
    }
}
