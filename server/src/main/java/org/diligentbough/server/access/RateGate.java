package org.diligentbough.server.access;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Set;
import org.diligentbough.server.shared.CurrentPerson;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;

/** Slows down who writes more than people do: a program gone wild, or a phone that sends the same over and over. */
@Component
class RateGate implements HandlerInterceptor {
    private static final int WRITES_A_MINUTE = 120;
    private static final int PHOTOS_A_MINUTE = 60;
    private static final int ARCHIVES_AN_HOUR = 2;

    /** What anybody may have computed, signed in or not. */
    private static final Set<String> OPEN = Set.of("/api/evaluate", "/api/roster", "/api/answers");

    private static final int OPEN_A_MINUTE = 20;

    private final Rates rates;
    private final DoorSettings settings;
    private final CurrentPerson person;

    RateGate(Rates rates, DoorSettings settings, CurrentPerson person) {
        this.rates = rates;
        this.settings = settings;
        this.person = person;
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        Long who = person.idOrNull();
        if (settings.rates() && OPEN.contains(request.getRequestURI())) {
            rates.aMinute("open computations of " + request.getRemoteAddr(), OPEN_A_MINUTE);
        }
        boolean reads = request.getMethod().equals("GET") || request.getMethod().equals("HEAD");
        if (settings.rates() && who != null && !reads) {
            String path = request.getRequestURI();
            if (path.equals("/api/archives")) {
                rates.anHour("archives of " + who, ARCHIVES_AN_HOUR);
            } else if (path.endsWith("/photos")) {
                rates.aMinute("photos of " + who, PHOTOS_A_MINUTE);
            } else {
                rates.aMinute("writes of " + who, WRITES_A_MINUTE);
            }
        }
        return true;
    }
}
