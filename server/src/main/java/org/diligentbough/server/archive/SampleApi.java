package org.diligentbough.server.archive;

import java.net.URI;
import org.diligentbough.server.archive.ArchiveApi.ImportedView;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Sample orchards: made-up trees to play with. */
@RestController
@RequestMapping("/api/samples")
class SampleApi {
    private final SampleService samples;

    SampleApi(SampleService samples) {
        this.samples = samples;
    }

    @PostMapping
    ResponseEntity<ImportedView> plant() {
        var site = samples.plant();
        return ResponseEntity.created(URI.create("/api/sites/" + site.id()))
                .body(new ImportedView(site.id(), site.name()));
    }

    /** Throws a sample away with all that was done in it; nothing else can be. */
    @DeleteMapping("/{siteId}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void throwAway(@PathVariable long siteId) {
        samples.throwAway(siteId);
    }
}
