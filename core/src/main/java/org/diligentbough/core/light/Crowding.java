package org.diligentbough.core.light;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Rootstocks.Stock;

/** Trees that stand too close: crowns that grow into each other, and less room than their rootstocks want. */
public final class Crowding {
    private Crowding() {}

    /**
     * Two trees that stand too close.
     *
     * @param apartM from trunk to trunk, m
     * @param overlapM how far their crowns reach into each other, m; 0 or less when they do not
     * @param reasons what is found and what could be done
     */
    public record Pair(String one, String other, double apartM, double overlapM, List<Reason> reasons) {}

    /**
     * The pairs that stand too close, most overlapping first.
     *
     * @param stocks what is known of each tree's rootstock, by the tree's name
     * @param light the light on each tree, by its name, to say which of two has more to gain
     */
    public static List<Pair> pairs(
            List<Neighbour> trees, Map<String, Stock> stocks, Map<String, Double> light, Knowledge knowledge) {
        List<Pair> pairs = new ArrayList<>();
        List<Neighbour> fromWest = trees.stream()
                .sorted(Comparator.comparingDouble(Neighbour::eastM).thenComparing(Neighbour::name))
                .toList();
        double widest =
                trees.stream().mapToDouble(Neighbour::crownRadiusM).max().orElse(0);
        double roomM = stocks.values().stream()
                .mapToDouble(stock -> wantedM(stock, knowledge))
                .max()
                .orElse(0);
        for (int i = 0; i < fromWest.size(); i++) {
            Neighbour one = fromWest.get(i);
            double farthestM = one.eastM() + Math.max(one.crownRadiusM() + widest, roomM);
            for (int j = i + 1; j < fromWest.size() && fromWest.get(j).eastM() <= farthestM; j++) {
                pair(one, fromWest.get(j), stocks, light, knowledge).ifPresent(pairs::add);
            }
        }
        pairs.sort(Comparator.comparingDouble(Pair::overlapM)
                .reversed()
                .thenComparing(Pair::one)
                .thenComparing(Pair::other));
        return pairs;
    }

    private static Optional<Pair> pair(
            Neighbour one, Neighbour other, Map<String, Stock> stocks, Map<String, Double> light, Knowledge knowledge) {
        double apartM = Math.hypot(one.eastM() - other.eastM(), one.northM() - other.northM());
        double overlapM = one.crownRadiusM() + other.crownRadiusM() - apartM;
        List<Reason> reasons = new ArrayList<>();
        if (overlapM > 0) {
            reasons.add(knowledge.reason(ReasonCode.CROWNS_OVERLAP, one.name(), other.name(), overlapM));
        }
        for (Neighbour tree : List.of(one, other)) {
            Stock stock = stocks.get(tree.name());
            if (stock != null && apartM < wantedM(stock, knowledge) - 1e-9) {
                reasons.add(knowledge.reason(
                        ReasonCode.CLOSER_THAN_STOCK, tree.name(), stock.name(), wantedM(stock, knowledge), apartM));
            }
        }
        if (reasons.isEmpty()) {
            return Optional.empty();
        }
        boolean far = overlapM
                > knowledge.get(Figure.FAR_TOO_CLOSE_SHARE) * Math.min(one.crownRadiusM(), other.crownRadiusM());
        Neighbour darker = light.getOrDefault(one.name(), 1.0) <= light.getOrDefault(other.name(), 1.0) ? one : other;
        Neighbour taller = one.heightM() >= other.heightM() ? one : other;
        reasons.add(
                far
                        ? knowledge.reason(ReasonCode.CROWDING_TAKE_ONE_OUT, darker.name())
                        : knowledge.reason(ReasonCode.CROWDING_SHORTEN_BETWEEN, taller.name()));
        return Optional.of(new Pair(one.name(), other.name(), apartM, overlapM, reasons));
    }

    private static double wantedM(Stock stock, Knowledge knowledge) {
        return stock.middleM() * knowledge.get(Figure.SPACING_PER_HEIGHT);
    }
}
