package org.diligentbough.server.crew;

import jakarta.validation.Valid;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.diligentbough.server.crew.IncidentService.IncidentData;
import org.diligentbough.server.crew.IncidentService.IncidentView;
import org.diligentbough.server.shared.Once;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The register of incidents and near misses. */
@RestController
@RequestMapping("/api/sites/{siteId}/incidents")
class IncidentApi {
    private final IncidentService service;

    IncidentApi(IncidentService service) {
        this.service = service;
    }

    @GetMapping
    List<IncidentView> incidents(@PathVariable long siteId) {
        return service.ofSite(siteId);
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    IncidentView addIncident(
            @PathVariable long siteId,
            @RequestHeader(name = Once.HEADER) Optional<UUID> key,
            @Valid @RequestBody IncidentData data) {
        return service.add(siteId, key, data);
    }
}
