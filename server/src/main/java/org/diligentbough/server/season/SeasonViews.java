package org.diligentbough.server.season;

import java.time.LocalDate;
import java.util.List;
import org.diligentbough.server.season.SightingService.SightingView;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Wording.Worded;

/** What is answered about seasons. */
final class SeasonViews {
    private SeasonViews() {}

    /** The ribbon from {@code from} to the day before {@code until}. */
    record RibbonView(LocalDate from, LocalDate until, LocalDate today, List<RibbonLine> lines) {}

    /** One kind of tree. */
    record RibbonLine(
            String species,
            boolean trained,
            int trees,
            List<WindowView> windows,
            MayCutView today,
            @MayBeNull String school) {}

    /** A stretch of days of one quality: best, with-care or keep-off. */
    record WindowView(String quality, String season, String work, LocalDate opens, LocalDate closes, Worded reason) {}

    /**
     * Whether live wood may be cut on a day.
     *
     * @param wouldChange what would make the answer another
     */
    record MayCutView(
            String mayCut, List<Worded> reasons, LocalDate nextOpens, LocalDate nextCloses, List<Worded> wouldChange) {}

    /**
     * The year of one kind at a site.
     *
     * @param year the growing year told of
     * @param schools the choices a site has for this kind, empty where practitioners agree
     * @param note why the site chose so
     */
    record KindView(
            String species,
            int trees,
            LocalDate today,
            LocalDate from,
            LocalDate until,
            int year,
            List<WindowView> windows,
            MayCutView mayCut,
            List<StageView> stages,
            List<Worded> facts,
            List<SchoolView> schools,
            @MayBeNull String note,
            List<SightingView> sightings,
            List<LackView> lacking) {}

    /**
     * A stage of the year.
     *
     * @param expected by the climate
     * @param reached the same moved by what was seen
     * @param seen whether it was seen itself
     */
    record StageView(String stage, LocalDate expected, LocalDate reached, boolean seen) {}

    /** One way to cut a kind, with the windows it brings. */
    record SchoolView(String choice, boolean chosen, List<WindowView> windows) {}

    /** A tree without another to set fruit with. */
    record LackView(long treeId, String tag, @MayBeNull String cultivar, Worded why) {}
}
