package org.diligentbough.core.visit;

import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.survey.TakenThisYear;

/**
 * A tree as it stands today.
 *
 * @param survey its newest survey, without what was cut since
 * @param taken what has come off already in the running pruning year
 */
public record TreeToday(Survey survey, TakenThisYear taken) {

    /** A tree of which nothing but the survey is known. */
    public static TreeToday asSurveyed(Survey survey) {
        return new TreeToday(survey, TakenThisYear.NOTHING);
    }
}
