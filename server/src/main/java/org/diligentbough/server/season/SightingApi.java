package org.diligentbough.server.season;

import jakarta.validation.Valid;
import java.util.Optional;
import java.util.UUID;
import org.diligentbough.server.season.SightingService.SightingData;
import org.diligentbough.server.season.SightingService.SightingView;
import org.diligentbough.server.shared.Once;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What people see of growth, over HTTP. */
@RestController
class SightingApi {
    private final SightingService service;

    SightingApi(SightingService service) {
        this.service = service;
    }

    /** Notes what was seen. What is sent again under the same key is kept once. */
    @PostMapping("/api/sites/{siteId}/sightings")
    @ResponseStatus(HttpStatus.CREATED)
    SightingView add(
            @PathVariable long siteId,
            @RequestHeader(name = Once.HEADER) Optional<UUID> key,
            @Valid @RequestBody SightingData data) {
        return service.add(siteId, key, data);
    }

    /** Takes back what was noted by itself. */
    @DeleteMapping("/api/sightings/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBack(@PathVariable long id) {
        service.takeBack(id);
    }
}
