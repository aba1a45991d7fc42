package org.diligentbough.core.survey;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;

/**
 * Screens what bears a soft or hollow face as a hollow trunk is screened: the hollow's width by that of the limb or trunk where
 * it runs in. Numbers screen; they never clear a tree.
 */
public final class DecayScreen {
    private final Survey survey;
    private final Branching branching;

    public DecayScreen(Survey survey, Branching branching) {
        this.survey = survey;
        this.branching = branching;
    }

    /**
     * What a face leaves of what bears it.
     *
     * @param wallRatio sound wall by radius, t/R
     * @param strengthLoss share of its strength, 0 to 1
     */
    public record Screened(FoundDecay decay, double wallRatio, double strengthLoss) {}

    /** Those faces of known width on a limb, or on the trunk where that is empty. */
    public List<Screened> on(Optional<String> limb) {
        return survey.tree().noted().decay().stream()
                .filter(decay -> decay.on().equals(limb))
                .flatMap(this::screened)
                .toList();
    }

    /** All faces of known width. */
    public List<Screened> all() {
        return survey.tree().noted().decay().stream().flatMap(this::screened).toList();
    }

    private Stream<Screened> screened(FoundDecay decay) {
        OptionalDouble hollowCm = decay.hollowCm();
        if (!decay.decayed() || hollowCm.isEmpty() || hollowCm.getAsDouble() <= 0) {
            return Stream.empty();
        }
        double radiusCm = acrossCm(decay) / 2;
        double wallCm = Math.max(0, radiusCm - hollowCm.getAsDouble() / 2);
        return Stream.of(
                new Screened(decay, HollowStem.wallRatio(radiusCm, wallCm), HollowStem.strengthLoss(radiusCm, wallCm)));
    }

    /** A limb's own face is as wide as it was cut; a hollow that runs in from a side is held against what it runs into. */
    private double acrossCm(FoundDecay decay) {
        if (decay.on().equals(Optional.of(decay.cut()))) {
            return decay.acrossCm();
        }
        return decay.on()
                .flatMap(branching::find)
                .map(limb -> limb.diameterAtCm(Math.min(decay.alongM(), limb.lengthM())))
                .orElse(survey.tree().trunkDiameterCm());
    }
}
