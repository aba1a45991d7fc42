package org.diligentbough.server.shared;

import org.diligentbough.server.shared.History.Kept;

/** Knows how one kind of change is made undone: by the same way it was made, so that this too is kept and can be undone. */
public interface Undoes {
    /** What its changes are about, as the history has it. */
    String entity();

    /** Whether a change of this kind can be undone at all. */
    boolean can(Kept change);

    /** Makes it undone; nothing has changed the same thing since. */
    void undo(Kept change);
}
