package org.diligentbough.server.survey;

import java.time.LocalDate;
import java.util.List;

/**
 * The survey file, the open format of docs/formats/survey.schema.json, field by field. What may be absent is null here.
 */
public record SurveyFile(
        String format,
        Integer version,
        SiteFile site,
        LocalDate today,
        LocalDate surveyedOn,
        StageFile observedStage,
        TreeFile tree,
        List<LimbFile> limbs,
        List<SurroundingFile> surroundings,
        List<SideFile> sides,
        Integer years) {
    public static final String FORMAT = "diligent-bough/survey";
    public static final int VERSION = 1;

    /** Where the tree stands. */
    public record SiteFile(
            Double latitude,
            Double longitude,
            List<Double> monthlyMeanC,
            List<Double> monthlyRainMm,
            List<Double> monthlyMinC,
            List<Double> monthlyMaxC,
            PolicyFile policy) {}

    /** What the site has chosen; each member has a default of its own. */
    public record PolicyFile(
            String allowance,
            Double summerAllowance,
            Integer bigCuts,
            String pome,
            String apricot,
            String peach,
            String fig,
            String bend,
            String sealing,
            String inGrowth) {}

    /** A stage of growth seen, by the BBCH scale. */
    public record StageFile(Integer bbch, LocalDate on) {}

    /** The whole tree. */
    public record TreeFile(
            String label,
            String species,
            String bearing,
            String rootstock,
            Integer plantedYear,
            String form,
            String formWanted,
            Integer mainsWanted,
            String purpose,
            Double heightM,
            Double spreadM,
            Double trunkGirthCm,
            Double targetHeightM,
            Double clearanceM,
            Double shootExtensionCm,
            Boolean stillGrowing,
            Integer waterSprouts,
            Integer rootSuckers,
            Double removedLast12Months,
            Double yearsSinceCut,
            Boolean inContainer,
            TrunkFile trunk,
            Double spreadNorthSouthM,
            Double spreadEastWestM,
            String habit,
            String heightSetBy,
            String lopsidedFrom,
            List<String> beneath,
            Boolean hasFruited,
            String lastCut,
            String groupName,
            String owner,
            String ownerWishes,
            String consent,
            Double spreadTargetM,
            String leafDensity,
            Integer youngShoots) {}

    /** The trunk. */
    public record TrunkFile(
            Double crackCm,
            Boolean crackFresh,
            Double soundWallCm,
            String lean,
            String union,
            Boolean fungus,
            Double openWoundCm,
            Boolean tiesBite,
            List<WoundFile> wounds) {}

    /** A wound on the trunk. */
    public record WoundFile(Double diameterCm, Double openMm, LocalDate madeOn) {}

    /** What was seen from one side, standing in the same place every time. */
    public record SideFile(Double bearingDeg, String note) {}

    /** One limb. */
    public record LimbFile(
            String id,
            String parent,
            String role,
            Double diameterCm,
            Double originHeightM,
            Double originAlongM,
            Double azimuthDeg,
            Double angleDeg,
            Double lengthM,
            Integer woodYears,
            Integer fruiting,
            Double leafiness,
            String cultivar,
            List<FaultFile> faults,
            String overTarget,
            Double brokenAtM,
            String buds,
            Double grownM) {}

    /** One thing wrong with a limb. */
    public record FaultFile(String kind, String with, String disease) {}

    /** Something near the tree. */
    public record SurroundingFile(
            String kind, Double bearingDeg, Double distanceM, Double heightM, Double radiusM, Double lengthM) {}
}
