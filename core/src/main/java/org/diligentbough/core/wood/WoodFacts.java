package org.diligentbough.core.wood;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.diligentbough.core.survey.Face;
import org.diligentbough.core.survey.HollowStem;

/**
 * What is known of a tree's wood on a day. What is empty nobody looked at.
 *
 * @param deadShare of its wood, 0 to 1
 * @param sightings of disease; an empty list: looked at and none seen
 * @param faces of its cuts
 * @param wounds how they close
 * @param hollow of the trunk
 * @param crackCm length of a crack in trunk or forks, cm; 0: looked at and none seen
 * @param union how the main stems meet: the worst
 * @param shootExtensionCm of its end shoots, cm
 */
public record WoodFacts(
        LocalDate on,
        Optional<Seen> deadShare,
        Optional<List<Sighting>> sightings,
        List<FaceSeen> faces,
        Optional<List<WoundCourse>> wounds,
        Optional<Hollow> hollow,
        Optional<Seen> crackCm,
        Optional<Union> union,
        Optional<Seen> shootExtensionCm) {

    /** A figure and when it was seen. */
    public record Seen(double value, LocalDate on) {}

    /** The wood at a cut face, and its width and what of it was rotten or gone, cm, where measured. */
    public record FaceSeen(Face face, OptionalDouble acrossCm, OptionalDouble hollowCm, LocalDate on) {}

    /** Sound wall round a hollow in a trunk of a radius, cm. */
    public record Hollow(double trunkRadiusCm, double soundWallCm, LocalDate on) {
        /** Wall by radius, t/R (from memory: Mattheck). */
        public double wallRatio() {
            return HollowStem.wallRatio(trunkRadiusCm, soundWallCm);
        }
    }

    /** How the stems of a fork meet. */
    public enum Union {
        WIDE,
        NARROW,
        BARK_PRESSED,
        CRACKED
    }
}
