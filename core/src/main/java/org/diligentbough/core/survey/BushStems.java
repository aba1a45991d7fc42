package org.diligentbough.core.survey;

import java.util.OptionalDouble;
import java.util.stream.DoubleStream;

/** A bush has stems and no trunk: what a trunk would measure is reckoned from them. */
public final class BushStems {
    private BushStems() {}

    /**
     * The girth of one stem as thick as all of a bush together: pi times the root of the summed squares, since sections add
     * up (the pipe model; Shinozaki et al. 1964, from memory).
     *
     * @param diametersCm of the stems at their base, each over 0 cm
     * @return cm; empty where there is no stem
     */
    public static OptionalDouble girthCm(DoubleStream diametersCm) {
        double squares = diametersCm.map(diameter -> diameter * diameter).sum();
        return squares > 0 ? OptionalDouble.of(Math.PI * Math.sqrt(squares)) : OptionalDouble.empty();
    }
}
