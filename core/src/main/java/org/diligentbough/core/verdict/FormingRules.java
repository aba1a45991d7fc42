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
    private final TreeFacts facts;

    FormingRules(TreeFacts facts) {
        this.facts = facts;
    }

    /** What a limb of a young tree wants for the form; empty when nothing, or when the tree is not young. */
    Optional<Finding> of(Limb limb) {
        if (!facts.young() || limb.parent().isPresent() || !facts.branching().living(limb)) {
            return Optional.empty();
        }
        return whip(limb).or(() -> sideLeader(limb));
    }

    /** A whip is headed at the height wanted for the first branches. */
    private Optional<Finding> whip(Limb limb) {
        boolean alone = facts.survey().limbs().size() == 1;
        double headM = facts.tree().clearanceM().orElse(facts.figure(FIRST_BRANCHES_M));
        double rise = Math.sin(Math.toRadians(limb.angleDeg()));
        double alongM = (headM - limb.originM()) / Math.max(rise, TreeFacts.SAME);
        boolean steep = facts.leader(limb) || limb.angleDeg() >= facts.figure(LEADER_STEEP_DEG);
        boolean stands = alone && steep && alongM > 0 && alongM < limb.lengthM();
        return stands && facts.places().mayHead(limb, alongM)
                ? Optional.of(Finding.act(
                        Rule.FORMING,
                        Verdict.SHORTEN,
                        Place.at(CutKind.HEADING, alongM),
                        facts.reason(ReasonCode.WHIP_HEADED, headM)))
                : Optional.empty();
    }

    /** A side leader of one-year wood over so long is tipped by about a third; one that is to be bent is bent instead. */
    private Optional<Finding> sideLeader(Limb limb) {
        boolean long1 = limb.youngerThanOrOf(1)
                && limb.lengthM() > facts.figure(SIDE_LEADER_M)
                && !facts.leader(limb)
                && !facts.places().neverTipped();
        return long1
                ? Optional.of(Finding.act(
                        Rule.FORMING,
                        Verdict.SHORTEN,
                        Place.at(CutKind.HEADING, limb.lengthM() * (1 - facts.figure(YOUNG_SHORTENING_SHARE))),
                        facts.reason(ReasonCode.SIDE_LEADER_TIPPED)))
                : Optional.empty();
    }
}
