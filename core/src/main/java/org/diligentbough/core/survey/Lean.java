package org.diligentbough.core.survey;

/** How a trunk leans. */
public enum Lean {
    NONE,
    OLD,
    LIFTING_SOIL
}
