package org.diligentbough.server.judgement;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.light.CrownLight;
import org.diligentbough.core.light.Neighbour;
import org.diligentbough.core.plan.CutKey;
import org.diligentbough.core.plan.RenovationPlan;
import org.diligentbough.core.plan.Wishes;
import org.diligentbough.core.season.CuttingCalendar;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.verdict.Decision;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Triage;
import org.diligentbough.core.visit.TreeToday;
import org.diligentbough.server.figures.SiteRules;
import org.diligentbough.server.light.Neighbours;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.OrchardService.TreeOutdated;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.plan.KeptCut;
import org.diligentbough.server.plan.PlanMapper;
import org.diligentbough.server.plan.PlanMapper.PlanRow;
import org.diligentbough.server.plan.PlanWishes;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.shared.Wording;
import org.diligentbough.server.survey.SurveyService;
import org.diligentbough.server.visit.TreeRecords;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Judges registered trees as they stand: by their surveys, what was cut since, and what was moved by hand. */
@Service
public class JudgementService {
    private static final PlanRow NO_WISHES = new PlanRow(0, PlanWishes.NONE);
    /** Whoever works on a tree asks for it again and again; each may hold some MB, which are given back when they are short. */
    private static final int JUDGED_KEPT = 32;

    private final OrchardService orchard;
    private final TreeRecords records;
    private final SurveyService surveys;
    private final PlanMapper plans;
    private final SiteRules siteRules;
    private final Neighbours neighbours;
    private final OpinionMapper opinions;
    private final StaleTreeMapper stale;
    private final Wording wording;
    private final ApplicationEventPublisher events;
    private final Today today;
    private final Cache<Known, Evaluation> judged = Caffeine.newBuilder()
            .maximumSize(JUDGED_KEPT)
            .softValues()
            .recordStats()
            .build();

    JudgementService(
            OrchardService orchard,
            TreeRecords records,
            SurveyService surveys,
            PlanMapper plans,
            SiteRules siteRules,
            Neighbours neighbours,
            OpinionMapper opinions,
            StaleTreeMapper stale,
            Wording wording,
            ApplicationEventPublisher events,
            Today today) {
        this.orchard = orchard;
        this.records = records;
        this.surveys = surveys;
        this.plans = plans;
        this.siteRules = siteRules;
        this.neighbours = neighbours;
        this.opinions = opinions;
        this.stale = stale;
        this.wording = wording;
        this.events = events;
        this.today = today;
    }

    /** Today where a tree stands. */
    public LocalDate todayAt(long treeId) {
        return today.in(orchard.site(orchard.tree(treeId).siteId()).zone());
    }

    /**
     * The judgement as of a day, planned as the plan in force has it; empty while nobody had walked to the tree by then.
     */
    public Optional<Evaluation> on(long treeId, LocalDate day) {
        return records.standing(treeId, day).map(standing -> judge(treeId, standing, day, TreeRecords.NO_VISIT));
    }

    /** The judgement as of a day as if one visit had not been logged. */
    public Evaluation without(long treeId, LocalDate day, long visitId) {
        return records.standing(treeId, day, visitId)
                .map(standing -> judge(treeId, standing, day, visitId))
                .orElseThrow(() -> ProblemException.notFound("This tree has not been surveyed yet."));
    }

    private Evaluation judge(long treeId, TreeToday standing, LocalDate day, long withoutVisit) {
        Wishes wishes = plan(treeId).wishes().toWishes();
        return judge(
                treeId,
                standing,
                plans.inForce(treeId)
                        .map(plan -> toMake(treeId, plan, day, withoutVisit))
                        .map(cuts ->
                                wishes.keeping(cuts.stream().map(KeptCut::toPin).toList()))
                        .orElse(wishes));
    }

    /** The cuts of a plan that is kept which nobody has made since. */
    List<KeptCut> toMake(long treeId, PlanMapper.VersionRow plan, LocalDate day, long withoutVisit) {
        Set<CutKey> made = records.madeSince(treeId, plan, day, withoutVisit);
        return plan.cuts().stream().filter(cut -> !made.contains(cut.key())).toList();
    }

    private Evaluation judge(long treeId, TreeToday standing, Wishes wishes) {
        TreeRow tree = orchard.tree(treeId);
        List<Neighbour> near = neighbours.of(tree);
        Evaluation.Given given = new Evaluation.Given(
                wishes,
                opinions.decisions(treeId).stream()
                        .map(decision -> new Decision(
                                decision.limb(), decision.verdict(), decision.decidedBy(), decision.decidedOn()))
                        .toList(),
                near,
                orchard.groupOf(tree));
        Survey survey = Neighbours.withoutRegistered(standing.survey(), near);
        return judged.get(
                new Known(new TreeToday(survey, standing.taken()), given, siteRules.changed(tree.siteId())),
                known -> Evaluation.of(known.standing(), known.given(), siteRules.with(known.figures())));
    }

    /** How often a judgement was asked for, kept or made, since the server started. */
    public long asked() {
        return judged.stats().requestCount();
    }

    /** All that a judgement follows from. */
    private record Known(TreeToday standing, Evaluation.Given given, SiteRules.Changed figures) {}

    /** The judgement as of today, planned as it would be now: what people want is followed, no plan is kept to. */
    public Evaluation proposed(long treeId) {
        return records.standing(treeId, todayAt(treeId))
                .map(standing -> judge(treeId, standing, plan(treeId).wishes().toWishes()))
                .orElseThrow(() -> ProblemException.notFound("This tree has not been surveyed yet."));
    }

    /**
     * The judgement as of today with other wishes than the tree's, whatever plan is kept; nothing changes by it.
     *
     * @param wish the survey as it would be
     * @param years over which it is planned; empty for those wanted
     */
    public Evaluation asIf(long treeId, UnaryOperator<Survey> wish, OptionalInt years) {
        Wishes wishes = plan(treeId).wishes().toWishes();
        return records.standing(treeId, todayAt(treeId))
                .map(standing -> judge(
                        treeId,
                        new TreeToday(wish.apply(standing.survey()), standing.taken()),
                        years.isPresent() ? wishes.over(years) : wishes))
                .orElseThrow(() -> ProblemException.notFound("This tree has not been surveyed yet."));
    }

    /** When a tree as it was found last may be cut: no cut changes that. Empty while nobody has walked to it. */
    public Optional<CuttingCalendar> calendar(long treeId) {
        return surveys.lastUpTo(treeId, todayAt(treeId))
                .map(survey -> siteRules.of(orchard.tree(treeId).siteId()).calendar(survey));
    }

    /** The judgement as of today. */
    public Evaluation now(long treeId) {
        return on(orchard.tree(treeId).id(), todayAt(treeId))
                .orElseThrow(() -> ProblemException.notFound("This tree has not been surveyed yet."));
    }

    /** What people want of a tree's plan, with its version. */
    public PlanRow plan(long treeId) {
        return plans.plan(treeId).orElse(NO_WISHES);
    }

    /** Keeps what people want without a word to the history: for whoever writes that otherwise. */
    public void keep(long treeId, int version, PlanWishes wishes) {
        plans.keep(treeId, version, wishes).orElseThrow(() -> ProblemException.stale("This plan"));
    }

    @EventListener
    void outdated(TreeOutdated outdated) {
        judgeAnew(outdated.treeId());
    }

    /** Said within the transaction that judged a tree anew, for whoever keeps something of it for lists. */
    public record Judged(long treeId, Evaluation evaluation) {}

    /** Judges a tree as it stands today and keeps for lists what came of it; it need not wait for its turn any more. */
    @Transactional
    public void judgeAnew(long treeId) {
        // The queue's row first, as the queue takes it, so that neither waits for the other.
        stale.judged(treeId);
        plans.judgeAlone(treeId);
        plans.clearLanes(treeId);
        plans.forget(treeId);
        Optional<Evaluation> anew = orchard.removed(treeId) ? Optional.empty() : on(treeId, todayAt(treeId));
        anew.ifPresent(evaluation -> keepForLists(treeId, evaluation));
    }

    private void keepForLists(long treeId, Evaluation evaluation) {
        Triage triage = evaluation.tree().triage();
        surveys.judged(treeId, triage);
        LocalDate now = evaluation.facts().survey().today();
        PruningYear year =
                PruningYear.of(now, evaluation.facts().survey().site().southern());
        LocalDate until = year.days().getEndInclusive();
        for (RenovationPlan.Lane lane : evaluation.plan().lanes()) {
            plans.addLane(new PlanMapper.LaneRow(
                    treeId,
                    lane.year().year(),
                    lane.season(),
                    lane.opens(),
                    lane.closes(),
                    lane.cuts().size(),
                    (int) lane.cuts().stream()
                            .filter(cut -> urgent(evaluation, cut))
                            .count(),
                    lane.minutes(),
                    lane.share(),
                    lane.cuts().stream()
                            .filter(cut -> urgent(evaluation, cut))
                            .mapToInt(cut -> cut.cut().minutes())
                            .sum(),
                    lane.cuts().stream()
                            .mapToDouble(
                                    cut -> evaluation.worth().get(cut.limb()).whole())
                            .sum(),
                    lane.upkeepMinutes()));
            until = lane.closes().isBefore(until) ? lane.closes() : until;
        }
        PlanMapper.UpkeepRow upkeep = evaluation
                .upkeep()
                .map(one -> new PlanMapper.UpkeepRow(treeId, one.minutes(), one.season(), one.fromYear()))
                .orElse(null);
        CrownLight crown = evaluation.crownLight();
        OptionalDouble light = crown.byLimb().values().stream()
                .mapToDouble(Double::doubleValue)
                .average();
        plans.judged(
                new PlanMapper.JudgedRow(
                        treeId,
                        until,
                        wording.of(evaluation.tree().reasons().get(0)),
                        triage,
                        (int) evaluation.limbs().stream()
                                .filter(LimbVerdict::urgent)
                                .count(),
                        orNull(light),
                        orNull(crown.inLight()),
                        orNull(evaluation.inLightOfWhatStays()),
                        orNull(evaluation.inLightAfterPlan())),
                upkeep);
        events.publishEvent(new Judged(treeId, evaluation));
        noteWhatFollowed(treeId, evaluation, now);
    }

    /** Nothing changes a plan silently: one that nobody keeps is written down whenever its cuts or their times change. */
    private void noteWhatFollowed(long treeId, Evaluation evaluation, LocalDate on) {
        if (plans.inForce(treeId).isPresent()) {
            return;
        }
        List<KeptCut> cuts = KeptCut.of(evaluation.plan());
        Optional<PlanMapper.VersionRow> before =
                plans.newest(treeId, 1).stream().findFirst();
        if (before.map(row -> !KeptCut.times(row.cuts()).equals(KeptCut.times(cuts)))
                .orElse(!cuts.isEmpty())) {
            plans.noteFollowed(treeId, on, cuts);
        }
    }

    private static Double orNull(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }

    private static boolean urgent(Evaluation evaluation, RenovationPlan.PlannedCut cut) {
        return evaluation.limbs().stream()
                .anyMatch(limb -> limb.urgent() && limb.limb().id().equals(cut.limb()));
    }
}
