package org.diligentbough.core.wood;

import static org.diligentbough.core.knowledge.Figure.DISEASE_FALL_SHARE;
import static org.diligentbough.core.knowledge.Figure.DISEASE_REACH_CANKER_M;
import static org.diligentbough.core.knowledge.Figure.DISEASE_REACH_FIRE_BLIGHT_M;
import static org.diligentbough.core.knowledge.Figure.DISEASE_REACH_M;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.diligentbough.core.Effort;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.Disease;

/**
 * How a disease stands over an orchard: whether the sick trees lie closer together than chance would have them, and which
 * others are at risk. Trees are neighbours within the disease's reach; kinds that cannot have it are left out.
 */
public final class DiseaseSpread {
    private static final int SHUFFLES = 9999;
    private static final int LEAST_SHUFFLES = 199;
    /** Pairs looked at in all shuffles together: large orchards are shuffled less often. */
    private static final long PAIRS_LOOKED_AT = 200_000_000;

    private final Knowledge knowledge;
    private final DiseaseTraits.Table diseases;

    public DiseaseSpread(Knowledge knowledge, DiseaseTraits.Table diseases) {
        this.knowledge = knowledge;
        this.diseases = diseases;
    }

    /** A tree, where it stands in metres, and what was seen on it. */
    public record Place(String label, Species species, double eastM, double northM, List<Sighting> sightings) {}

    /** A tree that does not have the disease, by the sum of exp(-distance / fall) over those that have it. */
    public record AtRisk(String label, double risk, boolean suspected) {}

    /**
     * A disease over an orchard on a day.
     *
     * @param sick trees that have it, treated ones too until it is gone
     * @param canHave trees that have it or could
     * @param joins pairs of sick neighbours
     * @param expected such pairs if the sick were spread by chance: J n1 (n1 - 1) / (n (n - 1)) (from memory: Cliff and Ord)
     * @param p part of chance spreads with as many such pairs or more, the one seen among them
     * @param atRisk the others that could have it, the most at risk first, and of these those suspected
     */
    public record Spread(
            Disease disease,
            double reachM,
            List<String> sick,
            int canHave,
            int joins,
            double expected,
            double p,
            List<AtRisk> atRisk) {}

    /** How far a disease is taken to reach, m. */
    public double reachM(Disease disease) {
        return knowledge.get(
                switch (disease) {
                    case CANKER -> DISEASE_REACH_CANKER_M;
                    case FIRE_BLIGHT -> DISEASE_REACH_FIRE_BLIGHT_M;
                    default -> DISEASE_REACH_M;
                });
    }

    /**
     * A disease on a day; empty while nobody had seen it anywhere.
     *
     * @param seed of the shuffles: the same seed, the same p
     */
    public Optional<Spread> of(Disease disease, List<Place> trees, LocalDate on, long seed) {
        List<Place> able = new ArrayList<>();
        List<Boolean> sick = new ArrayList<>();
        List<Boolean> suspected = new ArrayList<>();
        boolean seen = false;
        for (Place tree : trees) {
            Sighting newest = Sighting.newest(tree.sightings(), on).get(disease);
            seen |= newest != null;
            if (newest != null || diseases.of(disease).kinds().contains(tree.species())) {
                able.add(tree);
                sick.add(newest != null && newest.state().sick());
                suspected.add(newest != null && newest.state() == Sighting.State.SUSPECTED);
            }
        }
        if (!seen) {
            return Optional.empty();
        }
        double reachM = reachM(disease);
        List<int[]> pairs = pairs(able, reachM);
        int n = able.size();
        int n1 = (int) sick.stream().filter(one -> one).count();
        int joins = joins(pairs, sick);
        double expected = n < 2 ? 0 : (double) pairs.size() * n1 * (n1 - 1) / ((double) n * (n - 1));
        return Optional.of(new Spread(
                disease,
                reachM,
                of(able, sick),
                n,
                joins,
                expected,
                n1 < 2 || n1 == n ? 1 : p(pairs, sick, joins, seed),
                atRisk(able, sick, suspected, reachM * knowledge.get(DISEASE_FALL_SHARE))));
    }

    private static List<String> of(List<Place> trees, List<Boolean> which) {
        List<String> labels = new ArrayList<>();
        for (int i = 0; i < trees.size(); i++) {
            if (which.get(i)) {
                labels.add(trees.get(i).label());
            }
        }
        return labels;
    }

    private static double distanceM(Place one, Place other) {
        return Math.hypot(one.eastM() - other.eastM(), one.northM() - other.northM());
    }

    private static List<int[]> pairs(List<Place> trees, double reachM) {
        List<int[]> pairs = new ArrayList<>();
        for (int i = 0; i < trees.size(); i++) {
            for (int j = i + 1; j < trees.size(); j++) {
                if (distanceM(trees.get(i), trees.get(j)) <= reachM) {
                    pairs.add(new int[] {i, j});
                }
            }
        }
        return pairs;
    }

    private static int joins(List<int[]> pairs, List<Boolean> sick) {
        return (int) pairs.stream()
                .filter(pair -> sick.get(pair[0]) && sick.get(pair[1]))
                .count();
    }

    private static double p(List<int[]> pairs, List<Boolean> sick, int joins, long seed) {
        Random random = new Random(seed);
        boolean[] labels = new boolean[sick.size()];
        for (int i = 0; i < labels.length; i++) {
            labels[i] = sick.get(i);
        }
        int asMany = 1;
        int shuffles =
                (int) Math.max(LEAST_SHUFFLES, Math.min(SHUFFLES, PAIRS_LOOKED_AT / (pairs.size() + labels.length)));
        for (int shuffle = 0; shuffle < shuffles; shuffle++) {
            Effort.look();
            for (int i = labels.length - 1; i > 0; i--) {
                int j = random.nextInt(i + 1);
                boolean kept = labels[i];
                labels[i] = labels[j];
                labels[j] = kept;
            }
            int found = 0;
            for (int[] pair : pairs) {
                found += labels[pair[0]] && labels[pair[1]] ? 1 : 0;
            }
            asMany += found >= joins ? 1 : 0;
        }
        return (double) asMany / (shuffles + 1);
    }

    private static List<AtRisk> atRisk(List<Place> trees, List<Boolean> sick, List<Boolean> suspected, double fallM) {
        List<AtRisk> found = new ArrayList<>();
        for (int i = 0; i < trees.size(); i++) {
            if (sick.get(i)) {
                continue;
            }
            double risk = 0;
            for (int j = 0; j < trees.size(); j++) {
                risk += sick.get(j) ? Math.exp(-distanceM(trees.get(i), trees.get(j)) / fallM) : 0;
            }
            found.add(new AtRisk(trees.get(i).label(), risk, suspected.get(i)));
        }
        found.sort(Comparator.comparing(AtRisk::risk).reversed().thenComparing(AtRisk::label));
        return found;
    }
}
