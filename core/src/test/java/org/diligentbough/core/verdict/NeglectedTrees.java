package org.diligentbough.core.verdict;

import static org.diligentbough.core.verdict.TreeCatalogue.tree;

import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.SurveyBuilder.LimbBuilder;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Role;
import org.junit.jupiter.api.DynamicTest;

/** Made-up apples that the catalogue of whole trees begins from: neglected, tall, forked, led. */
final class NeglectedTrees {
    private NeglectedTrees() {}

    /** A neglected apple with so many sound mains all round, as many as are wanted. */
    static SurveyBuilder neglected(int mains, UnaryOperator<LimbBuilder> how) {
        SurveyBuilder tree = new SurveyBuilder();
        tree.yearsSinceCut = OptionalDouble.of(12);
        tree.mainsWanted = OptionalInt.of(mains);
        for (int i = 0; i < mains; i++) {
            int number = i;
            tree.limb(
                    "M" + i,
                    limb -> how.apply(limb.diameter(10)
                            .origin(1.2 + 0.1 * (number % 3))
                            .azimuth(number * 360.0 / mains)
                            .angle(45)
                            .length(3)
                            .years(30)
                            .fruiting(2)));
        }
        return tree;
    }

    static SurveyBuilder neglected() {
        return neglected(5, limb -> limb);
    }

    /** Five arms whose tops stand at about 4.7 m, each with a good outward branch at 2.4 of 3.6 m. */
    static SurveyBuilder fiveTallArms(double wantedM) {
        SurveyBuilder tree = neglected(5, limb -> limb.angle(70).length(3.6));
        for (int i = 0; i < 5; i++) {
            int number = i;
            tree.limb("B" + i, limb -> limb.on("M" + number, 2.4)
                    .diameter(3.5)
                    .azimuth(number * 72)
                    .angle(30)
                    .length(0.8)
                    .fruiting(2));
        }
        tree.heightM = 4.8;
        tree.targetHeightM = OptionalDouble.of(wantedM);
        return tree;
    }

    static SurveyBuilder fork(double stemCm) {
        return neglected(2, limb -> limb)
                .limb("A", limb -> limb.diameter(14)
                        .azimuth(90)
                        .angle(58)
                        .fruiting(2)
                        .fault(FaultKind.INCLUDED_BARK, "B"))
                .limb("B", limb -> limb.diameter(stemCm)
                        .azimuth(270)
                        .angle(65)
                        .fruiting(1)
                        .fault(FaultKind.INCLUDED_BARK, "A"));
    }

    static SurveyBuilder youngTops() {
        SurveyBuilder tree =
                neglected(5, limb -> limb.angle(75).length(4.5).diameter(5).years(9));
        tree.targetHeightM = OptionalDouble.of(4.5);
        return tree;
    }

    /** A leader of 3.2 m from 1.5 m on, with a weaker top shoot at half its length. */
    static SurveyBuilder led(double wantedM) {
        SurveyBuilder tree = neglected(3, limb -> limb)
                .limb("L", limb -> limb.role(Role.LEADER)
                        .diameter(12)
                        .origin(1.5)
                        .angle(88)
                        .length(3.2)
                        .years(20))
                .limb("L1", limb -> limb.on("L", 1.6).diameter(4).angle(70).azimuth(200));
        tree.formWanted = Form.CENTRAL_LEADER;
        tree.targetHeightM = OptionalDouble.of(wantedM);
        return tree;
    }

    static Stream<DynamicTest> tests(TreeCatalogue... trees) {
        return Stream.of(trees).map(TreeCatalogue::test);
    }
}
