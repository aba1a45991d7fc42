package org.diligentbough.server.archive;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import org.diligentbough.server.shared.CurrentPerson;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Orchard archives: a whole site out as one file, and in again. */
@RestController
@RequestMapping("/api")
class ArchiveApi {
    private final ArchiveService service;
    private final ArchiveWriter writer;
    private final CurrentPerson person;

    ArchiveApi(ArchiveService service, ArchiveWriter writer, CurrentPerson person) {
        this.service = service;
        this.writer = writer;
        this.person = person;
    }

    @GetMapping("/sites/{siteId}/archive")
    ResponseEntity<Archive> archive(@PathVariable long siteId) {
        Archive archive = writer.of(siteId);
        String name = archive.site().name().toLowerCase().replaceAll("[^a-z0-9]+", "-") + ".json";
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .body(archive);
    }

    /** The site an archive became. */
    record ImportedView(long siteId, String name) {}

    @Operation(
            summary = "Add a site from an orchard archive",
            requestBody =
                    @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            required = true,
                            content =
                                    @Content(
                                            mediaType = "application/json",
                                            schema = @Schema(implementation = Archive.class))))
    @PostMapping("/archives")
    ResponseEntity<ImportedView> addArchive(@Schema(hidden = true) InputStream body) throws IOException {
        person.id();
        var site = service.add(body.readAllBytes());
        return ResponseEntity.created(URI.create("/api/sites/" + site.id()))
                .body(new ImportedView(site.id(), site.name()));
    }
}
