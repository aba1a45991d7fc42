package org.diligentbough.core.light;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Which limb and which neighbour takes how much light from which limb. Immutable. */
public final class Shading {
    /** What takes less than this of the light is not told of. */
    private static final double WORTH_TELLING = 0.005;

    private final List<String> limbs;
    private final List<String> neighbours;
    private final double[] leafAreaM2;
    private final double[][] taken;

    /** {@code leafAreaM2} and {@code taken} have limbs first, then neighbours; each row of {@code taken} has the limbs. */
    Shading(List<String> limbs, List<String> neighbours, double[] leafAreaM2, double[][] taken) {
        this.limbs = limbs;
        this.neighbours = neighbours;
        this.leafAreaM2 = leafAreaM2;
        this.taken = taken;
    }

    /**
     * Something that shades, or is shaded.
     *
     * @param name a limb's tag or a neighbour's name, empty for a neighbour without one
     * @param takes how much more light there would be without it, as a share of open-sky light, 0 to 1
     */
    public record Shade(String name, boolean neighbour, double takes) {}

    /** What shades a limb besides its own leaf, most first; nothing for a limb without leaf. */
    public List<Shade> on(String limb) {
        int at = limbs.indexOf(limb);
        List<Shade> shades = new ArrayList<>();
        for (int k = 0; at >= 0 && k < taken.length; k++) {
            if (k != at) {
                boolean neighbour = k >= limbs.size();
                String name = neighbour ? neighbours.get(k - limbs.size()) : limbs.get(k);
                shades.add(new Shade(name, neighbour, taken[k][at]));
            }
        }
        return told(shades);
    }

    /** Which limbs a limb shades, most first. */
    public List<Shade> by(String limb) {
        int at = limbs.indexOf(limb);
        List<Shade> shades = new ArrayList<>();
        for (int i = 0; at >= 0 && i < limbs.size(); i++) {
            if (i != at) {
                shades.add(new Shade(limbs.get(i), false, taken[at][i]));
            }
        }
        return told(shades);
    }

    /** What each neighbour takes from the whole crown, weighted by leaf, most first. */
    public List<Shade> byNeighbours() {
        List<Shade> shades = new ArrayList<>();
        for (int n = 0; n < neighbours.size(); n++) {
            double leaf = 0;
            double sum = 0;
            for (int i = 0; i < limbs.size(); i++) {
                leaf += leafAreaM2[i];
                sum += leafAreaM2[i] * taken[limbs.size() + n][i];
            }
            shades.add(new Shade(neighbours.get(n), true, leaf > 0 ? sum / leaf : 0));
        }
        return told(shades);
    }

    static List<Shade> told(List<Shade> shades) {
        return shades.stream()
                .filter(shade -> shade.takes() >= WORTH_TELLING)
                .sorted(Comparator.comparingDouble(Shade::takes).reversed().thenComparing(Shade::name))
                .toList();
    }
}
