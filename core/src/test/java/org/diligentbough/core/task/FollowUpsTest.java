package org.diligentbough.core.task;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.task.FollowUps.Deed;
import org.diligentbough.core.task.FollowUps.Done;
import org.diligentbough.core.task.FollowUps.FollowUp;
import org.junit.jupiter.api.Test;

class FollowUpsTest {
    private static List<FollowUp> of(boolean southern, Done... work) {
        return FollowUps.of(List.of(work), southern, Rulebook.load().knowledge());
    }

    private static Done bent(String on) {
        return new Done("B", Deed.BENT, 0, LocalDate.parse(on));
    }

    private static Done cut(double cm, String on) {
        return new Done("A", Deed.CUT, cm, LocalDate.parse(on));
    }

    @Test
    void tiesSetInOneYearAreDueOffTwoYearsOnWheneverTheyWereSet() {
        for (String on : List.of("2027-01-02", "2027-03-06", "2027-07-01", "2027-12-30")) {
            FollowUp off = of(false, bent(on)).get(0);
            assertThat(off.kind()).isEqualTo(TaskKind.TIES_OFF);
            assertThat(off.opens().getYear()).as(on).isEqualTo(2029);
            assertThat(off.closes().getYear()).as(on).isEqualTo(2029);
            assertThat(off.opens()).isBefore(off.closes());
        }
    }

    @Test
    void shootsAroundABigCutAreSeenToInItsFirstSummer() {
        assertThat(of(false, cut(5, "2027-02-20")))
                .containsExactly(new FollowUp(
                        TaskKind.TEAR_SHOOTS, "A", LocalDate.of(2027, 6, 1), LocalDate.of(2027, 7, 31), 5));
        assertThat(of(false, cut(8, "2027-07-10")).get(0).opens()).isEqualTo("2028-06-01");
        assertThat(of(true, cut(8, "2027-07-10")).get(0).opens()).isEqualTo("2027-12-01");
        assertThat(of(true, cut(8, "2027-07-10")).get(0).closes()).isEqualTo("2028-01-31");
    }

    @Test
    void aSmallCutAsksForNothing() {
        assertThat(of(false, cut(4.9, "2027-02-20"), cut(0, "2027-02-20"))).isEmpty();
    }

    @Test
    void whatIsDueFirstStandsFirst() {
        assertThat(of(false, bent("2027-02-01"), cut(9, "2027-02-20")))
                .extracting(FollowUp::kind)
                .containsExactly(TaskKind.TEAR_SHOOTS, TaskKind.TIES_OFF);
    }
}
