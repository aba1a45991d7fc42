package org.diligentbough.core.season;

import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;

/**
 * What people saw of the growth of a kind at a site.
 *
 * @param stages stages that had come
 * @param stillGrowing days on which end buds still opened leaves
 */
public record Seen(List<Sighting> stages, List<LocalDate> stillGrowing) {
    /** Nothing was looked at. */
    public static final Seen NOTHING = new Seen(List.of(), List.of());

    public Seen {
        stages = List.copyOf(stages);
        stillGrowing = List.copyOf(stillGrowing);
    }

    /**
     * A stage that had come on a day, and no later one.
     *
     * @param bbch by the BBCH scale, 0 to 99
     * @param on the day it came, as far as people know
     */
    public record Sighting(int bbch, LocalDate on) {
        public Sighting {
            if (bbch < 0 || bbch > 99) {
                throw new IllegalArgumentException("a stage is from 0 to 99, not " + bbch);
            }
        }
    }

    /** This and what others saw. */
    public Seen and(Seen others) {
        return new Seen(
                Stream.concat(stages.stream(), others.stages.stream())
                        .distinct()
                        .toList(),
                Stream.concat(stillGrowing.stream(), others.stillGrowing.stream())
                        .distinct()
                        .toList());
    }
}
