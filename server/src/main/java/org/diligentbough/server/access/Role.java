package org.diligentbough.server.access;

/** What somebody is at a site; the more may be done, the earlier it stands. */
public enum Role {
    COORDINATOR,
    LEADER,
    VOLUNTEER,
    OWNER
}
