package org.diligentbough.server.programme;

import org.diligentbough.server.shared.History.Kept;
import org.diligentbough.server.shared.Undoes;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The year a tree's work begins in as it was before, or left to the hours again. */
@Component
class BeginUndo extends Undoes {
    private final ProgrammeService programmes;

    BeginUndo(ProgrammeService programmes, JsonMapper json) {
        super("programme", json);
        this.programmes = programmes;
    }

    @Override
    public void undo(Kept change) {
        JsonNode year = change.before().path("year");
        programmes.setAnew(change.about().treeId(), year.isInt() ? year.intValue() : null);
    }
}
