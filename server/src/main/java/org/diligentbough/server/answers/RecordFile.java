package org.diligentbough.server.answers;

import java.time.LocalDate;
import java.util.List;

/** The record file, the open format of docs/formats/records.schema.json, field by field. What may be absent is null here. */
record RecordFile(
        String format,
        int version,
        double latitude,
        LocalDate today,
        Long seed,
        List<RecordedTree> trees,
        List<MinutesFile> minutes) {

    record RecordedTree(
            String label,
            String species,
            String bearing,
            Integer plantedYear,
            Double eastM,
            Double northM,
            List<GirthFile> girths,
            List<FruitFile> fruit,
            List<CutFile> cuts,
            List<LightFile> light,
            List<ShootsFile> shoots,
            List<RecordedWound> wounds,
            List<RegrowthFile> regrowth,
            List<DiseaseFile> disease,
            Double deadShare,
            HollowFile hollow,
            Double crackCm) {}

    record GirthFile(LocalDate on, double cm) {}

    record FruitFile(
            int year,
            Integer bloom,
            Double kilos,
            Integer number,
            Double meanFruitG,
            Double spoiltShare,
            Boolean beforeOpening) {}

    record CutFile(int pruningYear, String season, double share, Integer bigCuts) {}

    record LightFile(int year, double mean) {}

    record ShootsFile(int year, Double extensionCm, Integer uprights) {}

    record RecordedWound(
            String id,
            String limb,
            LocalDate madeOn,
            double diameterCm,
            String face,
            Double hollowCm,
            List<LookFile> looks) {}

    record LookFile(LocalDate on, List<Double> openMm, String state) {}

    record RegrowthFile(
            int pruningYear,
            String season,
            String kind,
            double leafCutM2,
            double share,
            int shoots,
            Double longestCm) {}

    record DiseaseFile(String kind, LocalDate seenOn, String state) {}

    record HollowFile(double trunkRadiusCm, double soundWallCm) {}

    record MinutesFile(String work, double reckoned, double took) {}
}
