package org.diligentbough.core.fruit;

import static org.diligentbough.core.knowledge.Figure.CROP_GREEN_STRENGTH_MPA;
import static org.diligentbough.core.knowledge.Figure.CROP_LEAF_CM2;
import static org.diligentbough.core.knowledge.Figure.CROP_LEAST_PER_CM2;
import static org.diligentbough.core.knowledge.Figure.CROP_LEAVES_LEAST;
import static org.diligentbough.core.knowledge.Figure.CROP_LEAVES_MOST;
import static org.diligentbough.core.knowledge.Figure.CROP_MOST_PER_CM2;
import static org.diligentbough.core.knowledge.Figure.CROP_SAFETY;
import static org.diligentbough.core.knowledge.Figure.CROP_THIN_MINUTES;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.survey.Limb;

/** How many fruits a tree is to be left with, and which limbs would break under theirs. */
public final class CropLoad {
    private static final double CM2_A_M2 = 1e4;
    private static final double KG_A_G = 1e-3;
    private static final double GRAVITY = 9.81;
    private static final double PA_A_MPA = 1e6;
    private static final double CM_A_M = 100;
    /** Part of a limb's length at which its fruit hangs on the mean (own assumption). */
    private static final double FRUIT_AT = 0.6;

    private final Knowledge knowledge;

    public CropLoad(Knowledge knowledge) {
        this.knowledge = knowledge;
    }

    /** What a number of fruits to leave rests on. */
    public enum Ground {
        /** By cross-section of the trunk. */
        TRUNK,
        /** By the leaf that feeds them. */
        LEAF
    }

    /** A number of fruits, from what to what. */
    public record Leave(Ground ground, double least, double most) {}

    /**
     * What to do.
     *
     * @param grounds each by itself
     * @param least fruits to leave, at the least: the fewest of all grounds
     * @param most at the most: the fewest that any ground allows
     * @param thin to take off, from what to what; empty where nobody counted
     * @param minutes person-minutes to take off as many as most
     * @param kilos to expect of what is left at the most; empty where the weight of a fruit is not known
     */
    public record Advice(
            List<Leave> grounds,
            double least,
            double most,
            OptionalDouble thinLeast,
            OptionalDouble thinMost,
            double minutes,
            OptionalDouble kilos) {}

    /**
     * How many to leave.
     *
     * @param trunkCm2 cross-section of the trunk
     * @param leafM2 its leaf
     * @param goneWithWood share of the buds, 0 to 1, that went with wood cut off this year
     * @param resting whether the tree rests: it is left with half
     * @param counted fruits counted on it
     * @param fruitG weight of a fruit at ripeness, g
     */
    public Advice advice(
            OptionalDouble trunkCm2,
            OptionalDouble leafM2,
            double goneWithWood,
            boolean resting,
            OptionalInt counted,
            OptionalDouble fruitG) {
        double times = (1 - goneWithWood) * (resting ? 0.5 : 1);
        List<Leave> grounds = new ArrayList<>();
        trunkCm2.ifPresent(cm2 -> grounds.add(new Leave(
                Ground.TRUNK,
                times * cm2 * knowledge.get(CROP_LEAST_PER_CM2),
                times * cm2 * knowledge.get(CROP_MOST_PER_CM2))));
        leafM2.ifPresent(m2 -> {
            // What was cut off carries no leaf any more: only rest takes from it.
            double leaves = (resting ? 0.5 : 1) * m2 * CM2_A_M2 / knowledge.get(CROP_LEAF_CM2);
            grounds.add(new Leave(
                    Ground.LEAF, leaves / knowledge.get(CROP_LEAVES_MOST), leaves / knowledge.get(CROP_LEAVES_LEAST)));
        });
        double least = grounds.stream().mapToDouble(Leave::least).min().orElse(0);
        double most =
                Math.max(least, grounds.stream().mapToDouble(Leave::most).min().orElse(0));
        OptionalDouble thinLeast = OptionalDouble.empty();
        OptionalDouble thinMost = OptionalDouble.empty();
        if (counted.isPresent() && !grounds.isEmpty()) {
            thinLeast = OptionalDouble.of(Math.max(0, counted.getAsInt() - most));
            thinMost = OptionalDouble.of(Math.max(0, counted.getAsInt() - least));
        }
        double left = counted.isPresent() ? Math.min(counted.getAsInt(), most) : most;
        return new Advice(
                grounds,
                least,
                most,
                thinLeast,
                thinMost,
                knowledge.get(CROP_THIN_MINUTES) * thinMost.orElse(0),
                fruitG.isPresent() ? OptionalDouble.of(left * fruitG.getAsDouble() * KG_A_G) : OptionalDouble.empty());
    }

    /** Whether a limb holds its own crop. */
    public enum Holds {
        FINE,
        THIN,
        PROP
    }

    /**
     * A limb under its fruit.
     *
     * @param stressMpa at its base
     * @param ofStrength stress by what it may bear, 1 being as much as is safe
     */
    public record Loaded(String limb, double kilos, double stressMpa, double ofStrength, Holds holds) {}

    /**
     * A limb under a weight of fruit, kg, as a round beam held at its base: moment g x kg x lever x cos(angle), stress 32 M /
     * (pi d^3) against green strength with a safety of its own (from memory: wood handbooks).
     */
    public Loaded loaded(Limb limb, double kilos) {
        double leverM = FRUIT_AT * limb.lengthM();
        double momentNm = GRAVITY * kilos * leverM * Math.cos(Math.toRadians(limb.angleDeg()));
        double diameterM = limb.diameterCm() / CM_A_M;
        double stressMpa = 32 * Math.abs(momentNm) / (Math.PI * Math.pow(diameterM, 3)) / PA_A_MPA;
        double part = stressMpa / (knowledge.get(CROP_GREEN_STRENGTH_MPA) / knowledge.get(CROP_SAFETY));
        return new Loaded(
                limb.id(), kilos, stressMpa, part, part <= 1 ? Holds.FINE : part <= 2 ? Holds.THIN : Holds.PROP);
    }
}
