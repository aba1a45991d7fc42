package org.diligentbough.core;

import java.time.LocalDate;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.Fault;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.OverTarget;

/** Made-up trees of all kinds, for what must hold of every tree. */
public final class RandomTrees {
    private RandomTrees() {}

    /** A tree made from a seed, so that a failure can be looked at again. */
    public static SurveyBuilder tree(long seed) {
        Random random = new Random(Chance.seed(seed));
        SurveyBuilder tree = new SurveyBuilder();
        tree.species = pick(random, Species.values());
        tree.today = LocalDate.of(2027, 1, 1).plusDays(random.nextInt(365));
        tree.latitude = random.nextBoolean() ? 52 : -37;
        tree.formWanted = pick(random, Form.values());
        tree.girthCm = 30 + random.nextInt(120);
        tree.targetHeightM = random.nextBoolean() ? OptionalDouble.of(2.5 + random.nextInt(3)) : OptionalDouble.empty();
        tree.clearanceM = random.nextBoolean() ? OptionalDouble.of(1.5) : OptionalDouble.empty();
        tree.shootCm = OptionalDouble.of(5 + random.nextInt(90));
        tree.waterSprouts = OptionalInt.of(random.nextInt(60));
        tree.yearsSinceCut = OptionalDouble.of(random.nextInt(20));
        tree.removedLast12Months = random.nextInt(4) == 0 ? random.nextInt(30) / 100.0 : 0;
        tree.years = random.nextBoolean() ? OptionalInt.of(1 + random.nextInt(5)) : OptionalInt.empty();
        tree.policy = new Policy(
                pick(random, Policy.Allowance.values()),
                0.1,
                1 + random.nextInt(3),
                pick(random, Policy.Pome.values()),
                pick(random, Policy.Apricot.values()),
                pick(random, Policy.Peach.values()),
                pick(random, Policy.Fig.values()),
                pick(random, Policy.Bend.values()),
                pick(random, Policy.Sealing.values()),
                Policy.InGrowth.NONE);
        int limbs = 1 + random.nextInt(20);
        for (int i = 0; i < limbs; i++) {
            int number = i;
            tree.limb("L" + i, limb -> {
                limb.diameter(1 + random.nextInt(160) / 10.0)
                        .origin(0.2 + random.nextInt(20) / 10.0)
                        .azimuth(random.nextInt(360))
                        .angle(random.nextInt(120) - 30)
                        .length(0.5 + random.nextInt(45) / 10.0)
                        .fruiting(random.nextInt(4));
                if (number > 0 && random.nextInt(3) > 0) {
                    Limb parent = tree.limbs.get(random.nextInt(number));
                    limb.on(parent.id(), parent.lengthM() * random.nextInt(11) / 10.0)
                            .diameter(0.5 + random.nextInt(80) / 10.0)
                            .length(0.3 + random.nextInt(20) / 10.0);
                }
                if (random.nextInt(3) == 0) {
                    limb.years(random.nextInt(30));
                }
                if (random.nextInt(8) == 0) {
                    limb.over(pick(random, OverTarget.values()));
                }
                for (int fault = random.nextInt(3); fault > 0; fault--) {
                    FaultKind kind = pick(random, FaultKind.values());
                    if (kind == FaultKind.DISEASED) {
                        limb.fault(Fault.diseased(pick(random, Disease.values())));
                    } else if (kind.paired() && number > 0) {
                        limb.fault(kind, tree.limbs.get(random.nextInt(number)).id());
                    } else {
                        limb.fault(kind);
                    }
                }
                return limb;
            });
        }
        return tree;
    }

    private static <T> T pick(Random random, T[] values) {
        return values[random.nextInt(values.length)];
    }
}
