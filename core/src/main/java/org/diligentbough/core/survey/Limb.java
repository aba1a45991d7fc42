package org.diligentbough.core.survey;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Stream;

/**
 * One limb as surveyed.
 *
 * @param id its tag on the tree
 * @param parent the limb it grows from, empty when from the trunk
 * @param diameterCm at its base, cm, over 0
 * @param originM where it leaves: metres above ground on the trunk, metres along the parent on a limb
 * @param azimuthDeg compass direction, 0 north, 90 east, 0 to below 360
 * @param angleDeg above level, 90 straight up, negative hanging, -90 to 90
 * @param lengthM metres, over 0
 * @param woodYears age of its wood, years
 * @param fruiting 0 none, 1 sparse, 2 good, 3 crowded
 * @param leafiness 0 bare to 1 as its thickness says
 * @param cultivar its own cultivar where the tree carries several
 * @param overTarget what would be hit if it fell
 * @param brokenAtM where it is broken, m from its base; empty where it is not or nobody said
 * @param buds on a shoot; empty where nobody looked
 * @param grownM how long it was before it was shortened, metres; empty where it never was
 */
public record Limb(
        String id,
        Optional<String> parent,
        Optional<Role> role,
        double diameterCm,
        double originM,
        double azimuthDeg,
        double angleDeg,
        double lengthM,
        OptionalInt woodYears,
        OptionalInt fruiting,
        double leafiness,
        Optional<String> cultivar,
        List<Fault> faults,
        Optional<OverTarget> overTarget,
        OptionalDouble brokenAtM,
        Optional<Buds> buds,
        OptionalDouble grownM) {

    /** What buds a shoot carries, the best where it carries several: a double has a flower beside a leaf, a triple two. */
    public enum Buds {
        LEAF,
        FLOWER,
        DOUBLE,
        TRIPLE
    }

    /** Share of the base diameter left at the tip; the diameter falls linearly to it (own assumption). */
    public static final double TIP_TAPER = 0.55;

    public Limb {
        faults = List.copyOf(faults);
        if (!(diameterCm > 0) || !(lengthM > 0) || !(leafiness >= 0 && leafiness <= 1)) {
            throw new IllegalArgumentException(
                    "limb " + id + " needs a diameter, a length and a leafiness from 0 to 1");
        }
    }

    /**
     * The same limb with another length in metres, angle in degrees above level, leafiness and faults. Where it is shorter now, what
     * is left of it keeps its leaf where it grew.
     */
    public Limb as(double newLengthM, double newAngleDeg, double newLeafiness, List<Fault> newFaults) {
        return new Limb(
                id,
                parent,
                role,
                diameterCm,
                originM,
                azimuthDeg,
                newAngleDeg,
                newLengthM,
                woodYears,
                fruiting,
                newLeafiness,
                cultivar,
                newFaults,
                overTarget,
                brokenAtM,
                buds,
                newLengthM < lengthM ? OptionalDouble.of(wholeM()) : grownM);
    }

    /** How long it is, or was before it was shortened, metres. */
    public double wholeM() {
        return Math.max(lengthM, grownM.orElse(lengthM));
    }

    public boolean has(FaultKind kind) {
        for (Fault fault : faults) {
            if (fault.kind() == kind) {
                return true;
            }
        }
        return false;
    }

    public boolean is(Role wanted) {
        return role.isPresent() && role.get() == wanted;
    }

    /** The limbs named by faults of this kind. */
    public Stream<String> partners(FaultKind kind) {
        return faults.stream().filter(fault -> fault.kind() == kind).flatMap(fault -> fault.with().stream());
    }

    /** Diameter, cm, at a distance of 0 to {@code lengthM} metres from the base. */
    public double diameterAtCm(double alongM) {
        return diameterCm * (1 - (1 - TIP_TAPER) * alongM / lengthM);
    }

    /** Volume, m3, of the tapered wood from a distance in metres to the tip: a truncated cone. */
    public double volumeBeyondM3(double alongM) {
        double a = diameterAtCm(alongM) / 100;
        double b = diameterCm * TIP_TAPER / 100;
        return Math.PI / 12 * (lengthM - alongM) * (a * a + a * b + b * b);
    }

    /** Whether its fruiting is known and at least this. */
    public boolean fruitsAtLeast(int grade) {
        return fruiting.isPresent() && fruiting.getAsInt() >= grade;
    }

    /** Whether its wood is known to be at most this old. */
    public boolean youngerThanOrOf(int years) {
        return woodYears.isPresent() && woodYears.getAsInt() <= years;
    }
}
