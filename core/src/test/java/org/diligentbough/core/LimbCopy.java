package org.diligentbough.core;

import java.util.ArrayList;
import java.util.List;
import org.diligentbough.core.survey.Fault;
import org.diligentbough.core.survey.Limb;

/** A limb like another but for one thing. */
public record LimbCopy(Limb limb) {

    public Limb with(Fault fault) {
        List<Fault> faults = new ArrayList<>(limb.faults());
        faults.add(fault);
        return limb.as(limb.lengthM(), limb.angleDeg(), limb.leafiness(), faults);
    }

    public Limb length(double lengthM) {
        return limb.as(lengthM, limb.angleDeg(), limb.leafiness(), limb.faults());
    }

    public Limb diameter(double diameterCm) {
        return of(diameterCm, limb.azimuthDeg());
    }

    public Limb azimuth(double azimuthDeg) {
        return of(limb.diameterCm(), azimuthDeg);
    }

    private Limb of(double diameterCm, double azimuthDeg) {
        return new Limb(
                limb.id(),
                limb.parent(),
                limb.role(),
                diameterCm,
                limb.originM(),
                azimuthDeg,
                limb.angleDeg(),
                limb.lengthM(),
                limb.woodYears(),
                limb.fruiting(),
                limb.leafiness(),
                limb.cultivar(),
                limb.faults(),
                limb.overTarget(),
                limb.brokenAtM(),
                limb.buds(),
                limb.grownM());
    }
}
