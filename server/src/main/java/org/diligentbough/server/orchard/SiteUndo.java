package org.diligentbough.server.orchard;

import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.shared.History.Kept;
import org.diligentbough.server.shared.Undoes;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** A site with its weather and schools, as it was before. */
@Component
class SiteUndo implements Undoes {
    private final OrchardService orchard;
    private final JsonMapper json;

    SiteUndo(OrchardService orchard, JsonMapper json) {
        this.orchard = orchard;
        this.json = json;
    }

    @Override
    public String entity() {
        return "site";
    }

    @Override
    public boolean can(Kept change) {
        return change.before() != null;
    }

    @Override
    public void undo(Kept change) {
        SiteRow was = json.treeToValue(change.before(), SiteRow.class);
        long id = change.about().entityId();
        orchard.changeSite(id, orchard.site(id).version(), was.data());
    }
}
