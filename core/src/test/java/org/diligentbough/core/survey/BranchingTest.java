package org.diligentbough.core.survey;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.diligentbough.core.SurveyBuilder;
import org.junit.jupiter.api.Test;

class BranchingTest {

    private static List<Limb> limbs(SurveyBuilder tree) {
        return tree.limbs;
    }

    @Test
    void aLimbPointingEastAtFortyFiveDegreesEndsEastAndUp() {
        Branching branching = new Branching(
                limbs(new SurveyBuilder().limb("A", limb -> limb.azimuth(90).length(2))));
        Point tip = branching.tip(branching.get("A"));
        assertThat(tip.eastM()).isCloseTo(Math.sqrt(2), within(1e-9));
        assertThat(tip.northM()).isCloseTo(0, within(1e-9));
        assertThat(tip.upM()).isCloseTo(1.3 + Math.sqrt(2), within(1e-9));
    }

    @Test
    void aSideLimbStartsOnItsParent() {
        Branching branching = new Branching(limbs(new SurveyBuilder()
                .limb("A", limb -> limb.angle(0).azimuth(0).length(3))
                .limb("A1", limb -> limb.on("A", 2).angle(90).length(1))));
        Point base = branching.baseOfLimb(branching.get("A1"));
        assertThat(base.northM()).isCloseTo(2, within(1e-9));
        assertThat(branching.topM(branching.get("A1"))).isCloseTo(2.3, within(1e-9));
    }

    @Test
    void weightIsThatOfTaperedConesWorkedByHand() {
        // 10 cm to 5.5 cm over 3 m: pi/12 * 3 * (0.01 + 0.0055 + 0.003025) = 0.014552 m3.
        Branching branching = new Branching(
                limbs(new SurveyBuilder().limb("A", limb -> limb.diameter(10).length(3))));
        assertThat(branching.volumeBeyondM3(branching.get("A"), 0)).isCloseTo(0.014552, within(1e-5));
        assertThat(branching.volumeBeyondM3(branching.get("A"), 3)).isCloseTo(0, within(1e-12));
    }

    @Test
    void circlesUnknownParentsAndSameNamesAreRefused() {
        assertThatThrownBy(() -> new Branching(limbs(
                        new SurveyBuilder().limb("A", limb -> limb.on("B", 1)).limb("B", limb -> limb.on("A", 1)))))
                .hasMessageContaining("circle");
        assertThatThrownBy(() -> new Branching(limbs(new SurveyBuilder().limb("A", limb -> limb.on("Z", 1)))))
                .hasMessageContaining("no limb is called Z");
        assertThatThrownBy(() -> new Branching(
                        limbs(new SurveyBuilder().limb("A", limb -> limb).limb("A", limb -> limb))))
                .hasMessageContaining("two limbs are called A");
        assertThatThrownBy(() -> new Branching(
                        limbs(new SurveyBuilder().limb("A", limb -> limb).limb("B", limb -> limb.on("A", 3.5)))))
                .hasMessageContaining("past the tip");
    }
}
