package org.diligentbough.server.figures;

import java.util.Optional;
import java.util.stream.Stream;
import org.diligentbough.server.figures.FigureService.ChangedView;
import org.diligentbough.server.figures.FigureService.FigureChange;
import org.diligentbough.server.figures.FigureService.FigureView;
import org.diligentbough.server.figures.FigureService.OfKind;
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
        FigureView now = figures.figures(site).stream()
                .filter(one -> one.figure().equals(was.figure()))
                .findFirst()
                .orElseThrow();
        putBack(site, null, was, now);
        Stream.of(was, now)
                .flatMap(one -> one.kinds().stream())
                .map(OfKind::kind)
                .distinct()
                .forEach(kind -> putBack(site, kind, was, now));
    }

    private void putBack(long site, String kind, FigureView was, FigureView now) {
        Optional<ChangedView> before = was.changed(kind);
        Optional<ChangedView> after = now.changed(kind);
        if (before.equals(after)) {
            return;
        }
        long version = after.map(ChangedView::version).orElse(0L);
        if (before.isEmpty()) {
            figures.putFigureBack(site, was.figure(), kind, version);
        } else {
            figures.changeFigure(
                    site,
                    was.figure(),
                    kind,
                    new FigureChange(version, before.get().value(), before.get().note()));
        }
    }
}
