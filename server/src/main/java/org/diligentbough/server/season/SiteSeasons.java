package org.diligentbough.server.season;

import java.time.LocalDate;
import java.util.Comparator;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.season.CuttingCalendar;
import org.diligentbough.core.season.KindYear;
import org.diligentbough.core.season.MayCut;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.season.Stages;
import org.diligentbough.core.season.Weather;
import org.diligentbough.core.season.Window;
import org.diligentbough.server.figures.SiteRules;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.season.SeasonViews.MayCutView;
import org.diligentbough.server.season.SeasonViews.WindowView;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Wording;
import org.springframework.stereotype.Component;
import org.threeten.extra.LocalDateRange;

/** The calendars of the kinds of a site, by its climate and its numbers and by what was seen there. */
@Component
public class SiteSeasons {
    private final SiteRules rules;
    private final SightingService sightings;
    private final Wording wording;

    SiteSeasons(SiteRules rules, SightingService sightings, Wording wording) {
        this.rules = rules;
        this.sightings = sightings;
        this.wording = wording;
    }

    /** When a kind may be cut, as known on a day. */
    CuttingCalendar calendar(SiteRow site, Species species, boolean trained, LocalDate day) {
        return calendar(site, site.data().policy().toPolicy(), species, trained, day);
    }

    /** The same had the site chosen otherwise. */
    CuttingCalendar calendar(SiteRow site, Policy policy, Species species, boolean trained, LocalDate day) {
        return rules.of(site.id())
                .calendar(
                        site.data().toSite().with(policy),
                        species,
                        trained,
                        sightings.of(site.id(), Codes.of(species), day));
    }

    /** When a tree may be cut that may never have been surveyed. */
    CuttingCalendar calendar(SiteRow site, TreeRow tree, LocalDate day) {
        String form = tree.formWanted() == null ? tree.form() : tree.formWanted();
        return calendar(site, species(tree.species()), trained(form), day);
    }

    /** The season of the window in which a day lies for a tree's kind, the best if there are two; any outside of all. */
    public Season seasonOf(SiteRow site, String species, boolean trained, LocalDate day) {
        return calendar(site, species(species), trained, day).windowsIn(LocalDateRange.ofClosed(day, day)).stream()
                .filter(window -> window.quality() != Window.Quality.KEEP_OFF)
                .min(Comparator.comparing(Window::quality))
                .map(Window::season)
                .orElse(Season.ANY);
    }

    /** When the trees of a kind reach the stages of their year at a site, by what is known on a day. */
    public Stages stagesOf(SiteRow site, String species, LocalDate day) {
        return calendar(site, species(species), false, day).stages();
    }

    /** Whether a form is trained on a support; null is none. */
    public static boolean trained(String form) {
        return form != null && Codes.parse(Form.class, form).orElseThrow().trained();
    }

    /** The year of a kind besides its windows. */
    KindYear year(SiteRow site, Species species, LocalDate day) {
        return rules.of(site.id()).year(site.data().toSite(), species, sightings.of(site.id(), Codes.of(species), day));
    }

    /** Whether a sort of cut may be made on a day; the weather is no matter to dead wood. */
    MayCutView mayCut(CuttingCalendar calendar, LocalDate on, String sort, Weather.Holds holds) {
        MayCut.Sort what = Codes.parse(MayCut.Sort.class, sort)
                .orElseThrow(() -> ProblemException.unreadable(
                        "sort is not known; choose one of " + Codes.all(MayCut.Sort.class)));
        MayCut answer = calendar.mayCut(on, what);
        return view(what == MayCut.Sort.DEAD ? answer : answer.in(holds));
    }

    static Species species(String code) {
        return Codes.parse(Species.class, code).orElseThrow();
    }

    WindowView view(Window window) {
        return new WindowView(
                Codes.of(window.quality()),
                Codes.of(window.season()),
                Codes.of(window.work()),
                window.opens(),
                window.closes(),
                wording.of(window.reason()));
    }

    MayCutView view(MayCut answer) {
        return new MayCutView(
                Codes.of(answer.answer()),
                wording.all(answer.reasons()),
                answer.nextOpens(),
                answer.nextCloses(),
                wording.all(answer.wouldChange()));
    }
}
