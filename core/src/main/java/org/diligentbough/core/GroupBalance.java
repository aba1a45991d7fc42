package org.diligentbough.core;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.survey.Group;
import org.diligentbough.core.survey.Survey;

/** Trees of a group: the strong are brought down to the others, the weak only tipped, if at all (common practice). */
final class GroupBalance {
    private final Optional<Group> group;
    private final Knowledge knowledge;

    GroupBalance(Optional<Group> group, Knowledge knowledge) {
        this.group = group;
        this.knowledge = knowledge;
    }

    /** A strong tree with the others' height as the one wanted, unless a lower one is. */
    Survey broughtDown(Survey survey) {
        if (group.isEmpty() || !strong(survey.tree().heightM(), group.get())) {
            return survey;
        }
        double wantedM = Math.min(
                group.get().meanHeightM(), survey.tree().targetHeightM().orElse(Double.MAX_VALUE));
        return survey.withTargetHeight(OptionalDouble.of(wantedM));
    }

    /** What is said of a tree that is out of balance with its group. */
    List<Reason> said(Survey survey) {
        return group.stream()
                .flatMap(others -> {
                    double heightM = survey.tree().heightM();
                    if (strong(heightM, others)) {
                        return Optional.of(
                                knowledge.reason(ReasonCode.GROUP_STRONG, heightM, others.meanHeightM(), others.name()))
                                .stream();
                    }
                    boolean weak = heightM * knowledge.get(Figure.OUT_OF_BALANCE) < others.meanHeightM();
                    return weak
                            ? Optional.of(knowledge.reason(
                                            ReasonCode.GROUP_WEAK, heightM, others.meanHeightM(), others.name()))
                                    .stream()
                            : Optional.<Reason>empty().stream();
                })
                .toList();
    }

    private boolean strong(double heightM, Group others) {
        return heightM > others.meanHeightM() * knowledge.get(Figure.OUT_OF_BALANCE);
    }
}
