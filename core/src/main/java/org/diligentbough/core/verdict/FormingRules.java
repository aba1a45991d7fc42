package org.diligentbough.core.verdict;

import static org.diligentbough.core.knowledge.Figure.FIRST_BRANCHES_M;
import static org.diligentbough.core.knowledge.Figure.LEADER_STEEP_DEG;
import static org.diligentbough.core.knowledge.Figure.SIDE_LEADER_M;
import static org.diligentbough.core.knowledge.Figure.YOUNG_SHORTENING_SHARE;

import java.util.Optional;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.survey.Limb;

/** Young trees, from planting to about the sixth year: formed, and nothing else taken without a fault. */
final class FormingRules {
    private final Scene scene;

    FormingRules(Scene scene) {
        this.scene = scene;
    }

    /** What a limb of a young tree wants for the form; empty when nothing, or when the tree is not young. */
    Optional<Finding> of(Limb limb) {
        if (!scene.young() || limb.parent().isPresent() || !scene.branching().living(limb)) {
            return Optional.empty();
        }
        return whip(limb).or(() -> sideLeader(limb));
    }

    /** A whip is headed at the height wanted for the first branches. */
    private Optional<Finding> whip(Limb limb) {
        boolean alone = scene.survey().limbs().size() == 1;
        double headM = scene.tree().clearanceM().orElse(scene.figure(FIRST_BRANCHES_M));
        double rise = Math.sin(Math.toRadians(limb.angleDeg()));
        double alongM = (headM - limb.originM()) / Math.max(rise, Scene.SAME);
        boolean steep = scene.leader(limb) || limb.angleDeg() >= scene.figure(LEADER_STEEP_DEG);
        boolean stands = alone && steep && alongM > 0 && alongM < limb.lengthM();
        return stands && scene.places().mayHead(limb, alongM)
                ? Optional.of(Finding.act(
                        Rule.FORMING,
                        Verdict.SHORTEN,
                        Place.at(CutKind.HEADING, alongM),
                        scene.reason(ReasonCode.WHIP_HEADED, headM)))
                : Optional.empty();
    }

    /** A side leader of one-year wood over so long is tipped by about a third; one that is to be bent is bent instead. */
    private Optional<Finding> sideLeader(Limb limb) {
        boolean long1 = limb.youngerThanOrOf(1)
                && limb.lengthM() > scene.figure(SIDE_LEADER_M)
                && !scene.leader(limb)
                && !scene.places().neverTipped();
        return long1
                ? Optional.of(Finding.act(
                        Rule.FORMING,
                        Verdict.SHORTEN,
                        Place.at(CutKind.HEADING, limb.lengthM() * (1 - scene.figure(YOUNG_SHORTENING_SHARE))),
                        scene.reason(ReasonCode.SIDE_LEADER_TIPPED)))
                : Optional.empty();
    }
}
