package org.diligentbough.core.plan;

import static org.diligentbough.core.knowledge.Figure.LARGE_SHARE;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Scene;
import org.diligentbough.core.verdict.TableRow;
import org.diligentbough.core.verdict.TreeVerdict;

/** A tree that wants cutting, with what is the same in each plan that is tried for it. */
final class ToPlan {
    final Scene scene;
    final TreeVerdict tree;
    final YearLanes years;
    final ByHand byHand;
    /** What wants to be cut or bent, by tag, in common order. */
    final Map<String, LimbVerdict> verdicts = new LinkedHashMap<>();

    /** The same with what grows from another limb before that: after it, it would be gone. */
    final List<LimbVerdict> inwards = new ArrayList<>();

    final CropOnLimbs crop;
    final DetailWork detail;
    private final Set<String> wholeLimbs = new HashSet<>();

    /** @param cuts what wants to be cut or bent, in common order */
    ToPlan(Scene scene, List<LimbVerdict> cuts, TreeVerdict tree, YearLanes years, ByHand byHand) {
        this.scene = scene;
        this.tree = tree;
        this.years = years;
        this.byHand = byHand;
        this.crop = new CropOnLimbs(scene);
        this.detail = new DetailWork(scene);
        for (LimbVerdict limb : cuts) {
            verdicts.put(limb.limb().id(), limb);
            boolean stem = scene.leader(limb.limb())
                    || limb.row().filter(TableRow.SPLIT_UNION::equals).isPresent();
            if (stem && scene.shares().of(limb.limb()) >= scene.figure(LARGE_SHARE)) {
                wholeLimbs.add(limb.limb().id());
            }
        }
        for (Limb limb : scene.branching().outwards()) {
            if (verdicts.containsKey(limb.id())) {
                inwards.add(0, verdicts.get(limb.id()));
            }
        }
    }

    /** Whether a limb is a whole leader or stem with a large part of the crown: when it goes, little else goes that year. */
    boolean wholeLimb(LimbVerdict limb) {
        return wholeLimbs.contains(limb.limb().id());
    }
}
