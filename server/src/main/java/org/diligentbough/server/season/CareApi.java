package org.diligentbough.server.season;

import jakarta.validation.Valid;
import java.util.List;
import org.diligentbough.server.season.CareService.DoneData;
import org.diligentbough.server.season.CareService.DueView;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The care of a site’s trees by the year, over HTTP. */
@RestController
class CareApi {
    private final CareService service;

    CareApi(CareService service) {
        this.service = service;
    }

    /** What is due today and within a year, by when it begins. */
    @GetMapping("/api/sites/{siteId}/care")
    List<DueView> care(@PathVariable long siteId) {
        return service.care(siteId);
    }

    @PostMapping("/api/sites/{siteId}/care")
    @ResponseStatus(HttpStatus.CREATED)
    void did(@PathVariable long siteId, @Valid @RequestBody DoneData data) {
        service.did(siteId, data);
    }

    /** Takes back that it was done. */
    @DeleteMapping("/api/care/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void notDone(@PathVariable long id) {
        service.notDone(id);
    }
}
