package org.diligentbough.core.programme;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.diligentbough.core.Chance;
import org.diligentbough.core.programme.Programme.Hours;
import org.diligentbough.core.programme.Programme.PutOff;
import org.diligentbough.core.programme.Programme.Time;
import org.diligentbough.core.programme.Programme.Tree;
import org.diligentbough.core.programme.Programme.Work;
import org.diligentbough.core.programme.Programme.Yearly;
import org.diligentbough.core.season.Season;
import org.junit.jupiter.api.Test;

/** Which tree's work begins when the hours are short. Common practice, no source. */
class ProgrammeTest {
    private static final Hours TWO_HOURS = time -> Optional.of(2.0);

    private static Tree tree(long id, double minutes, double worth) {
        return new Tree(
                id,
                "T" + id,
                Optional.empty(),
                false,
                OptionalInt.empty(),
                List.of(new Work(2027, Season.DORMANT, minutes, 0, worth)),
                false,
                Optional.empty());
    }

    private static Tree dangerous(long id, double minutes) {
        return new Tree(
                id,
                "T" + id,
                Optional.empty(),
                false,
                OptionalInt.empty(),
                List.of(new Work(2027, Season.DORMANT, minutes, minutes, 1)),
                false,
                Optional.empty());
    }

    @Test
    void whereHoursAreEnoughEveryTreeBeginsWhenItsPlanSays() {
        Programme programme = Programme.of(List.of(tree(1, 60, 1), tree(2, 60, 1)), TWO_HOURS);
        assertThat(programme.putOff()).isEmpty();
        assertThat(programme.begins()).containsEntry(1L, 2027).containsEntry(2L, 2027);
        assertThat(programme.slots()).singleElement().satisfies(slot -> {
            assertThat(slot.minutes()).isEqualTo(120);
            assertThat(slot.over()).isFalse();
        });
    }

    private static Tree kept(long id, double minutes) {
        return new Tree(
                id,
                "T" + id,
                Optional.empty(),
                false,
                OptionalInt.empty(),
                List.of(new Work(2027, Season.DORMANT, minutes, 0, 0)),
                true,
                Optional.of(new Yearly(Season.DORMANT, minutes, 2028)));
    }

    @Test
    void whatIsKeptIsWorkYearAfterYear() {
        Programme programme = Programme.of(List.of(kept(1, 40)), TWO_HOURS);
        assertThat(programme.slots())
                .extracting(slot -> slot.time().year() + ": " + slot.minutes())
                .containsExactly("2027: 40.0", "2028: 40.0", "2029: 40.0", "2030: 40.0", "2031: 40.0");
    }

    @Test
    void whatIsKeptIsNotLetGoForWhatIsNeglected() {
        Programme programme = Programme.of(List.of(tree(1, 100, 5), kept(2, 60)), TWO_HOURS);
        assertThat(programme.begins()).containsEntry(2L, 2027);
        assertThat(programme.putOff()).extracting(PutOff::tree).containsExactly(1L);
    }

    @Test
    void aTreeWhosePlanIsDoneIsKeptUpFromThenOn() {
        Tree renovated = new Tree(
                1,
                "T1",
                Optional.empty(),
                false,
                OptionalInt.of(2028),
                List.of(new Work(2027, Season.DORMANT, 60, 0, 1), new Work(2028, Season.DORMANT, 60, 0, 1)),
                false,
                Optional.of(new Yearly(Season.SUMMER, 20, 2029)));
        // Begun a year later, it is kept up a year later too.
        assertThat(Programme.of(List.of(renovated), TWO_HOURS).slots())
                .extracting(slot -> slot.time().year() + " " + slot.time().season() + ": " + slot.minutes())
                .containsExactly("2028 DORMANT: 60.0", "2029 DORMANT: 60.0", "2030 SUMMER: 20.0", "2031 SUMMER: 20.0");
    }

    @Test
    void aKeptTreeCutThisYearBeginsAgainWithTheNext() {
        Tree done = new Tree(
                1,
                "T1",
                Optional.empty(),
                false,
                OptionalInt.empty(),
                List.of(),
                true,
                Optional.of(new Yearly(Season.DORMANT, 20, 2028)));
        assertThat(Programme.of(List.of(done), TWO_HOURS).begins()).containsEntry(1L, 2028);
    }

    @Test
    void whenHoursAreShortWhatGainsMostForAnHourGoesFirst() {
        Programme programme = Programme.of(List.of(tree(1, 100, 1), tree(2, 100, 3), tree(3, 20, 0.1)), TWO_HOURS);
        assertThat(programme.begins())
                .containsEntry(2L, 2027)
                .containsEntry(1L, 2028)
                .containsEntry(3L, 2027);
        assertThat(programme.putOff()).extracting(PutOff::tree).containsExactly(1L);
        assertThat(programme.putOff().get(0).years()).hasValue(1);
    }

    @Test
    void dangerIsNeverPutOffAndIsSaidToPassTheHours() {
        Programme programme = Programme.of(List.of(tree(1, 60, 9), dangerous(2, 100), dangerous(3, 100)), TWO_HOURS);
        assertThat(programme.slots().get(0).time()).isEqualTo(new Time(2027, Season.DORMANT));
        assertThat(programme.slots().get(0).minutes()).isEqualTo(200);
        assertThat(programme.slots().get(0).over()).isTrue();
        assertThat(programme.begins()).containsEntry(1L, 2028).doesNotContainKey(2L);
    }

    @Test
    void aTreeBegunIsCarriedThroughBeforeOthersBegin() {
        Tree begun = new Tree(
                1,
                "T1",
                Optional.empty(),
                true,
                OptionalInt.empty(),
                List.of(new Work(2027, Season.DORMANT, 110, 0, 0.1)),
                false,
                Optional.empty());
        Programme programme = Programme.of(List.of(tree(2, 60, 9), begun), TWO_HOURS);
        assertThat(programme.begins()).containsEntry(1L, 2027).containsEntry(2L, 2028);
    }

    @Test
    void aTreeSetByHandBeginsThen() {
        Tree set = new Tree(
                1,
                "T1",
                Optional.empty(),
                false,
                OptionalInt.of(2029),
                List.of(new Work(2027, Season.DORMANT, 30, 0, 1), new Work(2028, Season.DORMANT, 30, 0, 1)),
                false,
                Optional.empty());
        Programme programme = Programme.of(List.of(set), TWO_HOURS);
        assertThat(programme.begins()).containsEntry(1L, 2029);
        assertThat(programme.slots()).extracting(slot -> slot.time().year()).containsExactly(2029, 2030);
    }

    @Test
    void treesOfAGroupBeginTogether() {
        Tree one = new Tree(
                1,
                "T1",
                Optional.of("Row"),
                false,
                OptionalInt.empty(),
                tree(1, 70, 5).work(),
                false,
                Optional.empty());
        Tree two = new Tree(
                2,
                "T2",
                Optional.of("Row"),
                false,
                OptionalInt.empty(),
                tree(2, 70, 5).work(),
                false,
                Optional.empty());
        Programme programme =
                Programme.of(List.of(one, two, tree(3, 100, 1)), time -> Optional.of(time.year() == 2027 ? 2.0 : 3.0));
        assertThat(programme.begins())
                .containsEntry(1L, 2028)
                .containsEntry(2L, 2028)
                .containsEntry(3L, 2027);
    }

    @Test
    void whatFindsNoHoursInAnyYearSaysSo() {
        Programme programme = Programme.of(List.of(tree(1, 300, 1)), TWO_HOURS);
        assertThat(programme.putOff().get(0).years()).isEmpty();
        assertThat(programme.begins()).isEmpty();
    }

    @Property(tries = 300, seed = Chance.JQWIK)
    void noSeasonIsOverItsHoursButForWhatDoesNotAskAndNothingIsLost(@ForAll long seed) {
        Random random = new Random(seed);
        List<Tree> trees = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            List<Work> work = new ArrayList<>();
            for (int year = 2027; year < 2027 + 1 + random.nextInt(4); year++) {
                double minutes = 1 + random.nextInt(90);
                work.add(new Work(
                        year,
                        random.nextBoolean() ? Season.DORMANT : Season.SUMMER,
                        minutes,
                        random.nextInt(10) == 0 ? minutes : 0,
                        random.nextDouble()));
            }
            trees.add(new Tree(
                    i,
                    "T" + i,
                    random.nextInt(4) == 0 ? Optional.of("G" + random.nextInt(3)) : Optional.empty(),
                    random.nextInt(8) == 0,
                    OptionalInt.empty(),
                    work,
                    false,
                    Optional.empty()));
        }
        Programme programme = Programme.of(trees, time -> Optional.of(5.0));
        Map<Time, Double> asksNot = new HashMap<>();
        for (Tree tree : trees) {
            boolean carried = tree.begun()
                    || tree.group().isPresent()
                            && trees.stream()
                                    .anyMatch(other ->
                                            other.begun() && other.group().equals(tree.group()));
            for (Work work : tree.work()) {
                asksNot.merge(
                        new Time(work.year(), work.season()),
                        carried ? work.minutes() : work.dangerMinutes(),
                        Double::sum);
            }
        }
        programme.slots().forEach(slot -> assertThat(slot.minutes())
                .isLessThanOrEqualTo(Math.max(300, asksNot.getOrDefault(slot.time(), 0.0)) + 1e-6));
        double laid =
                programme.slots().stream().mapToDouble(Programme.Slot::minutes).sum();
        double all = trees.stream().mapToDouble(Tree::minutes).sum();
        double nowhere = programme.putOff().stream()
                .filter(tree -> tree.years().isEmpty())
                .mapToDouble(PutOff::minutes)
                .sum();
        assertThat(laid).isBetween(all - nowhere - 1e-6, all + 1e-6);
        for (Tree tree : trees) {
            tree.first().ifPresent(first -> {
                Integer begins = programme.begins().get(tree.id());
                if (begins != null) {
                    assertThat(begins).isGreaterThanOrEqualTo(first);
                }
            });
        }
    }

    @Test
    void howManyHoursWouldDoIsSaidAndWouldDo() {
        // Two hours a winter: 90 minutes fit, 150 never do.
        List<Tree> trees = List.of(tree(1, 90, 9), tree(2, 150, 1));
        assertThat(Programme.of(trees, TWO_HOURS).putOff()).singleElement().satisfies(one -> assertThat(one.years())
                .isEmpty());
        assertThat(Programme.enough(trees, TWO_HOURS, 2)).isEqualTo(Map.of(Season.DORMANT, 2.5));
        assertThat(Programme.enough(trees, TWO_HOURS, 1)).isEmpty();
    }

    @Test
    void aGroupWantsTheHoursOfAllOfIt() {
        List<Tree> trees = List.of(inGroup(1, 100), inGroup(2, 100), tree(3, 60, 99));
        assertThat(Programme.enough(trees, TWO_HOURS, 1)).isEqualTo(Map.of(Season.DORMANT, 3.5));
    }

    private static Tree inGroup(long id, double minutes) {
        return new Tree(
                id,
                "G" + id,
                Optional.of("row"),
                false,
                OptionalInt.empty(),
                List.of(new Work(2027, Season.DORMANT, minutes, 0, 1)),
                false,
                Optional.empty());
    }

    @Property(seed = Chance.JQWIK)
    void withTheHoursSaidToDoATreeBeginsAndWithHalfAnHourLessItDoesNot(@ForAll Random chance) {
        List<Tree> trees = new ArrayList<>();
        for (int i = 1; i <= 8; i++) {
            trees.add(tree(i, 30 + chance.nextInt(12) * 30, chance.nextInt(20)));
        }
        for (PutOff one : Programme.of(trees, TWO_HOURS).putOff()) {
            if (one.years().isPresent()) {
                continue;
            }
            double wanted = Programme.enough(trees, TWO_HOURS, one.tree()).get(Season.DORMANT);
            assertThat(unplaced(trees, wanted)).doesNotContain(one.tree());
            assertThat(unplaced(trees, wanted - 0.5)).contains(one.tree());
        }
    }

    private static List<Long> unplaced(List<Tree> trees, double hours) {
        return Programme.of(trees, time -> Optional.of(hours)).putOff().stream()
                .filter(one -> one.years().isEmpty())
                .map(PutOff::tree)
                .toList();
    }
}
