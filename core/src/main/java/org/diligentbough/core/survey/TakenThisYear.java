package org.diligentbough.core.survey;

import java.util.List;
import java.util.Set;
import org.diligentbough.core.knowledge.ReasonCode;

/**
 * What has come off a tree already in the running pruning year, by the logs of visits.
 *
 * @param share of the living crown that stood at the start of the pruning year, 0 to 1
 * @param summerShare how much of it was cut in summer on a tree whose main cut is dormant, 0 to 1
 * @param bigCuts limbs that got a big cut
 * @param renewals main branches of a bush or fig that were renewed
 * @param overdoneBefore share by which the pruning year before went over its allowance, 0 to 1
 * @param tasksDone the kind's yearly work that was done
 * @param upkeepDone whether the ordinary yearly cutting of a kept tree was done
 */
public record TakenThisYear(
        double share,
        double summerShare,
        List<Limb> bigCuts,
        int renewals,
        double overdoneBefore,
        Set<ReasonCode> tasksDone,
        boolean upkeepDone) {
    /** Nothing was logged. */
    public static final TakenThisYear NOTHING = new TakenThisYear(0, 0, List.of(), 0, 0, Set.of(), false);

    public TakenThisYear {
        bigCuts = List.copyOf(bigCuts);
        tasksDone = Set.copyOf(tasksDone);
    }
}
