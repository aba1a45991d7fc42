package org.diligentbough.core.light;

import java.util.List;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.LivingCrown;

/**
 * How much more light what stays gets from cut to cut. Each crown is counted from the one asked for before: only paths that
 * meet a limb which changed are looked at. Sums are kept in whole numbers, so that the same crown gives the same light by
 * whatever way it was come to. For one thread.
 */
public final class LightGain {
    private static final double DEPTH_UNIT = 1L << 40;
    private static final double LIGHT_UNIT = 1L << 44;

    private final List<Limb> limbs;
    private final int[][] met;
    private final float[][] metDepth;
    /** By path: what a whole path of open sky more would add, 0 where it ends in what does not stay. */
    private final double[] weight;

    private final double[] kept;
    private final long[] lifted;
    private final long[] term;
    private final int[] touched;
    private final boolean[] marked;
    private long sum;

    /**
     * @param weight by path, with the light that comes through it now
     * @param met by limb, the paths that meet its leaf; {@code metDepth} how deep it is there
     */
    LightGain(List<Limb> limbs, int[][] met, float[][] metDepth, double[] weight) {
        this.limbs = limbs;
        this.weight = weight;
        this.met = new int[limbs.size()][];
        this.metDepth = new float[limbs.size()][];
        for (int k = 0; k < limbs.size(); k++) {
            keepWhatCounts(k, met[k], metDepth[k]);
        }
        this.kept = new double[limbs.size()];
        java.util.Arrays.fill(kept, 1);
        this.lifted = new long[weight.length];
        this.term = new long[weight.length];
        this.touched = new int[weight.length];
        this.marked = new boolean[weight.length];
    }

    private void keepWhatCounts(int limb, int[] paths, float[] depths) {
        int counts = 0;
        for (int path : paths) {
            counts += weight[path] > 0 ? 1 : 0;
        }
        met[limb] = new int[counts];
        metDepth[limb] = new float[counts];
        int at = 0;
        for (int h = 0; h < paths.length; h++) {
            if (weight[paths[h]] > 0) {
                met[limb][at] = paths[h];
                metDepth[limb][at++] = depths[h];
            }
        }
    }

    /** More light, weighted by leaf, 0 to 1, when this is left of the crown. */
    public double letIn(LivingCrown crown) {
        int count = 0;
        for (int k = 0; k < kept.length; k++) {
            double now = crown.keptOf(limbs.get(k).id());
            if (now != kept[k]) {
                count = change(k, now, count);
            }
        }
        for (int t = 0; t < count; t++) {
            int path = touched[t];
            marked[path] = false;
            long light = lifted[path] == 0
                    ? 0
                    : Math.round(weight[path] * (Math.exp(lifted[path] / DEPTH_UNIT) - 1) * LIGHT_UNIT);
            sum += light - term[path];
            term[path] = light;
        }
        return sum / LIGHT_UNIT;
    }

    private int change(int limb, double now, int already) {
        int count = already;
        double before = 1 - kept[limb];
        double after = 1 - now;
        for (int h = 0; h < met[limb].length; h++) {
            int path = met[limb][h];
            lifted[path] += Math.round(after * metDepth[limb][h] * DEPTH_UNIT)
                    - Math.round(before * metDepth[limb][h] * DEPTH_UNIT);
            if (!marked[path]) {
                marked[path] = true;
                touched[count++] = path;
            }
        }
        kept[limb] = now;
        return count;
    }
}
