package org.diligentbough.core.survey;

import java.util.Optional;

/**
 * One thing wrong with a limb.
 *
 * @param with the other limb's id, for faults that lie between two limbs
 * @param disease what it is, when {@link FaultKind#DISEASED}
 */
public record Fault(FaultKind kind, Optional<String> with, Optional<Disease> disease) {

    public static Fault of(FaultKind kind) {
        return new Fault(kind, Optional.empty(), Optional.empty());
    }

    public static Fault with(FaultKind kind, String other) {
        return new Fault(kind, Optional.of(other), Optional.empty());
    }

    public static Fault diseased(Disease disease) {
        return new Fault(FaultKind.DISEASED, Optional.empty(), Optional.of(disease));
    }
}
