package org.diligentbough.core.light;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.diligentbough.core.Effort;
import org.diligentbough.core.survey.Point;

/**
 * Light within bodies of leaf that change from year to year: as {@link Rays}, from fewer parts of the sky and at more
 * places, keeping nothing but the light. Reused for one tree after another year, so that no memory is asked for in loops.
 */
final class Lighting {
    private static final int SLICES = 4;
    private static final double SAME_HEIGHT = 1e-9;
    /** Figures kept of a body. */
    private static final int OF_A_BODY = 11;

    static final int PLACES = SLICES * 4;

    private final int patches;
    private final double[] east;
    private final double[] north;
    private final double[] up;
    private final double[] share;
    /** Where each band of equal height begins among the patches, and how steep it is. */
    private final int[] bandFrom;

    private final double[] bandSteep;
    private final List<Screen> screens;
    private final double projection;

    private final double[] depth;
    /**
     * By body and patch: the direction in the space in which the body is a ball of radius 1, where it is as long as 1,
     * turned back into the tree's; and the leaf met on a path as long as 1 there.
     */
    private double[] toEast = new double[0];

    private double[] toNorth = new double[0];
    private double[] toUp = new double[0];
    private double[] perChord = new double[0];
    /**
     * By body: its centre and axis, one over its half width squared, what its length makes of that, how far it reaches
     * aside and up, density seen.
     */
    private double[] body = new double[0];

    Lighting(Sky sky, List<Screen> screens, double projection) {
        List<Sky.Patch> few = sky.few();
        this.patches = few.size();
        this.east = few.stream().mapToDouble(patch -> patch.direction().eastM()).toArray();
        this.north =
                few.stream().mapToDouble(patch -> patch.direction().northM()).toArray();
        this.up = few.stream().mapToDouble(patch -> patch.direction().upM()).toArray();
        this.share = few.stream().mapToDouble(Sky.Patch::share).toArray();
        int[] begins = IntStream.range(0, patches)
                .filter(j -> j == 0 || Math.abs(up[j] - up[j - 1]) > SAME_HEIGHT)
                .toArray();
        this.bandFrom = Arrays.copyOf(begins, begins.length + 1);
        this.bandFrom[begins.length] = patches;
        this.bandSteep = IntStream.of(begins)
                .mapToDouble(j -> up[j] / Math.max(SAME_HEIGHT, Math.hypot(east[j], north[j])))
                .toArray();
        this.screens = screens;
        this.projection = projection;
        this.depth = new double[patches];
    }

    /**
     * Light at places spread evenly through each of the first bodies, {@link #PLACES} each, as shares of open-sky light.
     *
     * @param bodies of leaf; one without leaf shades nothing
     * @param looked how many of them, from the first, are looked at
     */
    double[] on(List<Leaf> bodies, int looked) {
        prepare(bodies);
        double[] light = new double[looked * PLACES];
        for (int i = 0; i < looked; i++) {
            Effort.look();
            List<Point> places = CrownPoints.in(bodies.get(i), SLICES);
            for (int p = 0; p < PLACES; p++) {
                light[i * PLACES + p] = at(places.get(p), bodies.size());
            }
        }
        return light;
    }

    private void prepare(List<Leaf> bodies) {
        if (perChord.length < bodies.size() * patches) {
            toEast = new double[bodies.size() * patches];
            toNorth = new double[bodies.size() * patches];
            toUp = new double[bodies.size() * patches];
            perChord = new double[bodies.size() * patches];
            body = new double[bodies.size() * OF_A_BODY];
        }
        for (int k = 0; k < bodies.size(); k++) {
            Leaf leaf = bodies.get(k);
            double acrossSquared = 1 / (leaf.halfAcrossM() * leaf.halfAcrossM());
            double stretch = 1 / (leaf.halfAlongM() * leaf.halfAlongM()) - acrossSquared;
            int at = k * OF_A_BODY;
            body[at] = leaf.centre().eastM();
            body[at + 1] = leaf.centre().northM();
            body[at + 2] = leaf.centre().upM();
            body[at + 3] = leaf.axis().eastM();
            body[at + 4] = leaf.axis().northM();
            body[at + 5] = leaf.axis().upM();
            body[at + 6] = acrossSquared;
            body[at + 7] = stretch;
            double along = leaf.halfAlongM() * leaf.halfAlongM();
            double across = leaf.halfAcrossM() * leaf.halfAcrossM();
            double rise = leaf.axis().upM() * leaf.axis().upM();
            body[at + 8] = Math.sqrt(Math.max(across, along * (1 - rise) + across * rise));
            body[at + 9] = Math.sqrt(along * rise + across * (1 - rise));
            body[at + 10] = projection * leaf.densityPerM();
            for (int j = 0; j < patches; j++) {
                double turn = east[j] * leaf.axis().eastM()
                        + north[j] * leaf.axis().northM()
                        + up[j] * leaf.axis().upM();
                double scale = Math.sqrt(turn * turn * stretch + acrossSquared);
                int seen = k * patches + j;
                toEast[seen] = (turn * stretch * leaf.axis().eastM() + acrossSquared * east[j]) / scale;
                toNorth[seen] = (turn * stretch * leaf.axis().northM() + acrossSquared * north[j]) / scale;
                toUp[seen] = (turn * stretch * leaf.axis().upM() + acrossSquared * up[j]) / scale;
                perChord[seen] = projection * leaf.densityPerM() / scale;
            }
        }
    }

    private double at(Point place, int bodies) {
        double placeEast = place.eastM();
        double placeNorth = place.northM();
        double placeUp = place.upM();
        Arrays.fill(depth, 0);
        for (int k = 0; k < bodies; k++) {
            int at = k * OF_A_BODY;
            double reachM = body[at + 8];
            double riseM = body[at + 9];
            double overM = body[at + 2] - placeUp;
            if (body[at + 10] <= 0 || overM + riseM <= 0) {
                continue;
            }
            double awayEast = placeEast - body[at];
            double awayNorth = placeNorth - body[at + 1];
            double apartM = Math.sqrt(awayEast * awayEast + awayNorth * awayNorth);
            int from = patches;
            int until = 0;
            for (int band = 0; band < bandSteep.length; band++) {
                // Paths of one height pass over or under a body that is too far or too near.
                boolean over = Math.max(0, apartM - reachM) * bandSteep[band] > overM + riseM;
                boolean under = (apartM + reachM) * bandSteep[band] < overM - riseM;
                if (!over && !under) {
                    from = Math.min(from, bandFrom[band]);
                    until = bandFrom[band + 1];
                }
            }
            if (from < until) {
                meet(at, k * patches, from, until, awayEast, awayNorth, -overM);
            }
        }
        for (Screen screen : screens) {
            for (int j = 0; j < patches; j++) {
                depth[j] += screen.depth(place, new Point(east[j], north[j], up[j]));
            }
        }
        double light = 0;
        for (int j = 0; j < patches; j++) {
            light += depth[j] == 0 ? share[j] : share[j] * Math.exp(-depth[j]);
        }
        return light;
    }

    private void meet(int of, int at, int from, int until, double awayEast, double awayNorth, double awayUp) {
        double along = awayEast * body[of + 3] + awayNorth * body[of + 4] + awayUp * body[of + 5];
        double outside = along * along * body[of + 7]
                + (awayEast * awayEast + awayNorth * awayNorth + awayUp * awayUp) * body[of + 6]
                - 1;
        if (outside <= 0) {
            // From a place within, every path leaves the body once.
            for (int j = from; j < until; j++) {
                double half = awayEast * toEast[at + j] + awayNorth * toNorth[at + j] + awayUp * toUp[at + j];
                depth[j] += perChord[at + j] * (Math.sqrt(half * half - outside) - half);
            }
            return;
        }
        double aimed = -Math.sqrt(outside);
        for (int j = from; j < until; j++) {
            double half = awayEast * toEast[at + j] + awayNorth * toNorth[at + j] + awayUp * toUp[at + j];
            if (half < aimed) {
                depth[j] += 2 * perChord[at + j] * Math.sqrt(half * half - outside);
            }
        }
    }
}
