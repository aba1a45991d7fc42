package org.diligentbough.server.season;

import java.time.LocalDate;
import java.util.List;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.season.CuttingCalendar;
import org.diligentbough.core.season.MayCut;
import org.diligentbough.core.season.Window;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.shared.Wording;
import org.diligentbough.server.shared.Wording.Worded;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.threeten.extra.LocalDateRange;

/** When each kind of tree a site has may be cut, over the year from last month on. */
@RestController
class SeasonRibbon {
    private static final int MONTHS = 13;

    private final OrchardService orchard;
    private final TreeMapper trees;
    private final Rulebook rules;
    private final Today today;
    private final Wording wording;

    SeasonRibbon(OrchardService orchard, TreeMapper trees, Rulebook rules, Today today, Wording wording) {
        this.orchard = orchard;
        this.trees = trees;
        this.rules = rules;
        this.today = today;
        this.wording = wording;
    }

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

    /** Whether ordinary cutting of live wood may be done on a day. */
    record MayCutView(String mayCut, List<Worded> reasons, LocalDate nextOpens, LocalDate nextCloses) {}

    /** The year of every kind the site has. */
    @GetMapping("/api/sites/{siteId}/season")
    RibbonView season(@PathVariable long siteId) {
        SiteRow site = orchard.site(siteId);
        LocalDate day = today.in(site.zone());
        LocalDate from = day.withDayOfMonth(1).minusMonths(1);
        LocalDateRange range = LocalDateRange.of(from, from.plusMonths(MONTHS));
        List<RibbonLine> lines = trees.kinds(siteId).stream()
                .map(kind -> line(site, kind, day, range))
                .toList();
        return new RibbonView(from, range.getEnd(), day, lines);
    }

    private RibbonLine line(SiteRow site, TreeMapper.KindCount kind, LocalDate day, LocalDateRange range) {
        Species species = Codes.parse(Species.class, kind.species()).orElseThrow();
        CuttingCalendar calendar = rules.calendar(site.data().toSite(), species, kind.trained());
        List<WindowView> windows =
                calendar.windowsIn(range).stream().map(this::window).toList();
        return new RibbonLine(
                kind.species(),
                kind.trained(),
                kind.trees(),
                windows,
                mayCut(calendar.mayCut(day)),
                calendar.school().map(Codes::of).orElse(null));
    }

    private WindowView window(Window window) {
        return new WindowView(
                Codes.of(window.quality()),
                Codes.of(window.season()),
                Codes.of(window.work()),
                window.opens(),
                window.closes(),
                wording.of(window.reason()));
    }

    private MayCutView mayCut(MayCut answer) {
        return new MayCutView(
                Codes.of(answer.answer()), wording.all(answer.reasons()), answer.nextOpens(), answer.nextCloses());
    }

    /** May a kind be cut at a site on a day; today if none is given. */
    @GetMapping("/api/sites/{siteId}/season/{species}")
    MayCutView mayCutOn(
            @PathVariable long siteId,
            @PathVariable String species,
            @RequestParam(defaultValue = "false") boolean trained,
            @RequestParam(required = false) @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate on) {
        SiteRow site = orchard.site(siteId);
        Species kind = Codes.parse(Species.class, species)
                .orElseThrow(() -> ProblemException.wrongField(
                        "/species", "is not known; choose one of " + Codes.all(Species.class)));
        LocalDate day = on == null ? today.in(site.zone()) : on;
        return mayCut(rules.calendar(site.data().toSite(), kind, trained).mayCut(day));
    }
}
