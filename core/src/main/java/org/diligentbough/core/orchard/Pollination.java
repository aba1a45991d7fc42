package org.diligentbough.core.orchard;

import static org.diligentbough.core.knowledge.Figure.POLLEN_REACH_M;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;

/** Which trees of an orchard lack another cultivar to set fruit with, in reach and in bloom. */
public final class Pollination {
    /** Two trees whose full bloom lies further apart than this do not meet: a tree blooms some ten days (common practice). */
    private static final long BLOOM_DAYS = 10;

    private final Knowledge knowledge;
    private final SpeciesTraits.Table species;

    public Pollination(Knowledge knowledge, SpeciesTraits.Table species) {
        this.knowledge = knowledge;
        this.species = species;
    }

    /** Whether a kind wants another cultivar near. */
    public enum Need {
        /** It sets little alone. */
        PARTNER,
        /** It sets alone, but more with another. */
        HELPED,
        /** It needs none. */
        ALONE
    }

    /**
     * A tree that stands.
     *
     * @param cultivar its name, if it is known
     * @param eastM metres east of the site's origin
     * @param northM metres north of it
     * @param bloom its full bloom the last time it was seen, if it was
     */
    public record Tree(
            long id,
            Species species,
            Optional<String> cultivar,
            double eastM,
            double northM,
            Optional<LocalDate> bloom) {}

    /** What those trees lack that want another cultivar and have none for certain, by their ids. */
    public Map<Long, Reason> lacking(List<Tree> trees) {
        double reachM = knowledge.get(POLLEN_REACH_M);
        Map<Square, List<Tree>> bySquare =
                trees.stream().collect(Collectors.groupingBy(tree -> Square.of(tree, reachM)));
        Map<Long, Reason> found = new LinkedHashMap<>();
        for (Tree tree : trees) {
            List<Tree> about = Square.of(tree, reachM)
                    .about()
                    .flatMap(square -> bySquare.getOrDefault(square, List.of()).stream())
                    .toList();
            lacking(tree, about).ifPresent(reason -> found.put(tree.id(), reason));
        }
        return found;
    }

    /** A square of an orchard as wide as pollen reaches: what is in reach is in a tree's own or in one of the eight about it. */
    private record Square(long east, long north) {
        static Square of(Tree tree, double sideM) {
            return new Square((long) Math.floor(tree.eastM() / sideM), (long) Math.floor(tree.northM() / sideM));
        }

        Stream<Square> about() {
            return LongStream.rangeClosed(-1, 1).boxed().flatMap(e -> LongStream.rangeClosed(-1, 1)
                    .mapToObj(n -> new Square(east + e, north + n)));
        }
    }

    private Optional<Reason> lacking(Tree tree, List<Tree> trees) {
        Need need = species.of(tree.species()).pollination();
        if (need == Need.ALONE) {
            return Optional.empty();
        }
        double reachM = knowledge.get(POLLEN_REACH_M);
        List<Tree> near = trees.stream()
                .filter(other -> other.id() != tree.id() && other.species() == tree.species())
                .filter(other -> Math.hypot(other.eastM() - tree.eastM(), other.northM() - tree.northM()) <= reachM)
                .filter(other -> !sameCultivar(tree, other))
                .toList();
        if (near.isEmpty()) {
            return Optional.of(knowledge.reason(
                    need == Need.PARTNER ? ReasonCode.POLLINATION_LACKS : ReasonCode.POLLINATION_HELPED, reachM));
        }
        List<Tree> another = near.stream()
                .filter(other -> tree.cultivar().isPresent() && other.cultivar().isPresent())
                .toList();
        if (another.isEmpty()) {
            return Optional.of(knowledge.reason(ReasonCode.POLLINATION_UNNAMED));
        }
        return another.stream().allMatch(other -> bloomApart(tree, other))
                ? Optional.of(knowledge.reason(ReasonCode.POLLINATION_BLOOM_APART))
                : Optional.empty();
    }

    private static boolean sameCultivar(Tree one, Tree other) {
        return one.cultivar().isPresent()
                && one.cultivar()
                        .map(String::toLowerCase)
                        .equals(other.cultivar().map(String::toLowerCase));
    }

    /** Told only of blooms seen in one season. */
    private static boolean bloomApart(Tree one, Tree other) {
        if (one.bloom().isEmpty() || other.bloom().isEmpty()) {
            return false;
        }
        long days = Math.abs(
                ChronoUnit.DAYS.between(one.bloom().get(), other.bloom().get()));
        return days > BLOOM_DAYS && days < 120;
    }
}
