package org.diligentbough.server.programme;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import org.diligentbough.core.programme.Programme;
import org.diligentbough.core.season.Season;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper;
import org.diligentbough.server.plan.PlanMapper;
import org.diligentbough.server.plan.PlanMapper.LaneRow;
import org.diligentbough.server.programme.ProgrammeMapper.HoursRow;
import org.diligentbough.server.programme.ProgrammeMapper.TreeRow;
import org.diligentbough.server.season.SiteSeasons;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The work of a site's trees laid out over years and seasons, as far as the hours go. */
@Service
public class ProgrammeService {
    /** A tree that was worked on in so many years is being carried through. */
    private static final int YEARS_BEGUN = 3;

    private static final int MOST_TOLD_ENOUGH = 8;

    private static final int EVERY_YEAR = 0;

    private final ProgrammeMapper programmes;
    private final PlanMapper plans;
    private final OrchardService orchard;
    private final SiteSeasons seasons;
    private final History history;
    private final CurrentPerson person;
    private final Today today;

    ProgrammeService(
            ProgrammeMapper programmes,
            PlanMapper plans,
            OrchardService orchard,
            SiteSeasons seasons,
            History history,
            CurrentPerson person,
            Today today) {
        this.programmes = programmes;
        this.plans = plans;
        this.orchard = orchard;
        this.seasons = seasons;
        this.history = history;
        this.person = person;
        this.today = today;
    }

    /** A programme with what it was laid out from, and the hours that would do for the first that find none. */
    record Laid(
            SiteRow site,
            Programme programme,
            Map<Long, Map<Season, Double>> enough,
            Map<Long, TreeRow> rows,
            Map<Long, Programme.Tree> trees,
            List<HoursRow> hours,
            Map<Season, Double> hoursWorked) {
        boolean southern() {
            return site.data().latitude() < 0;
        }
    }

    /** Trees that the hours make wait: of them only what cannot wait is offered for days. */
    public Set<Long> waiting(long siteId) {
        return gathered(siteId).programme().putOff().stream()
                .map(Programme.PutOff::tree)
                .collect(Collectors.toSet());
    }

    /** The programme as of today. */
    Laid laid(long siteId) {
        Gathered all = gathered(siteId);
        List<Programme.Tree> trees = List.copyOf(all.trees().values());
        LocalDate on = today.in(all.site().zone());
        return new Laid(
                all.site(),
                all.programme(),
                enough(all.programme(), trees, had(all.hours())),
                all.rows(),
                all.trees(),
                all.hours(),
                hoursWorked(all.site(), on.minusYears(1)));
    }

    private record Gathered(
            SiteRow site,
            Programme programme,
            Map<Long, TreeRow> rows,
            Map<Long, Programme.Tree> trees,
            List<HoursRow> hours) {}

    private Gathered gathered(long siteId) {
        SiteRow site = orchard.site(siteId);
        LocalDate on = today.in(site.zone());
        Map<Long, List<Programme.Work>> work = new HashMap<>();
        Map<Long, Programme.Yearly> upkeep = new HashMap<>();
        plans.upkeep(siteId)
                .forEach(row ->
                        upkeep.put(row.treeId(), new Programme.Yearly(row.season(), row.minutes(), row.fromYear())));
        Set<Long> inUpkeepNow = new HashSet<>();
        for (LaneRow lane : plans.ofSite(siteId)) {
            if (lane.upkeepMinutes() > 0) {
                inUpkeepNow.add(lane.treeId());
            }
            work.computeIfAbsent(lane.treeId(), id -> new ArrayList<>())
                    .add(new Programme.Work(
                            lane.year(),
                            lane.season(),
                            lane.minutes(),
                            Math.min(lane.minutes(), lane.urgentMinutes()),
                            lane.worth()));
        }
        Map<Long, TreeRow> rows = new LinkedHashMap<>();
        Map<Long, Programme.Tree> trees = new LinkedHashMap<>();
        for (TreeRow row : programmes.trees(siteId, on.minusYears(YEARS_BEGUN))) {
            rows.put(row.id(), row);
            trees.put(
                    row.id(),
                    new Programme.Tree(
                            row.id(),
                            row.tag(),
                            Optional.ofNullable(row.groupName()),
                            row.begun(),
                            row.setTo() == null ? OptionalInt.empty() : OptionalInt.of(row.setTo()),
                            work.getOrDefault(row.id(), List.of()),
                            inUpkeepNow.contains(row.id()) || !work.containsKey(row.id()),
                            Optional.ofNullable(upkeep.get(row.id()))));
        }
        List<HoursRow> hours = programmes.hours(siteId);
        Programme programme = Programme.of(List.copyOf(trees.values()), had(hours));
        return new Gathered(site, programme, rows, trees, hours);
    }

    /** The hours that would do for the first of those that find none. */
    private static Map<Long, Map<Season, Double>> enough(
            Programme programme, List<Programme.Tree> trees, Programme.Hours hours) {
        return programme.putOff().stream()
                .filter(one -> one.years().isEmpty())
                .limit(MOST_TOLD_ENOUGH)
                .collect(Collectors.toMap(Programme.PutOff::tree, one -> Programme.enough(trees, hours, one.tree())));
    }

    /** The programme of the site on which a tree stands. */
    Laid laidFor(long treeId) {
        return laid(orchard.tree(treeId).siteId());
    }

    /** Hours worked since a day by the season of the trees worked on. */
    private Map<Season, Double> hoursWorked(SiteRow site, LocalDate since) {
        Map<Season, Double> hours = new EnumMap<>(Season.class);
        programmes
                .worked(site.id(), since)
                .forEach(row -> hours.merge(
                        seasons.seasonOf(site, row.species(), SiteSeasons.trained(row.form()), row.onDate()),
                        row.minutes() / 60,
                        Double::sum));
        return hours;
    }

    private static Programme.Hours had(List<HoursRow> rows) {
        Map<Programme.Time, Double> byTime = new HashMap<>();
        rows.forEach(row -> byTime.put(new Programme.Time(row.year(), row.season()), row.hours()));
        return time -> Optional.ofNullable(byTime.get(time))
                .or(() -> Optional.ofNullable(byTime.get(new Programme.Time(EVERY_YEAR, time.season()))));
    }

    /** Keeps the hours of a site; those not named have none said. */
    @Transactional
    void keepHours(long siteId, List<HoursRow> hours) {
        person.id();
        orchard.site(siteId);
        List<HoursRow> before = programmes.hours(siteId);
        programmes.clearHours(siteId);
        for (int i = 0; i < hours.size(); i++) {
            HoursRow row = hours.get(i);
            for (int j = 0; j < i; j++) {
                if (hours.get(j).year().equals(row.year())
                        && hours.get(j).season().equals(row.season())) {
                    throw ProblemException.wrongField(
                            "/hours/" + i + "/season", "is given twice for that year; give it once");
                }
            }
            programmes.addHours(siteId, row.year(), row.season(), row.hours());
        }
        history.changed(new About("hours", siteId, siteId, null), before, programmes.hours(siteId));
    }

    /** Sets the year in which a tree's work begins; null leaves it to the hours. */
    @Transactional
    void set(long treeId, long version, Integer year) {
        person.id();
        TreeMapper.TreeRow tree = orchard.tree(treeId);
        Integer before = programmes.setTo(treeId);
        boolean nothingToFree = year == null && before == null && version == 0;
        int kept = year == null ? programmes.free(treeId, version) : programmes.set(treeId, version, year);
        if (kept == 0 && !nothingToFree) {
            throw ProblemException.stale("The year this tree begins in");
        }
        history.changed(
                new About("programme", treeId, tree.siteId(), treeId),
                before == null ? Map.of() : Map.of("year", before),
                year == null ? Map.of() : Map.of("year", year));
    }

    /** The same whatever it is set to now. */
    @Transactional
    void setAnew(long treeId, Integer year) {
        set(treeId, programmes.setVersion(treeId).orElse(0L), year);
    }

    /** The surveyed trees of a site that stand. */
    List<Long> trees(long siteId) {
        return programmes.trees(orchard.site(siteId).id(), LocalDate.EPOCH).stream()
                .map(TreeRow::id)
                .toList();
    }
}
