package org.diligentbough.server.shared;

import io.swagger.v3.oas.annotations.Hidden;
import org.springframework.core.io.ClassPathResource;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** The document of all that can be asked here; made when the application is built and not while it runs. */
@Hidden
@RestController
class OpenApiApi {
    @GetMapping(path = "/api/openapi", produces = MediaType.APPLICATION_JSON_VALUE)
    Resource openapi() {
        return new ClassPathResource("api/openapi.json");
    }
}
