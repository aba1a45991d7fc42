package org.diligentbough.server.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import org.diligentbough.server.shared.SignedIn;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/** Ends a session at once when its account was shut, got another password, lost a role, or signed in very long ago. */
class SignedInFilter extends OncePerRequestFilter {
    private static final Duration LONGEST = Duration.ofDays(180);

    private final AccountMapper accounts;
    private final Clock clock;

    SignedInFilter(AccountMapper accounts, Clock clock) {
        this.accounts = accounts;
        this.clock = clock;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !request.getRequestURI().startsWith("/api/");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication now = SecurityContextHolder.getContext().getAuthentication();
        if (now != null && now.getPrincipal() instanceof SignedIn in && !holds(in)) {
            SecurityContextHolder.clearContext();
            HttpSession session = request.getSession(false);
            if (session != null) {
                session.invalidate();
            }
        }
        chain.doFilter(request, response);
    }

    private boolean holds(SignedIn in) {
        return in.since().plus(LONGEST).isAfter(clock.instant())
                && accounts.of(in.personId())
                        .filter(account -> account.enabled() && account.epoch() == in.epoch())
                        .isPresent();
    }
}
