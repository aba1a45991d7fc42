package org.diligentbough.server.figures;

import jakarta.validation.Valid;
import java.util.List;
import org.diligentbough.server.figures.FigureService.FigureChange;
import org.diligentbough.server.figures.FigureService.FigureView;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The numbers of a site, over HTTP. */
@RestController
class FigureApi {
    private final FigureService service;

    FigureApi(FigureService service) {
        this.service = service;
    }

    @GetMapping("/api/sites/{siteId}/figures")
    List<FigureView> figures(@PathVariable long siteId) {
        return service.figures(siteId);
    }

    /** Has a site go by another value, of one kind alone where that is named; every tree of it is judged anew. */
    @PutMapping("/api/sites/{siteId}/figures/{figure}")
    FigureView changeFigure(
            @PathVariable long siteId,
            @PathVariable String figure,
            @RequestParam(required = false) String kind,
            @Valid @RequestBody FigureChange change) {
        return service.changeFigure(siteId, figure, kind, change);
    }

    /** Puts the shipped value back; of a kind, what holds for all. */
    @DeleteMapping("/api/sites/{siteId}/figures/{figure}")
    FigureView putFigureBack(
            @PathVariable long siteId,
            @PathVariable String figure,
            @RequestParam(required = false) String kind,
            @RequestParam long version) {
        return service.putFigureBack(siteId, figure, kind, version);
    }
}
