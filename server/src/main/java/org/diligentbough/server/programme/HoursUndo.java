package org.diligentbough.server.programme;

import java.util.List;
import org.diligentbough.server.programme.ProgrammeMapper.HoursRow;
import org.diligentbough.server.shared.History.Kept;
import org.diligentbough.server.shared.Undoes;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** The hours of a site's seasons as they were before. */
@Component
class HoursUndo extends Undoes {
    private final ProgrammeService programmes;

    HoursUndo(ProgrammeService programmes, JsonMapper json) {
        super("hours", json);
        this.programmes = programmes;
    }

    @Override
    public void undo(Kept change) {
        programmes.keepHours(change.about().siteId(), List.of(was(change, HoursRow[].class)));
    }
}
