package org.diligentbough.server.survey;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.orchard.Bearing;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.orchard.Purpose;
import org.diligentbough.core.orchard.Site;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.season.Seen;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.Fault;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.LeafDensity;
import org.diligentbough.core.survey.Lean;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.OverTarget;
import org.diligentbough.core.survey.Role;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.survey.SurveyNotes;
import org.diligentbough.core.survey.TreeSurvey;
import org.diligentbough.server.survey.SurveyFile.FaultFile;
import org.diligentbough.server.survey.SurveyFile.LimbFile;
import org.diligentbough.server.survey.SurveyFile.PolicyFile;
import org.diligentbough.server.survey.SurveyFile.SiteFile;
import org.diligentbough.server.survey.SurveyFile.SurroundingFile;
import org.diligentbough.server.survey.SurveyFile.TreeFile;
import org.diligentbough.server.survey.SurveyFile.TrunkFile;

/** Turns a survey file that was found good into the core's survey, filling in what may be absent. */
public final class SurveyMapping {
    private SurveyMapping() {}

    /** For the rules. */
    public static Survey toSurvey(SurveyFile file) {
        return new Survey(
                site(file.site()),
                file.today(),
                file.surveyedOn() == null ? file.today() : file.surveyedOn(),
                Optional.ofNullable(file.observedStage())
                        .map(stage -> new Seen(List.of(new Seen.Sighting(stage.bbch(), stage.on())), List.of()))
                        .orElse(Seen.NOTHING),
                tree(file.tree()),
                orEmpty(file.limbs()).stream().map(SurveyMapping::limb).toList(),
                orEmpty(file.surroundings()).stream()
                        .map(SurveyMapping::surrounding)
                        .toList(),
                integer(file.years()));
    }

    private static Site site(SiteFile site) {
        return new Site(
                site.latitude(),
                site.longitude(),
                site.monthlyMeanC(),
                site.monthlyRainMm(),
                Optional.ofNullable(site.monthlyMinC()).map(min -> new Site.Extremes(min, site.monthlyMaxC())),
                policy(site.policy()));
    }

    private static Policy policy(PolicyFile given) {
        if (given == null) {
            return Policy.DEFAULT;
        }
        Policy usual = Policy.DEFAULT;
        return new Policy(
                code(Policy.Allowance.class, given.allowance()).orElse(usual.allowance()),
                number(given.summerAllowance()).orElse(usual.summerAllowance()),
                integer(given.bigCuts()).orElse(usual.bigCuts()),
                code(Policy.Pome.class, given.pome()).orElse(usual.pome()),
                code(Policy.Apricot.class, given.apricot()).orElse(usual.apricot()),
                code(Policy.Peach.class, given.peach()).orElse(usual.peach()),
                code(Policy.Fig.class, given.fig()).orElse(usual.fig()),
                code(Policy.Bend.class, given.bend()).orElse(usual.bend()),
                code(Policy.Sealing.class, given.sealing()).orElse(usual.sealing()),
                code(Policy.InGrowth.class, given.inGrowth()).orElse(usual.inGrowth()));
    }

    private static TreeSurvey tree(TreeFile tree) {
        Species species = code(Species.class, tree.species()).orElseThrow();
        return new TreeSurvey(
                tree.label(),
                species,
                code(Bearing.class, tree.bearing()).orElse(species == Species.APPLE ? Bearing.UNKNOWN : Bearing.SPUR),
                Optional.ofNullable(tree.rootstock()),
                integer(tree.plantedYear()),
                code(Form.class, tree.form()),
                code(Form.class, tree.formWanted()),
                integer(tree.mainsWanted()),
                code(Purpose.class, tree.purpose()).orElse(Purpose.PICKING),
                tree.heightM(),
                tree.spreadM(),
                tree.trunkGirthCm(),
                number(tree.targetHeightM()),
                number(tree.clearanceM()),
                number(tree.shootExtensionCm()),
                Optional.ofNullable(tree.stillGrowing()),
                integer(tree.waterSprouts()),
                integer(tree.rootSuckers()),
                number(tree.removedLast12Months()).orElse(0),
                number(tree.yearsSinceCut()),
                Boolean.TRUE.equals(tree.inContainer()),
                trunk(tree.trunk()),
                noted(tree));
    }

    private static SurveyNotes noted(TreeFile tree) {
        TrunkFile trunk = tree.trunk() == null
                ? new TrunkFile(null, null, null, null, null, null, null, null, null)
                : tree.trunk();
        return new SurveyNotes(
                code(SurveyNotes.Habit.class, tree.habit()),
                code(SurveyNotes.HeightSetBy.class, tree.heightSetBy()),
                code(SurveyNotes.LopsidedFrom.class, tree.lopsidedFrom()),
                orEmpty(tree.beneath()).stream()
                        .map(thing -> code(SurveyNotes.Beneath.class, thing).orElseThrow())
                        .collect(Collectors.toSet()),
                Optional.ofNullable(tree.hasFruited()),
                code(SurveyNotes.LastCut.class, tree.lastCut()),
                code(SurveyNotes.StemUnion.class, trunk.union()),
                Boolean.TRUE.equals(trunk.fungus()),
                Boolean.TRUE.equals(trunk.tiesBite()),
                number(trunk.openWoundCm()),
                code(SurveyNotes.Consent.class, tree.consent()),
                number(tree.spreadTargetM()),
                code(LeafDensity.class, tree.leafDensity()),
                OptionalDouble.empty(),
                integer(tree.youngShoots()),
                Optional.ofNullable(tree.groupName()).filter(name -> !name.isBlank()),
                false,
                Set.of(),
                false,
                List.of(),
                Optional.empty());
    }

    private static TreeSurvey.Trunk trunk(TrunkFile trunk) {
        return trunk == null
                ? TreeSurvey.Trunk.SOUND
                : new TreeSurvey.Trunk(
                        number(trunk.crackCm()),
                        Optional.ofNullable(trunk.crackFresh()),
                        number(trunk.soundWallCm()),
                        code(Lean.class, trunk.lean()).orElse(Lean.NONE));
    }

    private static Limb limb(LimbFile limb) {
        return new Limb(
                limb.id(),
                Optional.ofNullable(limb.parent()),
                code(Role.class, limb.role()),
                limb.diameterCm(),
                limb.parent() == null ? limb.originHeightM() : limb.originAlongM(),
                limb.azimuthDeg(),
                limb.angleDeg(),
                limb.lengthM(),
                integer(limb.woodYears()),
                integer(limb.fruiting()),
                number(limb.leafiness()).orElse(1),
                Optional.ofNullable(limb.cultivar()),
                orEmpty(limb.faults()).stream().map(SurveyMapping::fault).toList(),
                code(OverTarget.class, limb.overTarget()),
                number(limb.brokenAtM()),
                code(Limb.Buds.class, limb.buds()),
                number(limb.grownM()));
    }

    private static Fault fault(FaultFile fault) {
        return new Fault(
                code(FaultKind.class, fault.kind()).orElseThrow(),
                Optional.ofNullable(fault.with()),
                code(Disease.class, fault.disease()));
    }

    private static Survey.Surrounding surrounding(SurroundingFile near) {
        boolean tree = near.kind().equals("tree");
        return new Survey.Surrounding(
                code(Survey.Surrounding.Kind.class, near.kind()).orElseThrow(),
                near.bearingDeg(),
                near.distanceM(),
                near.heightM(),
                tree ? near.radiusM() : near.lengthM());
    }

    private static <E extends Enum<E>> Optional<E> code(Class<E> type, String text) {
        return text == null ? Optional.empty() : Codes.parse(type, text);
    }

    private static OptionalInt integer(Integer value) {
        return value == null ? OptionalInt.empty() : OptionalInt.of(value);
    }

    private static OptionalDouble number(Double value) {
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }

    private static <T> List<T> orEmpty(List<T> list) {
        return list == null ? List.of() : list;
    }
}
