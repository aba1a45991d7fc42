package org.diligentbough.server.access;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Writes problem details where no handler has begun yet. */
@Component
class Refusals {
    private final JsonMapper json;

    Refusals(JsonMapper json) {
        this.json = json;
    }

    void write(HttpServletResponse response, HttpStatus status, String detail) throws IOException {
        write(response, status, detail, null);
    }

    /** {@code why} says it to programs; null when the status says enough. */
    void write(HttpServletResponse response, HttpStatus status, String detail, String why) throws IOException {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, detail);
        problem.setProperty("errors", List.of());
        if (why != null) {
            problem.setProperty("conflict", why);
        }
        response.setStatus(status.value());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.getOutputStream().write(json.writeValueAsBytes(problem));
    }
}
