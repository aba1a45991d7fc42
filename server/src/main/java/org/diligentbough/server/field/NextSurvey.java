package org.diligentbough.server.field;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Survey;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A new survey starts from the last: the limbs that stand now as they stand now, what was cut off left out. */
final class NextSurvey {
    private NextSurvey() {}

    /** {@code last} the newest survey's file; {@code standing} the tree after what was done since. */
    static ObjectNode from(JsonNode last, Survey standing) {
        ObjectNode next = (ObjectNode) last.deepCopy();
        Map<String, Limb> limbs = new HashMap<>();
        standing.limbs().forEach(limb -> limbs.put(limb.id(), limb));
        ArrayNode kept = next.putArray("limbs");
        for (JsonNode surveyed : last.path("limbs")) {
            Limb limb = limbs.get(surveyed.path("id").asString(""));
            if (limb != null) {
                kept.add(limb(surveyed.deepCopy().asObject(), limb));
            }
        }
        ObjectNode tree = (ObjectNode) next.get("tree");
        tree.put("heightM", Math.round(standing.tree().heightM() * 10) / 10.0);
        standing.tree().waterSprouts().ifPresent(shoots -> tree.put("waterSprouts", shoots));
        standing.tree().yearsSinceCut().ifPresent(years -> tree.put("yearsSinceCut", Math.round(years * 10) / 10.0));
        // What a walk sees anew every time, and what the logs know better.
        tree.remove(List.of("shootExtensionCm", "youngShoots", "stillGrowing", "removedLast12Months"));
        next.remove(List.of("observedStage", "surveyedOn", "today", "site"));
        return next;
    }

    private static ObjectNode limb(ObjectNode surveyed, Limb limb) {
        surveyed.put("lengthM", hundredths(limb.lengthM()));
        surveyed.put("angleDeg", hundredths(limb.angleDeg()));
        if (limb.leafiness() < 1 || surveyed.hasNonNull("leafiness")) {
            surveyed.put("leafiness", hundredths(limb.leafiness()));
        }
        if (limb.wholeM() > limb.lengthM()) {
            surveyed.put("grownM", hundredths(limb.wholeM()));
        }
        ArrayNode faults = surveyed.putArray("faults");
        limb.faults().forEach(fault -> {
            ObjectNode node = faults.addObject();
            node.put("kind", Codes.of(fault.kind()));
            fault.with().ifPresent(other -> node.put("with", other));
            fault.disease().ifPresent(disease -> node.put("disease", Codes.of(disease)));
        });
        return surveyed;
    }

    private static double hundredths(double value) {
        return Math.round(value * 100) / 100.0;
    }
}
