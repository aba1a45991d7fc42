package org.diligentbough.core.verdict;

import static org.diligentbough.core.knowledge.Figure.SUNBURN_FROM_LIGHT;
import static org.diligentbough.core.knowledge.Figure.SUNBURN_SHOOTS;
import static org.diligentbough.core.knowledge.Figure.SUNBURN_SHOOT_M;
import static org.diligentbough.core.knowledge.Figure.SUNBURN_TO_LIGHT;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.survey.Limb;

/**
 * Bark that stood in the shade for years burns in sudden sun (common practice): of the upright shoots on such a limb
 * several are kept short for a year, instead of all coming off.
 */
final class SunburnRule {
    private final TreeFacts facts;

    SunburnRule(TreeFacts facts) {
        this.facts = facts;
    }

    /** Upright shoots that would come off limbs which stand in the dark now, by the limb. */
    Map<Limb, List<Limb>> onDarkLimbs(Findings findings) {
        Map<Limb, List<Limb>> found = new LinkedHashMap<>();
        for (Limb shoot : facts.branching().outwards()) {
            boolean comesOff = findings.deciding(shoot)
                    .filter(finding -> finding.rule() == Rule.UPRIGHT_SHOOT && finding.verdict() == Verdict.REMOVE)
                    .isPresent();
            if (comesOff) {
                facts.branching().parentOf(shoot).filter(this::dark).ifPresent(limb -> found.computeIfAbsent(
                                limb, key -> new ArrayList<>())
                        .add(shoot));
            }
        }
        return found;
    }

    private boolean dark(Limb limb) {
        OptionalDouble now = facts.lightOn(limb);
        return now.isPresent() && now.getAsDouble() < facts.figure(SUNBURN_FROM_LIGHT);
    }

    /**
     * Shoots kept short, spread along their limbs, where those would suddenly stand in the sun.
     *
     * @param after light on each limb once all that goes is gone
     */
    Map<String, Finding> keptShort(Map<Limb, List<Limb>> onDarkLimbs, Map<String, Double> after) {
        Map<String, Finding> kept = new LinkedHashMap<>();
        onDarkLimbs.forEach((limb, shoots) -> {
            double then = after.getOrDefault(limb.id(), 0.0);
            if (then > facts.figure(SUNBURN_TO_LIGHT)) {
                spread(shoots).forEach(shoot -> kept.put(shoot.id(), shortened(limb, shoot, then)));
            }
        });
        return kept;
    }

    private List<Limb> spread(List<Limb> shoots) {
        List<Limb> along = shoots.stream()
                .sorted(Comparator.comparingDouble(Limb::originM).thenComparing(Limb::id))
                .toList();
        int wanted = Math.min(along.size(), (int) facts.figure(SUNBURN_SHOOTS));
        List<Limb> chosen = new ArrayList<>();
        for (int i = 0; i < wanted; i++) {
            chosen.add(along.get((int) ((i + 0.5) * along.size() / wanted)));
        }
        return chosen;
    }

    private Finding shortened(Limb limb, Limb shoot, double then) {
        var why = facts.reason(
                ReasonCode.SHOOT_SHADES_BARK, limb.id(), facts.lightOn(limb).getAsDouble(), then);
        double toM = facts.figure(SUNBURN_SHOOT_M);
        return shoot.lengthM() > toM
                ? Finding.act(Rule.UPRIGHT_SHOOT, Verdict.SHORTEN, Place.at(CutKind.HEADING, toM), why)
                : Finding.leave(Rule.UPRIGHT_SHOOT, Verdict.KEEP, why);
    }
}
