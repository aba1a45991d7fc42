package org.diligentbough.core.wood;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.diligentbough.core.survey.Face;

/**
 * A cut face of three centimetres and over, or an old wound found on a walk.
 *
 * @param madeOn the day it was cut, or found
 * @param diameterCm across when it was made, cm, over 0
 * @param face what the wood was like then; empty where nobody said
 * @param hollowCm width of what was rotten or gone there, cm
 * @param looks the later looks at it, oldest first
 */
public record Wound(
        LocalDate madeOn, double diameterCm, Optional<Face> face, OptionalDouble hollowCm, List<Look> looks) {

    private static final double MM_A_CM = 10;

    public Wound {
        if (!(diameterCm > 0)) {
            throw new IllegalArgumentException("a wound wants a diameter over 0 cm");
        }
        looks = looks.stream().sorted(Comparator.comparing(Look::on)).toList();
    }

    /** What a wound looks like in a later year. */
    public enum State {
        CLOSED,
        CLOSING,
        DRY,
        WEEPING,
        SOFT,
        FUNGUS;

        /** Whether it rots. */
        public boolean rots() {
            return this == SOFT || this == FUNGUS;
        }
    }

    /** One look: the open width the long and the short way, mm, 0 and over. */
    public record Look(LocalDate on, double longMm, double shortMm, State state) {

        /** Mean of both ways, mm; nothing is open of what has closed. */
        public double openMm() {
            return state == State.CLOSED ? 0 : (longMm + shortMm) / 2;
        }
    }

    /** Across when it was made, mm. */
    public double madeMm() {
        return diameterCm * MM_A_CM;
    }

    /** The newest look. */
    public Optional<Look> last() {
        return looks.isEmpty() ? Optional.empty() : Optional.of(looks.get(looks.size() - 1));
    }

    /** The first look that found it closed. */
    public Optional<Look> closed() {
        return last().filter(look -> look.openMm() == 0)
                .flatMap(
                        end -> looks.stream().filter(look -> look.openMm() == 0).findFirst());
    }

    /** Whether the face or any look showed rot. */
    public boolean rots() {
        return looks.stream().anyMatch(look -> look.state().rots());
    }

    /** The wound as it was known at the end of a day. */
    public Wound asOf(LocalDate day) {
        return new Wound(
                madeOn,
                diameterCm,
                face,
                hollowCm,
                looks.stream().filter(look -> !look.on().isAfter(day)).toList());
    }
}
