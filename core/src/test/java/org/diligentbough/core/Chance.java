package org.diligentbough.core;

/** Chance that can be repeated: what is tried by seeds counted up is tried by other seeds in every round of a long run. */
public final class Chance {
    /** What BOUGH_SEED says is added to every seed; nothing in an ordinary run. */
    private static final long ADDED = Long.parseLong(System.getenv().getOrDefault("BOUGH_SEED", "0"));

    private Chance() {}

    /** The seed to take for a test's own. */
    public static long seed(long own) {
        return own + ADDED;
    }
}
