package org.diligentbough.server.shared;

import java.io.Serializable;
import java.security.Principal;
import java.time.Instant;

/**
 * Who is signed in, as it stands in a session.
 *
 * @param personId their person
 * @param epoch that of their account when they signed in: a newer one ends the session
 * @param since when they signed in
 */
public record SignedIn(long personId, int epoch, Instant since) implements Principal, Serializable {
    /** Sessions are found by it. */
    @Override
    public String getName() {
        return String.valueOf(personId);
    }
}
