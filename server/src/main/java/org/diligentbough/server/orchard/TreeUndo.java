package org.diligentbough.server.orchard;

import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.shared.History.Kept;
import org.diligentbough.server.shared.Undoes;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** What is registered of a tree, as it was before. */
@Component
class TreeUndo implements Undoes {
    private final OrchardService orchard;
    private final JsonMapper json;

    TreeUndo(OrchardService orchard, JsonMapper json) {
        this.orchard = orchard;
        this.json = json;
    }

    @Override
    public String entity() {
        return "tree";
    }

    @Override
    public boolean can(Kept change) {
        return change.before() != null;
    }

    @Override
    public void undo(Kept change) {
        TreeRow was = json.treeToValue(change.before(), TreeRow.class);
        long id = change.about().entityId();
        orchard.changeTree(id, orchard.tree(id).version(), was.data());
    }
}
