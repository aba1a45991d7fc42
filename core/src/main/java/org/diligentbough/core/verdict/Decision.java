package org.diligentbough.core.verdict;

import java.time.LocalDate;

/**
 * What the coordinator decided about a limb, whatever the table says.
 *
 * @param verdict any but {@link Verdict#GOES_WITH_PARENT}
 * @param by who decided
 */
public record Decision(String limb, Verdict verdict, String by, LocalDate on) {
    public Decision {
        if (verdict == Verdict.GOES_WITH_PARENT) {
            throw new IllegalArgumentException(
                    "nobody decides that a limb goes with another: the other one decides it");
        }
    }
}
