package org.diligentbough.core.wood;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.survey.SurveyNotes;
import org.diligentbough.core.wood.WoodFacts.Hollow;
import org.diligentbough.core.wood.WoodFacts.Seen;
import org.diligentbough.core.wood.WoodFacts.Union;

/** What a walk says of a tree's wood. */
public final class SurveyWood {
    /** Part of a limb that dies back from its tip (own assumption: as where it is cut). */
    private static final double TIP = 0.25;

    private SurveyWood() {}

    /** Share of the wood that is dead, by volume, 0 to 1; empty where no limb was entered. */
    public static Optional<Seen> deadShare(Survey survey) {
        double all = survey.limbs().stream()
                .mapToDouble(limb -> limb.volumeBeyondM3(0))
                .sum();
        double dead = survey.limbs().stream().mapToDouble(SurveyWood::deadM3).sum();
        return all > 0 ? Optional.of(new Seen(dead / all, survey.surveyedOn())) : Optional.empty();
    }

    private static double deadM3(Limb limb) {
        if (limb.has(FaultKind.DEAD)) {
            return limb.volumeBeyondM3(0);
        }
        return limb.has(FaultKind.TIP_DIEBACK) ? limb.volumeBeyondM3(limb.lengthM() * (1 - TIP)) : 0;
    }

    /** A trunk's hollow where its wall was sounded. */
    public static Optional<Hollow> hollow(Survey survey) {
        return survey.tree().trunk().soundWallCm().isPresent()
                ? Optional.of(new Hollow(
                        survey.tree().trunkDiameterCm() / 2,
                        Math.min(
                                survey.tree().trunkDiameterCm() / 2,
                                survey.tree().trunk().soundWallCm().getAsDouble()),
                        survey.surveyedOn()))
                : Optional.empty();
    }

    /** Length of its crack, cm: whoever walks round a tree and notes none has seen none. */
    public static Seen crackCm(Survey survey) {
        return new Seen(survey.tree().trunk().crackCm().orElse(0), survey.surveyedOn());
    }

    /** How its stems meet: the worst of what was noted of the trunk and of limbs. */
    public static Union union(Survey survey) {
        Union noted = survey.tree()
                .noted()
                .union()
                .map(how -> how == SurveyNotes.StemUnion.WIDE
                        ? Union.WIDE
                        : how == SurveyNotes.StemUnion.NARROW ? Union.NARROW : Union.BARK_PRESSED)
                .orElse(Union.WIDE);
        return survey.limbs().stream().map(SurveyWood::union).reduce(noted, SurveyWood::worse);
    }

    private static Union union(Limb limb) {
        if (limb.has(FaultKind.INCLUDED_BARK)) {
            return limb.has(FaultKind.CRACKED) ? Union.CRACKED : Union.BARK_PRESSED;
        }
        if (limb.has(FaultKind.NARROW_UNION)) {
            return limb.has(FaultKind.CRACKED) ? Union.CRACKED : Union.NARROW;
        }
        return Union.WIDE;
    }

    private static Union worse(Union one, Union other) {
        return one.compareTo(other) >= 0 ? one : other;
    }

    /**
     * The course of disease as walks tell it: active where a walk found it, gone where a later one did not, treated where
     * nothing that showed it stands any more.
     *
     * @param standing the tree as it stands, and the day of the last work on it
     */
    public static List<Sighting> sightings(
            List<Survey> surveys, Optional<Survey> standing, Optional<LocalDate> worked) {
        List<Sighting> found = new ArrayList<>();
        Set<Disease> before = EnumSet.noneOf(Disease.class);
        List<Survey> inOrder = surveys.stream()
                .sorted(Comparator.comparing(Survey::surveyedOn))
                .toList();
        for (Survey survey : inOrder) {
            Set<Disease> now = diseases(survey);
            now.forEach(one -> found.add(new Sighting(one, survey.surveyedOn(), Sighting.State.ACTIVE)));
            before.stream()
                    .filter(one -> !now.contains(one))
                    .forEach(one -> found.add(new Sighting(one, survey.surveyedOn(), Sighting.State.GONE)));
            before.addAll(now);
        }
        if (standing.isPresent() && worked.isPresent() && !inOrder.isEmpty()) {
            Set<Disease> left = diseases(standing.get());
            diseases(inOrder.get(inOrder.size() - 1)).stream()
                    .filter(one -> !left.contains(one))
                    .forEach(one -> found.add(new Sighting(one, worked.get(), Sighting.State.TREATED)));
        }
        return found;
    }

    private static Set<Disease> diseases(Survey survey) {
        Set<Disease> found = EnumSet.noneOf(Disease.class);
        survey.limbs().stream()
                .flatMap(limb -> limb.faults().stream())
                .filter(fault -> fault.kind() == FaultKind.DISEASED)
                .map(fault -> fault.disease().orElse(Disease.UNKNOWN))
                .forEach(found::add);
        return found;
    }
}
