package org.diligentbough.server.survey;

import java.time.LocalDate;
import java.util.List;
import java.util.stream.DoubleStream;
import java.util.stream.StreamSupport;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.BushStems;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** What of a survey file is kept with a registered tree, and what the register adds to make it whole again. */
final class SurveyDocument {
    /** What the register knows of a tree; a survey may leave it out, and it is not kept twice. */
    private static final List<String> REGISTERED = List.of(
            "label",
            "species",
            "rootstock",
            "plantedYear",
            "inContainer",
            "bearing",
            "form",
            "formWanted",
            "mainsWanted",
            "purpose",
            "targetHeightM",
            "clearanceM",
            "habit",
            "heightSetBy",
            "groupName",
            "owner",
            "ownerWishes",
            "consent");

    private final JsonMapper json;
    private final Rulebook rules;

    SurveyDocument(JsonMapper json, Rulebook rules) {
        this.json = json;
        this.rules = rules;
    }

    /** A complete survey file of what was sent or kept. What was sent stands, so that mistakes in it are found. */
    ObjectNode complete(JsonNode document, TreeRow tree, SiteRow site, LocalDate today) {
        ObjectNode file = (ObjectNode) document.deepCopy();
        putUnlessGiven(file, "format", json.getNodeFactory().stringNode(SurveyFile.FORMAT));
        putUnlessGiven(file, "version", json.getNodeFactory().numberNode(SurveyFile.VERSION));
        file.set("site", siteOf(site));
        file.put("today", today.toString());
        if (!file.has("tree") || file.get("tree").isNull()) {
            file.putObject("tree");
        }
        if (file.get("tree") instanceof ObjectNode surveyed) {
            ObjectNode registered = json.valueToTree(tree.data());
            registered.set("label", registered.get("tag"));
            REGISTERED.forEach(field -> putUnlessGiven(surveyed, field, registered.get(field)));
            // A bush has stems and no trunk: nobody is asked to measure one.
            if (rules.species()
                    .of(Codes.parse(Species.class, tree.species()).orElseThrow())
                    .bush()) {
                BushStems.girthCm(stemsCm(file.path("limbs")))
                        .ifPresent(girth -> putUnlessGiven(
                                surveyed, "trunkGirthCm", json.getNodeFactory().numberNode(Math.round(girth))));
            }
        }
        return file;
    }

    private static DoubleStream stemsCm(JsonNode limbs) {
        return StreamSupport.stream(limbs.spliterator(), false)
                .filter(limb -> limb.path("parent").asString("").isEmpty())
                .map(limb -> limb.path("diameterCm"))
                .filter(diameter -> diameter.isNumber() && diameter.doubleValue() > 0)
                .mapToDouble(JsonNode::doubleValue);
    }

    /** What is kept: not the site, the day it was sent, nor what the register knows. */
    ObjectNode stored(ObjectNode file, LocalDate surveyedOn) {
        ObjectNode kept = file.deepCopy();
        kept.remove(List.of("site", "today", "format", "version"));
        kept.put("surveyedOn", surveyedOn.toString());
        ObjectNode tree = (ObjectNode) kept.get("tree");
        tree.remove(REGISTERED);
        return kept;
    }

    private ObjectNode siteOf(SiteRow site) {
        ObjectNode node = json.createObjectNode();
        node.put("latitude", site.latitude());
        node.put("longitude", site.longitude());
        node.set("monthlyMeanC", json.valueToTree(site.monthlyMeanC()));
        node.set("monthlyRainMm", json.valueToTree(site.monthlyRainMm()));
        if (site.monthlyMinC() != null) {
            node.set("monthlyMinC", json.valueToTree(site.monthlyMinC()));
            node.set("monthlyMaxC", json.valueToTree(site.monthlyMaxC()));
        }
        node.set("policy", json.valueToTree(site.data().policy()));
        return node;
    }

    private static void putUnlessGiven(ObjectNode node, String field, JsonNode value) {
        if (!node.has(field) && value != null && !value.isNull()) {
            node.set(field, value);
        }
    }
}
