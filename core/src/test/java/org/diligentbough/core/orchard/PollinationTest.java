package org.diligentbough.core.orchard;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.core.SurveyBuilder.RULES;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.diligentbough.core.knowledge.ReasonCode;
import org.junit.jupiter.api.Test;

/** Who wants another cultivar near: common practice, no source. */
class PollinationTest {
    private static Pollination.Tree tree(long id, Species species, String cultivar, double eastM) {
        return new Pollination.Tree(id, species, Optional.ofNullable(cultivar), eastM, 0, Optional.empty());
    }

    private static Pollination.Tree bloomed(Pollination.Tree tree, String on) {
        return new Pollination.Tree(
                tree.id(),
                tree.species(),
                tree.cultivar(),
                tree.eastM(),
                tree.northM(),
                Optional.of(LocalDate.parse(on)));
    }

    private static Optional<ReasonCode> lack(long id, Pollination.Tree... trees) {
        return Optional.ofNullable(new Pollination(RULES.knowledge(), RULES.species())
                        .lacking(List.of(trees))
                        .get(id))
                .map(reason -> reason.code());
    }

    @Test
    void anotherCultivarInReachWillDo() {
        Pollination.Tree one = tree(1, Species.APPLE, "Kiln Rose", 0);
        assertThat(lack(1, one, tree(2, Species.APPLE, "Brickdust", 49))).isEmpty();
        assertThat(lack(1, one, tree(2, Species.APPLE, "Brickdust", 51))).contains(ReasonCode.POLLINATION_LACKS);
        assertThat(lack(1, one, tree(2, Species.APPLE, "kiln rose", 5))).contains(ReasonCode.POLLINATION_LACKS);
        assertThat(lack(1, one, tree(2, Species.PEAR, "Brickdust", 5))).contains(ReasonCode.POLLINATION_LACKS);
    }

    @Test
    void aKindThatIsOnlyHelpedIsToldOtherwiseAndOneThatNeedsNoneIsLeft() {
        assertThat(lack(1, tree(1, Species.PLUM, "Clay Egg", 0))).contains(ReasonCode.POLLINATION_HELPED);
        assertThat(lack(1, tree(1, Species.PEACH, "Clay Egg", 0))).isEmpty();
    }

    @Test
    void whereCultivarsAreNotNamedNobodyCanTell() {
        assertThat(lack(1, tree(1, Species.APPLE, null, 0), tree(2, Species.APPLE, null, 5)))
                .contains(ReasonCode.POLLINATION_UNNAMED);
    }

    @Test
    void twoThatBloomApartDoNotMeet() {
        Pollination.Tree one = bloomed(tree(1, Species.APPLE, "Kiln Rose", 0), "2026-04-20");
        Pollination.Tree late = tree(2, Species.APPLE, "Brickdust", 5);
        assertThat(lack(1, one, bloomed(late, "2026-05-05"))).contains(ReasonCode.POLLINATION_BLOOM_APART);
        assertThat(lack(1, one, bloomed(late, "2026-04-30"))).isEmpty();
        assertThat(lack(1, one, late)).as("not seen in bloom is no reproach").isEmpty();
    }
}
