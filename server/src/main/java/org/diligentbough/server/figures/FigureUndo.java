package org.diligentbough.server.figures;

import org.diligentbough.server.figures.FigureService.FigureChange;
import org.diligentbough.server.figures.FigureService.FigureView;
import org.diligentbough.server.shared.History.Kept;
import org.diligentbough.server.shared.Undoes;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** A number of the rules as it was before. */
@Component
class FigureUndo extends Undoes {
    private final FigureService figures;

    FigureUndo(FigureService figures, JsonMapper json) {
        super("figure", json);
        this.figures = figures;
    }

    @Override
    public void undo(Kept change) {
        FigureView was = was(change, FigureView.class);
        long site = change.about().siteId();
        long version = figures.figures(site).stream()
                .filter(now -> now.figure().equals(was.figure()) && now.changed() != null)
                .mapToLong(now -> now.changed().version())
                .findFirst()
                .orElse(0);
        if (was.changed() == null) {
            figures.putFigureBack(site, was.figure(), version);
        } else {
            figures.changeFigure(
                    site,
                    was.figure(),
                    new FigureChange(
                            version, was.changed().value(), was.changed().note()));
        }
    }
}
