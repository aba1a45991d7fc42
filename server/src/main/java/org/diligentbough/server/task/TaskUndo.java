package org.diligentbough.server.task;

import java.util.Optional;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.server.shared.History.Kept;
import org.diligentbough.server.shared.Undoes;
import org.diligentbough.server.task.TaskMapper.Source;
import org.diligentbough.server.task.TaskService.TickData;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** A task as it was before: ticked or not, as it was written, or there again. */
@Component
class TaskUndo extends Undoes {
    private final TaskService tasks;

    TaskUndo(TaskService tasks, JsonMapper json) {
        super("task", json);
        this.tasks = tasks;
    }

    /** What is only asked for is asked for again by itself when it is taken away. */
    @Override
    public boolean can(Kept change) {
        return super.can(change)
                && (change.after() != null
                        || Codes.of(Source.HAND)
                                .equals(change.before().path("source").asString()));
    }

    @Override
    public void undo(Kept change) {
        TaskView was = was(change, TaskView.class);
        if (change.after() == null) {
            tasks.add(change.about().siteId(), was.data());
            return;
        }
        long id = change.about().entityId();
        TaskView now = tasks.one(id);
        if (was.done() == null && now.done() != null) {
            tasks.notDone(id);
        } else if (was.done() != null && now.done() == null) {
            tasks.done(
                    id,
                    Optional.empty(),
                    new TickData(was.done().on(), was.done().note()));
        } else {
            tasks.change(id, now.version(), was.data());
        }
    }
}
