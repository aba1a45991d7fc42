package org.diligentbough.server.bulk;

import jakarta.validation.Validator;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.TreeData;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.FieldProblem;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Many trees at once: all of them, or none and every wrong field named. */
@Service
class TreeImport {
    private static final List<String> NUMBERS =
            List.of("plantedYear", "mainsWanted", "eastM", "northM", "targetHeightM", "clearanceM");

    private final OrchardService orchard;
    private final Validator validator;
    private final CurrentPerson person;
    private final JsonMapper json;

    TreeImport(OrchardService orchard, Validator validator, CurrentPerson person, JsonMapper json) {
        this.orchard = orchard;
        this.validator = validator;
        this.person = person;
        this.json = json;
    }

    /**
     * One tree as sent.
     *
     * @param at pointer by which problems are told
     */
    record Sent(String at, ObjectNode tree) {}

    /**
     * Registers trees at a site; returns how many.
     *
     * @throws ProblemException 422 naming every wrong field, when nothing is kept
     */
    @Transactional
    public int add(long siteId, List<Sent> sent) {
        person.id();
        Set<String> tags = new HashSet<>(orchard.tagsOf(siteId));
        Map<String, FieldProblem> problems = new LinkedHashMap<>();
        List<TreeData> trees = new ArrayList<>();
        for (Sent one : sent) {
            TreeData tree = read(one, problems);
            if (tree.tag() != null && !tags.add(tree.tag().strip())) {
                say(problems, one.at() + "/tag", "hangs on another tree already; give each its own");
            }
            validator
                    .validate(tree)
                    .forEach(wrong -> say(problems, one.at() + "/" + wrong.getPropertyPath(), wrong.getMessage()));
            trees.add(tree);
        }
        if (!problems.isEmpty()) {
            throw ProblemException.wrongFields(List.copyOf(problems.values()));
        }
        trees.forEach(tree -> orchard.addTree(siteId, tree));
        return trees.size();
    }

    /** The tree with what has the wrong type told and left out. */
    private TreeData read(Sent sent, Map<String, FieldProblem> problems) {
        ObjectNode tree = sent.tree().deepCopy();
        for (String field : TreeTable.FIELDS) {
            JsonNode value = tree.path(field);
            if (value.isMissingNode() || value.isNull()) {
                continue;
            }
            boolean whole = field.equals("plantedYear") || field.equals("mainsWanted");
            boolean good = NUMBERS.contains(field)
                    ? value.isNumber() && (!whole || value.canConvertToInt() && value.doubleValue() == value.intValue())
                    : field.equals("inContainer") ? value.isBoolean() : value.isString();
            if (!good) {
                String wanted = NUMBERS.contains(field)
                        ? whole ? "is no whole number" : "is no number"
                        : field.equals("inContainer") ? "is neither yes nor no" : "is no text";
                say(problems, sent.at() + "/" + field, wanted + ": " + value.asString(value.toString()));
                tree.remove(field);
            }
        }
        tree.propertyNames().stream()
                .filter(name -> !TreeTable.FIELDS.contains(name))
                .forEach(name -> say(
                        problems,
                        sent.at() + "/" + name,
                        "is not known; leave it out or name it one of " + String.join(", ", TreeTable.FIELDS)));
        tree.retain(TreeTable.FIELDS);
        return json.treeToValue(tree, TreeData.class);
    }

    private static void say(Map<String, FieldProblem> problems, String at, String detail) {
        problems.putIfAbsent(at.toLowerCase(Locale.ROOT), new FieldProblem(at, detail));
    }
}
