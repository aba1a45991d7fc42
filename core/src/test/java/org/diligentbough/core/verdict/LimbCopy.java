package org.diligentbough.core.verdict;

import java.util.ArrayList;
import java.util.List;
import org.diligentbough.core.survey.Fault;
import org.diligentbough.core.survey.Limb;

/** A limb like another but for one thing. */
record LimbCopy(Limb limb) {

    Limb with(Fault fault) {
        List<Fault> faults = new ArrayList<>(limb.faults());
        faults.add(fault);
        return limb.as(limb.lengthM(), limb.angleDeg(), limb.leafiness(), faults);
    }

    Limb length(double lengthM) {
        return limb.as(lengthM, limb.angleDeg(), limb.leafiness(), limb.faults());
    }
}
