package org.diligentbough.core.light;

import java.util.Arrays;
import org.diligentbough.core.survey.LivingCrown;

/**
 * How much more light what stays gets from cut to cut. Each crown is counted from the one asked for before: only paths that
 * meet a limb which changed are looked at. Sums are kept in whole numbers, so that the same crown gives the same light by
 * whatever way it was come to. For one thread.
 */
public final class LightGain {
    private static final double DEPTH_UNIT = 1L << 40;
    private static final double LIGHT_UNIT = 1L << 44;

    /** Of each limb, in the crowns asked for. */
    private final int[] numbers;

    private final int[][] met;
    private final float[][] metDepth;
    /** How deep all of its leaf is there, in whole units. */
    private final long[][] wholeDepth;
    /** By path: what a whole path of open sky more would add, 0 where it ends in what does not stay. */
    private final double[] weight;

    private final double[] kept;
    private final long[] lifted;
    private final long[] more;
    private final long[] term;
    private final int[] touched;
    private final boolean[] marked;
    private long sum;

    /**
     * @param numbers of the limbs, in the crowns that will be asked for
     * @param weight by path, with the light that comes through it now
     * @param met by limb, the paths that meet its leaf; {@code metDepth} how deep it is there
     */
    LightGain(int[] numbers, int[][] met, float[][] metDepth, double[] weight) {
        this.numbers = numbers;
        this.weight = weight;
        this.met = new int[numbers.length][];
        this.metDepth = new float[numbers.length][];
        this.wholeDepth = new long[numbers.length][];
        for (int k = 0; k < numbers.length; k++) {
            keepWhatCounts(k, met[k], metDepth[k]);
        }
        this.kept = new double[numbers.length];
        Arrays.fill(kept, 1);
        this.lifted = new long[weight.length];
        this.more = new long[weight.length];
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
        wholeDepth[limb] = new long[counts];
        int at = 0;
        for (int h = 0; h < paths.length; h++) {
            if (weight[paths[h]] > 0) {
                met[limb][at] = paths[h];
                metDepth[limb][at] = depths[h];
                wholeDepth[limb][at++] = Math.round(depths[h] * DEPTH_UNIT);
            }
        }
    }

    /** More light, weighted by leaf, 0 to 1, when this is left of the crown; the next is counted from here. */
    public double letIn(LivingCrown crown) {
        int count = touch(crown);
        for (int t = 0; t < count; t++) {
            int path = touched[t];
            lifted[path] += more[path];
            long light = light(path, lifted[path]);
            sum += light - term[path];
            term[path] = light;
            forget(path);
        }
        for (int k = 0; k < kept.length; k++) {
            kept[k] = crown.keptOf(numbers[k]);
        }
        return sum / LIGHT_UNIT;
    }

    /** The same, but the next is counted from where this was. */
    public double wouldLetIn(LivingCrown crown) {
        int count = touch(crown);
        long other = sum;
        for (int t = 0; t < count; t++) {
            int path = touched[t];
            other += light(path, lifted[path] + more[path]) - term[path];
            forget(path);
        }
        return other / LIGHT_UNIT;
    }

    private long light(int path, long lifted) {
        return lifted == 0 ? 0 : Math.round(weight[path] * (Math.exp(lifted / DEPTH_UNIT) - 1) * LIGHT_UNIT);
    }

    private void forget(int path) {
        more[path] = 0;
        marked[path] = false;
    }

    /** Notes how much is lifted off each path that meets a limb which changed; returns how many are touched. */
    private int touch(LivingCrown crown) {
        int count = 0;
        for (int k = 0; k < kept.length; k++) {
            double now = crown.keptOf(numbers[k]);
            if (now == kept[k]) {
                continue;
            }
            for (int h = 0; h < met[k].length; h++) {
                int path = met[k][h];
                more[path] += units(1 - now, k, h) - units(1 - kept[k], k, h);
                if (!marked[path]) {
                    marked[path] = true;
                    touched[count++] = path;
                }
            }
        }
        return count;
    }

    private long units(double gone, int limb, int h) {
        if (gone == 0) {
            return 0;
        }
        return gone == 1 ? wholeDepth[limb][h] : Math.round(gone * metDepth[limb][h] * DEPTH_UNIT);
    }
}
