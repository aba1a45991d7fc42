package org.diligentbough.core;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.DoubleStream;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.survey.Group;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.survey.TreeSurvey;

/**
 * Trees of a group: the strong, by height, crown and end shoots, are brought down to the others, the weak only tipped, if
 * at all (common practice). Where nothing else is known of a group, the trees that a survey finds close by are the others.
 */
final class GroupBalance {
    private final Optional<Group> group;
    private final Knowledge knowledge;

    GroupBalance(Optional<Group> registered, Survey survey, Knowledge knowledge) {
        this.group = registered.or(() -> found(survey));
        this.knowledge = knowledge;
    }

    /** Trees round one that is said to be of a group, as far as they stand no farther off than the taller of the two is tall. */
    private static Optional<Group> found(Survey survey) {
        List<Survey.Surrounding> others = survey.surroundings().stream()
                .filter(other -> other.kind() == Survey.Surrounding.Kind.TREE)
                .filter(other -> other.distanceM() <= Math.max(survey.tree().heightM(), other.heightM()))
                .toList();
        return survey.tree()
                .noted()
                .group()
                .filter(name -> !others.isEmpty())
                .map(name -> new Group(
                        name,
                        others.size(),
                        mean(others.stream().mapToDouble(Survey.Surrounding::heightM)),
                        mean(others.stream().mapToDouble(other -> 2 * other.extentM())),
                        OptionalDouble.empty()));
    }

    private static double mean(DoubleStream values) {
        return values.average().orElseThrow();
    }

    /** A strong tree with the others' height and width as those wanted, unless less is; a weak one spared. */
    Survey balanced(Survey survey) {
        if (group.isEmpty()) {
            return survey;
        }
        TreeSurvey tree = survey.tree();
        Group others = group.get();
        if (weak(tree, others)) {
            return survey.wanting(tree.targetHeightM(), tree.noted().spared());
        }
        if (!strong(tree, others)) {
            return survey;
        }
        return survey.wanting(
                lower(tree.targetHeightM(), tree.heightM(), others.meanHeightM()),
                tree.noted().within(lower(tree.noted().spreadTargetM(), tree.spreadM(), others.meanSpreadM())));
    }

    /** The others' measure where the tree's own is out of balance with it, unless less is wanted anyway. */
    private OptionalDouble lower(OptionalDouble wanted, double own, double others) {
        return own > others * outOfBalance()
                ? OptionalDouble.of(Math.min(others, wanted.orElse(Double.MAX_VALUE)))
                : wanted;
    }

    /** What is said of a tree that is out of balance with its group. */
    List<Reason> said(Survey survey) {
        return group.stream()
                .flatMap(others -> {
                    TreeSurvey tree = survey.tree();
                    Optional<ReasonCode> said = strong(tree, others)
                            ? Optional.of(ReasonCode.GROUP_STRONG)
                            : Optional.of(ReasonCode.GROUP_WEAK).filter(code -> weak(tree, others));
                    return said.stream();
                })
                .map(code -> {
                    TreeSurvey tree = survey.tree();
                    Group others = group.orElseThrow();
                    return knowledge.reason(
                            code,
                            tree.heightM(),
                            others.meanHeightM(),
                            others.name(),
                            tree.spreadM(),
                            others.meanSpreadM());
                })
                .toList();
    }

    private boolean strong(TreeSurvey tree, Group others) {
        return tree.heightM() > others.meanHeightM() * outOfBalance() || strength(tree, others) > outOfBalance();
    }

    private boolean weak(TreeSurvey tree, Group others) {
        return !strong(tree, others) && strength(tree, others) * outOfBalance() < 1;
    }

    /** How strong a tree is against the others, 1 when alike: the mean of what is known of height, crown and end shoots. */
    private static double strength(TreeSurvey tree, Group others) {
        DoubleStream.Builder known = DoubleStream.builder();
        known.add(tree.heightM() / others.meanHeightM());
        known.add(tree.spreadM() / others.meanSpreadM());
        if (tree.shootExtensionCm().isPresent() && others.meanShootsCm().isPresent()) {
            known.add(tree.shootExtensionCm().getAsDouble()
                    / others.meanShootsCm().getAsDouble());
        }
        return known.build().average().orElseThrow();
    }

    private double outOfBalance() {
        return knowledge.get(Figure.OUT_OF_BALANCE);
    }
}
