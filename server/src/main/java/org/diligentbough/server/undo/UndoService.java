package org.diligentbough.server.undo;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.Kept;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Undoes;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/** Changes with their before and after, and their undoing. */
@Service
class UndoService {
    /** What numbers a row and no more, and what is only reckoned from the rest. */
    private static final List<String> OF_THE_ROW =
            List.of("id", "version", "siteId", "treeId", "visitId", "changedAt", "findings");
    /** By what people know one of several, the best first. */
    private static final List<String> NAMED_BY = List.of("name", "tag", "title", "limb", "kind");
    /** Ends the key under which it stands that one of several is there at all. */
    private static final String NAMED = ".";

    private static final int MOST_SHOWN = 40;
    private static final int MOST_LETTERS = 120;

    private final History history;
    private final CurrentPerson person;
    private final Map<String, Undoes> undoers;

    UndoService(History history, CurrentPerson person, List<Undoes> undoers) {
        this.history = history;
        this.person = person;
        this.undoers = undoers.stream().collect(Collectors.toMap(Undoes::entity, Function.identity()));
    }

    /**
     * One field that a change changed; empty where there was nothing.
     *
     * @param of the one of several it belongs to, by name: a person, a tree, a limb; null where there is but one
     */
    record FieldChanged(String field, @MayBeNull String of, String before, String after) {}

    /** A field as it stands. */
    private record Leaf(String field, String of, String text) {}

    Kept one(long id) {
        return history.one(id).orElseThrow(() -> ProblemException.notFound("There is no such change."));
    }

    boolean undoable(Kept change) {
        Undoes by = undoers.get(change.about().entity());
        return by != null && !change.cameWithArchive() && change.newest() && by.can(change);
    }

    /** What differs between before and after, field by field. What is on one side alone is told by its name, and no more of it. */
    List<FieldChanged> changes(Kept change) {
        Map<String, Leaf> before = flat(change.before());
        Map<String, Leaf> after = flat(change.after());
        List<String> oneSided = Stream.concat(before.keySet().stream(), after.keySet().stream())
                .filter(field -> field.endsWith(NAMED) && before.containsKey(field) != after.containsKey(field))
                .toList();
        return Stream.concat(before.keySet().stream(), after.keySet().stream())
                .distinct()
                .filter(field -> !Objects.equals(before.get(field), after.get(field)))
                .filter(field -> oneSided.stream().noneMatch(one -> field.startsWith(one) && !field.equals(one)))
                .map(field -> {
                    Leaf any = Optional.ofNullable(before.get(field)).orElseGet(() -> after.get(field));
                    return new FieldChanged(any.field(), any.of(), text(before.get(field)), text(after.get(field)));
                })
                .limit(MOST_SHOWN)
                .toList();
    }

    private static String text(Leaf leaf) {
        return leaf == null ? "" : leaf.text();
    }

    private static Map<String, Leaf> flat(JsonNode state) {
        Map<String, Leaf> found = new LinkedHashMap<>();
        if (state != null) {
            flatten(state, "", "", null, found);
        }
        return found;
    }

    private static void flatten(JsonNode node, String at, String field, String of, Map<String, Leaf> found) {
        if (node.isObject()) {
            for (String name : new ArrayList<>(node.propertyNames())) {
                if (!OF_THE_ROW.contains(name)) {
                    String dot = at.isEmpty() ? "" : ".";
                    flatten(node.get(name), at + dot + name, field + dot + name, of, found);
                }
            }
        } else if (node.isArray()) {
            for (int i = 0; i < node.size(); i++) {
                Optional<String> named = named(node.get(i));
                if (named.isEmpty()) {
                    flatten(node.get(i), at + "." + (i + 1), field + "." + (i + 1), of, found);
                    continue;
                }
                String one = at + "." + named.get();
                while (found.containsKey(one + NAMED)) {
                    one += "'";
                }
                found.put(one + NAMED, new Leaf(field, of, named.get()));
                flatten(node.get(i), one, field, named.get(), found);
            }
        } else if (!node.isNull()) {
            String text = node.asString();
            found.put(
                    at,
                    new Leaf(field, of, text.length() > MOST_LETTERS ? text.substring(0, MOST_LETTERS) + "…" : text));
        }
    }

    /** What one of several is called by. */
    private static Optional<String> named(JsonNode one) {
        return NAMED_BY.stream()
                .map(one::path)
                .filter(JsonNode::isString)
                .map(JsonNode::stringValue)
                .findFirst();
    }

    /**
     * Makes a change undone.
     *
     * @throws ProblemException 404 when there is none, 409 when the same thing was changed since, 422 when this kind cannot be
     */
    @Transactional
    void undo(long id) {
        person.id();
        Kept change = one(id);
        Undoes by = undoers.get(change.about().entity());
        if (by == null || !by.can(change)) {
            throw ProblemException.wrongField(
                    "/id", "names a change that cannot be undone; enter what is right instead");
        }
        if (!change.newest()) {
            throw ProblemException.stale("What this changed");
        }
        by.undo(change);
    }
}
