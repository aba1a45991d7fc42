package org.diligentbough.server.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Answers only to its own names, so that no page elsewhere reaches a server on somebody's own machine by a name of its choice;
 * and takes nothing that another site's page sends.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class HostFilter extends OncePerRequestFilter {
    private static final Set<String> READING = Set.of("GET", "HEAD");
    private static final Set<String> METHODS = Set.of("GET", "HEAD", "POST", "PUT", "DELETE");
    private static final Set<String> FROM_HERE = Set.of("same-origin", "none");

    private final DoorSettings settings;
    private final Refusals refusals;

    HostFilter(DoorSettings settings, Refusals refusals) {
        this.settings = settings;
        this.refusals = refusals;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (!settings.isOurs(request.getHeader(HttpHeaders.HOST))) {
            refusals.write(
                    response,
                    HttpStatus.MISDIRECTED_REQUEST,
                    "This server does not go by that name. Whoever runs it lists its names in BOUGH_HOSTS.");
            return;
        }
        if (!METHODS.contains(request.getMethod())) {
            refusals.write(response, HttpStatus.METHOD_NOT_ALLOWED, "Nothing is asked that way here.");
            return;
        }
        String from = request.getHeader("Sec-Fetch-Site");
        if (from != null && !FROM_HERE.contains(from) && !READING.contains(request.getMethod())) {
            refusals.write(response, HttpStatus.FORBIDDEN, "This was sent by a page of another site: it is not taken.");
            return;
        }
        chain.doFilter(request, response);
    }
}
