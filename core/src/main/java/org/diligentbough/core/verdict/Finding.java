package org.diligentbough.core.verdict;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.diligentbough.core.knowledge.Reason;

/**
 * One rule of the table that applies to a limb.
 *
 * @param place where it is cut or bent, for verdicts that do something
 * @param urgent whether it cannot wait for a window or an allowance
 */
public record Finding(Rule rule, Verdict verdict, Optional<Place> place, boolean urgent, List<Reason> reasons) {
    public Finding {
        reasons = List.copyOf(reasons);
    }

    /** Whether it does something: what only says "keep" or "wait" leaves the verdict to a later rule. */
    boolean acts() {
        return verdict == Verdict.REMOVE || verdict == Verdict.SHORTEN || verdict == Verdict.BEND;
    }

    /** The same cut at another place. */
    Finding at(Place other) {
        return new Finding(rule, verdict, Optional.of(other), urgent, reasons);
    }

    static Finding leave(Rule rule, Verdict verdict, Reason... reasons) {
        return new Finding(rule, verdict, Optional.empty(), false, List.of(reasons));
    }

    static Finding act(Rule rule, Verdict verdict, Place place, Reason... reasons) {
        return new Finding(rule, verdict, Optional.of(place), false, List.of(reasons));
    }

    static Finding remove(Rule rule, Reason... reasons) {
        return act(rule, Verdict.REMOVE, Place.collar(), reasons);
    }

    /** The same, urgent when there is a reason for it. */
    Finding urgentIf(Optional<Reason> why) {
        if (why.isEmpty()) {
            return this;
        }
        List<Reason> all = new ArrayList<>(reasons);
        all.add(why.get());
        return new Finding(rule, verdict, place, true, all);
    }
}
