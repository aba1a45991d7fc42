package org.diligentbough.server.access;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import org.diligentbough.server.access.AccountMapper.AccountRow;
import org.diligentbough.server.shared.SignedIn;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.stereotype.Component;

/** Lets somebody in and out. */
@Component
class Sessions {
    /** Unused for so long a session ends: those who may do much sign in again every day. */
    private static final Duration OF_COORDINATORS = Duration.ofHours(12);

    private static final Duration OF_OTHERS = Duration.ofDays(90);

    private final SecurityContextRepository kept;
    private final MembershipMapper members;
    private final Clock clock;

    Sessions(SecurityContextRepository kept, MembershipMapper members, Clock clock) {
        this.kept = kept;
        this.members = members;
        this.clock = clock;
    }

    /** Lets in whoever this account is; the session gets another number, so that none that was known before is worth anything. */
    void enter(AccountRow account, HttpServletRequest request, HttpServletResponse response) {
        HttpSession before = request.getSession(false);
        if (before != null) {
            before.invalidate();
        }
        HttpSession session = request.getSession(true);
        boolean coordinates = account.founder()
                || members.of(account.personId()).stream().anyMatch(one -> one.role() == Role.COORDINATOR);
        session.setMaxInactiveInterval((int) (coordinates ? OF_COORDINATORS : OF_OTHERS).toSeconds());
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(
                new SignedIn(account.personId(), account.epoch(), clock.instant()), null, List.of()));
        SecurityContextHolder.setContext(context);
        kept.saveContext(context, request, response);
    }

    void leave(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        if (session != null) {
            session.invalidate();
        }
        SecurityContextHolder.clearContext();
    }
}
