package org.diligentbough.server.season;

import java.util.List;
import org.diligentbough.server.season.SiteWeatherService.Taken;
import org.diligentbough.server.season.SiteWeatherService.WeatherDay;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** The weather of a site, over HTTP. */
@RestController
class SiteWeatherApi {
    private final SiteWeatherService service;

    SiteWeatherApi(SiteWeatherService service) {
        this.service = service;
    }

    @GetMapping("/api/sites/{siteId}/weather")
    List<WeatherDay> coming(@PathVariable long siteId) {
        return service.coming(siteId);
    }

    /** Takes daily weather as CSV: date, minC, maxC, rainMm, windKmh. A day sent again is replaced. */
    @PostMapping(value = "/api/sites/{siteId}/weather", consumes = "text/csv")
    Taken take(@PathVariable long siteId, @RequestBody byte[] table) {
        return service.take(siteId, table);
    }
}
