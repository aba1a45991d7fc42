package org.diligentbough.server.verdict;

import java.util.List;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.plan.RenovationPlan;
import org.diligentbough.core.season.MayCut;
import org.diligentbough.core.verdict.Cut;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.TreeVerdict;
import org.diligentbough.server.shared.Wording;
import org.springframework.stereotype.Component;

/** Writes the core's evaluation as it is answered. */
@Component
public class EvaluationWriter {
    private final Wording wording;

    EvaluationWriter(Wording wording) {
        this.wording = wording;
    }

    /** The answer. */
    public EvaluationAnswer write(Evaluation evaluation) {
        return new EvaluationAnswer(
                tree(evaluation),
                evaluation.limbs().stream().map(this::limb).toList(),
                evaluation.plan().lanes().stream().map(this::lane).toList(),
                evaluation.plan().notPlaced().stream()
                        .map(limb -> new EvaluationAnswer.NotPlacedAnswer(limb.limb(), wording.all(limb.reasons())))
                        .toList(),
                today(evaluation.today()),
                null,
                null,
                wording.all(evaluation.cautions()));
    }

    private EvaluationAnswer.TreeAnswer tree(Evaluation evaluation) {
        TreeVerdict tree = evaluation.tree();
        TreeVerdict.Allowance allowance = tree.allowance();
        return new EvaluationAnswer.TreeAnswer(
                Codes.of(tree.triage()),
                tree.vigour().map(Codes::of).orElse(null),
                wording.all(tree.reasons()),
                new EvaluationAnswer.AllowanceAnswer(
                        allowance.year().isPresent() ? allowance.year().getAsDouble() : null,
                        allowance.summer().isPresent() ? allowance.summer().getAsDouble() : null,
                        allowance.bigCuts().isPresent() ? allowance.bigCuts().getAsInt() : null,
                        wording.all(allowance.reasons())),
                Codes.of(evaluation.scene().formWanted()),
                tree.yearsNeeded());
    }

    private EvaluationAnswer.LimbAnswer limb(LimbVerdict limb) {
        return new EvaluationAnswer.LimbAnswer(
                limb.limb().id(),
                limb.crownShare(),
                null,
                Codes.of(limb.verdict()),
                limb.urgent(),
                limb.anySeason(),
                wording.all(limb.reasons()),
                null,
                limb.cut().map(EvaluationWriter::cut).orElse(null));
    }

    private static EvaluationAnswer.CutAnswer cut(Cut cut) {
        List<String> tickets = cut.tickets().stream().sorted().map(Codes::of).toList();
        return new EvaluationAnswer.CutAnswer(
                Codes.of(cut.kind()),
                rounded(cut.diameterCm()),
                cut.big(),
                Codes.of(cut.technique()),
                Codes.of(cut.tool()),
                Codes.of(cut.reach()),
                rounded(cut.weightKg()),
                cut.minutes(),
                tickets,
                rounded(cut.place().alongM()),
                rounded(cut.heightM()),
                cut.place().sideBranch().orElse(null));
    }

    private EvaluationAnswer.LaneAnswer lane(RenovationPlan.Lane lane) {
        return new EvaluationAnswer.LaneAnswer(
                lane.year().year(),
                lane.year().label(),
                Codes.of(lane.season()),
                lane.quality().map(Codes::of).orElse(null),
                new EvaluationAnswer.WindowAnswer(lane.opens(), lane.closes()),
                lane.cuts().stream()
                        .map(cut -> new EvaluationAnswer.PlannedCutAnswer(
                                cut.limb(),
                                Codes.of(cut.kind()),
                                cut.share(),
                                cut(cut.cut()),
                                wording.all(cut.reasons()),
                                cut.byHand(),
                                wording.all(cut.breaks())))
                        .toList(),
                lane.share(),
                lane.allowance().isPresent() ? lane.allowance().getAsDouble() : null,
                lane.bigCuts(),
                lane.minutes(),
                lane.overrun().map(wording::of).orElse(null),
                lane.detail()
                        .map(detail ->
                                new EvaluationAnswer.DetailAnswer(detail.shoots(), detail.share(), detail.minutes()))
                        .orElse(null));
    }

    private EvaluationAnswer.TodayAnswer today(MayCut today) {
        return new EvaluationAnswer.TodayAnswer(
                Codes.of(today.answer()), wording.all(today.reasons()), today.nextOpens(), today.nextCloses());
    }

    /** Hundredths: a cut is not known more exactly than that. */
    private static double rounded(double value) {
        return Math.round(value * 100) / 100.0;
    }
}
