package org.diligentbough.core.verdict;

import java.util.Optional;

/**
 * Where on a limb something is done, and how.
 *
 * @param alongM distance from the limb's base, m; 0 where it leaves
 * @param sideBranch the side branch cut back to, which stays
 */
public record Place(CutKind kind, double alongM, Optional<String> sideBranch) {

    /** At the collar, where the limb leaves. */
    public static Place collar() {
        return new Place(CutKind.COLLAR, 0, Optional.empty());
    }

    /** At a distance from the base, m. */
    public static Place at(CutKind kind, double alongM) {
        return new Place(kind, alongM, Optional.empty());
    }

    /** Back to a side branch, which stays. */
    public static Place toSideBranch(CutKind kind, double alongM, String sideBranch) {
        return new Place(kind, alongM, Optional.of(sideBranch));
    }
}
