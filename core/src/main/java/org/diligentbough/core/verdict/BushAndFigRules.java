package org.diligentbough.core.verdict;

import static org.diligentbough.core.knowledge.Figure.BUSH_GROWTH_M;
import static org.diligentbough.core.knowledge.Figure.BUSH_MAINS_LEAST;
import static org.diligentbough.core.knowledge.Figure.BUSH_MAINS_MOST;
import static org.diligentbough.core.knowledge.Figure.BUSH_RENEWAL_SHARE;
import static org.diligentbough.core.knowledge.Figure.BUSH_SIDE_SHOOT_M;
import static org.diligentbough.core.knowledge.Figure.FIG_BUD_STUB_M;
import static org.diligentbough.core.knowledge.Figure.FIG_LIMB_LEAST_M;
import static org.diligentbough.core.knowledge.Figure.FIG_RENEWAL_HEIGHT_M;
import static org.diligentbough.core.knowledge.Figure.FIG_RENEWAL_YEARS;
import static org.diligentbough.core.knowledge.Figure.FIG_SHOOT_LEAST_M;

import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.orchard.SpeciesTraits;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.Limb;

/** Bushes and figs, which are renewed by rules of their own; they take the place of the rule for spent wood. */
final class BushAndFigRules {
    private final TreeFacts facts;

    BushAndFigRules(TreeFacts facts) {
        this.facts = facts;
    }

    /**
     * Findings for the main branches of a bush that nothing else takes off: the oldest and lowest go until no more stand
     * than should, or a third of the stems go to the ground; the rest stay.
     */
    Map<String, Finding> bush(Collection<Limb> standing) {
        List<Limb> mains = standing.stream()
                .filter(limb -> limb.parent().isEmpty())
                .filter(facts.branching()::living)
                .sorted(Comparator.comparingInt((Limb limb) -> -limb.woodYears().orElse(0))
                        .thenComparingDouble(limb -> facts.branching().topM(limb))
                        .thenComparing(Branching.THICKEST_FIRST))
                .toList();
        boolean stems = facts.traits().group() == SpeciesTraits.Group.STEM_BUSH;
        int goes =
                stems ? (int) Math.round(mains.size() * facts.figure(BUSH_RENEWAL_SHARE)) : mains.size() - mainsKept();
        Map<String, Finding> findings = new HashMap<>();
        int gone = 0;
        for (Limb limb : mains) {
            boolean young = stems && limb.youngerThanOrOf(1);
            if (gone < goes && !young) {
                gone++;
                findings.put(
                        limb.id(),
                        Finding.act(
                                Rule.RENEWAL,
                                Verdict.REMOVE,
                                Place.at(CutKind.RENEWAL, 0),
                                stems
                                        ? facts.reason(ReasonCode.BUSH_OLD_STEM)
                                        : facts.reason(ReasonCode.BUSH_TOO_MANY, mains.size(), mainsKept())));
            } else {
                findings.put(limb.id(), stems ? keep(ReasonCode.BUSH_YOUNG_STEM) : halved(limb));
            }
        }
        if (!stems) {
            standing.stream()
                    .filter(limb -> limb.parent().isPresent()
                            && limb.youngerThanOrOf(1)
                            && facts.branching().living(limb)
                            && limb.lengthM() > 2 * facts.figure(BUSH_SIDE_SHOOT_M))
                    .forEach(limb -> findings.put(
                            limb.id(),
                            Finding.act(
                                    Rule.KIND_WOOD,
                                    Verdict.SHORTEN,
                                    Place.at(CutKind.HEADING, facts.figure(BUSH_SIDE_SHOOT_M)),
                                    facts.reason(ReasonCode.BUSH_SIDE_SHOOT))));
        }
        return findings;
    }

    private Finding keep(ReasonCode why) {
        return Finding.leave(Rule.RENEWAL, Verdict.KEEP, facts.reason(why));
    }

    /** A main branch of a gooseberry or red currant that stays loses half of last year's growth. */
    private Finding halved(Limb limb) {
        double extensionM = facts.tree().shootExtensionCm().orElse(100 * facts.figure(BUSH_GROWTH_M)) / 100;
        // A shoot of last year grew all its length then.
        boolean lastYears = limb.youngerThanOrOf(1);
        double offM = (lastYears ? limb.lengthM() : extensionM) / 2;
        return facts.shortenedThisYear(limb) || !lastYears && offM >= limb.lengthM() / 2
                ? keep(ReasonCode.BUSH_LEADER)
                : Finding.act(
                        Rule.KIND_WOOD,
                        Verdict.SHORTEN,
                        Place.at(CutKind.HEADING, limb.lengthM() - offM),
                        facts.reason(ReasonCode.BUSH_HALVED, offM / limb.lengthM()));
    }

    private int mainsKept() {
        int most = (int) facts.figure(BUSH_MAINS_MOST);
        int wanted = facts.tree().mainsWanted().orElse(most);
        return Math.min(most, Math.max((int) facts.figure(BUSH_MAINS_LEAST), wanted));
    }

    /** A fig's shoots of last year go back to a bud or two; its limbs are renewed whole or one by one. */
    Optional<Finding> fig(Limb limb) {
        boolean lastYears = limb.youngerThanOrOf(1);
        if (facts.figGrowsOn()) {
            return lastYears
                    ? Optional.of(Finding.leave(Rule.RENEWAL, Verdict.KEEP, facts.reason(ReasonCode.FIG_GROWS_ON)))
                    : Optional.empty();
        }
        if (limb.parent().isEmpty() && dueForRenewal(limb)) {
            double heightM = facts.figure(FIG_RENEWAL_HEIGHT_M);
            double baseM = facts.branching().baseOfLimb(limb).upM();
            if (baseM >= heightM) {
                return Optional.of(Finding.remove(Rule.RENEWAL, facts.reason(ReasonCode.FIG_RENEW, heightM)));
            }
            double alongM = (heightM - baseM) / Math.sin(Math.toRadians(limb.angleDeg()));
            return Optional.of(Finding.act(
                    Rule.RENEWAL,
                    Verdict.SHORTEN,
                    Place.at(CutKind.RENEWAL, alongM),
                    facts.reason(byLimb() ? ReasonCode.FIG_RENEW_LIMB : ReasonCode.FIG_RENEW, heightM)));
        }
        if (lastYears && limb.lengthM() < facts.figure(FIG_SHOOT_LEAST_M)) {
            return Optional.of(Finding.leave(Rule.RENEWAL, Verdict.KEEP, facts.reason(ReasonCode.FIG_SHORT_SHOOT)));
        }
        if (lastYears) {
            double leftM = Math.min(facts.figure(FIG_BUD_STUB_M), limb.lengthM() / 2);
            return Optional.of(Finding.act(
                    Rule.RENEWAL,
                    Verdict.SHORTEN,
                    Place.at(CutKind.HEADING, leftM),
                    facts.reason(ReasonCode.FIG_TO_TWO_BUDS)));
        }
        return Optional.empty();
    }

    private boolean byLimb() {
        return facts.survey().site().policy().fig() == Policy.Fig.BY_LIMB;
    }

    private boolean dueForRenewal(Limb limb) {
        if (facts.branching().topM(limb) <= facts.figure(FIG_RENEWAL_HEIGHT_M) || limb.angleDeg() <= 0) {
            return false;
        }
        if (byLimb()) {
            return facts.branching().topM(limb) > facts.figure(FIG_LIMB_LEAST_M);
        }
        double untouched = facts.tree().yearsSinceCut().orElseGet(() -> facts.survey().limbs().stream()
                .mapToInt(other -> other.woodYears().orElse(0))
                .max()
                .orElse(0));
        return untouched >= facts.figure(FIG_RENEWAL_YEARS);
    }
}
