package org.diligentbough.core.answer;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.diligentbough.core.fruit.FruitYear;
import org.diligentbough.core.fruit.Girths;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.wood.Sighting;
import org.diligentbough.core.wood.WoodFacts;
import org.diligentbough.core.wood.WoodFacts.FaceSeen;
import org.diligentbough.core.wood.WoodFacts.Hollow;
import org.diligentbough.core.wood.WoodFacts.Seen;
import org.diligentbough.core.wood.Wound;
import org.diligentbough.core.wood.WoundClosing;
import org.diligentbough.core.wood.WoundCourse;
import org.diligentbough.core.wood.WoundCourse.Growth;

/**
 * All that was recorded of a tree over the years.
 *
 * @param place where it stands; empty where that is not known
 * @param wounds empty: nobody knows; an empty list: it has none
 * @param sightings of disease; empty: nobody looked
 * @param deadShare of its wood, 0 to 1
 * @param crackCm length of a crack, cm; 0: none
 * @param union how its main stems meet
 */
public record TreeHistory(
        String label,
        Species species,
        OptionalInt plantedYear,
        Optional<Stand> place,
        Girths girths,
        List<FruitYear> fruit,
        List<YearCut> cuts,
        List<YearLight> light,
        List<YearShoots> shoots,
        Optional<List<NamedWound>> wounds,
        List<Regrown> regrowth,
        Optional<List<Sighting>> sightings,
        Optional<Seen> deadShare,
        Optional<Hollow> hollow,
        Optional<Seen> crackCm,
        Optional<WoodFacts.Union> union) {

    public TreeHistory {
        fruit = List.copyOf(fruit);
        cuts = List.copyOf(cuts);
        light = List.copyOf(light);
        shoots = List.copyOf(shoots);
        regrowth = List.copyOf(regrowth);
    }

    /** Metres east and north of the orchard's zero. */
    public record Stand(double eastM, double northM) {}

    /** What came off in a pruning year: share of the living crown, 0 to 1. */
    public record YearCut(int pruningYear, Season season, double share, int bigCuts) {}

    /** Mean light in the crown in a year, 0 to 1. */
    public record YearLight(int year, double mean) {}

    /** End shoots, cm, and upright shoots of a year. */
    public record YearShoots(int year, OptionalDouble extensionCm, OptionalInt uprights) {}

    /** A wound by its name on the tree. */
    public record NamedWound(String id, Wound wound) {}

    /** How a cut answers: whether the limb was shortened or taken where it leaves. */
    public enum CutWay {
        HEADING,
        THINNING
    }

    /**
     * What grew back near a wound.
     *
     * @param leafCutM2 leaf that came off with the cut, m2
     * @param share of the living crown that came off that year, 0 to 1
     * @param longestCm the longest of the shoots, cm
     */
    public record Regrown(
            int pruningYear,
            Season season,
            CutWay way,
            double leafCutM2,
            double share,
            int shoots,
            OptionalDouble longestCm) {
        /** What the shoots are counted against: leaf cut by the share of the crown, m2. */
        public double exposure() {
            return leafCutM2 * share;
        }
    }

    /** A wound and its course. */
    public record NamedCourse(String id, WoundCourse course) {}

    /** How the tree grew up to a day. */
    public Growth growth(LocalDate upTo) {
        return new Growth(
                girths.cmPerYear(upTo),
                newestShoots(upTo).map(YearShoots::extensionCm).orElse(OptionalDouble.empty()));
    }

    private Optional<YearShoots> newestShoots(LocalDate upTo) {
        return shoots.stream()
                .filter(year ->
                        year.year() <= upTo.getYear() && year.extensionCm().isPresent())
                .max(Comparator.comparingInt(YearShoots::year));
    }

    /** How its wounds close, as known on a day. */
    public List<NamedCourse> courses(WoundClosing closing, LocalDate on) {
        Growth growth = growth(on);
        return wounds.orElse(List.of()).stream()
                .filter(wound -> !wound.wound().madeOn().isAfter(on))
                .map(wound ->
                        new NamedCourse(wound.id(), closing.of(wound.wound().asOf(on), growth)))
                .toList();
    }

    /** What is known of its wood on a day. */
    public WoodFacts wood(WoundClosing closing, LocalDate on) {
        List<FaceSeen> faces = wounds.orElse(List.of()).stream()
                .map(NamedWound::wound)
                .filter(wound -> wound.face().isPresent() && !wound.madeOn().isAfter(on))
                .map(wound -> new FaceSeen(
                        wound.face().orElseThrow(),
                        OptionalDouble.of(wound.diameterCm()),
                        wound.hollowCm(),
                        wound.madeOn()))
                .toList();
        return new WoodFacts(
                on,
                deadShare.filter(seen -> !seen.on().isAfter(on)),
                sightings,
                faces,
                wounds.map(all ->
                        courses(closing, on).stream().map(NamedCourse::course).toList()),
                hollow.filter(seen -> !seen.on().isAfter(on)),
                crackCm.filter(seen -> !seen.on().isAfter(on)),
                union,
                newestShoots(on)
                        .map(year -> new Seen(
                                year.extensionCm().orElseThrow(),
                                LocalDate.of(year.year(), 12, 31).isAfter(on)
                                        ? on
                                        : LocalDate.of(year.year(), 12, 31))));
    }
}
