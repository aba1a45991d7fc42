package org.diligentbough.server.undo;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.Kept;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Undoes;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/** Changes with their before and after, and their undoing. */
@Service
class UndoService {
    /** What numbers a row and no more. */
    private static final List<String> OF_THE_ROW = List.of("id", "version", "siteId", "treeId", "changedAt");

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

    /** One field that a change changed; empty where there was nothing. */
    record FieldChanged(String field, String before, String after) {}

    Kept one(long id) {
        return history.one(id).orElseThrow(() -> ProblemException.notFound("There is no such change."));
    }

    boolean undoable(Kept change) {
        Undoes by = undoers.get(change.about().entity());
        return by != null && !change.cameWithArchive() && change.newest() && by.can(change);
    }

    /** What differs between before and after, field by field. */
    List<FieldChanged> changes(Kept change) {
        Map<String, String> before = flat(change.before());
        Map<String, String> after = flat(change.after());
        return Stream.concat(before.keySet().stream(), after.keySet().stream())
                .distinct()
                .filter(field -> !Objects.equals(before.get(field), after.get(field)))
                .map(field -> new FieldChanged(field, before.getOrDefault(field, ""), after.getOrDefault(field, "")))
                .limit(MOST_SHOWN)
                .toList();
    }

    private static Map<String, String> flat(JsonNode state) {
        Map<String, String> found = new LinkedHashMap<>();
        if (state != null) {
            flatten(state, "", found);
        }
        return found;
    }

    private static void flatten(JsonNode node, String at, Map<String, String> found) {
        if (node.isObject()) {
            for (String name : new ArrayList<>(node.propertyNames())) {
                if (!OF_THE_ROW.contains(name)) {
                    flatten(node.get(name), at.isEmpty() ? name : at + "." + name, found);
                }
            }
        } else if (node.isArray()) {
            for (int i = 0; i < node.size(); i++) {
                flatten(node.get(i), at + "." + (i + 1), found);
            }
        } else if (!node.isNull()) {
            String text = node.asString();
            found.put(at, text.length() > MOST_LETTERS ? text.substring(0, MOST_LETTERS) + "…" : text);
        }
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
