package org.diligentbough.server.task;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.season.CareTask;
import org.diligentbough.core.task.TaskKind;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.season.CareService;
import org.diligentbough.server.season.CareService.DoneData;
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
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What is to be done besides cuts, as one list: entered by hand, asked for by the season and by work done before, and the yearly
 * work of plans beside it. What is asked for is kept once somebody takes it up.
 */
@Service
public class TaskService {
    private static final int DONE_SHOWN_MONTHS = 3;
    private static final int AGAIN_WITHIN_DAYS = 7;

    private final TaskMapper tasks;
    private final AskedTasks asked;
    private final CareService care;
    private final OrchardService orchard;
    private final History history;
    private final CurrentPerson person;
    private final Today today;
    private final Once once;

    TaskService(
            TaskMapper tasks,
            AskedTasks asked,
            CareService care,
            OrchardService orchard,
            History history,
            CurrentPerson person,
            Today today,
            Once once) {
        this.tasks = tasks;
        this.asked = asked;
        this.care = care;
        this.orchard = orchard;
        this.history = history;
        this.person = person;
        this.today = today;
        this.once = once;
    }

    /** All of a site: what is due or was missed, what comes within a year, and what was done of late. */
    @Transactional(readOnly = true)
    public List<TaskView> ofSite(long siteId) {
        SiteRow site = orchard.site(siteId);
        LocalDate now = today.in(site.zone());
        return sorted(Stream.concat(ofItsOwn(site, now), asked.ofPlans(siteId, now).stream()));
    }

    /** What is due today or was missed, of which nobody made a day's work yet; not the yearly work of plans. */
    @Transactional(readOnly = true)
    public List<TaskView> due(long siteId) {
        SiteRow site = orchard.site(siteId);
        return sorted(ofItsOwn(site, today.in(site.zone()))
                .filter(one -> one.state().equals("due") || one.state().equals("missed")));
    }

    private Stream<TaskView> ofItsOwn(SiteRow site, LocalDate now) {
        return Stream.concat(
                tasks.ofSite(site.id(), now.minusMonths(DONE_SHOWN_MONTHS)).stream()
                        .map(row -> TaskView.of(row, now)),
                asked.open(site, now));
    }

    private static List<TaskView> sorted(Stream<TaskView> all) {
        return all.sorted(Comparator.comparing((TaskView one) -> order(one.state()))
                        .thenComparing(one -> one.data().closes())
                        .thenComparing(one -> one.data().title())
                        .thenComparing(one -> one.tag() == null ? "" : one.tag()))
                .toList();
    }

    private static int order(String state) {
        return List.of("missed", "due", "coming", "done").indexOf(state);
    }

    TaskView one(long id) {
        TaskRow row = row(id);
        return TaskView.of(row, today.in(orchard.site(row.siteId()).zone()));
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
        SiteRow site = orchard.site(siteId);
        TaskView open = asked.open(site, today.in(site.zone()))
                .filter(one -> key.equals(one.key()))
                .findFirst()
                .orElseThrow(() -> ProblemException.wrongField("/key", "is asked for by nothing any more; look anew"));
        Source source = Codes.parse(Source.class, open.source()).orElseThrow();
        long id = tasks.add(
                kept(siteId, open.data(), source, key.replaceAll(TaskView.OF_TREE + "\\d+$", "")), person.id());
        TaskView added = one(id);
        history.added(new About("task", id, siteId, open.data().treeId()), added);
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
            next(row, data.on()).ifPresent(due -> tasks.add(due, who));
            history.changed(new About("task", id, row.siteId(), row.treeId()), before, one(id));
            return id;
        });
        return one(id);
    }

    private void careDone(TaskRow row, LocalDate on, String note) {
        String[] of = row.sourceKey().split(AskedTasks.SEPARATOR);
        care.did(
                row.siteId(),
                new DoneData(
                        Codes.of(Codes.parse(CareTask.class, of[1]).orElseThrow()),
                        of[2].equals("all") ? null : of[2],
                        Integer.valueOf(of[3]),
                        on,
                        note));
    }

    /** What is due again after one that was done on a day; empty where it does not repeat. */
    private static Optional<NewTask> next(TaskRow row, LocalDate done) {
        LocalDate opens = row.intervalDays() != null
                ? done.plusDays(row.intervalDays())
                : row.repeatsMonths() != null ? done.plusMonths(row.repeatsMonths()) : null;
        if (opens == null) {
            return Optional.empty();
        }
        long open = row.intervalDays() != null
                ? AGAIN_WITHIN_DAYS
                : Math.max(AGAIN_WITHIN_DAYS, row.opens().until(row.closes()).toTotalMonths() * 30);
        return Optional.of(new NewTask(
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
                row.note()));
    }

    /** Takes back that it was done; what was due again by that is gone, where nobody touched it. */
    @Transactional
    TaskView notDone(long id) {
        person.id();
        TaskRow row = row(id);
        if (row.doneOn() == null) {
            return one(id);
        }
        TaskView before = one(id);
        tasks.done(id, null, null, null);
        next(row, row.doneOn()).flatMap(tasks::untouched).ifPresent(this::drop);
        if (row.source() == Source.CARE) {
            String[] of = row.sourceKey().split(AskedTasks.SEPARATOR);
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
