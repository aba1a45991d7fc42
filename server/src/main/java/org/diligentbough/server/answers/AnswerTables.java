package org.diligentbough.server.answers;

import java.util.ArrayList;
import java.util.List;
import org.diligentbough.server.shared.ProblemException;

/** The tables of an answer. */
final class AnswerTables {
    private AnswerTables() {}

    /** A table: a row each, the first the names of its columns. */
    static List<List<Object>> of(AnswerView told, String name) {
        RecordAnswer answers = told.answers();
        List<List<Object>> rows = new ArrayList<>();
        switch (name) {
            case "years" -> {
                rows.add(List.of(
                        "year", "kg", "trees picked", "cuts", "mean share", "minutes reckoned", "minutes taken"));
                told.years()
                        .forEach(one -> rows.add(row(
                                one.year(),
                                one.kilos(),
                                one.treesPicked(),
                                one.cuts(),
                                one.meanShare(),
                                one.reckonedMinutes(),
                                one.tookMinutes())));
            }
            case "cutting" -> {
                rows.add(List.of(
                        "tree", "pruning year", "share", "effect", "low", "high", "says", "like trees", "wanted"));
                answers.response()
                        .trees()
                        .forEach(one -> rows.add(row(
                                one.label(),
                                one.pruningYear(),
                                one.share(),
                                one.effect(),
                                one.low(),
                                one.high(),
                                one.says(),
                                one.likeTrees(),
                                one.wanted())));
            }
            case "efficiency" -> {
                rows.add(List.of("tree", "year", "kg per cm2", "fruit per cm2"));
                answers.efficiency()
                        .forEach(one -> rows.add(row(one.label(), one.year(), one.kgPerCm2(), one.fruitPerCm2())));
            }
            case "wounds" -> {
                rows.add(List.of("tree", "wound", "state", "mm a year", "closed", "low", "high"));
                answers.wounds()
                        .forEach(one -> rows.add(row(
                                one.label(),
                                one.id(),
                                one.state(),
                                one.closingMmPerYear(),
                                one.closedYear(),
                                one.low(),
                                one.high())));
            }
            case "grades" -> {
                rows.add(List.of("tree", "grade"));
                answers.grades().forEach(one -> rows.add(row(one.label(), one.grade())));
            }
            case "learned" -> {
                rows.add(List.of("what", "kind", "season", "cut", "work", "shipped", "value", "low", "high", "cases"));
                answers.learned()
                        .forEach(one -> rows.add(row(
                                one.what(),
                                one.kind(),
                                one.season(),
                                one.cut(),
                                one.work(),
                                one.shipped(),
                                one.value(),
                                one.low(),
                                one.high(),
                                one.cases())));
            }
            default ->
                throw ProblemException.notFound(
                        "There is no such table; there are years, cutting, efficiency, wounds, grades and learned.");
        }
        return rows;
    }

    private static List<Object> row(Object... cells) {
        List<Object> row = new ArrayList<>();
        for (Object cell : cells) {
            row.add(cell);
        }
        return row;
    }
}
