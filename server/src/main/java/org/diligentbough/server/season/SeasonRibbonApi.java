package org.diligentbough.server.season;

import java.time.LocalDate;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.season.CuttingCalendar;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.season.SeasonViews.MayCutView;
import org.diligentbough.server.season.SeasonViews.RibbonLine;
import org.diligentbough.server.season.SeasonViews.RibbonView;
import org.diligentbough.server.shared.Today;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.threeten.extra.LocalDateRange;

/** When each kind of tree a site has may be cut, over the year from last month on, and whether one tree may on a day. */
@RestController
class SeasonRibbonApi {
    private static final int MONTHS = 13;

    private final OrchardService orchard;
    private final SiteSeasons seasons;
    private final SiteWeatherService weather;

    private final Today today;

    SeasonRibbonApi(OrchardService orchard, SiteSeasons seasons, SiteWeatherService weather, Today today) {

        this.orchard = orchard;
        this.seasons = seasons;
        this.weather = weather;

        this.today = today;
    }

    /** The year of every kind the site has. */
    @GetMapping("/api/sites/{siteId}/season")
    RibbonView season(@PathVariable long siteId) {
        SiteRow site = orchard.site(siteId);
        LocalDate day = today.in(site.zone());
        LocalDateRange range = shown(day);
        SiteWeatherService.Known known = weather.of(siteId);
        return new RibbonView(
                range.getStart(),
                range.getEnd(),
                day,
                orchard.kinds(siteId).stream()
                        .map(kind -> line(site, kind, day, known))
                        .toList());
    }

    /** The year shown round a day: from the month before it. */
    static LocalDateRange shown(LocalDate day) {
        LocalDate from = day.withDayOfMonth(1).minusMonths(1);
        return LocalDateRange.of(from, from.plusMonths(MONTHS));
    }

    private RibbonLine line(SiteRow site, TreeMapper.KindCount kind, LocalDate day, SiteWeatherService.Known known) {
        var species = SiteSeasons.species(kind.species());
        CuttingCalendar calendar = seasons.calendar(site, species, kind.trained(), day);
        return new RibbonLine(
                kind.species(),
                kind.trained(),
                kind.trees(),
                calendar.windowsIn(shown(day)).stream().map(seasons::view).toList(),
                seasons.view(calendar.mayCut(day).in(known.holds(species, day))),
                calendar.school().map(Codes::of).orElse(null));
    }

    /**
     * May wood of a tree be cut on a day: by its kind and form, by what was seen of its growth, and by the weather as far as
     * it is known.
     *
     * @param sort what is to be cut: live, structure, size, renewal, topping or dead
     */
    @GetMapping("/api/trees/{treeId}/season")
    MayCutView mayCutOn(
            @PathVariable long treeId,
            @RequestParam @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate on,
            @RequestParam(defaultValue = "live") String sort) {
        TreeRow tree = orchard.tree(treeId);
        SiteRow site = orchard.site(tree.siteId());
        LocalDate now = today.in(site.zone());
        CuttingCalendar calendar = seasons.calendar(site, tree, now);
        return seasons.mayCut(
                calendar, on, sort, weather.of(tree.siteId()).holds(SiteSeasons.species(tree.species()), on));
    }
}
