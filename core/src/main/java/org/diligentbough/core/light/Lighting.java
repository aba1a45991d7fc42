package org.diligentbough.core.light;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.diligentbough.core.survey.Point;

/**
 * Light within bodies of leaf that change from year to year: as {@link Rays}, from fewer parts of the sky and at more
 * places, keeping nothing but the light. Reused for one tree after another year, so that no memory is asked for in loops.
 */
final class Lighting {
    private static final int SLICES = 4;
    private static final double SAME_HEIGHT = 1e-9;
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
    private final double[] half;
    private final double[] within;
    /** By body and patch: how the body's long way lies to the direction, and the quadratic's first coefficient. */
    private double[] turned = new double[0];

    private double[] first = new double[0];

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
        this.half = new double[patches];
        this.within = new double[patches];
    }

    /**
     * Light at places spread evenly through each of the first bodies, {@link #PLACES} each, as shares of open-sky light.
     *
     * @param bodies of leaf; one without leaf shades nothing
     * @param looked how many of them, from the first, are looked at
     */
    double[] on(List<Leaf> bodies, int looked) {
        double[] weight = new double[bodies.size()];
        prepare(bodies, weight);
        double[] light = new double[looked * PLACES];
        for (int i = 0; i < looked; i++) {
            List<Point> places = CrownPoints.in(bodies.get(i), SLICES);
            for (int p = 0; p < PLACES; p++) {
                light[i * PLACES + p] = at(places.get(p), bodies, weight);
            }
        }
        return light;
    }

    private void prepare(List<Leaf> bodies, double[] weight) {
        if (turned.length < bodies.size() * patches) {
            turned = new double[bodies.size() * patches];
            first = new double[bodies.size() * patches];
        }
        for (int k = 0; k < bodies.size(); k++) {
            Leaf leaf = bodies.get(k);
            weight[k] = projection * leaf.densityPerM();
            double acrossSquared = 1 / (leaf.halfAcrossM() * leaf.halfAcrossM());
            double stretch = 1 / (leaf.halfAlongM() * leaf.halfAlongM()) - acrossSquared;
            for (int j = 0; j < patches; j++) {
                double turn = east[j] * leaf.axis().eastM()
                        + north[j] * leaf.axis().northM()
                        + up[j] * leaf.axis().upM();
                turned[k * patches + j] = turn;
                first[k * patches + j] = turn * turn * stretch + acrossSquared;
            }
        }
    }

    private double at(Point place, List<Leaf> bodies, double[] weight) {
        Arrays.fill(depth, 0);
        for (int k = 0; k < bodies.size(); k++) {
            Leaf leaf = bodies.get(k);
            double reachM = Math.max(leaf.halfAlongM(), leaf.halfAcrossM());
            if (weight[k] <= 0 || leaf.centre().upM() + reachM <= place.upM()) {
                continue;
            }
            double apartM = Math.hypot(
                    leaf.centre().eastM() - place.eastM(), leaf.centre().northM() - place.northM());
            double overM = leaf.centre().upM() - place.upM();
            int from = patches;
            int until = 0;
            for (int band = 0; band < bandSteep.length; band++) {
                // Paths of one height pass over or under a ball about the body that is too far or too near.
                boolean over = Math.max(0, apartM - reachM) * bandSteep[band] > overM + reachM;
                boolean under = (apartM + reachM) * bandSteep[band] < overM - reachM;
                if (!over && !under) {
                    from = Math.min(from, bandFrom[band]);
                    until = bandFrom[band + 1];
                }
            }
            if (from < until) {
                meet(leaf, weight[k], k * patches, from, until, place);
            }
        }
        for (Screen screen : screens) {
            for (int j = 0; j < patches; j++) {
                depth[j] += screen.depth(place, new Point(east[j], north[j], up[j]));
            }
        }
        double light = 0;
        for (int j = 0; j < patches; j++) {
            light += share[j] * Math.exp(-depth[j]);
        }
        return light;
    }

    private void meet(Leaf leaf, double weight, int at, int from, int until, Point place) {
        double acrossSquared = 1 / (leaf.halfAcrossM() * leaf.halfAcrossM());
        double stretch = 1 / (leaf.halfAlongM() * leaf.halfAlongM()) - acrossSquared;
        double awayEast = place.eastM() - leaf.centre().eastM();
        double awayNorth = place.northM() - leaf.centre().northM();
        double awayUp = place.upM() - leaf.centre().upM();
        double along = awayEast * leaf.axis().eastM()
                + awayNorth * leaf.axis().northM()
                + awayUp * leaf.axis().upM();
        double alongStretched = along * stretch;
        double c = along * alongStretched
                + (awayEast * awayEast + awayNorth * awayNorth + awayUp * awayUp) * acrossSquared
                - 1;
        for (int j = from; j < until; j++) {
            double dot = awayEast * east[j] + awayNorth * north[j] + awayUp * up[j];
            double b = alongStretched * turned[at + j] + dot * acrossSquared;
            half[j] = b;
            within[j] = b * b - first[at + j] * c;
        }
        for (int j = from; j < until; j++) {
            if (within[j] > 0 && (c <= 0 || half[j] <= 0)) {
                double root = Math.sqrt(within[j]);
                double out = root - half[j];
                if (out > 0) {
                    depth[j] += weight * (out - Math.max(0, -half[j] - root)) / first[at + j];
                }
            }
        }
    }
}
