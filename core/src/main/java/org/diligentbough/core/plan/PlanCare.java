package org.diligentbough.core.plan;

import static org.diligentbough.core.knowledge.Figure.CARE_MINUTES_LIMB;
import static org.diligentbough.core.knowledge.Figure.CARE_SHOOTS_SHARE;
import static org.diligentbough.core.knowledge.Figure.TIES_OFF_YEARS;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.orchard.SpeciesTraits;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.TreeFacts;
import org.diligentbough.core.verdict.Verdict;

/**
 * What a plan asks for besides its cuts (common practice): shoots that answer torn off while soft, the weakest spurs of
 * crowded limbs thinned, wounds of big cuts looked at a year on, ties taken off before they bite.
 */
public final class PlanCare {
    private static final int CROWDED = 3;

    /** Kinds whose shoots near the cuts are torn off while soft; other kinds live on theirs and choose from them. */
    private static final Map<Species, ReasonCode> ANSWER = Stream.of(
                    Species.APPLE,
                    Species.PEAR,
                    Species.QUINCE,
                    Species.MEDLAR,
                    Species.PLUM,
                    Species.SWEET_CHERRY,
                    Species.SOUR_CHERRY,
                    Species.APRICOT)
            .collect(Collectors.toMap(species -> species, species -> ReasonCode.CARE_SHOOTS));

    private PlanCare() {}

    /** Peaches and bushes are renewed from the shoots that answer a cut; a fig's choosing is work of its own in the plan. */
    private static boolean chooses(TreeFacts facts) {
        return facts.traits().bush() || facts.traits().group() == SpeciesTraits.Group.PEACH;
    }

    /**
     * Something to do in a pruning year.
     *
     * @param what with the limbs it concerns
     * @param minutes person-minutes
     */
    public record Care(PruningYear year, Reason what, int minutes) {}

    /** In order of years. */
    public static List<Care> of(TreeFacts facts, List<LimbVerdict> limbs, RenovationPlan plan) {
        List<Care> care = new ArrayList<>();
        List<PruningYear> years = plan.lanes().stream()
                .map(Lane::year)
                .distinct()
                .sorted(Comparator.comparingInt(PruningYear::year))
                .toList();
        if (years.isEmpty()) {
            return List.of();
        }
        List<String> crowded = limbs.stream()
                .filter(limb -> limb.verdict() == Verdict.KEEP && limb.limb().fruitsAtLeast(CROWDED))
                .map(LimbVerdict::limb)
                .map(Limb::id)
                .toList();
        add(care, facts, years.get(0), ReasonCode.CARE_SPURS, crowded);
        for (PruningYear year : years) {
            List<Lane> ofYear = plan.lanes().stream()
                    .filter(lane -> lane.year().equals(year))
                    .toList();
            double removed = ofYear.stream()
                    .flatMap(lane -> lane.cuts().stream())
                    .filter(cut -> cut.kind() == Verdict.REMOVE)
                    .mapToDouble(PlannedCut::share)
                    .sum();
            ReasonCode answer = ANSWER.getOrDefault(facts.tree().species(), ReasonCode.CARE_CHOOSE_SHOOTS);
            boolean tears = answer == ReasonCode.CARE_SHOOTS;
            if (removed >= facts.figure(CARE_SHOOTS_SHARE) && (tears || chooses(facts))) {
                add(
                        care,
                        facts,
                        year,
                        answer,
                        limbs(ofYear, cut -> cut.share() > 0 && (!tears || cut.kind() == Verdict.REMOVE)));
            }
            if (facts.tree().inContainer() && year.equals(years.get(0))) {
                care.add(new Care(year, facts.reason(ReasonCode.CARE_CONTAINER), (int)
                        Math.ceil(facts.figure(CARE_MINUTES_LIMB))));
            }
            add(care, facts, year.plus(1), ReasonCode.CARE_WOUNDS, limbs(ofYear, cut -> cut.cut()
                    .big()));
            add(
                    care,
                    facts,
                    year.plus((int) facts.figure(TIES_OFF_YEARS)),
                    ReasonCode.CARE_TIES_OFF,
                    limbs(ofYear, cut -> cut.kind() == Verdict.BEND));
        }
        care.sort(Comparator.comparingInt(one -> one.year().year()));
        return List.copyOf(care);
    }

    private static List<String> limbs(List<Lane> lanes, Predicate<PlannedCut> which) {
        Stream<PlannedCut> cuts = lanes.stream().flatMap(lane -> lane.cuts().stream());
        return cuts.filter(which).map(PlannedCut::limb).distinct().toList();
    }

    private static void add(List<Care> care, TreeFacts facts, PruningYear year, ReasonCode what, List<String> limbs) {
        if (!limbs.isEmpty()) {
            care.add(new Care(year, facts.reason(what, String.join(", ", limbs)), (int)
                    Math.ceil(limbs.size() * facts.figure(CARE_MINUTES_LIMB))));
        }
    }
}
