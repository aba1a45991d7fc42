package org.diligentbough.server.shared;

import org.diligentbough.server.shared.History.Kept;
import tools.jackson.databind.json.JsonMapper;

/** Knows how one kind of change is made undone: by the same way it was made, so that this too is kept and can be undone. */
public abstract class Undoes {
    private final String entity;
    private final JsonMapper json;

    /** For changes about things the history calls so. */
    protected Undoes(String entity, JsonMapper json) {
        this.entity = entity;
        this.json = json;
    }

    /** What its changes are about, as the history has it. */
    public final String entity() {
        return entity;
    }

    /** Whether a change of this kind can be undone at all: by itself where there was something before it. */
    public boolean can(Kept change) {
        return change.before() != null;
    }

    /** Makes it undone; nothing has changed the same thing since. */
    public abstract void undo(Kept change);

    /** What the thing was before, as the history keeps it. */
    protected final <T> T was(Kept change, Class<T> type) {
        return json.treeToValue(change.before(), type);
    }
}
