package org.diligentbough.server.task;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.task.FollowUps;
import org.diligentbough.core.task.FollowUps.Deed;
import org.diligentbough.core.task.FollowUps.FollowUp;
import org.diligentbough.core.task.TaskKind;
import org.diligentbough.core.verdict.Verdict;
import org.diligentbough.server.answers.WoodService;
import org.diligentbough.server.figures.SiteRules;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.season.CareService;
import org.diligentbough.server.season.CareService.DueView;
import org.diligentbough.server.shared.Wording;
import org.diligentbough.server.task.TaskMapper.Source;
import org.diligentbough.server.task.TaskMapper.WorkRow;
import org.diligentbough.server.visit.LoggedCut;
import org.diligentbough.server.visit.VisitCut;
import org.springframework.stereotype.Component;

/** Tasks that nobody entered: asked for by the season, by work done before and by plans; worked out anew each time. */
@Component
class AskedTasks {
    /** Parts a key of what asks for a task. */
    static final String SEPARATOR = ":";

    private static final int YEARS_BACK = 3;
    private static final int MONTHS_AHEAD = 12;
    private static final int MISSED_SHOWN_MONTHS = 6;
    /** Of a round over an orchard, where the season asks for something: walking and looking (own assumption). */
    private static final int MINUTES_A_TREE = 10;

    private static final int MINUTES_A_SITE = 60;
    private static final int LONGEST_TITLE = 200;
    /** A look is missed when the next one is due. */
    private static final int LOOK_MONTHS = 12;

    private static final int MINUTES_A_WOUND = 4;

    private final TaskMapper tasks;
    private final CareService care;
    private final SiteRules rules;
    private final WoodService wood;
    private final Wording wording;

    AskedTasks(TaskMapper tasks, CareService care, SiteRules rules, WoodService wood, Wording wording) {
        this.tasks = tasks;
        this.care = care;
        this.rules = rules;
        this.wood = wood;
        this.wording = wording;
    }

    /** What the season and work done before ask for and nobody took up; each has a key to take it up by. */
    Stream<TaskView> open(SiteRow site, LocalDate now) {
        Set<String> taken = new HashSet<>(tasks.takenUp(site.id()));
        return Stream.of(ofSeason(site.id(), now), ofWork(site, now).stream(), ofWounds(site.id(), now))
                .flatMap(same -> same)
                .filter(one -> !taken.contains(one.key()));
    }

    private Stream<TaskView> ofSeason(long siteId, LocalDate now) {
        return care.care(siteId).stream().map(due -> ofSeason(due, now));
    }

    private static TaskView ofSeason(DueView due, LocalDate now) {
        String kind = due.task().equals("treatments") ? Codes.of(TaskKind.OTHER) : due.task();
        return new TaskView(
                null,
                String.join(
                        SEPARATOR,
                        "care",
                        due.task(),
                        due.species() == null ? "all" : due.species(),
                        String.valueOf(due.year())),
                0,
                new TaskData(
                        kind,
                        due.title(),
                        null,
                        null,
                        due.species(),
                        due.opens(),
                        due.closes(),
                        due.species() == null ? MINUTES_A_SITE : due.trees() * MINUTES_A_TREE,
                        2,
                        List.of(),
                        null,
                        null,
                        null),
                null,
                due.text(),
                Codes.of(Source.CARE),
                TaskView.state(due.opens(), due.closes(), due.done() != null, now),
                null,
                null,
                due.done() == null
                        ? null
                        : new TaskView.TickView(
                                due.done().on(), due.done().by(), due.done().note()),
                null);
    }

    private List<TaskView> ofWork(SiteRow site, LocalDate now) {
        List<TaskView> found = new ArrayList<>();
        boolean southern = site.data().toSite().southern();
        for (WorkRow work : tasks.work(site.id(), now.minusYears(YEARS_BACK))) {
            Map<String, VisitCut> planned =
                    work.planned().stream().collect(Collectors.toMap(VisitCut::limb, cut -> cut, (one, other) -> one));
            List<FollowUps.Done> done = work.cuts().stream()
                    .map(cut -> done(cut, planned.get(cut.limb()), work.onDay()))
                    .flatMap(Optional::stream)
                    .toList();
            // What is done at one tree at one time is one task, however many limbs it is about.
            FollowUps.of(done, southern, rules.of(site.id()).knowledge()).stream()
                    .filter(one -> !one.closes().isBefore(now.minusMonths(MISSED_SHOWN_MONTHS))
                            && one.opens().isBefore(now.plusMonths(MONTHS_AHEAD)))
                    .collect(Collectors.groupingBy(FollowUp::kind))
                    .values()
                    .forEach(same -> found.add(ofWork(same, work, now)));
        }
        return found;
    }

    private static Optional<FollowUps.Done> done(LoggedCut cut, VisitCut planned, LocalDate on) {
        if (cut.outcome().equals(Codes.of(LoggedCut.Outcome.NOT_DONE))) {
            return Optional.empty();
        }
        String kind = cut.kind() != null ? cut.kind() : planned == null ? "" : planned.kind();
        double wide = cut.diameterCm() != null ? cut.diameterCm() : planned == null ? 0 : planned.diameterCm();
        boolean bent = kind.equals(Codes.of(Verdict.BEND));
        return Optional.of(new FollowUps.Done(cut.limb(), bent ? Deed.BENT : Deed.CUT, bent ? 0 : wide, on));
    }

    /** @param same of one kind, one at least */
    private TaskView ofWork(List<FollowUp> same, WorkRow work, LocalDate now) {
        FollowUp one = same.get(0);
        String kind = Codes.of(one.kind());
        String limbs = same.stream().map(FollowUp::limb).collect(Collectors.joining(", "));
        return new TaskView(
                null,
                String.join(SEPARATOR, "work", work.onDay().toString(), kind) + TaskView.OF_TREE + work.treeId(),
                0,
                new TaskData(
                        kind,
                        shortened(wording.say("task-" + kind, limbs)),
                        work.treeId(),
                        same.size() == 1 ? one.limb() : null,
                        work.species(),
                        one.opens(),
                        one.closes(),
                        same.stream().mapToInt(FollowUp::minutes).sum(),
                        1,
                        List.of(),
                        null,
                        null,
                        null),
                work.tag(),
                wording.say("task-" + kind + "-how", limbs),
                Codes.of(Source.WORK),
                TaskView.state(one.opens(), one.closes(), false, now),
                null,
                null,
                null,
                null);
    }

    /** Wounds to be looked at again; what is done at one tree at one time is one task. */
    private Stream<TaskView> ofWounds(long siteId, LocalDate now) {
        String kind = Codes.of(TaskKind.LOOK_AT_WOUND);
        return wood.looksDue(siteId).stream()
                .filter(one -> one.on().isBefore(now.plusMonths(MONTHS_AHEAD)))
                .map(one -> new TaskView(
                        null,
                        String.join(SEPARATOR, "wound", one.on().toString()) + TaskView.OF_TREE + one.treeId(),
                        0,
                        new TaskData(
                                kind,
                                shortened(wording.say("task-" + kind, String.join(", ", one.wounds()))),
                                one.treeId(),
                                one.wounds().size() == 1 ? one.wounds().get(0) : null,
                                one.species(),
                                one.on(),
                                one.on().plusMonths(LOOK_MONTHS),
                                one.wounds().size() * MINUTES_A_WOUND,
                                1,
                                List.of(),
                                null,
                                null,
                                null),
                        one.tag(),
                        wording.say("task-" + kind + "-how"),
                        Codes.of(Source.WOUND),
                        TaskView.state(one.on(), one.on().plusMonths(LOOK_MONTHS), false, now),
                        null,
                        null,
                        null,
                        null));
    }

    private static String shortened(String title) {
        return title.length() <= LONGEST_TITLE ? title : title.substring(0, LONGEST_TITLE - 1) + "…";
    }

    /** The yearly work of plans of a year ahead, which is done with the cuts of its tree. */
    List<TaskView> ofPlans(long siteId, LocalDate now) {
        return tasks.planned(siteId, now, now.plusMonths(MONTHS_AHEAD)).stream()
                .map(row -> new TaskView(
                        null,
                        null,
                        0,
                        new TaskData(
                                Codes.of(TaskKind.OTHER),
                                row.text(),
                                row.treeId(),
                                null,
                                row.species(),
                                row.opens(),
                                row.closes(),
                                row.minutes(),
                                1,
                                List.of(),
                                null,
                                null,
                                null),
                        row.tag(),
                        null,
                        "plan",
                        TaskView.state(row.opens(), row.closes(), false, now),
                        null,
                        null,
                        null,
                        null))
                .toList();
    }
}
