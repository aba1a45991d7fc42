package org.diligentbough.server.door;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Pattern;
import org.diligentbough.server.shared.DatabaseAway;
import org.diligentbough.server.shared.FieldProblem;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/**
 * Reads what is sent whole, and no more of it than makes sense at that address. However slowly it comes, nothing else waits
 * for it: no transaction has begun and no connection to the database is held.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
class BodyFilter extends OncePerRequestFilter {
    /** What a decoder puts where it could not read a character. */
    private static final char UNREADABLE = '\uFFFD';

    private static final int KIB = 1024;
    private static final int USUAL_BYTES = 256 * KIB;

    /** What is too large to be held whole, an archive with its pictures, is read by its handler into a file. */
    private static final String ARCHIVES = "/api/archives";

    /** Addresses where more is sent than elsewhere. */
    private record Bound(Pattern address, int bytes) {}

    private static final List<Bound> BOUNDS = List.of(
            new Bound(Pattern.compile(ARCHIVES), 64 * KIB * KIB),
            new Bound(
                    Pattern.compile(
                            "/api/(sites/[^/]+/(trees/table(/look)?|trees/geojson|weather)|trees/[^/]+/photos)"),
                    4 * KIB * KIB),
            new Bound(
                    Pattern.compile("/api/(evaluate|roster|trees/[^/]+/(surveys|draft)|surveys/[^/]+)"),
                    2 * KIB * KIB));

    private final JsonMapper json;

    BodyFilter(JsonMapper json) {
        this.json = json;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        String type = request.getContentType();
        return !request.getRequestURI().startsWith("/api/")
                || request.getRequestURI().equals(ARCHIVES) && type != null && type.startsWith("application/zip");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (!readable(request.getQueryString())) {
            refuse(response, HttpStatus.BAD_REQUEST, "The address names something no text can hold.", List.of());
            return;
        }
        int most = BOUNDS.stream()
                .filter(bound ->
                        bound.address().matcher(request.getRequestURI()).matches())
                .mapToInt(Bound::bytes)
                .findFirst()
                .orElse(USUAL_BYTES);
        if (request.getContentLengthLong() > most) {
            tooLarge(response, most);
            return;
        }
        byte[] body;
        try {
            body = request.getInputStream().readNBytes(most + 1);
        } catch (IOException e) {
            refuse(response, HttpStatus.BAD_REQUEST, "What was sent broke off on its way. Send it again.", List.of());
            return;
        }
        if (body.length > most) {
            tooLarge(response, most);
            return;
        }
        List<FieldProblem> problems = isJson(request) ? new JsonLook(body).problems() : List.of();
        if (!problems.isEmpty()) {
            refuse(
                    response,
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    problems.size() == 1 ? "One field cannot be used." : problems.size() + " fields cannot be used.",
                    problems);
            return;
        }
        try {
            chain.doFilter(new ReadRequest(request, body), response);
        } catch (IOException | ServletException | RuntimeException e) {
            // Before any handler begins, a session is looked up: the database can be away there too.
            if (!DatabaseAway.isWhy(e) || response.isCommitted()) {
                throw e;
            }
            response.reset();
            response.setHeader(HttpHeaders.RETRY_AFTER, "2");
            refuse(response, HttpStatus.SERVICE_UNAVAILABLE, DatabaseAway.SENTENCE, List.of());
        }
    }

    private static boolean isJson(HttpServletRequest request) {
        String type = request.getContentType();
        return type == null || type.contains("json");
    }

    /** Whether what an address asks is text that can be looked for. */
    private static boolean readable(String query) {
        if (query == null) {
            return true;
        }
        try {
            String text = URLDecoder.decode(query, StandardCharsets.UTF_8);
            return JsonLook.isText(text) && text.indexOf(UNREADABLE) < 0;
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    private void tooLarge(HttpServletResponse response, int most) throws IOException {
        String bound = most >= KIB * KIB ? most / KIB / KIB + " MiB" : most / KIB + " KiB";
        refuse(
                response,
                HttpStatus.CONTENT_TOO_LARGE,
                "What is sent here has at most " + bound + "; this is more. Send less, or in parts.",
                List.of());
    }

    private void refuse(HttpServletResponse response, HttpStatus status, String detail, List<FieldProblem> errors)
            throws IOException {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, detail);
        problem.setProperty("errors", errors);
        response.setStatus(status.value());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.getOutputStream().write(json.writeValueAsBytes(problem));
    }

    /** A request whose body was read already. */
    private static final class ReadRequest extends HttpServletRequestWrapper {
        private final byte[] body;

        ReadRequest(HttpServletRequest request, byte[] body) {
            super(request);
            this.body = body;
        }

        @Override
        public ServletInputStream getInputStream() {
            ByteArrayInputStream in = new ByteArrayInputStream(body);
            return new ServletInputStream() {
                @Override
                public int read() {
                    return in.read();
                }

                @Override
                public int read(byte[] into, int from, int most) {
                    return in.read(into, from, most);
                }

                @Override
                public boolean isFinished() {
                    return in.available() == 0;
                }

                @Override
                public boolean isReady() {
                    return true;
                }

                @Override
                public void setReadListener(ReadListener listener) {
                    throw new UnsupportedOperationException("what was read already is not listened to");
                }
            };
        }

        @Override
        public BufferedReader getReader() {
            return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
        }
    }
}
