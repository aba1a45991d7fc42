package org.diligentbough.core.verdict;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.diligentbough.core.knowledge.Reason;

/**
 * One row of the table that applies to a limb.
 *
 * @param place where it is cut or bent, for verdicts that do something
 * @param urgent whether it cannot wait for a window or an allowance
 */
public record Finding(TableRow row, Verdict verdict, Optional<Place> place, boolean urgent, List<Reason> reasons) {
    public Finding {
        reasons = List.copyOf(reasons);
    }

    static Finding leave(TableRow row, Verdict verdict, Reason... reasons) {
        return new Finding(row, verdict, Optional.empty(), false, List.of(reasons));
    }

    static Finding act(TableRow row, Verdict verdict, Place place, Reason... reasons) {
        return new Finding(row, verdict, Optional.of(place), false, List.of(reasons));
    }

    static Finding remove(TableRow row, Reason... reasons) {
        return act(row, Verdict.REMOVE, Place.collar(), reasons);
    }

    /** The same, urgent when there is a reason for it. */
    Finding urgentIf(Optional<Reason> why) {
        if (why.isEmpty()) {
            return this;
        }
        List<Reason> all = new ArrayList<>(reasons);
        all.add(why.get());
        return new Finding(row, verdict, place, true, all);
    }
}
