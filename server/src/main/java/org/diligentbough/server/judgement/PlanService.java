package org.diligentbough.server.judgement;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.plan.CutKey;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.server.access.Memberships;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.plan.KeptCut;
import org.diligentbough.server.plan.PlanMapper;
import org.diligentbough.server.plan.PlanMapper.VersionRow;
import org.diligentbough.server.plan.PlanWishes;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Wording;
import org.diligentbough.server.shared.Wording.Worded;
import org.diligentbough.server.visit.LoggedCut;
import org.diligentbough.server.visit.TreeRecords;
import org.diligentbough.server.visit.VisitMapper.LogRow;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What people do to a tree's plan: change it by hand, keep it, and take over what is proposed since. */
@Service
public class PlanService {
    private static final Set<String> DECISIONS = Set.of("keep", "remove", "shorten", "bend");

    private final JudgementService judgement;
    private final OpinionService opinions;
    private final OrchardService orchard;
    private final PlanMapper plans;
    private final TreeRecords records;
    private final History history;
    private final CurrentPerson person;
    private final Memberships memberships;
    private final Wording wording;

    PlanService(
            JudgementService judgement,
            OpinionService opinions,
            OrchardService orchard,
            PlanMapper plans,
            TreeRecords records,
            History history,
            CurrentPerson person,
            Memberships memberships,
            Wording wording) {
        this.judgement = judgement;
        this.opinions = opinions;
        this.orchard = orchard;
        this.plans = plans;
        this.records = records;
        this.history = history;
        this.person = person;
        this.memberships = memberships;
        this.wording = wording;
    }

    /** The plan in force. */
    public record KeptView(int number, LocalDate on, String by, String cause) {}

    /**
     * How what is proposed now differs from the plan in force, in one cut.
     *
     * @param from when the plan in force has it; null when it has not
     * @param to when it is proposed; null when it no longer is
     * @param why what the judgement says of the limb now
     */
    public record ChangeView(
            String limb,
            String kind,
            @MayBeNull String from,
            @MayBeNull String to,
            List<Worded> why) {}

    /**
     * How a plan that nobody keeps was changed by what was found or done.
     *
     * @param on the day it changed
     * @param since the day from which it had been as it was before
     */
    public record FollowedView(LocalDate on, LocalDate since, List<ChangeView> changes) {}

    /**
     * A plan as it was, with what became of each cut since.
     *
     * @param by who kept it; null when it only followed the judgement
     */
    public record VersionView(
            int number, LocalDate on, @MayBeNull String by, String cause, List<VersionCut> cuts) {}

    /**
     * One of its cuts.
     *
     * @param became done, other or not-done as logged since; null while nothing was
     * @param becameOn the day of that log
     * @param instead what was done when it was something else
     * @param insteadAtM where the limb was shortened then, m from its base
     */
    public record VersionCut(
            KeptCut cut,
            @MayBeNull String became,
            @MayBeNull LocalDate becameOn,
            @MayBeNull String instead,
            @MayBeNull Double insteadAtM) {}

    Optional<KeptView> kept(long treeId) {
        return plans.inForce(treeId).map(row -> new KeptView(row.number(), row.madeOn(), row.madeBy(), row.cause()));
    }

    /** Changes a plan by hand; the rules fill in around it. A plan that is kept is followed by a further version. */
    @Transactional
    public void change(long treeId, int version, PlanWishes wanted) {
        long who = person.id();
        TreeRow tree = orchard.tree(treeId);
        Evaluation evaluation = judgement.now(treeId);
        check(wanted, evaluation);
        PlanWishes before = judgement.plan(treeId).wishes();
        PlanWishes after = wanted.signed(before, plans.nameOf(who), judgement.todayAt(treeId));
        boolean sameAllowance = after.allowance() == null
                ? before.allowance() == null
                : after.allowance().sameAs(before.allowance());
        if (!sameAllowance && !memberships.coordinates(tree.siteId())) {
            throw ProblemException.forbidden("How much a tree may lose a coordinator decides. Leave it as it is.");
        }
        judgement.keep(treeId, version, after);
        history.changed(new About("plan", treeId, tree.siteId(), treeId), before, after);
        after.decided().stream()
                .filter(one -> !before.decided().contains(one))
                .forEach(one -> opinions.givesWay(treeId, one.limb()));
        if (plans.inForce(treeId).isPresent()) {
            keepVersion(treeId, who, "by-hand");
        } else {
            plans.forgetFollowed(treeId);
        }
        judgement.judgeAnew(treeId);
    }

    private static void check(PlanWishes wanted, Evaluation evaluation) {
        var branching = evaluation.facts().branching();
        for (int i = 0; i < wanted.pins().size(); i++) {
            stands(branching.find(wanted.pins().get(i).limb()).isPresent(), "/edits/pins/" + i + "/limb");
            if (wanted.pins().get(i).season().equals("any")
                    == (wanted.pins().get(i).quality() != null)) {
                throw ProblemException.wrongField(
                        "/edits/pins/" + i + "/quality", "give best or with-care, and none for season any");
            }
        }
        for (int i = 0; i < wanted.decided().size(); i++) {
            PlanWishes.DecidedData one = wanted.decided().get(i);
            var limb = branching.find(one.limb());
            stands(limb.isPresent(), "/edits/decided/" + i + "/limb");
            if (!DECISIONS.contains(one.verdict())) {
                throw ProblemException.wrongField(
                        "/edits/decided/" + i + "/verdict", "give keep, remove, shorten or bend");
            }
            if (one.alongM() != null && one.alongM() >= limb.orElseThrow().lengthM()) {
                throw ProblemException.wrongField(
                        "/edits/decided/" + i + "/alongM",
                        "lies past the limb's tip; it is " + limb.orElseThrow().lengthM() + " m long");
            }
        }
        for (int i = 0; i < wanted.insisted().size(); i++) {
            stands(branching.find(wanted.insisted().get(i)).isPresent(), "/edits/insisted/" + i);
        }
        for (int i = 0; i < wanted.split().size(); i++) {
            stands(branching.find(wanted.split().get(i)).isPresent(), "/edits/split/" + i);
        }
    }

    private static void stands(boolean found, String pointer) {
        if (!found) {
            throw ProblemException.wrongField(pointer, "is no limb of this tree; look at its tags");
        }
    }

    /** Keeps the plan as it is proposed now: from here on nothing changes it but people. */
    @Transactional
    public void keep(long treeId, int version) {
        long who = person.id();
        TreeRow tree = orchard.tree(treeId);
        if (judgement.plan(treeId).version() != version) {
            throw ProblemException.stale("This plan");
        }
        Optional<VersionRow> before = plans.inForce(treeId);
        boolean asTheRulesHaveIt = judgement.plan(treeId).wishes().equals(PlanWishes.NONE);
        keepVersion(treeId, who, before.isPresent() ? "proposal" : asTheRulesHaveIt ? "kept" : "by-hand");
        history.changed(
                new About("plan", treeId, tree.siteId(), treeId),
                before.map(VersionRow::cuts).orElse(List.of()),
                plans.inForce(treeId).orElseThrow().cuts());
        judgement.judgeAnew(treeId);
    }

    private void keepVersion(long treeId, long who, String cause) {
        List<KeptCut> cuts = KeptCut.of(judgement.proposed(treeId).plan());
        plans.keepVersion(treeId, judgement.todayAt(treeId), who, cause, cuts);
    }

    /** How what would be planned now differs from the plan in force; empty when it does not, or none is kept. */
    List<ChangeView> proposal(long treeId, Evaluation inForce) {
        Optional<VersionRow> kept = plans.inForce(treeId);
        if (kept.isEmpty()) {
            return List.of();
        }
        Evaluation proposed = judgement.proposed(treeId);
        Map<CutKey, String> before = KeptCut.times(KeptCut.of(inForce.plan()));
        Map<CutKey, String> after = KeptCut.times(KeptCut.of(proposed.plan()));
        List<ChangeView> changes = changes(before, after, proposed);
        judgement.toMake(treeId, kept.get(), judgement.todayAt(treeId), TreeRecords.NO_VISIT).stream()
                .filter(cut -> !before.containsKey(cut.key()) && !after.containsKey(cut.key()))
                .filter(cut -> proposed.facts().branching().find(cut.limb()).isPresent())
                .filter(cut ->
                        before.keySet().stream().noneMatch(other -> other.limb().equals(cut.limb())))
                .forEach(cut -> changes.add(new ChangeView(
                        cut.limb(),
                        cut.kind(),
                        cut.yearLabel() + " " + cut.season(),
                        null,
                        why(proposed, cut.limb()))));
        return changes;
    }

    private List<ChangeView> changes(Map<CutKey, String> before, Map<CutKey, String> after, Evaluation judged) {
        List<ChangeView> changes = new ArrayList<>();
        Map<CutKey, String> all = new LinkedHashMap<>(before);
        all.putAll(after);
        for (CutKey cut : all.keySet()) {
            String from = before.get(cut);
            String to = after.get(cut);
            if (from == null || !from.equals(to)) {
                changes.add(new ChangeView(cut.limb(), Codes.of(cut.kind()), from, to, why(judged, cut.limb())));
            }
        }
        return changes;
    }

    /** How a plan that nobody keeps changed when it last did; empty when one is kept, or it never has. */
    Optional<FollowedView> followed(long treeId, Evaluation now) {
        List<VersionRow> versions = plans.newest(treeId, 2);
        if (versions.size() < 2 || plans.inForce(treeId).isPresent()) {
            return Optional.empty();
        }
        Map<CutKey, String> before = KeptCut.times(versions.get(1).cuts());
        Map<CutKey, String> after = KeptCut.times(versions.get(0).cuts());
        return Optional.of(
                new FollowedView(versions.get(0).madeOn(), versions.get(1).madeOn(), changes(before, after, now)));
    }

    private List<Worded> why(Evaluation evaluation, String limb) {
        return evaluation.limbs().stream()
                .filter(one -> one.limb().id().equals(limb))
                .map(LimbVerdict::reasons)
                .flatMap(reasons -> reasons.stream().limit(1))
                .map(wording::of)
                .toList();
    }

    /** Every plan there was, the newest first, with what became of it. */
    List<VersionView> versions(long treeId) {
        orchard.tree(treeId);
        return plans.versions(treeId).stream()
                .map(row -> new VersionView(
                        row.number(),
                        row.madeOn(),
                        row.madeBy(),
                        row.cause(),
                        became(row.cuts(), records.logsSince(treeId, row))))
                .toList();
    }

    private List<VersionCut> became(List<KeptCut> cuts, List<LogRow> logs) {
        return cuts.stream()
                .map(cut -> logs.stream()
                        .flatMap(log -> log.cuts().stream()
                                .filter(made -> made.limb().equals(cut.limb()))
                                .map(made -> became(cut, made, log.onDay())))
                        .findFirst()
                        .orElse(new VersionCut(cut, null, null, null, null)))
                .toList();
    }

    private static VersionCut became(KeptCut cut, LoggedCut made, LocalDate on) {
        boolean other = made.outcome().equals("other");
        return new VersionCut(cut, made.outcome(), on, other ? made.kind() : null, other ? made.alongM() : null);
    }
}
