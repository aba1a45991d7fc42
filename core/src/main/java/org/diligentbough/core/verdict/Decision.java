package org.diligentbough.core.verdict;

import java.time.LocalDate;
import java.util.OptionalDouble;

/**
 * What the coordinator decided about a limb, whatever the table says.
 *
 * @param verdict any but {@link Verdict#GOES_WITH_PARENT}
 * @param alongM where to shorten, m from the limb's base; empty leaves it to the rules
 * @param by who decided
 */
public record Decision(String limb, Verdict verdict, OptionalDouble alongM, String by, LocalDate on) {
    /** A decision that leaves the place to the rules. */
    public Decision(String limb, Verdict verdict, String by, LocalDate on) {
        this(limb, verdict, OptionalDouble.empty(), by, on);
    }

    public Decision {
        if (verdict == Verdict.GOES_WITH_PARENT) {
            throw new IllegalArgumentException(
                    "nobody decides that a limb goes with another: the other one decides it");
        }
    }
}
