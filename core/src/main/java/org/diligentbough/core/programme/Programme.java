package org.diligentbough.core.programme;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeMap;
import org.diligentbough.core.season.Season;

/**
 * An orchard's work over years and seasons, as far as its volunteers' hours go. A tree's plan keeps its order; it can
 * begin later, whole. What is dangerous is done at once whatever the hours; trees begun are carried through; trees set
 * to a year by hand begin then; trees of a group begin together; then what gains most for each hour goes first.
 *
 * @param slots every season of every year with work or hours, in time order
 * @param begins the pruning year in which each tree's work begins, by tree, where it has work besides danger
 * @param putOff trees that begin later than their plan would have them, or in none of the years
 */
public record Programme(List<Slot> slots, Map<Long, Integer> begins, List<PutOff> putOff) {
    /** How many years a tree can be put off before it is said that it finds no place. */
    public static final int MOST_YEARS_OFF = 6;

    /**
     * A tree with the work its plan asks for.
     *
     * @param group trees that begin together; empty when it stands alone
     * @param begun whether it was cut already and is to be carried through
     * @param setTo the pruning year somebody set it to begin in
     */
    public record Tree(long id, String tag, Optional<String> group, boolean begun, OptionalInt setTo, List<Work> work) {
        public Tree {
            work = List.copyOf(work);
        }

        double minutes() {
            return work.stream().mapToDouble(Work::minutes).sum();
        }

        double worth() {
            return work.stream().mapToDouble(Work::worth).sum();
        }

        /** The year in which what can wait begins. */
        public OptionalInt first() {
            return work.stream()
                    .filter(one -> one.minutes() > one.dangerMinutes())
                    .mapToInt(Work::year)
                    .min();
        }
    }

    /**
     * What a plan asks for in one season.
     *
     * @param year calendar year the pruning year bears
     * @param minutes all of it
     * @param dangerMinutes what of it cannot wait
     * @param worth what is gained by it, in the unit of single cuts
     */
    public record Work(int year, Season season, double minutes, double dangerMinutes, double worth) {}

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

        /** Whether more is put there than there are hours: danger, what was begun and what was set do not ask. */
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

        Laying(List<Tree> trees, Hours hours) {
            this.trees = trees;
            this.hours = hours;
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
            waiting.sort(
                    Comparator.comparingDouble(Laying::forAnHour).reversed().thenComparing(together -> together.get(0)
                            .tag()));
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

        private static double forAnHour(List<Tree> together) {
            double minutes = together.stream().mapToDouble(Tree::minutes).sum();
            return together.stream().mapToDouble(Tree::worth).sum() / Math.max(1, minutes);
        }

        /** The least number of years by which all can wait so that every season has the hours. */
        private OptionalInt leastDelay(List<Tree> together) {
            for (int later = 0; later <= MOST_YEARS_OFF; later++) {
                Map<Time, Double> wanted = new HashMap<>();
                for (Tree tree : together) {
                    for (Work work : tree.work()) {
                        wanted.merge(
                                new Time(work.year() + later, work.season()),
                                work.minutes() - work.dangerMinutes(),
                                Double::sum);
                    }
                }
                boolean fits = wanted.entrySet().stream()
                        .allMatch(one -> one.getValue() <= 1e-9 || one.getValue() <= left(one.getKey()) + 1e-9);
                if (fits) {
                    return OptionalInt.of(later);
                }
            }
            return OptionalInt.empty();
        }

        private double left(Time time) {
            return hours.at(time)
                    .map(had -> had * 60 - taken.getOrDefault(time, 0.0))
                    .orElse(Double.MAX_VALUE);
        }

        private void putAll(Tree tree, int later) {
            begins.put(tree.id(), tree.first().orElseThrow() + later);
            for (Work work : tree.work()) {
                double minutes = work.minutes() - work.dangerMinutes();
                if (minutes > 0) {
                    put(tree, new Time(work.year() + later, work.season()), minutes);
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
