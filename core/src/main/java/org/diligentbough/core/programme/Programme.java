package org.diligentbough.core.programme;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeMap;
import org.diligentbough.core.season.Season;

/**
 * An orchard's work over years and seasons, as far as its volunteers' hours go; all minutes are person-minutes. A tree's
 * plan keeps its order; it can begin later, whole. What is dangerous is done at once whatever the hours; trees begun are
 * carried through; trees set to a year by hand begin then; trees that are kept are kept up; trees of a group begin
 * together; then what gains most for each hour goes first. When a plan is done its tree is kept up year by year.
 *
 * @param slots every season of every year with work or hours, in time order
 * @param begins the pruning year in which each tree's work begins, by tree, where it has work besides danger
 * @param putOff trees that begin later than their plan would have them, or in none of the years
 */
public record Programme(List<Slot> slots, Map<Long, Integer> begins, List<PutOff> putOff) {
    /** How many years a tree can be put off before it is said that it finds no place. */
    public static final int MOST_YEARS_OFF = 6;

    /** So often hours are raised and laid out anew when it is looked for how many would do. */
    private static final int MOST_ROUNDS = 12;

    private static final double HALF_AN_HOUR = 0.5;

    /** For how many years, from the first with work on, the yearly upkeep is told. */
    public static final int YEARS_OF_UPKEEP = 5;

    /**
     * A tree with the work its plan asks for.
     *
     * @param group trees that begin together; empty when it stands alone
     * @param begun whether it was cut already and is to be carried through
     * @param setTo the pruning year somebody set it to begin in
     * @param kept whether it wants its yearly upkeep only
     * @param upkeep what comes year after year when its plan is done
     */
    public record Tree(
            long id,
            String tag,
            Optional<String> group,
            boolean begun,
            OptionalInt setTo,
            List<Work> work,
            boolean kept,
            Optional<Yearly> upkeep) {
        public Tree {
            work = List.copyOf(work);
        }

        /** All its work when it begins so many years later, with its upkeep up to a year. */
        public List<Work> all(int later, int lastYear) {
            List<Work> all = new ArrayList<>();
            work.forEach(one -> all.add(one.later(later)));
            upkeep.ifPresent(yearly -> {
                for (int year = yearly.from() + later; year <= lastYear; year++) {
                    all.add(new Work(year, yearly.season(), yearly.minutes(), 0, 0));
                }
            });
            return all;
        }

        double minutes() {
            return work.stream().mapToDouble(Work::minutes).sum();
        }

        double worth() {
            return work.stream().mapToDouble(Work::worth).sum();
        }

        /** The year in which what can wait begins. */
        public OptionalInt first() {
            OptionalInt planned = work.stream()
                    .filter(one -> one.minutes() > one.dangerMinutes())
                    .mapToInt(Work::year)
                    .min();
            return planned.isPresent() || upkeep.isEmpty()
                    ? planned
                    : OptionalInt.of(upkeep.get().from());
        }
    }

    /**
     * Ordinary cutting year after year, an estimate.
     *
     * @param from the first pruning year with it
     */
    public record Yearly(Season season, double minutes, int from) {}

    /**
     * What a plan asks for in one season.
     *
     * @param year calendar year the pruning year bears
     * @param minutes all of it
     * @param dangerMinutes what of it cannot wait
     * @param worth what is gained by it, in the unit of single cuts
     */
    public record Work(int year, Season season, double minutes, double dangerMinutes, double worth) {
        private Work later(int years) {
            return new Work(year + years, season, minutes, dangerMinutes, worth);
        }
    }

    /** A season of a pruning year. */
    public record Time(int year, Season season) {}

    /**
     * A season of a year as the programme has it.
     *
     * @param hours volunteers have; empty when nobody said
     */
    public record Slot(Time time, double minutes, Optional<Double> hours, List<Long> trees) {
        public Slot {
            trees = List.copyOf(trees);
        }

        /** Whether more is put there than there are hours: danger, what was begun or set, and later upkeep do not ask. */
        public boolean over() {
            return hours.filter(had -> minutes > had * 60 + 1e-6).isPresent();
        }
    }

    /**
     * A tree that waits.
     *
     * @param years how many; empty when it finds no place in the years looked at
     */
    public record PutOff(long tree, OptionalInt years, double minutes, double worth) {}

    /** Hours that volunteers have, by time; a time that is absent has as many as are wanted. */
    public interface Hours {
        Optional<Double> at(Time time);
    }

    /** Lays out the work of all trees. The same work and hours always give the same programme. */
    public static Programme of(List<Tree> trees, Hours hours) {
        return new Laying(trees, hours).lay();
    }

    /**
     * The hours in every year's seasons with which a tree that finds no place would begin, half hours, for those seasons in
     * which it lacks some. Hours go to others first as ever: those given here are enough after they have taken theirs. Empty
     * where it has its place already, or none is found.
     */
    public static Map<Season, Double> enough(List<Tree> trees, Hours hours, long waiting) {
        Map<Season, Double> raised = new EnumMap<>(Season.class);
        for (int round = 0; round < MOST_ROUNDS; round++) {
            Laying laying = new Laying(trees, atLeast(hours, raised));
            if (placed(laying.lay(), waiting)) {
                return spared(trees, hours, waiting, raised);
            }
            laying.wantedFor(waiting).forEach((season, wanted) -> raised.merge(season, wanted, Math::max));
        }
        return Map.of();
    }

    /** What it begins with and no half hour more: others that were given hours on the way may have gone before it. */
    private static Map<Season, Double> spared(List<Tree> trees, Hours hours, long waiting, Map<Season, Double> raised) {
        Map<Season, Double> least = new EnumMap<>(Season.class);
        least.putAll(raised);
        for (Season season : raised.keySet()) {
            while (least.get(season) > 0) {
                Map<Season, Double> less = new EnumMap<>(least);
                less.merge(season, -HALF_AN_HOUR, Double::sum);
                if (!placed(new Laying(trees, atLeast(hours, less)).lay(), waiting)) {
                    break;
                }
                least = less;
            }
        }
        return Map.copyOf(least);
    }

    private static Hours atLeast(Hours hours, Map<Season, Double> raised) {
        return time -> hours.at(time).map(had -> Math.max(had, raised.getOrDefault(time.season(), 0.0)));
    }

    private static boolean placed(Programme programme, long tree) {
        return programme.putOff().stream()
                .noneMatch(one -> one.tree() == tree && one.years().isEmpty());
    }

    /** The last year in which upkeep is told of such trees. */
    public static int lastYear(List<Tree> trees) {
        return trees.stream().flatMapToInt(tree -> tree.first().stream()).min().orElse(0) + YEARS_OF_UPKEEP - 1;
    }

    private static final class Laying {
        private static final Comparator<Time> IN_TIME = Comparator.comparingInt(Time::year)
                .thenComparing(time -> time.season() != Season.ANY)
                .thenComparing(Time::season);

        private final List<Tree> trees;
        private final Hours hours;
        private final Map<Time, Double> taken = new TreeMap<>(IN_TIME);
        private final Map<Time, List<Long>> who = new TreeMap<>(IN_TIME);
        private final Map<Long, Integer> begins = new LinkedHashMap<>();
        private final List<PutOff> putOff = new ArrayList<>();
        private final int lastYear;

        Laying(List<Tree> trees, Hours hours) {
            this.trees = trees;
            this.hours = hours;
            this.lastYear = lastYear(trees);
        }

        Programme lay() {
            for (Tree tree : trees) {
                for (Work work : tree.work()) {
                    if (work.dangerMinutes() > 0) {
                        put(tree, new Time(work.year(), work.season()), work.dangerMinutes());
                    }
                }
            }
            List<List<Tree>> waiting = new ArrayList<>();
            for (List<Tree> together : units()) {
                if (together.stream()
                        .anyMatch(tree -> tree.begun() || tree.setTo().isPresent())) {
                    for (Tree tree : together) {
                        tree.first()
                                .ifPresent(first -> putAll(tree, tree.setTo().orElse(first) - first));
                    }
                } else {
                    waiting.add(together);
                }
            }
            waiting.sort(Comparator.comparing(Laying::kept)
                    .thenComparingDouble(Laying::forAnHour)
                    .reversed()
                    .thenComparing(together -> together.get(0).tag()));
            for (List<Tree> together : waiting) {
                OptionalInt later = leastDelay(together);
                for (Tree tree : together) {
                    if (later.isPresent()) {
                        putAll(tree, later.getAsInt());
                    }
                    if (later.isEmpty() || later.getAsInt() > 0) {
                        putOff.add(new PutOff(tree.id(), later, tree.minutes(), tree.worth()));
                    }
                }
            }
            putOff.sort(Comparator.comparingDouble(PutOff::worth).reversed().thenComparing(PutOff::tree));
            return new Programme(slots(), Map.copyOf(begins), List.copyOf(putOff));
        }

        /** Trees of a group together, others alone; trees without work that can wait left out. */
        private List<List<Tree>> units() {
            Map<String, List<Tree>> groups = new LinkedHashMap<>();
            for (Tree tree : trees) {
                if (tree.first().isPresent()) {
                    groups.computeIfAbsent(
                                    tree.group().map(name -> "group " + name).orElse("tree " + tree.id()),
                                    key -> new ArrayList<>())
                            .add(tree);
                }
            }
            return new ArrayList<>(groups.values());
        }

        /** What is kept is not let go for what has been neglected for long. */
        private static boolean kept(List<Tree> together) {
            return together.stream().allMatch(Tree::kept);
        }

        private static double forAnHour(List<Tree> together) {
            double minutes = together.stream().mapToDouble(Tree::minutes).sum();
            return together.stream().mapToDouble(Tree::worth).sum() / Math.max(1, minutes);
        }

        /**
         * The least number of years by which all can wait so that every season has the hours for what their plans ask.
         * Upkeep of the years after does not ask: it shows there as more than there are hours for.
         */
        private OptionalInt leastDelay(List<Tree> together) {
            for (int later = 0; later <= MOST_YEARS_OFF; later++) {
                boolean fits = wanted(together, later).entrySet().stream()
                        .allMatch(one -> one.getValue() <= 1e-9 || one.getValue() <= left(one.getKey()) + 1e-9);
                if (fits) {
                    return OptionalInt.of(later);
                }
            }
            return OptionalInt.empty();
        }

        /** Minutes that trees want besides danger when they begin so many years later. */
        private static Map<Time, Double> wanted(List<Tree> together, int later) {
            Map<Time, Double> wanted = new HashMap<>();
            for (Tree tree : together) {
                for (Work work : tree.work()) {
                    wanted.merge(
                            new Time(work.year() + later, work.season()),
                            work.minutes() - work.dangerMinutes(),
                            Double::sum);
                }
            }
            return wanted;
        }

        /** Hours a season must have for a waiting tree and its group, in the years in which they lack fewest. */
        Map<Season, Double> wantedFor(long waiting) {
            List<Tree> together = units().stream()
                    .filter(unit -> unit.stream().anyMatch(tree -> tree.id() == waiting))
                    .findFirst()
                    .orElse(List.of());
            Map<Season, Double> least = Map.of();
            double fewest = Double.MAX_VALUE;
            for (int later = 0; later <= MOST_YEARS_OFF; later++) {
                Map<Season, Double> lacking = new EnumMap<>(Season.class);
                double lacks = 0;
                for (Map.Entry<Time, Double> one : wanted(together, later).entrySet()) {
                    double over = one.getValue() - left(one.getKey());
                    if (one.getValue() > 1e-9 && over > 1e-9) {
                        lacks += over;
                        double minutes = taken.getOrDefault(one.getKey(), 0.0) + one.getValue();
                        lacking.merge(one.getKey().season(), Math.ceil(minutes / 30 - 1e-9) * HALF_AN_HOUR, Math::max);
                    }
                }
                if (lacks < fewest) {
                    fewest = lacks;
                    least = lacking;
                }
            }
            return least;
        }

        private double left(Time time) {
            return hours.at(time)
                    .map(had -> had * 60 - taken.getOrDefault(time, 0.0))
                    .orElse(Double.MAX_VALUE);
        }

        private void putAll(Tree tree, int later) {
            begins.put(tree.id(), tree.first().orElseThrow() + later);
            for (Work work : tree.all(later, lastYear)) {
                double minutes = work.minutes() - work.dangerMinutes();
                if (minutes > 0) {
                    put(tree, new Time(work.year(), work.season()), minutes);
                }
            }
        }

        private void put(Tree tree, Time time, double minutes) {
            taken.merge(time, minutes, Double::sum);
            List<Long> there = who.computeIfAbsent(time, key -> new ArrayList<>());
            if (!there.contains(tree.id())) {
                there.add(tree.id());
            }
        }

        private List<Slot> slots() {
            return taken.entrySet().stream()
                    .map(one -> new Slot(one.getKey(), one.getValue(), hours.at(one.getKey()), who.get(one.getKey())))
                    .toList();
        }
    }
}
