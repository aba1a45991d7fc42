package org.diligentbough.server.access;

import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What is known of a person: as a file, and forgotten. */
@RestController
@RequestMapping("/api/people/{personId}")
class PrivacyApi {
    private final PrivacyService service;

    PrivacyApi(PrivacyService service) {
        this.service = service;
    }

    @GetMapping(path = "/known", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> known(@PathVariable long personId) {
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("known-of-" + personId + ".json")
                                .build()
                                .toString())
                .body(service.known(personId));
    }

    /** Forgets somebody; it cannot be undone. */
    @PostMapping("/forgotten")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void forget(@PathVariable long personId) {
        service.forget(personId);
    }
}
