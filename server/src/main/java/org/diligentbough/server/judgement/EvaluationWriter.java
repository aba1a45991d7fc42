package org.diligentbough.server.judgement;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.light.CrownLight;
import org.diligentbough.core.light.Shading;
import org.diligentbough.core.outlook.Outlook;
import org.diligentbough.core.outlook.PlanBuys;
import org.diligentbough.core.plan.RenovationPlan;
import org.diligentbough.core.plan.Upkeep;
import org.diligentbough.core.plan.Worth;
import org.diligentbough.core.season.MayCut;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.verdict.BudAdvice;
import org.diligentbough.core.verdict.Cut;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.TreeFacts;
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
        return write(evaluation, null);
    }

    /** The answer with ten years ahead. */
    public EvaluationAnswer write(Evaluation evaluation, Outlook outlook) {
        CrownLight crown = evaluation.crownLight();
        Map<String, Double> light = crown.byLimb();
        return new EvaluationAnswer(
                tree(evaluation),
                evaluation.limbs().stream()
                        .map(limb -> limb(
                                limb,
                                light.get(limb.limb().id()),
                                evaluation.worth().get(limb.limb().id()),
                                evaluation.facts()))
                        .toList(),
                evaluation.plan().years(),
                evaluation.plan().yearsWhy().map(wording::of).orElse(null),
                evaluation.plan().lanes().stream()
                        .map(lane -> lane(lane, evaluation.facts()))
                        .toList(),
                evaluation.plan().notPlaced().stream()
                        .map(limb -> new EvaluationAnswer.NotPlacedAnswer(limb.limb(), wording.all(limb.reasons())))
                        .toList(),
                evaluation.care().stream()
                        .map(care -> new EvaluationAnswer.CareAnswer(
                                care.year().year(), care.year().label(), wording.of(care.what()), care.minutes()))
                        .toList(),
                evaluation.upkeep().map(upkeep -> upkeep(upkeep, evaluation)).orElse(null),
                today(evaluation.today()),
                light(evaluation, crown),
                outlook == null
                        ? null
                        : OutlookAnswer.of(outlook, wording.all(PlanBuys.of(outlook, evaluation.planned()))),
                wording.all(evaluation.cautions()));
    }

    private static EvaluationAnswer.UpkeepAnswer upkeep(Upkeep upkeep, Evaluation evaluation) {
        boolean southern = evaluation.facts().survey().site().southern();
        return new EvaluationAnswer.UpkeepAnswer(
                upkeep.fromYear(),
                new PruningYear(upkeep.fromYear(), southern).label(),
                Codes.of(upkeep.season()),
                upkeep.minutes());
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
                Codes.of(evaluation.facts().formWanted()),
                tree.yearsNeeded());
    }

    private static EvaluationAnswer.LightAnswer light(Evaluation evaluation, CrownLight light) {
        return new EvaluationAnswer.LightAnswer(
                share(light.inLight()),
                share(evaluation.inLightAfterPlan()),
                thousandths(light.shareNotEntered()),
                shades(light.shading().byNeighbours()),
                shades(light.castOnNeighbours()));
    }

    private static Double share(OptionalDouble share) {
        return share.isPresent() ? thousandths(share.getAsDouble()) : null;
    }

    static List<EvaluationAnswer.ShadeAnswer> shades(List<Shading.Shade> shades) {
        return shades.stream()
                .map(shade ->
                        new EvaluationAnswer.ShadeAnswer(shade.name(), shade.neighbour(), thousandths(shade.takes())))
                .toList();
    }

    /** Light is not known more exactly than that. */
    static double thousandths(double value) {
        return Math.round(value * 1000) / 1000.0;
    }

    private EvaluationAnswer.LimbAnswer limb(LimbVerdict limb, Double light, Worth worth, TreeFacts facts) {
        return new EvaluationAnswer.LimbAnswer(
                limb.limb().id(),
                limb.crownShare(),
                light == null ? null : thousandths(light),
                Codes.of(limb.verdict()),
                limb.urgent(),
                limb.anySeason(),
                limb.rule().map(Codes::of).orElse(null),
                limb.behind().stream().map(Codes::of).toList(),
                wording.all(limb.reasons()),
                wording.all(limb.whyNot()),
                limb.reasons().stream()
                        .filter(reason -> reason.code() == ReasonCode.OR_THIS_ONE)
                        .map(reason -> String.valueOf(reason.arguments().get(0)))
                        .findFirst()
                        .orElse(null),
                worth == null ? null : thousandths(worth.whole()),
                worth == null
                        ? null
                        : new EvaluationAnswer.WorthAnswer(
                                worth.risk(),
                                thousandths(worth.lightLetIn()),
                                thousandths(worth.light()),
                                worth.form(),
                                thousandths(worth.crownTaken())),
                limb.cut().map(cut -> cut(cut, limb.limb(), facts)).orElse(null));
    }

    private EvaluationAnswer.CutAnswer cut(Cut cut, Limb limb, TreeFacts facts) {
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
                cut.place().sideBranch().orElse(null),
                BudAdvice.of(facts, limb, cut).map(wording::of).orElse(null));
    }

    private EvaluationAnswer.LaneAnswer lane(RenovationPlan.Lane lane, TreeFacts facts) {
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
                                thousandths(cut.crop()),
                                cut(cut.cut(), facts.branching().get(cut.limb()), facts),
                                wording.all(cut.reasons()),
                                cut.byHand(),
                                wording.all(cut.breaks())))
                        .toList(),
                lane.share(),
                thousandths(lane.crop()),
                lane.allowance().isPresent() ? lane.allowance().getAsDouble() : null,
                lane.bigCuts(),
                lane.minutes(),
                lane.overrun().map(wording::of).orElse(null),
                lane.detail()
                        .map(detail ->
                                new EvaluationAnswer.DetailAnswer(detail.shoots(), detail.share(), detail.minutes()))
                        .orElse(null),
                lane.tasks().stream()
                        .map(task -> new EvaluationAnswer.TaskAnswer(wording.of(task.what()), task.minutes()))
                        .toList(),
                cultivars(lane, facts),
                lane.upkeepMinutes());
    }

    /** What each cultivar gives, where a tree carries several. */
    private static List<EvaluationAnswer.CultivarAnswer> cultivars(RenovationPlan.Lane lane, TreeFacts facts) {
        Map<String, Double> shares = facts.cultivarShares();
        if (shares.size() < 2) {
            return List.of();
        }
        Map<String, Double> taken = new TreeMap<>();
        shares.keySet().forEach(cultivar -> taken.put(cultivar, 0.0));
        lane.cuts()
                .forEach(cut ->
                        taken.merge(facts.cultivarOf(facts.branching().get(cut.limb())), cut.share(), Double::sum));
        return taken.entrySet().stream()
                .filter(one -> shares.getOrDefault(one.getKey(), 0.0) > 0)
                .map(one -> new EvaluationAnswer.CultivarAnswer(
                        one.getKey(), Math.min(1, one.getValue() / shares.get(one.getKey()))))
                .toList();
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
