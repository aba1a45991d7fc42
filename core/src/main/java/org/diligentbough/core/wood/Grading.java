package org.diligentbough.core.wood;

import static org.diligentbough.core.knowledge.Figure.GRADE_DEAD_B;
import static org.diligentbough.core.knowledge.Figure.GRADE_DEAD_C;
import static org.diligentbough.core.knowledge.Figure.GRADE_DEAD_D;
import static org.diligentbough.core.knowledge.Figure.GRADE_DEAD_E;
import static org.diligentbough.core.knowledge.Figure.HOLLOW_STRENGTH_LOSS;
import static org.diligentbough.core.knowledge.Figure.HOLLOW_WALL_RATIO;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.survey.HollowStem;
import org.diligentbough.core.wood.WoodFacts.FaceSeen;
import org.diligentbough.core.wood.WoodFacts.Hollow;
import org.diligentbough.core.wood.WoodFacts.Seen;
import org.diligentbough.core.wood.WoodGrade.Measure;
import org.diligentbough.core.wood.WoodGrade.Part;

/**
 * Grades the wood of a tree from A to E: the worst of its parts, never a mean. More dead, more disease, more rot never
 * grade better. The steps are our own; that of a hollow trunk follows what is referred.
 */
public final class Grading {
    /** Strength lost to a hollow, up to which it still is B, C; from what is referred on it is E (own assumption). */
    private static final double[] LOSS_STEPS = {0.2, 0.3};

    /**
     * Decayed faces by all faces and two more, up to which it still is B, C, D: so that one bad face alone is C, not E (own
     * assumption).
     */
    private static final double[] FACE_STEPS = {0.15, 0.35, 0.6};

    private static final int SPARED_FACES = 2;

    /** Length of a crack, cm, under which it still is B, C, D (own assumption). */
    private static final double[] CRACK_STEPS_CM = {10, 30, 60};

    /** Wounds not closing, up to which it still is C, D (own assumption). */
    private static final double[] WOUND_STEPS = {1, 3};

    /** End shoots, cm, from which it is A, B, C, D (own assumption). */
    private static final double[] SHOOT_STEPS_CM = {15, 8, 4, 2};

    /** From so many active diseases on it is one grade worse (own assumption). */
    private static final int MANY_DISEASES = 2;

    private final Knowledge knowledge;
    private final DiseaseTraits.Table diseases;

    public Grading(Knowledge knowledge, DiseaseTraits.Table diseases) {
        this.knowledge = knowledge;
        this.diseases = diseases;
    }

    /** The grade of a tree of which so much is known. */
    public WoodGrade of(WoodFacts facts) {
        List<Part> parts = List.of(
                facts.deadShare().map(this::dead).orElse(notKnown(GradePart.DEAD_WOOD, Measure.SHARE_DEAD)),
                facts.sightings()
                        .map(all -> disease(
                                all, facts.on(), facts.deadShare().map(Seen::on).orElse(facts.on())))
                        .orElse(notKnown(GradePart.DISEASE, Measure.DISEASES)),
                decay(facts),
                cracks(facts),
                facts.wounds()
                        .flatMap(wounds -> wounds(wounds, facts.on()))
                        .orElse(notKnown(GradePart.WOUNDS_NOT_CLOSING, Measure.WOUNDS)),
                facts.shootExtensionCm().map(Grading::vigour).orElse(notKnown(GradePart.VIGOUR, Measure.SHOOTS_CM)));
        Optional<Grade> worst =
                parts.stream().flatMap(part -> part.grade().stream()).reduce(Grade::worse);
        boolean allKnown = parts.stream().allMatch(part -> part.grade().isPresent());
        return new WoodGrade(worst.map(grade -> allKnown ? grade : grade.worse(Grade.B)), parts);
    }

    private static Part notKnown(GradePart part, Measure measure) {
        return new Part(part, OptionalDouble.empty(), measure, Optional.empty(), Optional.empty());
    }

    private static Part part(GradePart part, Measure measure, double value, Grade grade, LocalDate on) {
        return new Part(part, OptionalDouble.of(value), measure, Optional.of(grade), Optional.of(on));
    }

    /** The grade by how many of some steps, rising, a value has passed. */
    private static Grade upTo(double value, Grade best, double... steps) {
        int passed = 0;
        while (passed < steps.length && value > steps[passed]) {
            passed++;
        }
        return best.worseBy(passed);
    }

    private Part dead(Seen share) {
        int passed = 0;
        for (var figure : List.of(GRADE_DEAD_B, GRADE_DEAD_C, GRADE_DEAD_D, GRADE_DEAD_E)) {
            passed += share.value() >= knowledge.get(figure) ? 1 : 0;
        }
        return part(GradePart.DEAD_WOOD, Measure.SHARE_DEAD, share.value(), Grade.A.worseBy(passed), share.on());
    }

    /**
     * The worst of the diseases a tree has: one that is only suspected is a grade better, one treated a grade better too, B
     * at best; several make it a grade worse. Where none was ever seen, that was so on the last walk.
     */
    private Part disease(List<Sighting> sightings, LocalDate on, LocalDate walkedOn) {
        Collection<Sighting> newest = Sighting.newest(sightings, on).values();
        List<Sighting> had = newest.stream()
                .filter(one -> one.state() != Sighting.State.GONE)
                .toList();
        Grade worst = had.stream().map(this::grade).reduce(Grade.A, Grade::worse);
        long active =
                had.stream().filter(one -> one.state() == Sighting.State.ACTIVE).count();
        LocalDate seen =
                newest.stream().map(Sighting::on).max(Comparator.naturalOrder()).orElse(walkedOn);
        return part(
                GradePart.DISEASE,
                Measure.DISEASES,
                had.size(),
                active >= MANY_DISEASES ? worst.worseBy(1) : worst,
                seen);
    }

    private Grade grade(Sighting sighting) {
        Grade active = diseases.of(sighting.disease()).grade();
        return sighting.state() == Sighting.State.ACTIVE
                ? active
                : Grade.values()[Math.max(Grade.B.ordinal(), active.ordinal() - 1)];
    }

    /** Trunk and faces, whichever is worse; a trunk nobody sounded is not held against the faces. */
    private Part decay(WoodFacts facts) {
        Optional<Part> trunk = facts.hollow().map(this::hollow);
        Optional<Part> faces = faces(facts.faces());
        if (trunk.isPresent() && faces.isPresent()) {
            boolean worseTrunk = trunk.get()
                            .grade()
                            .orElseThrow()
                            .compareTo(faces.get().grade().orElseThrow())
                    >= 0;
            return worseTrunk ? trunk.get() : faces.get();
        }
        return trunk.or(() -> faces).orElse(notKnown(GradePart.DECAY, Measure.DECAYED_FACES_SHARE));
    }

    private Part hollow(Hollow hollow) {
        double loss = HollowStem.strengthLoss(hollow.trunkRadiusCm(), hollow.soundWallCm());
        Grade grade = loss == 0
                ? Grade.A
                : referred(hollow.trunkRadiusCm(), hollow.soundWallCm()) ? Grade.E : upTo(loss, Grade.B, LOSS_STEPS);
        return part(GradePart.DECAY, Measure.WALL_RATIO, hollow.wallRatio(), grade, hollow.on());
    }

    private boolean referred(double radiusCm, double wallCm) {
        return HollowStem.wallRatio(radiusCm, wallCm) < knowledge.get(HOLLOW_WALL_RATIO)
                || HollowStem.strengthLoss(radiusCm, wallCm) >= knowledge.get(HOLLOW_STRENGTH_LOSS);
    }

    private Optional<Part> faces(List<FaceSeen> faces) {
        if (faces.isEmpty()) {
            return Optional.empty();
        }
        long decayed = faces.stream().filter(face -> face.face().decayed()).count();
        Grade byShare =
                decayed == 0 ? Grade.A : upTo((double) decayed / (faces.size() + SPARED_FACES), Grade.B, FACE_STEPS);
        boolean thin = faces.stream().anyMatch(this::thinWalled);
        LocalDate on =
                faces.stream().map(FaceSeen::on).max(Comparator.naturalOrder()).orElseThrow();
        return Optional.of(part(
                GradePart.DECAY,
                Measure.DECAYED_FACES_SHARE,
                (double) decayed / faces.size(),
                thin ? byShare.worse(Grade.D) : byShare,
                on));
    }

    /** Whether a face, taken for a stem, would be referred. */
    private boolean thinWalled(FaceSeen face) {
        if (face.acrossCm().isEmpty()
                || face.hollowCm().isEmpty()
                || !face.face().decayed()) {
            return false;
        }
        double radiusCm = face.acrossCm().getAsDouble() / 2;
        return referred(radiusCm, Math.max(0, radiusCm - face.hollowCm().getAsDouble() / 2));
    }

    private static Part cracks(WoodFacts facts) {
        List<Part> known = new ArrayList<>();
        facts.crackCm()
                .ifPresent(crack -> known.add(part(
                        GradePart.CRACKS_AND_UNIONS,
                        Measure.CRACK_CM,
                        crack.value(),
                        crack.value() <= 0 ? Grade.A : upTo(crack.value(), Grade.B, CRACK_STEPS_CM),
                        crack.on())));
        facts.union()
                .ifPresent(union -> known.add(part(
                        GradePart.CRACKS_AND_UNIONS,
                        Measure.STEM_UNION,
                        union.ordinal(),
                        Grade.values()[union.ordinal()],
                        facts.on())));
        return known.stream()
                .max(Comparator.comparing(part -> part.grade().orElseThrow()))
                .orElse(notKnown(GradePart.CRACKS_AND_UNIONS, Measure.CRACK_CM));
    }

    /** Not known while there are wounds and nobody has looked at any. */
    private static Optional<Part> wounds(List<WoundCourse> wounds, LocalDate on) {
        if (!wounds.isEmpty() && wounds.stream().allMatch(wound -> wound.looks() == 0)) {
            return Optional.empty();
        }
        long not = wounds.stream()
                .filter(wound -> wound.state() == WoundCourse.State.NOT_CLOSING)
                .count();
        Grade grade = not == 0 ? Grade.A : upTo(not, Grade.C, WOUND_STEPS);
        LocalDate looked = wounds.stream()
                .filter(wound -> wound.looks() > 0)
                .map(WoundCourse::lookedOn)
                .max(Comparator.naturalOrder())
                .orElse(on);
        return Optional.of(part(GradePart.WOUNDS_NOT_CLOSING, Measure.WOUNDS, not, grade, looked));
    }

    private static Part vigour(Seen shoots) {
        int passed = 0;
        while (passed < SHOOT_STEPS_CM.length && shoots.value() < SHOOT_STEPS_CM[passed]) {
            passed++;
        }
        return part(GradePart.VIGOUR, Measure.SHOOTS_CM, shoots.value(), Grade.A.worseBy(passed), shoots.on());
    }
}
