package org.diligentbough.server.shared;

import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;

/** Who is at work: whoever is signed in. Who did something and when comes from here alone, never from what was sent. */
@Component
public class CurrentPerson {
    private static final ThreadLocal<Long> BY_ADDRESS = new ThreadLocal<>();

    /**
     * The person's id.
     *
     * @throws ProblemException 401 when nobody is signed in
     */
    public long id() {
        Long id = idOrNull();
        if (id == null) {
            throw ProblemException.nobody();
        }
        return id;
    }

    /** Does something as whoever came by a secret address of their own, without being signed in. */
    public void as(long personId, Runnable what) {
        BY_ADDRESS.set(personId);
        try {
            what.run();
        } finally {
            BY_ADDRESS.remove();
        }
    }

    /** The person's id, or null when nobody is signed in or the program itself is at work. */
    public Long idOrNull() {
        if (BY_ADDRESS.get() != null) {
            return BY_ADDRESS.get();
        }
        Authentication signedIn = SecurityContextHolder.getContext().getAuthentication();
        return signedIn != null && signedIn.getPrincipal() instanceof SignedIn in ? in.personId() : null;
    }
}
