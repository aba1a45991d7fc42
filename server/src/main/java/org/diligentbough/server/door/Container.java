package org.diligentbough.server.door;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.core.StandardHost;
import org.apache.catalina.valves.ErrorReportValve;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What the container refuses by itself, before any code of ours, is answered with problem details too. */
@Configuration
class Container {
    private static final String SENTENCE = "The request cannot be answered: ";

    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> problemDetails() {
        return factory -> factory.addContextCustomizers(context ->
                ((StandardHost) context.getParent()).setErrorReportValveClass(ProblemReport.class.getName()));
    }

    /** Writes what is wrong as RFC 9457 has it, and nothing about the server. */
    public static final class ProblemReport extends ErrorReportValve {
        @Override
        protected void report(Request request, Response response, Throwable wrong) {
            int status = response.getStatus();
            if (status < HttpStatus.BAD_REQUEST.value()
                    || response.getContentWritten() > 0
                    || !response.setErrorReported()) {
                return;
            }
            try {
                response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
                response.setCharacterEncoding("UTF-8");
                response.getReporter()
                        .write("{\"title\":\"" + title(status) + "\",\"status\":" + status + ",\"detail\":\"" + SENTENCE
                                + title(status) + ".\",\"errors\":[]}");
                response.finishResponse();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    private static String title(int status) {
        HttpStatus known = HttpStatus.resolve(status);
        return known == null ? "Refused" : known.getReasonPhrase();
    }

    /** What a servlet or filter refused without a word. */
    @Hidden
    @RestController
    static class Refused implements ErrorController {
        @RequestMapping("/error")
        ResponseEntity<ProblemDetail> refused(HttpServletRequest request) {
            Object said = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
            int status = said instanceof Integer code ? code : HttpStatus.NOT_FOUND.value();
            ProblemDetail problem =
                    ProblemDetail.forStatusAndDetail(HttpStatusCode.valueOf(status), SENTENCE + title(status) + ".");
            problem.setProperty("errors", List.of());
            return ResponseEntity.status(status).body(problem);
        }
    }
}
