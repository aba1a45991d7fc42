package org.diligentbough.core.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.core.SurveyBuilder.verdictOn;
import static org.diligentbough.core.verdict.NeglectedTrees.fiveTallArms;
import static org.diligentbough.core.verdict.NeglectedTrees.fork;
import static org.diligentbough.core.verdict.NeglectedTrees.led;
import static org.diligentbough.core.verdict.NeglectedTrees.neglected;
import static org.diligentbough.core.verdict.NeglectedTrees.tests;
import static org.diligentbough.core.verdict.NeglectedTrees.youngTops;
import static org.diligentbough.core.verdict.TreeCatalogue.tree;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.diligentbough.core.LimbCopy;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Bearing;
import org.diligentbough.core.orchard.Purpose;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.Fault;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Lean;
import org.diligentbough.core.survey.TreeSurvey;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;

/**
 * Whole trees, each with what must and must not be in its verdicts and plan: height, forks, what is dead, sick or broken,
 * and pairs, alone and in company. {@link ShapeCatalogueTest} has the rest. Common practice, no source.
 */
class TreeCatalogueTest {

    @TestFactory
    Stream<DynamicTest> height() {
        SurveyBuilder tallNoBranch = neglected(5, limb -> limb.angle(75).length(4.5));
        tallNoBranch.targetHeightM = OptionalDouble.of(4);
        SurveyBuilder young = youngTops();
        SurveyBuilder spare = neglected(8, limb -> limb.angle(75).length(4.5));
        spare.mainsWanted = OptionalInt.of(5);
        spare.yearsSinceCut = OptionalDouble.of(2);
        spare.targetHeightM = OptionalDouble.of(4);
        SurveyBuilder bare = neglected(4, limb -> limb)
                .limb("X", limb -> limb.diameter(10.7)
                        .azimuth(20)
                        .angle(80)
                        .length(4.2)
                        .years(35)
                        .fruiting(1))
                .limb("X1", limb -> limb.on("X", 1.2)
                        .diameter(3)
                        .azimuth(20)
                        .angle(40)
                        .fruiting(2));
        bare.mainsWanted = OptionalInt.of(5);
        bare.targetHeightM = OptionalDouble.of(4.5);
        SurveyBuilder goes = fiveTallArms(4.2);
        goes.limb(
                "X",
                limb -> limb.on("M0", 1).diameter(5.4).angle(85).length(3.4).azimuth(0));
        SurveyBuilder lateral = neglected(4, limb -> limb).limb("X", limb -> limb.on("M0", 2.6)
                .diameter(2)
                .angle(40)
                .length(0.6)
                .fruiting(2));
        lateral.targetHeightM = OptionalDouble.of(3.5);
        return tests(
                tree("arms five centimetres too high are at their height", fiveTallArms(4.58))
                        .never(Verdict.SHORTEN, "M0", "M1", "M2", "M3", "M4")
                        .cutsNothing(),
                tree("arms half a metre too high come down together, in one small visit", fiveTallArms(4.2))
                        .finds(Verdict.SHORTEN, "M0", "M1", "M2", "M3", "M4")
                        .cutTo("M0", "B0")
                        .together("M0", "M1", "M2", "M3", "M4")
                        .yearsAtMost(1)
                        .takesAtMost(0, 0.25)
                        .endsAtMost(4.2)
                        .placesAll(),
                tree("two centimetres more height wanted change nothing of it", fiveTallArms(4.22))
                        .finds(Verdict.SHORTEN, "M0", "M1", "M2", "M3", "M4")
                        .together("M0", "M1", "M2", "M3", "M4"),
                tree("old arms with no branch are left and it is said what to look for", tallNoBranch)
                        .never(Verdict.SHORTEN, "M0", "M3")
                        .never(Verdict.REMOVE, "M0", "M3")
                        .says("M0", ReasonCode.FIND_A_BRANCH),
                tree("arms with young tops are headed there, together", young)
                        .finds(Verdict.SHORTEN, "M0", "M1", "M2", "M3", "M4")
                        .together("M0", "M1", "M2", "M3", "M4")
                        .endsAtMost(4.5)
                        .endsAtLeast(3.6),
                tree("where mains are to spare a tall one goes, one a year", spare)
                        .and(found -> assertThat(found.plan().lanes())
                                .allMatch(lane -> lane.cuts().stream()
                                                .filter(cut -> cut.kind() == Verdict.REMOVE)
                                                .count()
                                        <= 1)),
                tree("a steep thick limb is not headed to a bare post above its only fruiting branch", bare)
                        .never(Verdict.SHORTEN, "X")
                        .never(Verdict.GOES_WITH_PARENT, "X1"),
                tree(
                                "an old arm that has to stay keeps what grows on it, though that leaves above the aim",
                                neglected(5, limb -> limb.angle(75).length(4.5))
                                        .with(it -> it.targetHeightM = OptionalDouble.of(4))
                                        .limb("X", limb -> limb.on("M0", 3.2)
                                                .diameter(2)
                                                .azimuth(0)
                                                .angle(40)
                                                .years(12)
                                                .fruiting(2)))
                        .never(Verdict.REMOVE, "M0", "X"),
                tree("a leader a hand over its height stays", led(4.5)).never(Verdict.SHORTEN, "L"),
                tree("what goes is not topped first", goes)
                        .finds(Verdict.REMOVE, "X")
                        .by(Rule.THICK_SIDE_LIMB, "X"),
                tree("a fruiting lateral that leaves above the aim but stays within reach is no reason", lateral)
                        .never(Verdict.REMOVE, "X"),
                tree("a leader a metre over is taken to a weaker top shoot", led(3.5))
                        .finds(Verdict.SHORTEN, "L")
                        .cutTo("L", "L1"),
                tree("a wildlife tree has no height", fiveTallArms(3).with(it -> it.purpose = Purpose.WILDLIFE))
                        .cutsNothing(),
                tree(
                                "stone fruit is cut in summer, so no regrowth is reckoned",
                                fiveTallArms(4.2)
                                        .with(it -> it.species = Species.PLUM)
                                        .with(it -> it.today = LocalDate.of(2027, 6, 1)))
                        .finds(Verdict.SHORTEN, "M0")
                        .together("M0", "M1", "M2", "M3", "M4")
                        .endsAtMost(4.2),
                tree(
                                "a tip bearer is never tipped: without a branch it is left",
                                youngTops().with(it -> it.bearing = Bearing.TIP))
                        .never(Verdict.SHORTEN, "M0", "M1")
                        .says("M0", ReasonCode.FIND_A_BRANCH));
    }

    @TestFactory
    Stream<DynamicTest> unions() {
        SurveyBuilder fresh = fork(12);
        fresh.trunk = new TreeSurvey.Trunk(OptionalDouble.of(10), Optional.empty(), OptionalDouble.empty(), Lean.NONE);
        SurveyBuilder callused = fork(12);
        callused.trunk =
                new TreeSurvey.Trunk(OptionalDouble.of(10), Optional.of(false), OptionalDouble.empty(), Lean.NONE);
        SurveyBuilder company = fork(13);
        for (int i = 0; i < 4; i++) {
            int number = i;
            company.limb("C" + i, limb -> limb.on("M" + number % 2, 0.5 + 0.5 * number)
                    .diameter(3)
                    .azimuth(number * 90)
                    .fault(FaultKind.CROWDED));
        }
        SurveyBuilder last = fork(13);
        last.removedLast12Months = 0.4;
        last.limbs.removeIf(limb -> limb.id().equals("A") || limb.id().equals("B"));
        last.yearsSinceCut = OptionalDouble.of(1);
        last.waterSprouts = OptionalInt.of(30);
        last.limb("X", limb -> limb.on("M0", 1).diameter(3).fault(FaultKind.CROWDED));
        return tests(
                tree("a stem of a fork goes whole in the first year, the sounder and thicker stays", fork(12))
                        .finds(Verdict.REMOVE, "B")
                        .never(Verdict.REMOVE, "A")
                        .by(Rule.SPLIT_UNION, "B")
                        .first("B")
                        .placesAll(),
                tree("little else that year, rest the next, a quarter the one after", company)
                        .first("B")
                        .and(found -> {
                            double stem = verdictOn(found, "B").crownShare();
                            assertThat(found.plan().lanes().get(0).share() - stem)
                                    .isLessThanOrEqualTo(0.05 + 1e-6);
                            int year = found.plan().lanes().get(0).year().year();
                            assertThat(found.plan().lanes().stream()
                                            .filter(lane -> lane.year().year() == year + 1)
                                            .mapToDouble(lane -> lane.share())
                                            .sum())
                                    .isLessThanOrEqualTo(0.05 + 1e-6);
                        })
                        .takesAtMost(2, 0.25),
                tree("the same year met by a survey is a year of rest too", last)
                        .is(Triage.REST)
                        .takesAtMost(0, 0.05)
                        .takesAtMost(1, 0.25),
                tree("a fresh crack does not wait", fresh)
                        .and(found -> assertThat(verdictOn(found, "B").urgent()).isTrue()),
                tree("a callused one is an arborist's for that cut alone", callused)
                        .and(found -> {
                            assertThat(verdictOn(found, "B").urgent()).isFalse();
                            assertThat(verdictOn(found, "B").cut().orElseThrow().tickets())
                                    .contains(Ticket.ARBORIST);
                            assertThat(found.tree().triage()).isNotEqualTo(Triage.REFER);
                        }));
    }

    @TestFactory
    Stream<DynamicTest> threeDs() {
        SurveyBuilder waits = neglected();
        for (int i = 0; i < 4; i++) {
            int number = i;
            waits.limbs.set(i, new LimbCopy(waits.limbs.get(i)).with(Fault.of(FaultKind.CROSSING_CENTRE)));
            waits.limb("D" + i, limb -> limb.on("M" + number, 0.6)
                    .diameter(3)
                    .azimuth(number * 72)
                    .fault(number % 2 == 0 ? Fault.of(FaultKind.DEAD) : Fault.diseased(Disease.CANKER)));
        }
        SurveyBuilder now = neglected();
        now.limbs.set(0, new LimbCopy(now.limbs.get(0)).with(Fault.of(FaultKind.CROSSING_CENTRE)));
        now.limb("D", limb -> limb.on("M0", 0.6).diameter(3).fault(FaultKind.DEAD));
        SurveyBuilder broken = neglected()
                .limb("X", limb -> limb.diameter(7)
                        .azimuth(36)
                        .years(20)
                        .fruiting(2)
                        .brokenAt(2.4))
                .limb("X1", limb -> limb.on("X", 1.5).azimuth(36).fruiting(2))
                .limb("X2", limb -> limb.on("X", 2.6).azimuth(36).fruiting(2));
        SurveyBuilder nicked = new SurveyBuilder()
                .limb(
                        "A",
                        limb -> limb.diameter(3).years(4).length(1.8).azimuth(0).fruiting(1))
                .limb("B", limb -> limb.diameter(3)
                        .years(4)
                        .length(1.8)
                        .azimuth(120)
                        .brokenAt(1.6))
                .limb("C", limb -> limb.diameter(3)
                        .years(4)
                        .length(1.8)
                        .azimuth(240)
                        .fruiting(1));
        SurveyBuilder weak = neglected();
        weak.shootCm = OptionalDouble.of(8);
        weak.limb("D", limb -> limb.on("M0", 1).fault(FaultKind.DEAD))
                .limb("X", limb -> limb.on("M1", 1).fault(FaultKind.CROWDED));
        weak.years = OptionalInt.of(1);
        return tests(
                tree("dead and cankered side limbs do not wait for their parents' turn", waits)
                        .and(found -> {
                            List<String> first = TreeCatalogue.ofYear(found, 0);
                            for (int i = 0; i < 4; i++) {
                                assertThat(first).containsAnyOf("D" + i, "M" + i);
                            }
                        }),
                tree("on a limb that comes off at the same visit they need no cut of their own", now)
                        .finds(Verdict.GOES_WITH_PARENT, "D"),
                tree("a broken limb ends at the outermost branch below the break", broken)
                        .finds(Verdict.SHORTEN, "X")
                        .cutTo("X", "X1")
                        .first("X"),
                tree("a nicked tip is not a lost limb", nicked)
                        .finds(Verdict.SHORTEN, "B")
                        .says("B", ReasonCode.BUD_BELOW_BREAK),
                tree("a weak tree loses dead wood only", weak).is(Triage.REST).and(found -> assertThat(
                                found.plan().lanes().stream()
                                        .flatMap(lane -> lane.cuts().stream())
                                        .map(cut -> cut.limb()))
                        .containsExactly("D")),
                tree("a stub goes to the collar", neglected().limb("S", limb -> limb.on("M0", 1)
                                .length(0.2)
                                .fault(FaultKind.STUB)))
                        .finds(Verdict.REMOVE, "S")
                        .first("S"),
                tree("a tip that dies back is cut to sound wood", neglected().limb("X", limb -> limb.on("M0", 1)
                                .fault(FaultKind.TIP_DIEBACK)))
                        .finds(Verdict.SHORTEN, "X")
                        .by(Rule.DEAD, "X"),
                tree(
                                "leaf curl on a growing peach is lived with",
                                neglected()
                                        .with(it -> it.species = Species.PEACH)
                                        .limb("X", limb -> limb.on("M0", 1.5)
                                                .azimuth(0)
                                                .fruiting(2)
                                                .fault(Fault.diseased(Disease.LEAF_CURL))))
                        .never(Verdict.REMOVE, "X"));
    }

    @TestFactory
    Stream<DynamicTest> pairs() {
        SurveyBuilder crossingToo = neglected()
                .limb("X", limb -> limb.on("M0", 1.2).diameter(4).fault(FaultKind.RUBBING, "Y"))
                .limb("Y", limb -> limb.on("M1", 1.2).diameter(4).fault(FaultKind.CROSSING_CENTRE));
        SurveyBuilder sizes = neglected()
                .limb("X", limb -> limb.on("M0", 1.2).diameter(4.5).fruiting(2).fault(FaultKind.RUBBING, "Y"))
                .limb("Y", limb -> limb.on("M1", 1.2).diameter(3).azimuth(72).fruiting(2));
        SurveyBuilder three = neglected()
                .limb("X", limb -> limb.on("M0", 1.2).diameter(4.5).azimuth(0).fault(FaultKind.RUBBING, "Y"))
                .limb("Y", limb -> limb.on("M1", 1.2).diameter(4).azimuth(72).fault(FaultKind.RUBBING, "Z"))
                .limb("Z", limb -> limb.on("M2", 1.2).diameter(3).azimuth(144).fruiting(2));
        SurveyBuilder mains = neglected(9, limb -> limb);
        mains.mainsWanted = OptionalInt.of(8);
        mains.limbs.set(0, new LimbCopy(mains.limbs.get(0)).with(Fault.with(FaultKind.RUBBING, "M1")));
        return tests(
                tree("of a rubbing pair of which one crosses, that one goes and no other", crossingToo)
                        .finds(Verdict.REMOVE, "Y")
                        .never(Verdict.REMOVE, "X")
                        .says("X", ReasonCode.TICKED_OTHER_GOES),
                tree("of two of a size apart the smaller goes", sizes)
                        .finds(Verdict.REMOVE, "Y")
                        .never(Verdict.REMOVE, "X"),
                tree("in a row of three the middle one goes and both others stay", three)
                        .finds(Verdict.REMOVE, "Y")
                        .never(Verdict.REMOVE, "X", "Z"),
                tree("the one for which another went is not one too many besides", mains)
                        .and(found -> assertThat(Stream.of("M0", "M1")
                                        .filter(limb -> verdictOn(found, limb).verdict() == Verdict.REMOVE)
                                        .count())
                                .isEqualTo(1)),
                tree(
                                "a crowded side branch goes, the better one stays",
                                neglected()
                                        .limb("X", limb -> limb.on("M0", 1.2).fruiting(2))
                                        .limb("Y", limb -> limb.on("M0", 1.3)
                                                .fruiting(0)
                                                .fault(FaultKind.CROWDED, "X")))
                        .finds(Verdict.REMOVE, "Y")
                        .never(Verdict.REMOVE, "X"),
                tree("a partner that was not named is asked for", neglected().limb("X", limb -> limb.on("M0", 1.2)
                                .fault(FaultKind.RUBBING)))
                        .never(Verdict.REMOVE, "X")
                        .says("X", ReasonCode.TICKED_NOBODY_NAMED));
    }
}
