package org.diligentbough.server.light;

import org.diligentbough.server.light.SiteLightService.SiteLightView;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** Light and shade over a site, over HTTP. */
@RestController
class SiteLightApi {
    private final SiteLightService service;

    SiteLightApi(SiteLightService service) {
        this.service = service;
    }

    /** Where shade falls over the season, which neighbour takes most from which tree, and which stand too close. */
    @GetMapping("/api/sites/{siteId}/light")
    SiteLightView siteLight(@PathVariable long siteId) {
        return service.siteLight(siteId);
    }
}
