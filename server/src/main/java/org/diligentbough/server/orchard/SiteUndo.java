package org.diligentbough.server.orchard;

import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.shared.History.Kept;
import org.diligentbough.server.shared.Undoes;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** A site with its weather and schools, as it was before. */
@Component
class SiteUndo extends Undoes {
    private final OrchardService orchard;

    SiteUndo(OrchardService orchard, JsonMapper json) {
        super("site", json);
        this.orchard = orchard;
    }

    @Override
    public void undo(Kept change) {
        SiteRow was = was(change, SiteRow.class);
        long id = change.about().entityId();
        orchard.changeSite(id, orchard.site(id).version(), was.data());
    }
}
