package org.diligentbough.core.outlook;

import java.util.List;
import org.diligentbough.core.light.CrownLight;
import org.diligentbough.core.plan.RenovationPlan;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Scene;
import org.diligentbough.core.verdict.TreeVerdict;

/**
 * A tree with its judgement and its plan, to look ahead from.
 *
 * @param light in its crown as it stands
 * @param now the running pruning year
 */
public record Planned(
        Scene scene,
        CrownLight light,
        TreeVerdict tree,
        List<LimbVerdict> limbs,
        RenovationPlan plan,
        PruningYear now) {}
