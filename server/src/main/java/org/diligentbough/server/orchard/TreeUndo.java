package org.diligentbough.server.orchard;

import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.shared.History.Kept;
import org.diligentbough.server.shared.Undoes;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** What is registered of a tree, as it was before. */
@Component
class TreeUndo extends Undoes {
    private final OrchardService orchard;

    TreeUndo(OrchardService orchard, JsonMapper json) {
        super("tree", json);
        this.orchard = orchard;
    }

    @Override
    public void undo(Kept change) {
        TreeRow was = was(change, TreeRow.class);
        long id = change.about().entityId();
        orchard.changeTree(id, orchard.tree(id).version(), was.data());
    }
}
