package org.diligentbough.core.outlook;

import java.util.List;
import java.util.Optional;
import org.diligentbough.core.light.CrownLight;
import org.diligentbough.core.plan.RenovationPlan;
import org.diligentbough.core.plan.Upkeep;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.TreeFacts;
import org.diligentbough.core.verdict.TreeVerdict;

/**
 * A tree with its judgement and its plan, to look ahead from.
 *
 * @param light in its crown as it stands, small wood counted
 * @param upkeep what keeping it comes to each year when its plan is done; empty when it is not kept
 * @param now the running pruning year
 */
public record Planned(
        TreeFacts facts,
        CrownLight light,
        TreeVerdict tree,
        List<LimbVerdict> limbs,
        RenovationPlan plan,
        Optional<Upkeep> upkeep,
        PruningYear now) {}
