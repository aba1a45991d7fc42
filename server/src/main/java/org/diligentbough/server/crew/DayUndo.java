package org.diligentbough.server.crew;

import java.util.List;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.server.crew.DayMapper.State;
import org.diligentbough.server.shared.History.Kept;
import org.diligentbough.server.shared.Undoes;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** A work day with its people, trees, tasks and crews as they stood before; what was logged since stays. */
@Component
class DayUndo extends Undoes {
    /** Whoever was asked was told already that a day does not take place, or where its trees went. */
    private static final List<String> OVER = List.of(Codes.of(State.RAINED_OFF), Codes.of(State.CALLED_OFF));

    private final DayRestore days;

    DayUndo(DayRestore days, JsonMapper json) {
        super("day", json);
        this.days = days;
    }

    @Override
    public boolean can(Kept change) {
        return super.can(change)
                && change.after() != null
                && !OVER.contains(change.before().path("state").asString())
                && !OVER.contains(change.after().path("state").asString());
    }

    @Override
    public void undo(Kept change) {
        days.asItWas(was(change, DayView.class));
    }
}
