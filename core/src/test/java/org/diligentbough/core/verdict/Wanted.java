package org.diligentbough.core.verdict;

import java.util.OptionalDouble;
import org.diligentbough.core.survey.SurveyNotes;

/** What is wanted of a tree besides what its survey's own fields say. */
public final class Wanted {
    private Wanted() {}

    /** A width allotted, m, and nothing else noted. */
    public static SurveyNotes width(double m) {
        return SurveyNotes.NOTHING.within(OptionalDouble.of(m));
    }
}
