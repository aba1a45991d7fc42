package org.diligentbough.core.verdict;

/** What a tree as a whole calls for. */
public enum Triage {
    REFER,
    TAKE_OUT,
    REST,
    RENOVATE,
    MAINTAIN
}
