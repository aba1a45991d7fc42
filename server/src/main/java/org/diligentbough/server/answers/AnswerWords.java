package org.diligentbough.server.answers;

import java.util.ArrayList;
import java.util.List;
import org.diligentbough.core.answer.Comparison.Wanted;

/** What is wanted before anything can be told, in words. */
final class AnswerWords {
    private AnswerWords() {}

    static String wanted(Wanted wanted) {
        List<String> parts = new ArrayList<>();
        counted(parts, wanted.yearsBefore(), "year of fruit before the cut", "years of fruit before the cut");
        counted(parts, wanted.yearsAfter(), "year of fruit after it", "years of fruit after it");
        counted(
                parts,
                wanted.likeTrees(),
                "tree of its kind and age that was not cut and was picked in the same years",
                "trees of its kind and age that were not cut and were picked in the same years");
        String all = String.join("; ", parts);
        return all.isEmpty() ? "girths of the trunk" : all;
    }

    private static void counted(List<String> parts, int number, String one, String many) {
        if (number > 0) {
            parts.add(number + " more " + (number == 1 ? one : many));
        }
    }
}
