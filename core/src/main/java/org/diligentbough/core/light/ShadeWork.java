package org.diligentbough.core.light;

import static org.diligentbough.core.knowledge.Figure.HEDGE_LOWERED_M;
import static org.diligentbough.core.knowledge.Figure.SHADE_WORK_GAIN;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.survey.Survey.Surrounding;

/**
 * What stands round a tree and takes so much of its light that felling or lowering it is work of its own: of the trees that
 * nobody keeps in the register, and of the hedges, the one each that takes most (own assumption).
 *
 * @param thing that shades
 * @param toM height it is lowered to, m; 0 when it is felled
 * @param gain light more on what bears, share of the open sky's, 0 to 1
 */
public record ShadeWork(Surrounding thing, double toM, double gain) {

    /** The tree worth felling, if there is one. */
    public static Optional<ShadeWork> felling(Survey survey, CrownLight light, Knowledge knowledge) {
        return best(survey, light, knowledge, Surrounding.Kind.TREE);
    }

    /** The hedge worth lowering, if there is one. */
    public static Optional<ShadeWork> lowering(Survey survey, CrownLight light, Knowledge knowledge) {
        return best(survey, light, knowledge, Surrounding.Kind.HEDGE);
    }

    private static Optional<ShadeWork> best(
            Survey survey, CrownLight light, Knowledge knowledge, Surrounding.Kind kind) {
        double toM = kind == Surrounding.Kind.HEDGE ? knowledge.get(HEDGE_LOWERED_M) : 0;
        return survey.surroundings().stream()
                .filter(thing -> thing.kind() == kind && thing.heightM() > toM)
                .map(thing -> new ShadeWork(
                        thing, toM, light.among(without(survey, thing, toM)).counted() - light.counted()))
                .filter(work -> work.gain() >= knowledge.get(SHADE_WORK_GAIN))
                .max(Comparator.comparingDouble(ShadeWork::gain));
    }

    /** What stands round the tree when the work is done. */
    public List<Surrounding> done(Survey survey) {
        return without(survey, thing, toM);
    }

    private static List<Surrounding> without(Survey survey, Surrounding thing, double toM) {
        List<Surrounding> left = new ArrayList<>(survey.surroundings());
        int at = left.indexOf(thing);
        left.remove(at);
        if (toM > 0) {
            left.add(at, new Surrounding(thing.kind(), thing.bearingDeg(), thing.distanceM(), toM, thing.extentM()));
        }
        return left;
    }
}
