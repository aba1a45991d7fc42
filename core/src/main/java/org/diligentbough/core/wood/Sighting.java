package org.diligentbough.core.wood;

import java.time.LocalDate;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.Map;
import org.diligentbough.core.survey.Disease;

/** What was seen of a disease on a tree on a day. */
public record Sighting(Disease disease, LocalDate on, State state) {

    /** The course of a disease. */
    public enum State {
        SUSPECTED,
        ACTIVE,
        TREATED,
        GONE;

        /** Whether the tree is sick: what was treated is until it is seen to be gone. */
        public boolean sick() {
            return this == ACTIVE || this == TREATED;
        }
    }

    /** The newest sighting of each disease up to a day; of two of a day the later given counts. */
    public static Map<Disease, Sighting> newest(Collection<Sighting> sightings, LocalDate upTo) {
        Map<Disease, Sighting> newest = new EnumMap<>(Disease.class);
        sightings.stream()
                .filter(one -> !one.on().isAfter(upTo))
                .sorted(Comparator.comparing(Sighting::on))
                .forEach(one -> newest.put(one.disease(), one));
        return newest;
    }
}
