package org.diligentbough.core;

import java.time.LocalDate;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.FaultKind;

/** Made-up grown trees in the proportions trees have: the mains carry about the trunk's cross-section between them. */
public final class GrownTrees {
    public static final List<Species> TREES = List.of(
            Species.APPLE,
            Species.PEAR,
            Species.QUINCE,
            Species.PLUM,
            Species.SWEET_CHERRY,
            Species.SOUR_CHERRY,
            Species.APRICOT,
            Species.PEACH,
            Species.PERSIMMON,
            Species.FIG);

    private GrownTrees() {}

    /** One nobody cut for years: tall, with a crowded inside, upright shoots and something dead. */
    public static SurveyBuilder neglected(Species species, long seed) {
        Random random = new Random(seed * 31 + species.ordinal());
        SurveyBuilder tree = SurveyBuilder.of(species);
        tree.today = LocalDate.of(2027, 2, 1);
        boolean small = species == Species.PEACH || species == Species.FIG || species == Species.SOUR_CHERRY;
        tree.girthCm = small ? 40 + random.nextInt(35) : 60 + random.nextInt(75);
        double heightM = (small ? 3.5 : 5) + random.nextDouble() * (small ? 1.5 : 3);
        tree.heightM = heightM;
        tree.spreadM = heightM * (0.75 + random.nextDouble() * 0.35);
        tree.targetHeightM = OptionalDouble.of(Math.round(heightM * (0.55 + random.nextDouble() * 0.25) * 10) / 10.0);
        tree.shootCm = OptionalDouble.of(22 + random.nextInt(35));
        tree.yearsSinceCut = OptionalDouble.of(5 + random.nextInt(15));
        tree.waterSprouts = OptionalInt.of(random.nextInt(80));
        mains(tree, random, 4 + random.nextInt(4), heightM, 40, 40);
        return tree;
    }

    /** One cut each year: open, at the height wanted. */
    public static SurveyBuilder kept(Species species, long seed) {
        Random random = new Random(seed * 37 + species.ordinal());
        SurveyBuilder tree = SurveyBuilder.of(species);
        tree.today = LocalDate.of(2027, 2, 1);
        boolean small = species == Species.PEACH || species == Species.FIG || species == Species.SOUR_CHERRY;
        tree.girthCm = small ? 30 + random.nextInt(25) : 45 + random.nextInt(45);
        double heightM = (small ? 2.3 : 3) + random.nextDouble();
        tree.heightM = heightM;
        tree.spreadM = heightM * (1 + random.nextDouble() * 0.3);
        tree.targetHeightM = OptionalDouble.of(Math.ceil(heightM * 10) / 10);
        tree.shootCm = OptionalDouble.of(25 + random.nextInt(20));
        tree.yearsSinceCut = OptionalDouble.of(1);
        tree.waterSprouts = OptionalInt.of(random.nextInt(6));
        mains(tree, random, 4 + random.nextInt(2), heightM, 38, 14);
        for (int i = tree.limbs.size() - 1; i >= 0; i--) {
            if (!tree.limbs.get(i).faults().isEmpty()) {
                tree.limbs.remove(i);
            }
        }
        return tree;
    }

    private static void mains(
            SurveyBuilder tree, Random random, int mains, double heightM, int fromDeg, int spreadDeg) {
        double trunkCm = tree.girthCm / Math.PI;
        tree.formWanted = tree.species == Species.FIG ? Form.BUSH : Form.OPEN_CENTRE;
        for (int i = 0; i < mains; i++) {
            double originM = 0.8 + random.nextDouble() * 0.8;
            double angle = fromDeg + random.nextInt(spreadDeg);
            double topM = heightM * (i == 0 ? 1 : 0.75 + 0.25 * random.nextDouble());
            double lengthM =
                    Math.max(0.8, Math.min((topM - originM) / Math.sin(Math.toRadians(angle)), tree.spreadM * 0.9));
            double diameter = trunkCm * Math.sqrt(0.8 / mains) * (0.85 + 0.3 * random.nextDouble());
            double azimuth = (i * 360.0 / mains + random.nextInt(25)) % 360;
            String main = "" + (char) ('A' + i);
            int fruit = 1 + random.nextInt(2);
            tree.limb(main, limb -> limb.origin(originM)
                    .diameter(diameter)
                    .azimuth(azimuth)
                    .angle(angle)
                    .length(lengthM)
                    .years(20)
                    .fruiting(fruit));
            int sides = 1 + random.nextInt(3);
            for (int s = 0; s < sides; s++) {
                double along = lengthM * (0.3 + 0.55 * random.nextDouble());
                boolean inside = random.nextInt(3) == 0;
                boolean dead = !inside && random.nextInt(9) == 0;
                double turned = inside ? 150 + random.nextInt(60) : random.nextInt(120) - 60;
                double sideAngle = inside ? 50 + random.nextInt(35) : 10 + random.nextInt(45);
                tree.limb(main + s, limb -> {
                    limb.on(main, along)
                            .diameter(diameter * (0.3 + 0.25 * random.nextDouble()))
                            .azimuth((azimuth + turned + 360) % 360)
                            .angle(sideAngle)
                            .length(0.8 + random.nextDouble() * 0.35 * lengthM)
                            .years(10)
                            .fruiting(dead ? 0 : random.nextInt(3));
                    return dead ? limb.fault(FaultKind.DEAD) : inside ? limb.fault(FaultKind.CROSSING_CENTRE) : limb;
                });
            }
        }
    }
}
