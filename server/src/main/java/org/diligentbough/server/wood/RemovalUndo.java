package org.diligentbough.server.wood;

import org.diligentbough.server.shared.History.Kept;
import org.diligentbough.server.shared.Undoes;
import org.diligentbough.server.wood.RemovalService.RemovalChange;
import org.diligentbough.server.wood.RemovalService.RemovalView;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** A tree that was taken out stands again, or is out as it was entered before. */
@Component
class RemovalUndo extends Undoes {
    private final RemovalService removals;

    RemovalUndo(RemovalService removals, JsonMapper json) {
        super("removal", json);
        this.removals = removals;
    }

    @Override
    public boolean can(Kept change) {
        return !"imported".equals(change.action());
    }

    @Override
    public void undo(Kept change) {
        long tree = change.about().treeId();
        int version = removals.find(tree).map(RemovalView::version).orElse(0);
        if (change.before() == null) {
            removals.standsAfterAll(tree, version);
        } else {
            RemovalView was = was(change, RemovalView.class);
            removals.remove(tree, new RemovalChange(version, was.data()));
        }
    }
}
