package org.diligentbough.core.light;

import java.util.Arrays;
import java.util.List;
import java.util.function.IntPredicate;
import java.util.function.IntToDoubleFunction;
import org.diligentbough.core.survey.Point;

/**
 * From each of a number of places a path to every patch of the sky, with what it meets: Beer-Lambert along the path, half
 * the leaf area seen for leaves at random angles (from memory: Monsi and Saeki 1953; Campbell and Norman). Which body
 * takes how much is kept, so that taking one away costs little.
 */
final class Rays {
    private final int places;
    private final int patches;
    private final double[] shares;
    private final double[] depth;
    private final double[] through;
    /** For each body of leaf the paths that meet it, and how deep it is there. */
    private final int[][] met;

    private final float[][] metDepth;

    /**
     * @param projection share of the leaf area seen along a path
     */
    Rays(List<Point> from, List<Leaf> bodies, List<Screen> screens, Sky sky, double projection) {
        this.places = from.size();
        this.patches = sky.patches().size();
        this.shares = sky.patches().stream().mapToDouble(Sky.Patch::share).toArray();
        this.depth = new double[places * patches];
        this.met = new int[bodies.size()][];
        this.metDepth = new float[bodies.size()][];
        double[] east = new double[patches];
        double[] north = new double[patches];
        double[] up = new double[patches];
        for (int j = 0; j < patches; j++) {
            Point direction = sky.patches().get(j).direction();
            east[j] = direction.eastM();
            north[j] = direction.northM();
            up[j] = direction.upM();
        }
        Meeting meeting = new Meeting(places * patches);
        for (int k = 0; k < bodies.size(); k++) {
            meeting.clear();
            Leaf leaf = bodies.get(k);
            double weight = projection * leaf.densityPerM();
            if (weight > 0) {
                meet(leaf, weight, from, east, north, up, meeting);
            }
            met[k] = Arrays.copyOf(meeting.ray, meeting.size);
            metDepth[k] = Arrays.copyOf(meeting.depth, meeting.size);
        }
        for (Screen screen : screens) {
            for (int i = 0; i < places; i++) {
                for (int j = 0; j < patches; j++) {
                    depth[i * patches + j] +=
                            screen.depth(from.get(i), sky.patches().get(j).direction());
                }
            }
        }
        this.through = new double[depth.length];
        for (int r = 0; r < depth.length; r++) {
            through[r] = shares[r % patches] * Math.exp(-depth[r]);
        }
    }

    /** The same places with more bodies of leaf about them, numbered after those there are. */
    Rays plus(List<Point> from, List<Leaf> more, Sky sky, double projection) {
        return new Rays(this, from, more, sky, projection);
    }

    private Rays(Rays base, List<Point> from, List<Leaf> more, Sky sky, double projection) {
        Rays added = new Rays(from, more, List.of(), sky, projection);
        this.places = base.places;
        this.patches = base.patches;
        this.shares = base.shares;
        this.depth = base.depth.clone();
        this.through = base.through.clone();
        this.met = Arrays.copyOf(base.met, base.met.length + more.size());
        this.metDepth = Arrays.copyOf(base.metDepth, met.length);
        System.arraycopy(added.met, 0, met, base.met.length, more.size());
        System.arraycopy(added.metDepth, 0, metDepth, base.met.length, more.size());
        for (int r = 0; r < depth.length; r++) {
            if (added.depth[r] > 0) {
                depth[r] += added.depth[r];
                through[r] = shares[r % patches] * Math.exp(-depth[r]);
            }
        }
    }

    private void meet(
            Leaf leaf, double weight, List<Point> from, double[] east, double[] north, double[] up, Meeting meeting) {
        double acrossSquared = 1 / (leaf.halfAcrossM() * leaf.halfAcrossM());
        double stretch = 1 / (leaf.halfAlongM() * leaf.halfAlongM()) - acrossSquared;
        double[] turned = new double[patches];
        double[] a = new double[patches];
        for (int j = 0; j < patches; j++) {
            turned[j] = east[j] * leaf.axis().eastM()
                    + north[j] * leaf.axis().northM()
                    + up[j] * leaf.axis().upM();
            a[j] = turned[j] * turned[j] * stretch + acrossSquared;
        }
        double reachM = Math.max(leaf.halfAlongM(), leaf.halfAcrossM());
        double[] half = new double[patches];
        double[] within = new double[patches];
        for (int i = 0; i < places; i++) {
            Point place = from.get(i);
            if (leaf.centre().upM() + reachM <= place.upM()) {
                continue;
            }
            Point away = leaf.away(place);
            double awayEast = away.eastM();
            double awayNorth = away.northM();
            double awayUp = away.upM();
            double c = leaf.beyondEdge(place);
            double alongStretched = Leaf.dot(away, leaf.axis()) * stretch;
            // Two plain loops: the first runs several patches at a time in the processor, the second touches few.
            for (int j = 0; j < patches; j++) {
                double dot = awayEast * east[j] + awayNorth * north[j] + awayUp * up[j];
                double b = alongStretched * turned[j] + dot * acrossSquared;
                half[j] = b;
                within[j] = b * b - a[j] * c;
            }
            for (int j = 0; j < patches; j++) {
                if (within[j] <= 0 || c > 0 && half[j] > 0) {
                    continue;
                }
                double chord = Leaf.chordM(a[j], half[j], c);
                if (chord > 0) {
                    int ray = i * patches + j;
                    depth[ray] += weight * chord;
                    meeting.add(ray, (float) (weight * chord));
                }
            }
        }
    }

    /** Light at each place as a share of what falls on open level ground, 0 to 1. */
    double[] light() {
        double[] light = new double[places];
        for (int r = 0; r < through.length; r++) {
            light[r / patches] += through[r];
        }
        return light;
    }

    /**
     * How much more light places get when bodies of leaf are thinned or gone.
     *
     * @param kept share of each body's leaf that stays, 0 to 1
     * @param asked which places are looked at; of others 0 is given
     */
    double[] moreLight(double[] kept, IntPredicate asked) {
        double[] lifted = new double[depth.length];
        for (int k = 0; k < met.length; k++) {
            double gone = 1 - kept[k];
            for (int h = 0; gone > 0 && h < met[k].length; h++) {
                lifted[met[k][h]] += gone * metDepth[k][h];
            }
        }
        boolean[] wanted = new boolean[places];
        for (int place = 0; place < places; place++) {
            wanted[place] = asked.test(place);
        }
        double[] more = new double[places];
        for (int k = 0; k < met.length; k++) {
            for (int h = 0; kept[k] < 1 && h < met[k].length; h++) {
                int ray = met[k][h];
                if (lifted[ray] > 0 && wanted[ray / patches]) {
                    more[ray / patches] += through[ray] * (Math.exp(lifted[ray]) - 1);
                    lifted[ray] = 0;
                }
            }
        }
        return more;
    }

    /**
     * What crowns let in, counted from one to the next.
     *
     * @param numbers of the first bodies' limbs, in the crowns that will be asked for
     * @param ofPlace how much a place counts
     */
    LightGain gain(int[] numbers, IntToDoubleFunction ofPlace) {
        double[] weight = new double[through.length];
        for (int r = 0; r < weight.length; r++) {
            weight[r] = through[r] * ofPlace.applyAsDouble(r / patches);
        }
        return new LightGain(numbers, met, metDepth, weight);
    }

    /** How much more light each place would get without one body. */
    double[] moreLightWithout(int body) {
        double[] more = new double[places];
        for (int h = 0; h < met[body].length; h++) {
            int ray = met[body][h];
            more[ray / patches] += through[ray] * (Math.exp(metDepth[body][h]) - 1);
        }
        return more;
    }

    /** Paths that meet one body, gathered. */
    private static final class Meeting {
        final int[] ray;
        final float[] depth;
        int size;

        Meeting(int most) {
            ray = new int[most];
            depth = new float[most];
        }

        void add(int path, float deep) {
            ray[size] = path;
            depth[size++] = deep;
        }

        void clear() {
            size = 0;
        }
    }
}
