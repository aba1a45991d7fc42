package org.diligentbough.server.orchard;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.List;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.shared.Today;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Sites. */
@RestController
@RequestMapping("/api/sites")
class SiteApi {
    private final OrchardService service;
    private final Today today;

    SiteApi(OrchardService service, Today today) {
        this.service = service;
        this.today = today;
    }

    /**
     * A site.
     *
     * @param today its local date
     * @param version to be sent back when changing it
     * @param sample made up to play with: it may be thrown away
     */
    record SiteView(long id, int version, LocalDate today, SiteData data, boolean sample) {}

    /** A change to a site, with the version it was based on. */
    record SiteChange(
            @NotNull(message = "is missing; send the version the change is based on")
            Integer version,

            @Valid @NotNull(message = "is missing") SiteData data) {}

    @GetMapping
    List<SiteView> sites() {
        return service.mySites().stream().map(this::view).toList();
    }

    @GetMapping("/{siteId}")
    SiteView site(@PathVariable long siteId) {
        return view(service.site(siteId));
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    SiteView addSite(@Valid @RequestBody SiteData site) {
        return view(service.addSite(site));
    }

    @PutMapping("/{siteId}")
    SiteView changeSite(@PathVariable long siteId, @Valid @RequestBody SiteChange change) {
        return view(service.changeSite(siteId, change.version(), change.data()));
    }

    private SiteView view(SiteRow row) {
        return new SiteView(row.id(), row.version(), today.in(row.zone()), row.data(), row.sample());
    }
}
