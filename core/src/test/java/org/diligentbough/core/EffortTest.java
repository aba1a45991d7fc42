package org.diligentbough.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import org.diligentbough.core.outlook.Outlook;
import org.diligentbough.core.survey.Survey;
import org.junit.jupiter.api.Test;

class EffortTest {
    private static final Rulebook RULES = Rulebook.load();

    private static int judged(Survey tree) {
        Evaluation evaluation = Evaluation.of(tree, RULES);
        return Outlook.of(evaluation.planned(), RULES.rootstocks()).plan().size();
    }

    @Test
    void judgingATreeEndsSoonAfterItsBound() {
        Survey tree = RandomTrees.tree(7).build();
        assertThatThrownBy(() -> Effort.within(Duration.ZERO, () -> judged(tree)))
                .isInstanceOf(Effort.TooMuch.class);
        assertThat(Effort.within(Duration.ofMinutes(5), () -> judged(tree))).isPositive();
    }

    @Test
    void withoutABoundNothingEnds() {
        assertThatCode(Effort::look).doesNotThrowAnyException();
    }
}
