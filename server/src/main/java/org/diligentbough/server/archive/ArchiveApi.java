package org.diligentbough.server.archive;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.util.Locale;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.shared.CurrentPerson;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Orchard archives: a whole site out as one file, and in again. */
@RestController
@RequestMapping("/api")
class ArchiveApi {
    private static final MediaType ZIP = MediaType.parseMediaType("application/zip");

    private final ArchiveService service;
    private final ArchiveWriter writer;
    private final ArchiveZip zip;
    private final CurrentPerson person;

    ArchiveApi(ArchiveService service, ArchiveWriter writer, ArchiveZip zip, CurrentPerson person) {
        this.service = service;
        this.writer = writer;
        this.zip = zip;
        this.person = person;
    }

    /** A site with everything that is known of it, but for its pictures. */
    @GetMapping("/sites/{siteId}/archive")
    ResponseEntity<Archive> archive(@PathVariable long siteId) {
        Archive archive = writer.of(siteId);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, attached(archive, ".json"))
                .body(archive);
    }

    /** The same with its pictures beside it. */
    @GetMapping(path = "/sites/{siteId}/archive.zip", produces = "application/zip")
    void archiveZip(@PathVariable long siteId, HttpServletResponse response) throws IOException {
        Archive archive = writer.of(siteId);
        response.setHeader(HttpHeaders.CONTENT_DISPOSITION, attached(archive, ".zip"));
        response.setContentType("application/zip");
        zip.write(archive, writer.pictures(siteId), response.getOutputStream());
    }

    private static String attached(Archive archive, String ending) {
        String name = archive.site().name().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-") + ending;
        return ContentDisposition.attachment().filename(name).build().toString();
    }

    /** The site an archive became. */
    record ImportedView(long siteId, String name) {}

    @Operation(
            summary = "Add a site from an orchard archive",
            description = "Or from a zip of one with its pictures, sent as application/zip.",
            requestBody =
                    @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            required = true,
                            content =
                                    @Content(
                                            mediaType = MediaType.APPLICATION_JSON_VALUE,
                                            schema = @Schema(implementation = Archive.class))))
    @PostMapping("/archives")
    ResponseEntity<ImportedView> addArchive(
            @Parameter(hidden = true) @RequestHeader(HttpHeaders.CONTENT_TYPE) MediaType type,
            @Schema(hidden = true) InputStream body)
            throws IOException {
        person.id();
        SiteRow site = type.isCompatibleWith(ZIP) ? zip.add(body) : service.add(body.readAllBytes());
        return ResponseEntity.created(URI.create("/api/sites/" + site.id()))
                .body(new ImportedView(site.id(), site.name()));
    }
}
