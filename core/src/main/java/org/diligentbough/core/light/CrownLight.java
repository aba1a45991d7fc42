package org.diligentbough.core.light;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.LivingCrown;
import org.diligentbough.core.survey.Point;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.survey.Survey.Surrounding;

/**
 * The light in a tree's crown over a growing season, as shares of what falls on open level ground: 0 dark, 1 open. Leaf
 * areas are those of the tree as surveyed, so that cutting can only let light in. A shortened limb keeps its place in
 * space and loses leaf. Immutable.
 */
public final class CrownLight {
    private static final int SLICES = 3;

    private final List<Limb> limbs = new ArrayList<>();
    private final Map<String, Integer> number = new LinkedHashMap<>();
    private final List<Leaf> bodies = new ArrayList<>();
    private final Survey survey;
    private final Branching branching;
    private final List<Neighbour> near;
    private final List<Neighbour> neighbours;
    private final Knowledge knowledge;
    private final Sky sky;
    private final List<Screen> screens;
    private final int onALimb;
    private final List<Point> places;
    private final Rays rays;
    private final double[] light;
    /** Small wood that counts besides the limbs entered. */
    private final SmallWood smallWood;

    /**
     * @param near trees that stand near, besides those the survey names
     * @param sky the site's
     */
    public CrownLight(Survey survey, Branching branching, List<Neighbour> near, Sky sky, Knowledge knowledge) {
        this(survey, branching, near, sky, knowledge, SLICES);
    }

    CrownLight(Survey survey, Branching branching, List<Neighbour> near, Sky sky, Knowledge knowledge, int slices) {
        this.survey = survey;
        this.branching = branching;
        this.near = List.copyOf(near);
        this.knowledge = knowledge;
        this.sky = sky;
        new LeafOfLimbs(branching, knowledge).byLimb().forEach((id, leaf) -> {
            number.put(id, bodies.size());
            limbs.add(branching.get(id));
            bodies.add(leaf);
        });
        this.neighbours = new ArrayList<>(near);
        survey.surroundings().stream()
                .filter(thing -> thing.kind() == Surrounding.Kind.TREE)
                .map(Neighbour::of)
                .forEach(neighbours::add);
        neighbours.forEach(tree -> bodies.add(tree.leaf(knowledge)));
        this.screens = survey.surroundings().stream()
                .filter(thing -> thing.kind() != Surrounding.Kind.TREE)
                .map(thing -> new Screen(thing, knowledge))
                .toList();
        this.smallWood = SmallWood.NONE;
        this.places = new ArrayList<>();
        for (int i = 0; i < limbs.size(); i++) {
            places.addAll(CrownPoints.in(bodies.get(i), slices));
        }
        this.onALimb = limbs.isEmpty() ? 1 : places.size() / limbs.size();
        this.rays = new Rays(places, bodies, screens, sky, knowledge.get(Figure.LEAF_PROJECTION));
        this.light = rays.light();
    }

    private CrownLight(CrownLight ofLimbs, SmallWood smallWood) {
        this.survey = ofLimbs.survey;
        this.branching = ofLimbs.branching;
        this.near = ofLimbs.near;
        this.knowledge = ofLimbs.knowledge;
        this.sky = ofLimbs.sky;
        this.limbs.addAll(ofLimbs.limbs);
        this.number.putAll(ofLimbs.number);
        this.bodies.addAll(ofLimbs.bodies);
        this.neighbours = ofLimbs.neighbours;
        this.screens = ofLimbs.screens;
        this.onALimb = ofLimbs.onALimb;
        this.places = ofLimbs.places;
        this.smallWood = smallWood;
        List<Leaf> more = smallWood.bodies();
        this.rays = ofLimbs.rays.plus(places, more, sky, knowledge.get(Figure.LEAF_PROJECTION));
        this.bodies.addAll(more);
        this.light = rays.light();
    }

    /**
     * The same crown with leaf that hangs on no limb entered: what is told of light counts it. Limbs are judged and plans
     * compared without, for small wood is thinned where it is and no limb goes for it.
     */
    public CrownLight with(SmallWood smallWood) {
        return new CrownLight(this, smallWood);
    }

    /** Light in what became of the crown, its limbs only, among the same trees. */
    public CrownLight in(Survey other, Branching ofOther) {
        return new CrownLight(other, ofOther, near, sky, knowledge);
    }

    /** The same crown, its limbs only, among other things than the survey names. */
    CrownLight among(List<Surrounding> others) {
        return new CrownLight(survey.withSurroundings(others), branching, near, sky, knowledge);
    }

    /** Light on what bears, or on all where nothing is known to bear, weighted by leaf, 0 to 1. */
    double counted() {
        double[] all = new double[limbs.size()];
        Arrays.fill(all, 1);
        double[] ofLimb = countsFor(all);
        double[] on = onEach(light);
        double sum = 0;
        for (int i = 0; i < on.length; i++) {
            sum += ofLimb[i] * on[i];
        }
        return sum;
    }

    /** The leaf counted besides that of the limbs entered. */
    public SmallWood smallWood() {
        return smallWood;
    }

    /** Share of the crown's leaf, 0 to 1, that hangs on no limb entered. */
    public double shareNotEntered() {
        double more = smallWood.bodies().stream().mapToDouble(Leaf::leafAreaM2).sum();
        double entered = bodies.stream()
                .limit(limbs.size())
                .mapToDouble(Leaf::leafAreaM2)
                .sum();
        return more > 0 ? more / (more + entered) : 0;
    }

    private double[] onEach(double[] atPlaces) {
        double[] mean = new double[limbs.size()];
        for (int p = 0; p < atPlaces.length; p++) {
            mean[p / onALimb] += atPlaces[p] / onALimb;
        }
        return mean;
    }

    /** Light on each living limb by its tag: the mean over places in its leaf, 0 to 1. */
    public Map<String, Double> byLimb() {
        return byLimb(light);
    }

    /** The same of a crown of which part is cut; limbs that are gone are absent. */
    public Map<String, Double> byLimb(LivingCrown crown) {
        Map<String, Double> all = byLimb(lightIn(crown));
        all.keySet().removeIf(id -> crown.keptOf(id) <= 0);
        return all;
    }

    /** Share of its room, 0 to 1, that the smaller of two limbs' leaf has in common with the larger's; 0 where one has none. */
    public double roomShared(String limb, String other) {
        if (!number.containsKey(limb) || !number.containsKey(other)) {
            return 0;
        }
        Leaf one = bodies.get(number.get(limb));
        Leaf two = bodies.get(number.get(other));
        return one.roomM3() <= two.roomM3() ? one.shareWithin(two) : two.shareWithin(one);
    }

    private Map<String, Double> byLimb(double[] atPlaces) {
        double[] mean = onEach(atPlaces);
        Map<String, Double> result = new LinkedHashMap<>();
        number.forEach((id, i) -> result.put(id, Math.min(1, mean[i])));
        return result;
    }

    /** Small wood goes with the limbs in their share, shoots with the limb they stand on. */
    private double[] lightIn(LivingCrown crown) {
        double[] kept = new double[bodies.size()];
        Arrays.fill(kept, 1);
        number.forEach((id, i) -> kept[i] = crown.keptOf(id));
        int at = limbs.size() + neighbours.size();
        if (smallWood.notEntered().isPresent()) {
            kept[at++] = Math.min(1, crown.left());
        }
        for (SmallWood.Uprights shoots : smallWood.uprights()) {
            kept[at++] = crown.keptOf(shoots.limb());
        }
        double[] more = rays.moreLight(kept, place -> true);
        for (int p = 0; p < more.length; p++) {
            more[p] += light[p];
        }
        return more;
    }

    /** How far, 0 to 1, a place has light enough for fruit buds: a ramp, so that nothing hangs on a hair. */
    private double enough(double light) {
        double ramp = knowledge.get(Figure.FRUIT_LIGHT_RAMP);
        return Math.max(0, Math.min(1, (light - knowledge.get(Figure.FRUIT_LIGHT) + ramp) / (2 * ramp)));
    }

    /** Share of the leaf on fruiting limbs that has light enough for fruit buds, 0 to 1; empty when nothing fruits. */
    public OptionalDouble inLight() {
        return inLight(limbs.stream().mapToDouble(limb -> 1).toArray());
    }

    /** The same today of what a crown of which part is to be cut will keep, so that it can be held against then. */
    public OptionalDouble inLight(LivingCrown stays) {
        return inLight(keptOfEach(stays));
    }

    private OptionalDouble inLight(double[] kept) {
        double whole = 0;
        double lit = 0;
        for (int p = 0; p < light.length; p++) {
            int limb = p / onALimb;
            if (limbs.get(limb).fruitsAtLeast(1)) {
                double leaf = kept[limb] * bodies.get(limb).leafAreaM2();
                whole += leaf;
                lit += leaf * enough(light[p]);
            }
        }
        return whole > 0 ? OptionalDouble.of(lit / whole) : OptionalDouble.empty();
    }

    /** Mean light on all leaf, 0 to 1; empty where there is none. */
    public OptionalDouble onLeaf() {
        double whole = 0;
        double lit = 0;
        for (int p = 0; p < light.length; p++) {
            double leaf = bodies.get(p / onALimb).leafAreaM2();
            whole += leaf;
            lit += leaf * light[p];
        }
        return whole > 0 ? OptionalDouble.of(lit / whole) : OptionalDouble.empty();
    }

    private double[] keptOfEach(LivingCrown crown) {
        return limbs.stream().mapToDouble(limb -> crown.keptOf(limb.id())).toArray();
    }

    /**
     * How much more light what stays gets, weighted by leaf, 0 to 1: on fruiting limbs, or on all where none is known to
     * fruit.
     *
     * @param crown what is left
     */
    public double letIn(LivingCrown crown) {
        double[] kept = new double[bodies.size()];
        Arrays.fill(kept, 1);
        double[] stays = keptOfEach(crown);
        System.arraycopy(stays, 0, kept, 0, limbs.size());
        double[] ofLimb = countsFor(stays);
        double[] more = onEach(rays.moreLight(kept, place -> ofLimb[place / onALimb] > 0));
        double gained = 0;
        for (int i = 0; i < limbs.size(); i++) {
            gained += ofLimb[i] * more[i];
        }
        return gained;
    }

    /**
     * The same on what of it will stay in the end, so that each cut more lets in as much or more; to be asked for many
     * crowns, one after another.
     *
     * @param inTheEnd what is left when all is cut that is going to be
     */
    public LightGain gainOn(LivingCrown inTheEnd) {
        double[] ofLimb = countsFor(keptOfEach(inTheEnd));
        int[] numbers =
                limbs.stream().mapToInt(limb -> inTheEnd.number(limb.id())).toArray();
        return rays.gain(numbers, place -> ofLimb[place / onALimb] / onALimb);
    }

    /** How much light on a limb counts, by the leaf that stays: fruiting limbs only, where some stays that is known to fruit. */
    private double[] countsFor(double[] stays) {
        boolean fruiting = false;
        for (int i = 0; i < limbs.size(); i++) {
            fruiting |= limbs.get(i).fruitsAtLeast(1) && stays[i] > 0;
        }
        double[] ofLimb = new double[limbs.size()];
        double leaf = 0;
        for (int i = 0; i < limbs.size(); i++) {
            if (!fruiting || limbs.get(i).fruitsAtLeast(1)) {
                ofLimb[i] = stays[i] * bodies.get(i).leafAreaM2();
                leaf += ofLimb[i];
            }
        }
        for (int i = 0; i < limbs.size(); i++) {
            ofLimb[i] = leaf > 0 ? ofLimb[i] / leaf : 0;
        }
        return ofLimb;
    }

    /** Light on a body of leaf, as shares of open-sky light at places spread evenly through it. */
    public final class OnLeaf {
        private final double[] atPlaces;
        private final int from;

        private OnLeaf(double[] atPlaces, int from) {
            this.atPlaces = atPlaces;
            this.from = from;
        }

        private double mean(DoubleUnaryOperator of) {
            double sum = 0;
            for (int p = from; p < from + Lighting.PLACES; p++) {
                sum += of.applyAsDouble(atPlaces[p]);
            }
            return sum / Lighting.PLACES;
        }

        /** Mean over its places, 0 to 1. */
        public double mean() {
            return Math.min(1, mean(light -> light));
        }

        /** Part of it, 0 to 1, that has light enough for fruit buds. */
        public double enough() {
            return mean(CrownLight.this::enough);
        }

        /** Mean over its places of how far light lies between two figures: 0 at or under the one, 1 at or over the other. */
        public double between(double none, double all) {
            return mean(light -> Math.max(0, Math.min(1, (light - none) / (all - none))));
        }
    }

    /** Light in other bodies of leaf that stand where this crown does, among the same neighbours, walls and hedges. */
    public final class InOthers {
        private final Lighting lighting = new Lighting(sky, screens, knowledge.get(Figure.LEAF_PROJECTION));
        private final List<Leaf> near =
                neighbours.stream().map(tree -> tree.leaf(knowledge)).toList();

        private InOthers() {}

        /**
         * Light on the first of some bodies, all of which shade.
         *
         * @param looked how many, from the first, are looked at
         */
        public List<OnLeaf> on(List<Leaf> others, int looked) {
            List<Leaf> all = new ArrayList<>(others);
            all.addAll(near);
            double[] lit = lighting.on(all, looked);
            List<OnLeaf> found = new ArrayList<>();
            for (int i = 0; i < looked; i++) {
                found.add(new OnLeaf(lit, i * Lighting.PLACES));
            }
            return found;
        }
    }

    /** Looks at other bodies of leaf in its place, year after year; for one thread. */
    public InOthers inOthers() {
        return new InOthers();
    }

    /** Which limb and which neighbour takes how much from which. */
    public Shading shading() {
        double[][] taken = new double[limbs.size() + neighbours.size()][];
        for (int k = 0; k < taken.length; k++) {
            taken[k] = onEach(rays.moreLightWithout(k));
        }
        return new Shading(
                List.copyOf(number.keySet()),
                neighbours.stream().map(Neighbour::name).toList(),
                bodies.stream()
                        .limit(taken.length)
                        .mapToDouble(Leaf::leafAreaM2)
                        .toArray(),
                taken);
    }

    /** What this tree takes from the crown of each neighbour, most first. */
    public List<Shading.Shade> castOnNeighbours() {
        if (neighbours.isEmpty()) {
            return List.of();
        }
        List<Point> places = new ArrayList<>();
        for (int n = 0; n < neighbours.size(); n++) {
            places.addAll(CrownPoints.in(bodies.get(limbs.size() + n), SLICES));
        }
        Rays theirs = new Rays(places, bodies, screens, sky, knowledge.get(Figure.LEAF_PROJECTION));
        double[] kept = new double[bodies.size()];
        Arrays.fill(kept, limbs.size(), limbs.size() + neighbours.size(), 1);
        double[] more = theirs.moreLight(kept, place -> true);
        int onATree = places.size() / neighbours.size();
        List<Shading.Shade> shades = new ArrayList<>();
        for (int n = 0; n < neighbours.size(); n++) {
            double sum = 0;
            for (int p = n * onATree; p < (n + 1) * onATree; p++) {
                sum += more[p] / onATree;
            }
            shades.add(new Shading.Shade(neighbours.get(n).name(), true, sum));
        }
        return Shading.told(shades);
    }
}
