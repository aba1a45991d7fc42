package org.diligentbough.server.task;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.season.CareTask;
import org.diligentbough.core.task.FollowUps;
import org.diligentbough.core.task.FollowUps.Deed;
import org.diligentbough.core.task.FollowUps.FollowUp;
import org.diligentbough.core.task.TaskKind;
import org.diligentbough.core.verdict.Verdict;
import org.diligentbough.server.figures.SiteRules;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.season.CareService;
import org.diligentbough.server.season.CareService.DoneData;
import org.diligentbough.server.season.CareService.DueView;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Once;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.task.TaskMapper.NewTask;
import org.diligentbough.server.task.TaskMapper.Source;
import org.diligentbough.server.task.TaskMapper.TaskRow;
import org.diligentbough.server.task.TaskMapper.WorkRow;
import org.diligentbough.server.visit.LoggedCut;
import org.diligentbough.server.visit.VisitCut;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What is to be done besides cuts, as one list: entered by hand, asked for by the season and by work done before, and the yearly
 * work of plans beside it. What the season and work ask for is worked out anew each time; it is kept once somebody takes it up.
 */
@Service
public class TaskService {
    private static final int YEARS_BACK = 3;
    private static final int MONTHS_AHEAD = 12;
    private static final int DONE_SHOWN_MONTHS = 3;
    private static final int MISSED_SHOWN_MONTHS = 6;
    private static final int AGAIN_WITHIN_DAYS = 7;
    /** Of a round over an orchard, where the season asks for something: walking and looking (own assumption). */
    private static final int MINUTES_A_TREE = 10;

    private static final int MINUTES_A_SITE = 60;
    private static final int LONGEST_TITLE = 200;
    private static final String SEPARATOR = ":";
    /** Parts what asks for a task from the tree it is about. */
    private static final String OF_TREE = "@";

    private final TaskMapper tasks;
    private final CareService care;
    private final OrchardService orchard;
    private final SiteRules rules;
    private final History history;
    private final CurrentPerson person;
    private final Today today;
    private final Once once;
    private final MessageSource messages;

    TaskService(
            TaskMapper tasks,
            CareService care,
            OrchardService orchard,
            SiteRules rules,
            History history,
            CurrentPerson person,
            Today today,
            Once once,
            MessageSource messages) {
        this.tasks = tasks;
        this.care = care;
        this.orchard = orchard;
        this.rules = rules;
        this.history = history;
        this.person = person;
        this.today = today;
        this.once = once;
        this.messages = messages;
    }

    /**
     * A task.
     *
     * @param id null while it is only asked for, and nobody took it up; {@code key} takes it up
     * @param how in a sentence, where there is more to say
     * @param source care (of the season), work (done before), wound, hand, or plan: then it is done with the tree's cuts
     * @param state coming, due, missed or done
     * @param harvestFrom of a treatment that was done: the first day on which is picked again
     */
    public record TaskView(
            @MayBeNull Long id,
            @MayBeNull String key,
            int version,
            TaskData data,
            @MayBeNull String tag,
            @MayBeNull String how,
            String source,
            String state,
            @MayBeNull Long dayId,
            @MayBeNull LocalDate dayOn,
            @MayBeNull TickView done,
            @MayBeNull LocalDate harvestFrom) {}

    /** That it was done. */
    public record TickView(
            LocalDate on, String by, @MayBeNull String note) {}

    /** All of a site: what is due or was missed, what comes within a year, and what was done of late. */
    @Transactional(readOnly = true)
    public List<TaskView> ofSite(long siteId) {
        SiteRow site = orchard.site(siteId);
        LocalDate now = today.in(site.zone());
        Set<String> taken = new HashSet<>(tasks.takenUp(siteId));
        List<TaskView> all = new ArrayList<>();
        tasks.ofSite(siteId, now.minusMonths(DONE_SHOWN_MONTHS)).forEach(row -> all.add(view(row, now)));
        all.addAll(ofSeason(siteId, now).stream()
                .filter(one -> !taken.contains(one.key()))
                .toList());
        all.addAll(ofWork(site, now).stream()
                .filter(one -> !taken.contains(one.key()))
                .toList());
        all.addAll(ofPlans(siteId, now));
        all.sort(Comparator.comparing((TaskView one) -> order(one.state()))
                .thenComparing(one -> one.data().closes())
                .thenComparing(one -> one.data().title())
                .thenComparing(one -> one.tag() == null ? "" : one.tag()));
        return all;
    }

    /** What is due today or was missed, of which nobody made a day's work yet; not the yearly work of plans. */
    public List<TaskView> due(long siteId) {
        return ofSite(siteId).stream()
                .filter(one -> !one.source().equals("plan")
                        && (one.state().equals("due") || one.state().equals("missed")))
                .toList();
    }

    private static int order(String state) {
        return List.of("missed", "due", "coming", "done").indexOf(state);
    }

    private static String state(LocalDate opens, LocalDate closes, boolean done, LocalDate now) {
        return done ? "done" : closes.isBefore(now) ? "missed" : opens.isAfter(now) ? "coming" : "due";
    }

    private static TaskView view(TaskRow row, LocalDate now) {
        TaskData.TreatmentData treatment = row.substance() == null
                ? null
                : new TaskData.TreatmentData(row.substance(), row.labelRate(), row.intervalDays(), row.harvestDays());
        return new TaskView(
                row.id(),
                row.sourceKey() == null ? null : row.sourceKey() + (row.treeId() == null ? "" : OF_TREE + row.treeId()),
                row.version(),
                new TaskData(
                        Codes.of(row.kind()),
                        row.title(),
                        row.treeId(),
                        row.limb(),
                        row.species(),
                        row.opens(),
                        row.closes(),
                        row.minutes(),
                        row.people(),
                        row.kit(),
                        row.repeatsMonths(),
                        treatment,
                        row.note()),
                row.tag(),
                null,
                Codes.of(row.source()),
                state(row.opens(), row.closes(), row.doneOn() != null, now),
                row.workDayId(),
                row.dayOn(),
                row.doneOn() == null ? null : new TickView(row.doneOn(), row.doneBy(), row.doneNote()),
                treatment != null && row.doneOn() != null ? row.doneOn().plusDays(treatment.harvestDays()) : null);
    }

    private List<TaskView> ofSeason(long siteId, LocalDate now) {
        return care.care(siteId).stream().map(due -> ofSeason(due, now)).toList();
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
                state(due.opens(), due.closes(), due.done() != null, now),
                null,
                null,
                due.done() == null
                        ? null
                        : new TickView(
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
                String.join(SEPARATOR, "work", work.onDay().toString(), kind) + OF_TREE + work.treeId(),
                0,
                new TaskData(
                        kind,
                        shortened(say("task-" + kind, limbs)),
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
                say("task-" + kind + "-how", limbs),
                Codes.of(Source.WORK),
                state(one.opens(), one.closes(), false, now),
                null,
                null,
                null,
                null);
    }

    private static String shortened(String title) {
        return title.length() <= LONGEST_TITLE ? title : title.substring(0, LONGEST_TITLE - 1) + "…";
    }

    private String say(String code, Object... with) {
        return messages.getMessage(code, with, Locale.ENGLISH);
    }

    private List<TaskView> ofPlans(long siteId, LocalDate now) {
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
                        state(row.opens(), row.closes(), false, now),
                        null,
                        null,
                        null,
                        null))
                .toList();
    }

    TaskView one(long id) {
        TaskRow row = row(id);
        return view(row, today.in(orchard.site(row.siteId()).zone()));
    }

    private TaskRow row(long id) {
        return tasks.find(id).orElseThrow(() -> ProblemException.notFound("There is no such task."));
    }

    /** Adds one by hand. */
    @Transactional
    TaskView add(long siteId, TaskData data) {
        long id = tasks.add(kept(siteId, data, Source.HAND, null), person.id());
        TaskView added = one(id);
        history.added(new About("task", id, siteId, data.treeId()), added);
        return added;
    }

    private NewTask kept(long siteId, TaskData data, Source source, String key) {
        orchard.site(siteId);
        if (data.treeId() != null && orchard.tree(data.treeId()).siteId() != siteId) {
            throw ProblemException.wrongField("/treeId", "is a tree of another site; choose one of this");
        }
        TaskData.TreatmentData treatment = data.treatment();
        return new NewTask(
                siteId,
                data.treeId(),
                data.limb(),
                data.species(),
                Codes.parse(TaskKind.class, data.kind()).orElseThrow(),
                data.title().strip(),
                data.opens(),
                data.closes(),
                data.minutes(),
                data.people() == null ? 1 : data.people(),
                data.kit() == null ? List.of() : data.kit(),
                source,
                key,
                data.repeatsMonths(),
                treatment == null ? null : treatment.substance(),
                treatment == null ? null : treatment.labelRate(),
                treatment == null ? null : treatment.intervalDays(),
                treatment == null ? null : treatment.harvestDays(),
                data.note() == null || data.note().isBlank() ? null : data.note());
    }

    /**
     * Takes up one that is only asked for, so that it can be put on a day or ticked off; the same key twice takes it up once.
     *
     * @throws ProblemException 422 when nothing asks for that
     */
    @Transactional
    TaskView takeUp(long siteId, String key) {
        Optional<TaskRow> before = tasks.byKey(siteId, key);
        if (before.isPresent()) {
            return one(before.get().id());
        }
        TaskView asked = ofSite(siteId).stream()
                .filter(one -> key.equals(one.key()))
                .findFirst()
                .orElseThrow(() -> ProblemException.wrongField("/key", "is asked for by nothing any more; look anew"));
        Source source = Codes.parse(Source.class, asked.source()).orElseThrow();
        long id = tasks.add(kept(siteId, asked.data(), source, key.replaceAll(OF_TREE + "\\d+$", "")), person.id());
        TaskView added = one(id);
        history.added(new About("task", id, siteId, asked.data().treeId()), added);
        return added;
    }

    @Transactional
    TaskView change(long id, int version, TaskData data) {
        TaskRow row = row(id);
        TaskView before = one(id);
        if (tasks.change(id, version, kept(row.siteId(), data, row.source(), row.sourceKey())) == 0) {
            throw ProblemException.stale("This task");
        }
        TaskView after = one(id);
        history.changed(new About("task", id, row.siteId(), data.treeId()), before, after);
        return after;
    }

    /** That it was done, and what to note of it. */
    public record TickData(
            @NotNull(message = "is missing; give the day it was done")
            LocalDate on,

            @MayBeNull @Size(max = 500, message = "is longer than 500 letters")
            String note) {}

    /**
     * Ticks it off. One that repeats, or a treatment with an interval, is due again from then on. What is sent again under the
     * same key is ticked once.
     */
    @Transactional
    TaskView done(long id, Optional<UUID> key, TickData data) {
        long who = person.id();
        TaskRow row = row(id);
        LocalDate now = today.in(orchard.site(row.siteId()).zone());
        if (data.on().isAfter(now)) {
            throw ProblemException.wrongField("/on", "has not come yet; give the day it was done");
        }
        once.keep(key, "tick of task " + id, data, () -> {
            if (row.doneOn() != null) {
                return id; // somebody else ticked it: it is done
            }
            TaskView before = one(id);
            String note = data.note() == null || data.note().isBlank()
                    ? null
                    : data.note().strip();
            tasks.done(id, data.on(), who, note);
            if (row.source() == Source.CARE) {
                careDone(row, data.on(), note);
            }
            again(row, data.on());
            history.changed(new About("task", id, row.siteId(), row.treeId()), before, one(id));
            return id;
        });
        return one(id);
    }

    private void careDone(TaskRow row, LocalDate on, String note) {
        String[] of = row.sourceKey().split(SEPARATOR);
        care.did(
                row.siteId(),
                new DoneData(
                        Codes.of(Codes.parse(CareTask.class, of[1]).orElseThrow()),
                        of[2].equals("all") ? null : of[2],
                        Integer.valueOf(of[3]),
                        on,
                        note));
    }

    private void again(TaskRow row, LocalDate done) {
        LocalDate opens = row.intervalDays() != null
                ? done.plusDays(row.intervalDays())
                : row.repeatsMonths() != null ? done.plusMonths(row.repeatsMonths()) : null;
        if (opens == null) {
            return;
        }
        long open = row.intervalDays() != null
                ? AGAIN_WITHIN_DAYS
                : Math.max(AGAIN_WITHIN_DAYS, row.opens().until(row.closes()).toTotalMonths() * 30);
        tasks.add(
                new NewTask(
                        row.siteId(),
                        row.treeId(),
                        row.limb(),
                        row.species(),
                        row.kind(),
                        row.title(),
                        opens,
                        opens.plusDays(open),
                        row.minutes(),
                        row.people(),
                        row.kit(),
                        Source.HAND,
                        null,
                        row.repeatsMonths(),
                        row.substance(),
                        row.labelRate(),
                        row.intervalDays(),
                        row.harvestDays(),
                        row.note()),
                person.idOrNull());
    }

    /** Takes back that it was done. */
    @Transactional
    TaskView notDone(long id) {
        person.id();
        TaskRow row = row(id);
        if (row.doneOn() == null) {
            return one(id);
        }
        TaskView before = one(id);
        tasks.done(id, null, null, null);
        if (row.source() == Source.CARE) {
            String[] of = row.sourceKey().split(SEPARATOR);
            care.care(row.siteId()).stream()
                    .filter(due -> due.task().equals(of[1])
                            && String.valueOf(due.year()).equals(of[3])
                            && (due.species() == null ? "all" : due.species()).equals(of[2])
                            && due.done() != null)
                    .findFirst()
                    .ifPresent(due -> care.notDone(due.done().id()));
        }
        TaskView after = one(id);
        history.changed(new About("task", id, row.siteId(), row.treeId()), before, after);
        return after;
    }

    /** Takes one away: what was entered by hand is gone, what is asked for is asked for again. */
    @Transactional
    void drop(long id) {
        person.id();
        TaskRow row = row(id);
        TaskView before = one(id);
        tasks.drop(id);
        history.takenAway(new About("task", id, row.siteId(), row.treeId()), before);
    }
}
