package org.diligentbough.server.fruit;

import java.util.Optional;
import org.diligentbough.server.fruit.FruitMapper.FruitRow;
import org.diligentbough.server.fruit.FruitService.FruitChange;
import org.diligentbough.server.shared.History.Kept;
import org.diligentbough.server.shared.Undoes;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** A year's fruit as it stood before, or no year at all. */
@Component
class FruitUndo extends Undoes {
    private final FruitService service;
    private final FruitMapper fruit;

    FruitUndo(FruitService service, FruitMapper fruit, JsonMapper json) {
        super("fruit", json);
        this.service = service;
        this.fruit = fruit;
    }

    @Override
    public boolean can(Kept change) {
        return !"imported".equals(change.action());
    }

    @Override
    public void undo(Kept change) {
        long tree = change.about().treeId();
        int year = (int) change.about().entityId();
        int version = fruit.find(tree, year).map(FruitRow::version).orElse(0);
        if (change.before() == null) {
            service.takeFruitBack(tree, year, version);
        } else {
            FruitRow was = was(change, FruitRow.class);
            service.keepFruit(tree, year, Optional.empty(), new FruitChange(version, was.data()));
        }
    }
}
