package org.diligentbough.server.today;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.season.MayCut;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.season.Weather;
import org.diligentbough.core.verdict.Triage;
import org.diligentbough.server.answers.WoodService;
import org.diligentbough.server.answers.WoodView.TreeWood;
import org.diligentbough.server.crew.DayBoard;
import org.diligentbough.server.crew.DayView.DaySummary;
import org.diligentbough.server.figures.SiteRules;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper.StandingTree;
import org.diligentbough.server.plan.PlanMapper;
import org.diligentbough.server.plan.PlanMapper.LaneRow;
import org.diligentbough.server.season.SiteWeatherService;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.shared.Wording;
import org.diligentbough.server.shared.Wording.Worded;
import org.diligentbough.server.task.TaskService;
import org.diligentbough.server.task.TaskView;
import org.diligentbough.server.visit.ReportService;
import org.diligentbough.server.visit.ReportService.ReportView;
import org.springframework.stereotype.Service;

/** What a site asks for today: what is dangerous, what is open and closes first, what is held, which days lack people. */
@Service
public class TodayService {
    private final OrchardService orchard;
    private final PlanMapper plans;
    private final ReportService reports;
    private final DayBoard days;
    private final TaskService tasks;
    private final WoodService wood;
    private final SiteWeatherService weather;
    private final SiteRules rules;
    private final Wording wording;
    private final Today today;

    TodayService(
            OrchardService orchard,
            PlanMapper plans,
            ReportService reports,
            DayBoard days,
            TaskService tasks,
            WoodService wood,
            SiteWeatherService weather,
            SiteRules rules,
            Wording wording,
            Today today) {
        this.orchard = orchard;
        this.plans = plans;
        this.reports = reports;
        this.days = days;
        this.tasks = tasks;
        this.wood = wood;
        this.weather = weather;
        this.rules = rules;
        this.wording = wording;
        this.today = today;
    }

    /** The board of a site. */
    record BoardView(
            LocalDate today,
            List<ReportView> reports,
            List<DangerView> dangers,
            List<OpenView> open,
            List<WeatherHold> byWeather,
            List<ComingView> coming,
            List<HeldView> held,
            List<TaskView> tasks,
            List<TreeWood> worse,
            List<DaySummary> days) {}

    /** A tree with urgent cuts nobody has made; {@code onDay} the work day it is on, or null. */
    record DangerView(
            long treeId,
            String tag,
            String species,
            int cuts,
            @MayBeNull LocalDate onDay) {}

    /** Work of one kind of tree that is open today. */
    record OpenView(String species, int trees, int minutes, LocalDate closes, List<OpenTree> treesClosingFirst) {}

    /** One of them. */
    record OpenTree(long treeId, String tag, LocalDate closes, int cuts, int minutes) {}

    /** Work that is open but for the weather of today: whether wholly held or to be done with care. */
    record WeatherHold(String species, boolean held, List<Worded> reasons) {}

    /** Work of one kind whose window opens within weeks. */
    record ComingView(String species, String season, LocalDate opens, int trees, int minutes) {}

    /** A tree that is not cut this year, with why. */
    record HeldView(long treeId, String tag, String species, Worded why) {}

    public BoardView board(long siteId) {
        SiteRow site = orchard.site(siteId);
        LocalDate on = today.in(site.zone());
        List<LaneRow> lanes = plans.openOn(siteId, on);
        Map<Long, StandingTree> trees = orchard.board(siteId);
        Map<Long, LocalDate> planned = days.comingDayOf(siteId, on);
        return new BoardView(
                on,
                reports.open(siteId),
                lanes.stream()
                        .filter(lane -> lane.urgent() > 0)
                        .map(lane -> {
                            StandingTree tree = trees.get(lane.treeId());
                            return new DangerView(
                                    tree.id(), tree.tag(), tree.species(), lane.urgent(), planned.get(tree.id()));
                        })
                        .toList(),
                open(lanes, trees),
                byWeather(siteId, on, lanes, trees),
                coming(siteId, on, trees),
                held(siteId, trees),
                tasks.due(siteId),
                wood.gotWorse(siteId),
                days.board(siteId, on));
    }

    private static List<OpenView> open(List<LaneRow> lanes, Map<Long, StandingTree> trees) {
        Map<String, List<LaneRow>> byKind = lanes.stream()
                .filter(lane -> lane.season() != Season.ANY)
                .collect(Collectors.groupingBy(lane -> trees.get(lane.treeId()).species()));
        List<OpenView> open = new ArrayList<>();
        byKind.forEach((species, ofKind) -> open.add(new OpenView(
                species,
                ofKind.size(),
                ofKind.stream().mapToInt(LaneRow::minutes).sum(),
                ofKind.stream()
                        .map(LaneRow::closes)
                        .min(Comparator.naturalOrder())
                        .orElseThrow(),
                ofKind.stream()
                        .sorted(Comparator.comparing(LaneRow::closes)
                                .thenComparing(
                                        Comparator.comparing(LaneRow::minutes).reversed()))
                        .map(lane -> new OpenTree(
                                lane.treeId(),
                                trees.get(lane.treeId()).tag(),
                                lane.closes(),
                                lane.cuts(),
                                lane.minutes()))
                        .toList())));
        open.sort(Comparator.comparing(OpenView::closes).thenComparing(OpenView::species));
        return open;
    }

    private List<WeatherHold> byWeather(long siteId, LocalDate on, List<LaneRow> lanes, Map<Long, StandingTree> trees) {
        SiteWeatherService.Known known = weather.of(siteId);
        return lanes.stream()
                .filter(lane -> lane.season() != Season.ANY)
                .map(lane -> trees.get(lane.treeId()).species())
                .distinct()
                .map(species -> {
                    Weather.Holds holds =
                            known.holds(Codes.parse(Species.class, species).orElseThrow(), on);
                    return new WeatherHold(species, holds.answer() == MayCut.Answer.NO, wording.all(holds.reasons()));
                })
                .filter(hold -> !hold.reasons().isEmpty())
                .toList();
    }

    /** Work that opens together. */
    private record Kind(String species, Season season) {}

    private List<ComingView> coming(long siteId, LocalDate on, Map<Long, StandingTree> trees) {
        int weeks = (int) rules.of(siteId).knowledge().get(Figure.COMING_WEEKS);
        Map<Kind, List<LaneRow>> byKind = plans.opening(siteId, on, on.plusWeeks(weeks)).stream()
                .filter(lane -> trees.containsKey(lane.treeId()))
                .collect(Collectors.groupingBy(
                        lane -> new Kind(trees.get(lane.treeId()).species(), lane.season()),
                        LinkedHashMap::new,
                        Collectors.toList()));
        return byKind.entrySet().stream()
                .map(kind -> new ComingView(
                        kind.getKey().species(),
                        Codes.of(kind.getKey().season()),
                        kind.getValue().get(0).opens(),
                        kind.getValue().size(),
                        kind.getValue().stream().mapToInt(LaneRow::minutes).sum()))
                .toList();
    }

    private List<HeldView> held(long siteId, Map<Long, StandingTree> trees) {
        Map<Long, Worded> whys = plans.whys(siteId).stream()
                .collect(Collectors.toMap(PlanMapper.WhyRow::treeId, PlanMapper.WhyRow::why));
        return trees.values().stream()
                .filter(tree -> tree.triage() == Triage.REST && whys.containsKey(tree.id()))
                .sorted(Comparator.comparing((StandingTree tree) -> tree.tag().length())
                        .thenComparing(StandingTree::tag))
                .map(tree -> new HeldView(tree.id(), tree.tag(), tree.species(), whys.get(tree.id())))
                .toList();
    }
}
