package org.diligentbough.core;

/** Chance that can be repeated: what is tried by seeds counted up is tried by other seeds in every round of a long run. */
public final class Chance {
    /**
     * From which properties are tried: the same in every run, so that what changed has made a test fail, not the hour. A long run
     * tries other trees with it.
     */
    public static final String JQWIK = "20270220";

    /** What BOUGH_SEED says is added to every seed; nothing in an ordinary run. */
    private static final long ADDED = Long.parseLong(System.getenv().getOrDefault("BOUGH_SEED", "0"));

    private Chance() {}

    /** The seed to take for a test's own. */
    public static long seed(long own) {
        return own + ADDED;
    }
}
