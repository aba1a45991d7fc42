package org.diligentbough.server.crew;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.crew.Kit;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.plan.CutKey;
import org.diligentbough.core.plan.RenovationPlan;
import org.diligentbough.core.plan.RenovationPlan.Detail;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.verdict.Cut;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Verdict;
import org.diligentbough.server.shared.Wording;
import org.diligentbough.server.visit.VisitCut;
import org.diligentbough.server.visit.VisitMapper.NewVisit;
import org.diligentbough.server.visit.VisitTask;
import org.diligentbough.server.wood.WoundMapper;
import org.springframework.stereotype.Component;

/** Makes tree-visits of planned cuts, as they stand when the visit is made. */
@Component
class VisitMaker {
    private final Wording wording;
    private final WoundMapper wood;

    VisitMaker(Wording wording, WoundMapper wood) {
        this.wording = wording;
        this.wood = wood;
    }

    /**
     * What is asked for of a plan.
     *
     * @param cuts null for all it has open
     * @param shoots how many of the counted ones; null for all it has
     * @param upkeep whether the yearly work besides cuts too: of the kind, and the ordinary cutting of a kept tree
     */
    record Wanted(List<CutKey> cuts, Integer shoots, boolean upkeep) {}

    /**
     * What a plan has for a tree on a day.
     *
     * @param closes last day of the window that closes first; empty where nothing is bound to one
     */
    record Work(
            List<VisitCut> cuts,
            Optional<Detail> detail,
            List<VisitTask> tasks,
            int upkeepMinutes,
            Set<Kit> kit,
            boolean sick,
            Optional<LocalDate> closes) {
        boolean nothing() {
            return cuts.isEmpty() && detail.isEmpty() && tasks.isEmpty() && upkeepMinutes == 0;
        }

        /** With what another lane has besides; of counted shoots those of the first that has some. */
        Work and(Work other) {
            List<VisitCut> allCuts = new ArrayList<>(cuts);
            allCuts.addAll(other.cuts);
            List<VisitTask> allTasks = new ArrayList<>(tasks);
            allTasks.addAll(other.tasks);
            Set<Kit> allKit = EnumSet.noneOf(Kit.class);
            allKit.addAll(kit);
            allKit.addAll(other.kit);
            return new Work(
                    allCuts,
                    detail.or(() -> other.detail),
                    allTasks,
                    upkeepMinutes + other.upkeepMinutes,
                    allKit,
                    sick || other.sick,
                    Stream.of(closes, other.closes).flatMap(Optional::stream).min(Comparator.naturalOrder()));
        }

        /** The same with other work besides the cuts, of which part may be on another visit already. */
        Work with(List<VisitTask> others, int otherUpkeepMinutes) {
            return new Work(cuts, detail, others, otherUpkeepMinutes, kit, sick, closes);
        }
    }

    /** Everything planned in the lanes open on a day. */
    Work openOn(long treeId, Evaluation evaluation, LocalDate day) {
        return work(
                treeId,
                evaluation,
                evaluation.plan().lanes().stream()
                        .filter(lane ->
                                !lane.opens().isAfter(day) && !lane.closes().isBefore(day))
                        .toList(),
                cut -> true,
                true);
    }

    /** Everything planned in one lane. */
    Work of(long treeId, Evaluation evaluation, Lane lane) {
        return work(treeId, evaluation, List.of(lane), cut -> true, true);
    }

    /** The cuts chosen, whenever they are planned. */
    Work chosen(long treeId, Evaluation evaluation, List<CutKey> chosen) {
        return work(treeId, evaluation, evaluation.plan().lanes(), cut -> chosen.contains(cut.key()), false);
    }

    private Work work(
            long treeId, Evaluation evaluation, List<Lane> lanes, Predicate<PlannedCut> wanted, boolean withUpkeep) {
        List<VisitCut> cuts = new ArrayList<>();
        Set<Kit> kit = EnumSet.noneOf(Kit.class);
        Optional<Detail> detail = Optional.empty();
        List<VisitTask> tasks = new ArrayList<>();
        int upkeepMinutes = 0;
        List<LocalDate> closes = new ArrayList<>();
        for (Lane lane : lanes) {
            for (PlannedCut cut : lane.cuts()) {
                if (wanted.test(cut)) {
                    cuts.add(visitCut(evaluation, cut));
                    kit.addAll(Kit.of(cut.cut(), evaluation.facts()));
                    closes.add(lane.closes());
                }
            }
            if (detail.isEmpty()) {
                detail = lane.detail();
            }
            if (withUpkeep && !lane.tasks().isEmpty()) {
                lane.tasks().forEach(task -> tasks.add(task(task)));
                kit.addAll(Kit.ofUpkeep(evaluation.facts()));
                closes.add(lane.closes());
            }
            if (withUpkeep && lane.upkeepMinutes() > 0) {
                upkeepMinutes += lane.upkeepMinutes();
                kit.addAll(Kit.ofUpkeep(evaluation.facts()));
                closes.add(lane.closes());
            }
        }
        boolean sick = wood.sick(treeId)
                || evaluation.facts().survey().limbs().stream().anyMatch(limb -> limb.has(FaultKind.DISEASED));
        return new Work(
                cuts, detail, tasks, upkeepMinutes, kit, sick, closes.stream().min(Comparator.naturalOrder()));
    }

    private VisitTask task(RenovationPlan.Task task) {
        Wording.Worded what = wording.of(task.what());
        return new VisitTask(what.code(), what.text(), task.minutes());
    }

    private VisitCut visitCut(Evaluation evaluation, PlannedCut planned) {
        LimbVerdict limb = evaluation.limbs().stream()
                .filter(one -> one.limb().id().equals(planned.limb()))
                .findFirst()
                .orElseThrow();
        Cut cut = planned.cut();
        boolean living = evaluation.facts().branching().living(limb.limb());
        List<Wording.Worded> reasons = new ArrayList<>(wording.all(limb.reasons()));
        reasons.addAll(wording.all(planned.reasons()));
        return new VisitCut(
                planned.limb(),
                Codes.of(planned.kind()),
                planned.kind() == Verdict.SHORTEN && limb.verdict() == Verdict.REMOVE,
                Codes.of(cut.kind()),
                hundredths(cut.diameterCm()),
                cut.place().alongM(),
                hundredths(cut.heightM()),
                hundredths(cut.weightKg()),
                cut.minutes(),
                cut.big(),
                limb.urgent(),
                living && !limb.anySeason() && !limb.urgent() && planned.kind() != Verdict.BEND,
                limb.limb().has(FaultKind.DISEASED),
                planned.share(),
                Codes.of(cut.technique()),
                Codes.of(cut.tool()),
                Codes.of(cut.reach()),
                cut.tickets().stream().sorted().map(Codes::of).toList(),
                cut.place().sideBranch().orElse(null),
                reasons);
    }

    private static double hundredths(double value) {
        return Math.round(value * 100) / 100.0;
    }

    /** As it is stored; {@code shoots} of those counted are part of it. */
    NewVisit row(long treeId, Long dayId, Work work, int shoots) {
        int minutes = work.detail()
                .filter(detail -> shoots > 0)
                .map(detail -> (int) Math.ceil((double) detail.minutes() * shoots / detail.shoots()))
                .orElse(0);
        double share = work.detail()
                .filter(detail -> shoots > 0)
                .map(detail -> detail.share() * shoots / detail.shoots())
                .orElse(0.0);
        return new NewVisit(
                treeId,
                dayId,
                work.cuts(),
                shoots,
                minutes,
                share,
                work.upkeepMinutes(),
                work.tasks(),
                work.kit().stream().sorted().toList(),
                work.sick());
    }
}
