package org.diligentbough.core.knowledge;

import java.util.List;

/**
 * Why something was judged so. The core gives the code and its arguments; whoever shows it words it.
 *
 * @param code what is said
 * @param arguments numbers (in the units of the code's wording) and names, in the order the wording wants them
 * @param source where the rule or its number comes from
 */
public record Reason(ReasonCode code, List<Object> arguments, Source source) {
    public Reason {
        arguments = List.copyOf(arguments);
    }
}
