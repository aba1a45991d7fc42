package org.diligentbough.server.answers;

import org.diligentbough.server.answers.CropService.CropCount;
import org.diligentbough.server.shared.History.Kept;
import org.diligentbough.server.shared.Undoes;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Fruits counted on a tree as they were before, or none. */
@Component
class CropUndo extends Undoes {
    private final CropService crops;

    CropUndo(CropService crops, JsonMapper json) {
        super("crop", json);
        this.crops = crops;
    }

    /** What is reckoned from a count is of the season that runs. */
    @Override
    public boolean can(Kept change) {
        return super.can(change)
                && crops.runs(change.about().treeId(), (int) change.about().entityId());
    }

    @Override
    public void undo(Kept change) {
        CropCount was = was(change, CropCount.class);
        long tree = change.about().treeId();
        if (was.counted() == null) {
            crops.letGo(tree, (int) change.about().entityId());
        } else {
            crops.keep(tree, was);
        }
    }
}
