package org.diligentbough.core.light;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.survey.Point;

/**
 * Light and shade among the trees of a site, each crown taken as one body of leaf: which neighbour takes most from which,
 * and where shade falls on the ground over the growing season. Immutable.
 */
public final class OrchardLight {
    private static final int SLICES = 3;
    /** Places looked at together; more would only cost memory. */
    private static final int GROUND_AT_ONCE = 64;

    private final List<Neighbour> trees;
    private final List<Leaf> crowns;
    private final Sky sky;
    private final Knowledge knowledge;

    /** {@code trees} with places counted from one origin. */
    public OrchardLight(List<Neighbour> trees, Sky sky, Knowledge knowledge) {
        this.trees = List.copyOf(trees);
        this.crowns = trees.stream().map(tree -> tree.leaf(knowledge)).toList();
        this.sky = sky;
        this.knowledge = knowledge;
    }

    /**
     * The light on one tree.
     *
     * @param light mean in its crown, share of open-sky light, 0 to 1
     * @param shadedBy the neighbours that take some, most first
     */
    public record TreeLight(String name, double light, List<Shading.Shade> shadedBy) {}

    /** The light on each tree, in the order given. */
    public List<TreeLight> onTrees() {
        List<TreeLight> all = new ArrayList<>();
        for (int i = 0; i < trees.size(); i++) {
            all.add(onTree(i));
        }
        return all;
    }

    private TreeLight onTree(int i) {
        List<Integer> near = near(trees.get(i).eastM(), trees.get(i).northM());
        List<Leaf> bodies = near.stream().map(crowns::get).toList();
        Rays rays = rays(CrownPoints.in(crowns.get(i), SLICES), bodies);
        List<Shading.Shade> shades = new ArrayList<>();
        for (int k = 0; k < near.size(); k++) {
            if (near.get(k) != i) {
                shades.add(new Shading.Shade(trees.get(near.get(k)).name(), true, mean(rays.moreLightWithout(k))));
            }
        }
        return new TreeLight(trees.get(i).name(), mean(rays.light()), Shading.told(shades));
    }

    /** The trees that can shade a place, nearest first: a low sun behind far ones gives little light. */
    private List<Integer> near(double eastM, double northM) {
        double reach = knowledge.get(Figure.SHADE_REACH);
        List<Integer> near = new ArrayList<>();
        for (int i = 0; i < trees.size(); i++) {
            Neighbour tree = trees.get(i);
            double apartM = Math.hypot(tree.eastM() - eastM, tree.northM() - northM);
            if (apartM <= tree.crownRadiusM() + reach * tree.heightM()) {
                near.add(i);
            }
        }
        near.sort(Comparator.comparingDouble(
                i -> Math.hypot(trees.get(i).eastM() - eastM, trees.get(i).northM() - northM)));
        return near;
    }

    private Rays rays(List<Point> places, List<Leaf> bodies) {
        return new Rays(places, bodies, List.of(), sky, knowledge.get(Figure.LEAF_PROJECTION));
    }

    private static double mean(double[] values) {
        return Arrays.stream(values).average().orElse(1);
    }

    /**
     * Light on the ground in squares.
     *
     * @param westM the western edge, m
     * @param southM the southern edge, m
     * @param stepM a square's side, m
     * @param columns squares from west to east
     * @param light share of open-sky light in each square, row by row from the south, each row from the west
     */
    public record Ground(double westM, double southM, double stepM, int columns, int rows, List<Double> light) {}

    /**
     * Light on the ground round all trees; empty while there is none.
     *
     * @param mostSquares the squares are made as large as keeps their number under this
     */
    public Optional<Ground> onGround(int mostSquares) {
        if (trees.isEmpty()) {
            return Optional.empty();
        }
        double westM = least(tree -> tree.eastM() - margin(tree));
        double southM = least(tree -> tree.northM() - margin(tree));
        double wideM = -least(tree -> -tree.eastM() - margin(tree)) - westM;
        double deepM = -least(tree -> -tree.northM() - margin(tree)) - southM;
        double stepM = Math.max(0.5, Math.ceil(2 * Math.sqrt(wideM * deepM / mostSquares)) / 2);
        int columns = (int) Math.ceil(wideM / stepM);
        int rows = (int) Math.ceil(deepM / stepM);
        List<Double> light = new ArrayList<>(columns * rows);
        for (int row = 0; row < rows; row++) {
            for (int from = 0; from < columns; from += GROUND_AT_ONCE) {
                int until = Math.min(columns, from + GROUND_AT_ONCE);
                light.addAll(strip(westM, southM + (row + 0.5) * stepM, stepM, from, until));
            }
        }
        return Optional.of(new Ground(westM, southM, stepM, columns, rows, light));
    }

    private List<Double> strip(double westM, double northM, double stepM, int from, int until) {
        List<Point> places = new ArrayList<>();
        for (int column = from; column < until; column++) {
            places.add(new Point(westM + (column + 0.5) * stepM, northM, 0));
        }
        double reach = knowledge.get(Figure.SHADE_REACH);
        List<Leaf> bodies = new ArrayList<>();
        for (int i = 0; i < trees.size(); i++) {
            Neighbour tree = trees.get(i);
            double reachM = tree.crownRadiusM() + reach * tree.heightM();
            boolean beside = tree.eastM() + reachM < places.get(0).eastM()
                    || tree.eastM() - reachM > places.get(places.size() - 1).eastM();
            if (!beside && Math.abs(tree.northM() - northM) <= reachM) {
                bodies.add(crowns.get(i));
            }
        }
        return Arrays.stream(rays(places, bodies).light()).boxed().toList();
    }

    private static double margin(Neighbour tree) {
        return tree.crownRadiusM() + tree.heightM();
    }

    private double least(ToDoubleFunction<Neighbour> of) {
        return trees.stream().mapToDouble(of).min().orElse(0);
    }
}
