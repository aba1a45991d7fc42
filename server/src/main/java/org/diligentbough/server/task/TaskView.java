package org.diligentbough.server.task;

import java.time.LocalDate;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.task.TaskMapper.TaskRow;

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
        @MayBeNull LocalDate harvestFrom) {
    /** That it was done. */
    public record TickView(
            LocalDate on, String by, @MayBeNull String note) {}

    /** Parts what asks for a task from the tree it is about. */
    static final String OF_TREE = "@";

    static TaskView of(TaskRow row, LocalDate now) {
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

    static String state(LocalDate opens, LocalDate closes, boolean done, LocalDate now) {
        return done ? "done" : closes.isBefore(now) ? "missed" : opens.isAfter(now) ? "coming" : "due";
    }
}
