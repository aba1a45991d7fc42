package org.diligentbough.server.survey;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.diligentbough.server.shared.Days;
import org.diligentbough.server.shared.FieldProblem;
import tools.jackson.databind.JsonNode;

/** What must hold between the fields of a survey file. Looks past whatever the schema refuses anyway. */
final class SurveyCrossChecks {
    private static final double ROUNDING_M = 1e-6;

    private final JsonNode survey;
    private final Map<String, JsonNode> limbs = new HashMap<>();
    private final Set<String> named = new HashSet<>();
    private final List<FieldProblem> problems = new ArrayList<>();

    SurveyCrossChecks(JsonNode survey) {
        this.survey = survey;
    }

    List<FieldProblem> problems() {
        JsonNode list = survey.path("limbs");
        for (JsonNode limb : list) {
            if (limb.path("id").isString()) {
                limbs.putIfAbsent(limb.path("id").stringValue(), limb);
            }
        }
        for (int i = 0; i < list.size(); i++) {
            limb(list.get(i), "/limbs/" + i);
        }
        surroundings();
        dates();
        climate();
        return problems;
    }

    private void limb(JsonNode limb, String at) {
        if (limb.path("id").isString() && !named.add(limb.path("id").stringValue())) {
            say(at + "/id", "is the id of another limb already; give each limb its own");
        }
        boolean onLimb = given(limb, "parent");
        origin(limb, at, onLimb);
        broken(limb, at);
        if (onLimb && limb.path("parent").isString()) {
            parent(limb, at);
        }
        JsonNode faults = limb.path("faults");
        for (int i = 0; i < faults.size(); i++) {
            JsonNode with = faults.get(i).path("with");
            if (!with.isString()) {
                continue;
            }
            String other = with.stringValue();
            if (!limbs.containsKey(other)) {
                say(at + "/faults/" + i + "/with", "names no limb of this survey; give the id of one");
            } else if (other.equals(limb.path("id").asString(""))) {
                say(at + "/faults/" + i + "/with", "names the limb itself; give the id of the other one");
            }
        }
    }

    private void broken(JsonNode limb, String at) {
        JsonNode broken = limb.path("brokenAtM");
        JsonNode length = limb.path("lengthM");
        if (broken.isNumber() && length.isNumber() && broken.doubleValue() > length.doubleValue() + ROUNDING_M) {
            say(at + "/brokenAtM", "lies past the limb's tip; give at most " + length.doubleValue() + " m");
        }
    }

    private void origin(JsonNode limb, String at, boolean onLimb) {
        boolean height = given(limb, "originHeightM");
        boolean along = given(limb, "originAlongM");
        if (onLimb && height) {
            say(at + "/originHeightM", "is for limbs on the trunk; this one has a parent, so give originAlongM only");
        }
        if (!onLimb && along) {
            say(
                    at + "/originAlongM",
                    "is for limbs on another limb; this one has no parent, so give originHeightM only");
        }
        if (onLimb && !along) {
            say(at + "/originAlongM", "is missing; give how far along its parent it leaves, m");
        }
        if (!onLimb && !height) {
            say(at + "/originHeightM", "is missing; give the height at which it leaves the trunk, m");
        }
    }

    private void parent(JsonNode limb, String at) {
        JsonNode parent = limbs.get(limb.path("parent").stringValue());
        if (parent == null) {
            say(at + "/parent", "names no limb of this survey; give the id of one, or leave it out for the trunk");
            return;
        }
        if (inCircle(limb)) {
            say(at + "/parent", "makes limbs grow from each other in a circle; name the limb it really grows from");
        }
        JsonNode along = limb.path("originAlongM");
        JsonNode length = parent.path("lengthM");
        if (along.isNumber() && length.isNumber() && along.doubleValue() > length.doubleValue() + ROUNDING_M) {
            say(at + "/originAlongM", "lies past the tip of its parent; give at most " + length.doubleValue() + " m");
        }
    }

    private boolean inCircle(JsonNode limb) {
        Set<JsonNode> passed = new HashSet<>();
        JsonNode at = limb;
        while (at != null && passed.add(at)) {
            at = at.path("parent").isString() ? limbs.get(at.path("parent").stringValue()) : null;
            if (at == limb) {
                return true;
            }
        }
        return false;
    }

    private void surroundings() {
        JsonNode list = survey.path("surroundings");
        for (int i = 0; i < list.size(); i++) {
            String wanted = list.get(i).path("kind").asString("").equals("tree") ? "radiusM" : "lengthM";
            if (!given(list.get(i), wanted)) {
                say("/surroundings/" + i + "/" + wanted, "is missing; give it in m");
            }
        }
    }

    private void climate() {
        JsonNode site = survey.path("site");
        if (given(site, "monthlyMinC") != given(site, "monthlyMaxC")) {
            say("/site/monthlyMaxC", "give coldest nights and warmest days together, or neither");
            return;
        }
        for (int month = 0; month < site.path("monthlyMinC").size(); month++) {
            if (site.path("monthlyMinC").path(month).asDouble(0)
                    > site.path("monthlyMaxC").path(month).asDouble(0)) {
                say("/site/monthlyMaxC/" + month, "is under the minimum of its month");
            }
        }
    }

    private void dates() {
        sensible(survey.path("today"), "/today");
        sensible(survey.path("surveyedOn"), "/surveyedOn");
        sensible(survey.path("observedStage").path("on"), "/observedStage/on");
        LocalDate today = date(survey.path("today"));
        if (today == null) {
            return;
        }
        notAfter(today, survey.path("surveyedOn"), "/surveyedOn");
        notAfter(today, survey.path("observedStage").path("on"), "/observedStage/on");
    }

    private void sensible(JsonNode day, String pointer) {
        LocalDate given = date(day);
        if (given != null && !Days.makeSense(given)) {
            say(pointer, Days.WANTED);
        }
    }

    private void notAfter(LocalDate today, JsonNode day, String pointer) {
        LocalDate given = date(day);
        if (given != null && given.isAfter(today)) {
            say(pointer, "lies after today (" + today + "); give the day it was seen");
        }
    }

    private static LocalDate date(JsonNode node) {
        try {
            return node.isString() ? LocalDate.parse(node.stringValue()) : null;
        } catch (DateTimeParseException e) {
            return null;
        }
    }

    private static boolean given(JsonNode node, String field) {
        return node.has(field) && !node.get(field).isNull();
    }

    private void say(String pointer, String detail) {
        problems.add(new FieldProblem(pointer, detail));
    }
}
