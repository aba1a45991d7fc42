package org.diligentbough.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Stream;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.season.Window;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.Fault;
import org.diligentbough.core.verdict.Decision;
import org.diligentbough.core.verdict.Verdict;
import org.diligentbough.core.visit.TreeToday;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** What people decide, where they move it and whether the tree rests, together: a sound limb is never sick for being decided. */
class DecisionsMovesRestTest {
    private static final LocalDate TODAY = LocalDate.of(2027, 2, 20);

    static Stream<Arguments> cases() {
        return Stream.of(true, false)
                .flatMap(sick -> Stream.of(true, false)
                        .flatMap(decided -> Stream.of(0, 2027, 2029).flatMap(moved -> Stream.of(true, false)
                                .map(rests -> Arguments.of(sick, decided, moved, rests)))))
                .filter(one -> (boolean) one.get()[0] || (boolean) one.get()[1]);
    }

    @ParameterizedTest(name = "sick {0}, decided {1}, moved to {2}, resting {3}")
    @MethodSource("cases")
    void aRuleSaysItselfWhetherItMust(boolean sick, boolean decided, int moved, boolean rests) {
        SurveyBuilder tree = SurveyBuilder.withFrame().limb("X", limb -> {
            limb.diameter(6).azimuth(60).fruiting(2);
            return sick ? limb.fault(Fault.diseased(Disease.CANKER)) : limb;
        });
        tree.shootCm = OptionalDouble.of(rests ? 8 : 35);
        tree.years = OptionalInt.of(4);
        List<Pin> pins = moved == 0
                ? List.of()
                : List.of(new Pin("X", Verdict.REMOVE, moved, Season.DORMANT, Optional.of(Window.Quality.BEST)));
        List<Decision> decisions =
                decided ? List.of(new Decision("X", Verdict.REMOVE, "Tamsin Oke", TODAY)) : List.of();
        Wishes edits = new Wishes(OptionalInt.empty(), Optional.empty(), pins, decisions, Set.of(), Set.of());
        Evaluation found = Evaluation.of(
                TreeToday.asSurveyed(tree.build()),
                new Evaluation.Given(edits, List.of(), List.of(), Optional.empty()),
                SurveyBuilder.RULES);
        PlannedCut cut = found.plan().lanes().stream()
                .flatMap(lane -> lane.cuts().stream())
                .filter(one -> one.limb().equals("X"))
                .findFirst()
                .orElseThrow();
        int year = found.plan().lanes().stream()
                .filter(lane -> lane.cuts().contains(cut))
                .findFirst()
                .orElseThrow()
                .year()
                .year();
        List<ReasonCode> breaks =
                cut.breaks().stream().map(reason -> reason.code()).toList();
        assertThat(SurveyBuilder.verdictOn(found, "X").must()).isEqualTo(sick);
        if (moved != 0) {
            assertThat(year).isEqualTo(moved);
            // Sick wood put off says so; sound wood does not, but takes part in what a resting tree may lose.
            assertThat(breaks.contains(ReasonCode.BREAKS_DISEASED)).isEqualTo(sick && moved > 2027);
            assertThat(breaks.contains(ReasonCode.BREAKS_REST)).isEqualTo(!sick && rests && moved == 2027);
        } else {
            assertThat(breaks).isEmpty();
            assertThat(year).isEqualTo(!sick && rests ? 2028 : 2027);
        }
    }
}
