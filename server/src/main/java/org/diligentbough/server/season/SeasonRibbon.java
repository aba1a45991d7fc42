package org.diligentbough.server.season;

import java.time.LocalDate;
import java.util.List;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.season.CuttingCalendar;
import org.diligentbough.core.season.MayCut;
import org.diligentbough.core.season.Window;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.shared.Wording;
import org.diligentbough.server.shared.Wording.Worded;
import org.diligentbough.server.survey.SurveyService;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.threeten.extra.LocalDateRange;

/** When each kind of tree a site has may be cut, over the year from last month on, and whether one tree may on a day. */
@RestController
class SeasonRibbon {
    private static final int MONTHS = 13;

    private final OrchardService orchard;
    private final TreeMapper trees;
    private final SurveyService surveys;
    private final Rulebook rules;
    private final Today today;
    private final Wording wording;

    SeasonRibbon(
            OrchardService orchard,
            TreeMapper trees,
            SurveyService surveys,
            Rulebook rules,
            Today today,
            Wording wording) {
        this.orchard = orchard;
        this.trees = trees;
        this.surveys = surveys;
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

    /** May live wood of a tree be cut on a day, by its kind and form and by what was last seen of its growth. */
    @GetMapping("/api/trees/{treeId}/season")
    MayCutView mayCutOn(
            @PathVariable long treeId, @RequestParam @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate on) {
        TreeRow tree = orchard.tree(treeId);
        CuttingCalendar calendar = surveys.newestAsOfToday(treeId)
                .map(rules::calendar)
                .orElseGet(() -> rules.calendar(
                        orchard.site(tree.siteId()).data().toSite(),
                        Codes.parse(Species.class, tree.species()).orElseThrow(),
                        trained(tree)));
        return mayCut(calendar.mayCut(on));
    }

    private static boolean trained(TreeRow tree) {
        String form = tree.formWanted() == null ? tree.form() : tree.formWanted();
        return form != null && Codes.parse(Form.class, form).orElseThrow().trained();
    }
}
