package org.diligentbough.core.crew;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.crew.DayFinding.Weight;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.season.MayCut;
import org.diligentbough.core.season.Weather;
import org.diligentbough.core.verdict.Ticket;
import org.junit.jupiter.api.Test;

/** The rules people work by; all of them common practice, no source. */
class DayCheckTest {
    private static final LocalDate DAY = LocalDate.of(2027, 3, 6);
    private static final LocalDate LATER = LocalDate.of(2028, 1, 1);
    private static final Helper LEADER = new Helper(
            1,
            "Tamsin",
            OptionalInt.of(1970),
            Map.of(Ticket.LEAD, LATER, Ticket.FIRST_AID, LATER, Ticket.LADDER, LATER),
            true);
    private static final Helper ADULT = new Helper(2, "Jory", OptionalInt.of(1990), Map.of(), true);
    private static final Helper YOUNG = new Helper(3, "Wren", OptionalInt.of(2010), Map.of(), true);

    private final List<Helper> coming = new ArrayList<>(List.of(LEADER, ADULT));
    private final Map<Kit, Integer> shed = Map.of(Kit.LADDER, 1, Kit.SAW, 3);
    private boolean confirmed;
    private Set<Ticket> tickets = Set.of();
    private Set<Kit> kit = Set.of(Kit.SAW);
    private boolean offTheGround;
    private MayCut.Answer answer = MayCut.Answer.YES;
    private boolean bound = true;
    private int minutes = 60;
    private Weather.Holds weather = Weather.Holds.NONE;

    private List<DayFinding> check(Long... helpers) {
        TreeVisit visit = new TreeVisit(
                10,
                "K-01",
                minutes,
                tickets,
                kit,
                offTheGround,
                false,
                bound,
                new MayCut(answer, List.of(), DAY.minusDays(30), DAY.plusDays(20), List.of()),
                weather,
                List.of(),
                List.of(helpers));
        return DayCheck.of(
                new WorkDay(DAY, 240, shed, confirmed, coming, List.of(visit)), SurveyBuilder.RULES.knowledge());
    }

    private static List<ReasonCode> of(List<DayFinding> findings, Weight weight) {
        return findings.stream()
                .filter(finding -> finding.weight() == weight)
                .map(finding -> finding.reason().code())
                .toList();
    }

    @Test
    void aLedCrewOfTwoInItsWindowIsInOrder() {
        assertThat(check(1L, 2L)).isEmpty();
    }

    @Test
    void outsideItsWindowATreeIsRefusedUnlessItsWoodIsDead() {
        answer = MayCut.Answer.NO;
        assertThat(of(check(1L, 2L), Weight.REFUSED)).containsExactly(ReasonCode.DAY_OUTSIDE_WINDOW);
        bound = false;
        assertThat(check(1L, 2L)).isEmpty();
        bound = true;
        answer = MayCut.Answer.WITH_CARE;
        assertThat(of(check(1L, 2L), Weight.TOLD)).containsExactly(ReasonCode.DAY_WITH_CARE);
    }

    @Test
    void aTicketMustBeHeldAndCurrentOnTheDay() {
        tickets = Set.of(Ticket.LADDER);
        offTheGround = true;
        assertThat(check(1L, 2L)).isEmpty();
        Helper third = new Helper(4, "Merryn", OptionalInt.empty(), Map.of(Ticket.LADDER, DAY.minusDays(1)), true);
        coming.add(third);
        assertThat(of(check(2L, 4L), Weight.REFUSED)).containsExactly(ReasonCode.DAY_NO_TICKET);
        coming.set(2, new Helper(4, "Merryn", OptionalInt.empty(), Map.of(Ticket.LADDER, DAY), true));
        assertThat(check(2L, 4L)).isEmpty();
        tickets = Set.of(Ticket.ARBORIST);
        assertThat(of(check(1L, 2L), Weight.REFUSED)).containsExactly(ReasonCode.DAY_NO_TICKET);
    }

    @Test
    void whoeverMayBeUnder18StaysOnTheGround() {
        coming.add(YOUNG);
        assertThat(check(1L, 3L)).isEmpty();
        offTheGround = true;
        assertThat(of(check(1L, 3L), Weight.REFUSED)).containsExactly(ReasonCode.DAY_UNDER_AGE);
        // Born in 2009: eighteen some time in 2027, nobody knows whether before March.
        coming.set(2, new Helper(3, "Wren", OptionalInt.of(2009), Map.of(), true));
        assertThat(of(check(1L, 3L), Weight.REFUSED)).containsExactly(ReasonCode.DAY_UNDER_AGE);
        coming.set(2, new Helper(3, "Wren", OptionalInt.of(2008), Map.of(), true));
        assertThat(check(1L, 3L)).isEmpty();
    }

    @Test
    void aDayWithoutLeaderOrFirstAiderIsWarnedOfAndRefusedOnceConfirmed() {
        coming.remove(LEADER);
        coming.add(YOUNG);
        assertThat(of(check(2L, 3L), Weight.WANTED))
                .containsExactly(ReasonCode.DAY_NO_LEADER, ReasonCode.DAY_NO_FIRST_AIDER);
        confirmed = true;
        assertThat(of(check(2L, 3L), Weight.REFUSED))
                .containsExactly(ReasonCode.DAY_NO_LEADER, ReasonCode.DAY_NO_FIRST_AIDER);
    }

    @Test
    void nobodyWorksAlone() {
        assertThat(of(check(1L), Weight.WANTED)).containsExactly(ReasonCode.DAY_ALONE);
        assertThat(of(check(), Weight.WANTED)).containsExactly(ReasonCode.DAY_NOBODY);
    }

    @Test
    void whatTheShedLacksAndWhoHasTooMuchIsSaid() {
        kit = Set.of(Kit.POLE_PRUNER, Kit.SECATEURS);
        assertThat(of(check(1L, 2L), Weight.WANTED)).containsExactly(ReasonCode.DAY_KIT_MISSING);
        kit = Set.of();
        // Two people: five hours each, in a day of four.
        minutes = 600;
        coming.set(1, new Helper(2, "Jory", OptionalInt.of(1990), Map.of(), false));
        assertThat(of(check(1L, 2L), Weight.TOLD))
                .containsExactly(ReasonCode.DAY_TOO_LONG, ReasonCode.DAY_TOO_LONG, ReasonCode.DAY_NOT_SAID_TO_COME);
    }

    private static TreeVisit visit(long id, Set<Kit> kit, List<String> outdated, Long... helpers) {
        return new TreeVisit(
                id,
                "K-" + id,
                120,
                Set.of(),
                kit,
                false,
                false,
                true,
                new MayCut(MayCut.Answer.YES, List.of(), DAY, DAY, List.of()),
                Weather.Holds.NONE,
                outdated,
                List.of(helpers));
    }

    private List<DayFinding> checkAll(TreeVisit... visits) {
        return DayCheck.of(
                new WorkDay(DAY, 150, shed, confirmed, coming, List.of(visits)), SurveyBuilder.RULES.knowledge());
    }

    @Test
    void fewerLaddersThanTreesThatWantOneIsTold() {
        Set<Kit> ladder = Set.of(Kit.LADDER);
        assertThat(of(checkAll(visit(1, ladder, List.of(), 1L, 2L)), Weight.TOLD))
                .isEmpty();
        assertThat(of(checkAll(visit(1, ladder, List.of(), 1L, 2L), visit(2, ladder, List.of(), 1L, 2L)), Weight.TOLD))
                .containsExactly(ReasonCode.DAY_LADDERS_SHARED);
    }

    @Test
    void aPersonsMinutesAreSummedOverTheirTrees() {
        // Two people an hour are 120 person-minutes.
        Set<Kit> none = Set.of();
        assertThat(checkAll(visit(1, none, List.of(), 1L, 2L), visit(2, none, List.of(), 1L, 2L)))
                .isEmpty();
        List<DayFinding> long3 = checkAll(
                visit(1, none, List.of(), 1L, 2L),
                visit(2, none, List.of(), 1L, 2L),
                visit(3, none, List.of(), 1L, 2L));
        assertThat(of(long3, Weight.TOLD)).containsExactly(ReasonCode.DAY_TOO_LONG, ReasonCode.DAY_TOO_LONG);
        assertThat(long3.get(0).reason().arguments()).containsExactly("Tamsin", 180, 150);
        assertThat(long3.get(0).helper()).hasValue(1);
    }

    @Test
    void whatIsJudgedAnewSinceIsWantedAndNamesTheLimbs() {
        List<DayFinding> findings = checkAll(visit(1, Set.of(), List.of("C", "D"), 1L, 2L));
        assertThat(findings).singleElement().satisfies(finding -> {
            assertThat(finding.reason().code()).isEqualTo(ReasonCode.DAY_OUTDATED);
            assertThat(finding.reason().arguments()).containsExactly("K-1", "C, D");
            assertThat(finding.visit()).hasValue(1);
        });
    }

    @Test
    void theHeaviestIsSaidFirst() {
        coming.clear();
        coming.add(new Helper(2, "Jory", OptionalInt.of(1990), Map.of(), false));
        tickets = Set.of(Ticket.LADDER);
        List<DayFinding> findings = check(2L);
        assertThat(findings).extracting(DayFinding::weight).isSorted();
        assertThat(findings.get(0).weight()).isEqualTo(Weight.REFUSED);
    }

    @Test
    void anArboristNeedsNoLadderTicket() {
        coming.set(1, new Helper(2, "Corin", OptionalInt.of(1980), Map.of(Ticket.ARBORIST, LATER), true));
        coming.add(new Helper(4, "Mabyn", OptionalInt.of(1980), Map.of(), true));
        tickets = Set.of(Ticket.LADDER);
        assertThat(check(2L, 4L)).isEmpty();
    }
}
