package org.diligentbough.server.season;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.orchard.Pollination;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.season.CuttingCalendar;
import org.diligentbough.core.season.GrowthStage;
import org.diligentbough.core.season.Seen;
import org.diligentbough.core.season.Stages;
import org.diligentbough.server.figures.SiteRules;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.season.SeasonViews.KindView;
import org.diligentbough.server.season.SeasonViews.LackView;
import org.diligentbough.server.season.SeasonViews.MayCutView;
import org.diligentbough.server.season.SeasonViews.SchoolView;
import org.diligentbough.server.season.SeasonViews.StageView;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.shared.Wording;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.threeten.extra.LocalDateRange;

/** The year of one kind of tree at a site: its windows, its stages, what the site chose, what was seen, what it lacks. */
@RestController
class KindApi {
    private final OrchardService orchard;
    private final SiteSeasons seasons;
    private final SightingService sightings;
    private final SiteWeatherService weather;
    private final SiteRules siteRules;
    private final Today today;
    private final Wording wording;

    KindApi(
            OrchardService orchard,
            SiteSeasons seasons,
            SightingService sightings,
            SiteWeatherService weather,
            SiteRules siteRules,
            Today today,
            Wording wording) {
        this.orchard = orchard;
        this.seasons = seasons;
        this.sightings = sightings;
        this.weather = weather;
        this.siteRules = siteRules;
        this.today = today;
        this.wording = wording;
    }

    @GetMapping("/api/sites/{siteId}/kinds/{species}")
    KindView kind(@PathVariable long siteId, @PathVariable String species) {
        SiteRow site = orchard.site(siteId);
        Species kind = known(species);
        LocalDate day = today.in(site.zone());
        LocalDateRange range = SeasonRibbonApi.shown(day);
        CuttingCalendar calendar = seasons.calendar(site, kind, false, day);
        int year = calendar.pruningYear(day).year();
        List<TreeRow> standing = orchard.standing(siteId);
        return new KindView(
                species,
                (int) standing.stream()
                        .filter(tree -> tree.species().equals(species))
                        .count(),
                day,
                range.getStart(),
                range.getEnd(),
                year,
                calendar.windowsIn(range).stream().map(seasons::view).toList(),
                seasons.view(calendar.mayCut(day).in(weather.of(siteId).holds(kind, day))),
                stages(calendar, range, sightings.of(siteId, species, day).stages()),
                wording.all(seasons.year(site, kind, day).facts(year)),
                schools(site, kind, calendar, range, day),
                site.policyNote(),
                sightings.list(siteId, species, day),
                lacking(site, standing, species, day));
    }

    /** The stages that come within the year shown, be it of this growing year or the next. */
    private List<StageView> stages(CuttingCalendar calendar, LocalDateRange shown, List<Seen.Sighting> seen) {
        int year = calendar.pruningYear(shown.getStart()).year();
        return IntStream.rangeClosed(year, year + 1)
                .boxed()
                .flatMap(of -> calendar.stages().of(of).stream())
                .filter(stage -> shown.contains(stage.reached()))
                .sorted(Comparator.comparing(Stages.Stage::reached))
                .map(stage -> new StageView(
                        Codes.of(GrowthStage.at(stage.bbch())),
                        stage.expected(),
                        stage.reached(),
                        seen.contains(new Seen.Sighting(stage.bbch(), stage.reached()))))
                .toList();
    }

    /**
     * May wood of a kind be cut at a site on a day, as known today.
     *
     * @param sort what is to be cut: live, structure, size, renewal, topping or dead
     */
    @GetMapping("/api/sites/{siteId}/kinds/{species}/may-cut")
    MayCutView mayCut(
            @PathVariable long siteId,
            @PathVariable String species,
            @RequestParam @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate on,
            @RequestParam(defaultValue = "live") String sort) {
        SiteRow site = orchard.site(siteId);
        Species kind = known(species);
        CuttingCalendar calendar = seasons.calendar(site, kind, false, today.in(site.zone()));
        return seasons.mayCut(calendar, on, sort, weather.of(siteId).holds(kind, on));
    }

    private static Species known(String species) {
        return Codes.parse(Species.class, species)
                .orElseThrow(() -> ProblemException.notFound("No kind is called " + species + "."));
    }

    private List<SchoolView> schools(
            SiteRow site, Species kind, CuttingCalendar chosen, LocalDateRange range, LocalDate day) {
        return chosen.school().stream()
                .flatMap(school -> Arrays.stream(school.getDeclaringClass().getEnumConstants()))
                .map(choice -> (Enum<?>) choice)
                .map(choice -> new SchoolView(
                        Codes.of(choice),
                        chosen.school().filter(choice::equals).isPresent(),
                        seasons
                                .calendar(site, site.data().policy().toPolicy().choosing(choice), kind, false, day)
                                .windowsIn(range)
                                .stream()
                                .map(seasons::view)
                                .toList()))
                .toList();
    }

    private List<LackView> lacking(SiteRow site, List<TreeRow> standing, String species, LocalDate day) {
        Map<Long, LocalDate> blooms = sightings.blooms(site.id(), day).stream()
                .collect(Collectors.toMap(row -> row.treeId(), row -> row.seenOn(), (newest, older) -> newest));
        Map<Long, TreeRow> ofKind = standing.stream()
                .filter(tree -> tree.species().equals(species))
                .collect(Collectors.toMap(TreeRow::id, tree -> tree));
        Rulebook rules = siteRules.of(site.id());
        Map<Long, Reason> lacking = new Pollination(rules.knowledge(), rules.species())
                .lacking(standing.stream()
                        .filter(tree -> ofKind.containsKey(tree.id()))
                        .map(tree -> new Pollination.Tree(
                                tree.id(),
                                SiteSeasons.species(tree.species()),
                                Optional.ofNullable(tree.cultivar()),
                                tree.eastM(),
                                tree.northM(),
                                Optional.ofNullable(blooms.get(tree.id()))))
                        .toList());
        return lacking.entrySet().stream()
                .map(lack -> {
                    TreeRow tree = ofKind.get(lack.getKey());
                    return new LackView(tree.id(), tree.tag(), tree.cultivar(), wording.of(lack.getValue()));
                })
                .toList();
    }
}
