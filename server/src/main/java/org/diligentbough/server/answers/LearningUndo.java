package org.diligentbough.server.answers;

import org.diligentbough.server.answers.LearningService.Always;
import org.diligentbough.server.shared.History.Kept;
import org.diligentbough.server.shared.Undoes;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Whether a site goes by what it learns, as it was before; numbers that were taken over by it are changes of their own. */
@Component
class LearningUndo extends Undoes {
    private final LearningService learning;

    LearningUndo(LearningService learning, JsonMapper json) {
        super("learning", json);
        this.learning = learning;
    }

    @Override
    public void undo(Kept change) {
        learning.goAlways(change.about().siteId(), was(change, Always.class).always());
    }
}
