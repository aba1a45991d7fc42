package org.diligentbough.core;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import org.diligentbough.core.orchard.Bearing;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.orchard.Purpose;
import org.diligentbough.core.orchard.Site;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.season.MayCut;
import org.diligentbough.core.season.Seen;
import org.diligentbough.core.survey.Fault;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.OverTarget;
import org.diligentbough.core.survey.Role;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.survey.SurveyNotes;
import org.diligentbough.core.survey.TreeSurvey;
import org.diligentbough.core.verdict.LimbJudge;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.TreeFacts;
import org.diligentbough.core.visit.TreeToday;

/** Makes surveys for tests: a healthy apple at 52 north in February 2027 unless told otherwise. */
public final class SurveyBuilder {
    public static final Rulebook RULES = Rulebook.load();
    private static final List<Double> MEAN_C =
            List.of(4.0, 4.0, 6.0, 9.0, 12.0, 15.0, 17.0, 17.0, 14.0, 11.0, 7.0, 5.0);
    private static final List<Double> RAIN_MM =
            List.of(70.0, 50.0, 50.0, 55.0, 60.0, 60.0, 60.0, 65.0, 65.0, 75.0, 75.0, 75.0);

    public final List<Limb> limbs = new ArrayList<>();
    public Species species = Species.APPLE;
    public Bearing bearing = Bearing.SPUR;
    public LocalDate today = LocalDate.of(2027, 2, 20);
    /** The day of the walk; today when null. */
    public LocalDate surveyedOn;

    public double latitude = 52.1;
    public Policy policy = Policy.DEFAULT;
    public Purpose purpose = Purpose.PICKING;
    public Form formWanted = Form.OPEN_CENTRE;
    public OptionalInt mainsWanted = OptionalInt.empty();
    public double heightM = 5;
    public double spreadM = 5;
    public double girthCm = 96;
    public OptionalDouble targetHeightM = OptionalDouble.empty();
    public OptionalDouble clearanceM = OptionalDouble.empty();
    public OptionalDouble shootCm = OptionalDouble.of(35);
    public OptionalInt waterSprouts = OptionalInt.empty();
    public OptionalInt plantedYear = OptionalInt.of(1961);
    public OptionalDouble yearsSinceCut = OptionalDouble.of(1);
    public double removedLast12Months = 0;
    public boolean inContainer = false;
    public boolean stillGrowing = false;
    public TreeSurvey.Trunk trunk = TreeSurvey.Trunk.SOUND;
    public SurveyNotes noted = SurveyNotes.NOTHING;
    public OptionalInt years = OptionalInt.empty();
    public Seen seen = Seen.NOTHING;
    public final List<Survey.Surrounding> surroundings = new ArrayList<>();

    /** Three good limbs all round, so that what is added is judged among others. */
    public static SurveyBuilder withFrame() {
        return new SurveyBuilder()
                .limb("N", limb -> limb.diameter(12).azimuth(0).fruiting(2))
                .limb("SE", limb -> limb.diameter(12).azimuth(120).fruiting(2))
                .limb("SW", limb -> limb.diameter(12).azimuth(240).fruiting(2));
    }

    public static SurveyBuilder of(Species species) {
        SurveyBuilder builder = new SurveyBuilder();
        builder.species = species;
        return builder;
    }

    public SurveyBuilder limb(String id, UnaryOperator<LimbBuilder> how) {
        limbs.add(how.apply(new LimbBuilder(id)).build());
        return this;
    }

    public SurveyBuilder with(Consumer<SurveyBuilder> change) {
        change.accept(this);
        return this;
    }

    public Survey build() {
        TreeSurvey tree = new TreeSurvey(
                "T",
                species,
                bearing,
                Optional.empty(),
                plantedYear,
                Optional.empty(),
                Optional.ofNullable(formWanted),
                mainsWanted,
                purpose,
                heightM,
                spreadM,
                girthCm,
                targetHeightM,
                clearanceM,
                shootCm,
                Optional.of(stillGrowing),
                waterSprouts,
                OptionalInt.empty(),
                removedLast12Months,
                yearsSinceCut,
                inContainer,
                trunk,
                noted);
        Site site = new Site(latitude, -2.4, fromJanuary(MEAN_C), fromJanuary(RAIN_MM), Optional.empty(), policy);
        return new Survey(site, today, surveyedOn == null ? today : surveyedOn, seen, tree, limbs, surroundings, years);
    }

    /** A climate of the north, half a year later in the south. */
    private List<Double> fromJanuary(List<Double> months) {
        List<Double> turned = new ArrayList<>(months);
        Collections.rotate(turned, latitude < 0 ? 6 : 0);
        return turned;
    }

    public Evaluation evaluate() {
        return Evaluation.of(build(), RULES);
    }

    /** The verdict on a limb in light that is given, not computed. */
    public LimbVerdict judgeIn(Map<String, Double> light, String id) {
        boolean open = RULES.calendar(build()).mayCut(today).answer() != MayCut.Answer.NO;
        TreeFacts facts = new TreeFacts(build(), RULES.species().of(species), RULES.knowledge(), light, open);
        return new LimbJudge(facts)
                .judge().stream()
                        .filter(limb -> limb.limb().id().equals(id))
                        .findFirst()
                        .orElseThrow();
    }

    /** The same judged in the light of another evaluation of the same limbs. */
    public Evaluation evaluateInLightOf(Evaluation other) {
        return Evaluation.in(other.light(), TreeToday.asSurveyed(build()), Evaluation.Given.NOTHING, RULES);
    }

    /** The verdict on a limb by the table alone, its light unknown. */
    public LimbVerdict judge(String id) {
        return judgeIn(Map.of(), id);
    }

    public static LimbVerdict verdictOn(Evaluation evaluation, String id) {
        return evaluation.limbs().stream()
                .filter(limb -> limb.limb().id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    /** Makes one limb: 8 cm thick, 3 m long, 45 degrees, leaving the trunk at 1.3 m, unless told otherwise. */
    public static final class LimbBuilder {
        private final String id;
        private Optional<String> parent = Optional.empty();
        private Optional<Role> role = Optional.empty();
        private double diameterCm = 8;
        private double originM = 1.3;
        private double azimuthDeg = 60;
        private double angleDeg = 45;
        private double lengthM = 3;
        private OptionalInt woodYears = OptionalInt.empty();
        private OptionalInt fruiting = OptionalInt.empty();
        private double leafiness = 1;
        private Optional<String> cultivar = Optional.empty();
        private final List<Fault> faults = new ArrayList<>();
        private Optional<OverTarget> over = Optional.empty();
        private OptionalDouble brokenAtM = OptionalDouble.empty();
        private Optional<Limb.Buds> buds = Optional.empty();

        LimbBuilder(String id) {
            this.id = id;
        }

        public LimbBuilder on(String parentId, double alongM) {
            parent = Optional.of(parentId);
            originM = alongM;
            diameterCm = 3;
            lengthM = 1.2;
            return this;
        }

        public LimbBuilder origin(double m) {
            originM = m;
            return this;
        }

        public LimbBuilder role(Role value) {
            role = Optional.of(value);
            return this;
        }

        public LimbBuilder diameter(double cm) {
            diameterCm = cm;
            return this;
        }

        public LimbBuilder azimuth(double deg) {
            azimuthDeg = deg;
            return this;
        }

        public LimbBuilder angle(double deg) {
            angleDeg = deg;
            return this;
        }

        public LimbBuilder length(double m) {
            lengthM = m;
            return this;
        }

        public LimbBuilder years(int value) {
            woodYears = OptionalInt.of(value);
            return this;
        }

        public LimbBuilder fruiting(int value) {
            fruiting = OptionalInt.of(value);
            return this;
        }

        public LimbBuilder leafiness(double value) {
            leafiness = value;
            return this;
        }

        public LimbBuilder cultivar(String value) {
            cultivar = Optional.of(value);
            return this;
        }

        public LimbBuilder fault(FaultKind kind) {
            faults.add(Fault.of(kind));
            return this;
        }

        public LimbBuilder fault(FaultKind kind, String with) {
            faults.add(Fault.with(kind, with));
            return this;
        }

        public LimbBuilder fault(Fault fault) {
            faults.add(fault);
            return this;
        }

        public LimbBuilder brokenAt(double alongM) {
            brokenAtM = OptionalDouble.of(alongM);
            return fault(FaultKind.BROKEN);
        }

        public LimbBuilder buds(Limb.Buds value) {
            buds = Optional.of(value);
            return this;
        }

        public LimbBuilder over(OverTarget target) {
            over = Optional.of(target);
            return this;
        }

        Limb build() {
            return new Limb(
                    id,
                    parent,
                    role,
                    diameterCm,
                    originM,
                    azimuthDeg,
                    angleDeg,
                    lengthM,
                    woodYears,
                    fruiting,
                    leafiness,
                    cultivar,
                    faults,
                    over,
                    brokenAtM,
                    buds,
                    OptionalDouble.empty());
        }
    }
}
