package org.diligentbough.server.judgement;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.verdict.Verdict;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.plan.PlanMapper;
import org.diligentbough.server.plan.PlanWishes;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Two people who disagree about a limb are both heard; the coordinator decides. */
@Service
public class OpinionService {
    private static final String VERDICTS = "keep|bend|shorten|remove|wait";
    private static final String VERDICTS_WANTED = "is not known; choose keep, bend, shorten, remove or wait";

    private final OpinionMapper mapper;
    private final JudgementService judgement;
    private final OrchardService orchard;
    private final CurrentPerson person;
    private final History history;

    OpinionService(
            OpinionMapper mapper,
            JudgementService judgement,
            OrchardService orchard,
            CurrentPerson person,
            History history) {
        this.mapper = mapper;
        this.judgement = judgement;
        this.orchard = orchard;
        this.person = person;
        this.history = history;
    }

    /** What people think and what was decided, limb by limb. */
    record OpinionsView(List<OpinionView> opinions, List<DecisionView> decisions) {}

    /** What one person thinks should be done to a limb. */
    record OpinionView(
            String limb,
            long personId,
            String person,
            String verdict,
            @MayBeNull String note) {}

    /** What was decided about a limb, whatever the rules say. */
    record DecisionView(
            String limb, String verdict, @MayBeNull String note, String by, LocalDate on, long version) {}

    /** What is decided, with the version it was based on: 0 where nothing is decided yet. */
    record DecisionChange(
            @NotNull(message = "is missing; send the version the change is based on")
            Long version,

            @NotNull(message = "is missing; choose one") @Pattern(regexp = VERDICTS, message = VERDICTS_WANTED)
            String verdict,

            @MayBeNull @Size(max = 500, message = "is longer than 500 letters")
            String note) {}

    /** What somebody thinks. */
    record VerdictData(
            @NotNull(message = "is missing; choose one") @Pattern(regexp = VERDICTS, message = VERDICTS_WANTED)
            String verdict,

            @MayBeNull @Size(max = 500, message = "is longer than 500 letters")
            String note) {}

    public OpinionsView opinions(long treeId) {
        long known = orchard.tree(treeId).id();
        return new OpinionsView(
                mapper.opinions(known).stream()
                        .map(row -> new OpinionView(
                                row.limb(), row.personId(), row.person(), Codes.of(row.verdict()), row.note()))
                        .toList(),
                mapper.decisions(known).stream()
                        .map(row -> new DecisionView(
                                row.limb(),
                                Codes.of(row.verdict()),
                                row.note(),
                                row.decidedBy(),
                                row.decidedOn(),
                                row.version()))
                        .toList());
    }

    private static Verdict verdict(String code) {
        return Codes.parse(Verdict.class, code).orElseThrow();
    }

    /** Keeps what the person thinks of a limb in place of what they thought before. */
    @Transactional
    public OpinionsView think(long treeId, String limb, VerdictData data) {
        long who = person.id();
        stands(treeId, limb);
        OpinionsView before = opinions(treeId);
        mapper.think(treeId, limb, who, verdict(data.verdict()), data.note());
        return told("opinion", treeId, before);
    }

    @Transactional
    public OpinionsView takeBack(long treeId, String limb) {
        long who = person.id();
        OpinionsView before = opinions(treeId);
        mapper.takeBack(treeId, limb, who);
        return told("opinion", treeId, before);
    }

    /** Decides about a limb; the plan is made anew by it. */
    @Transactional
    public OpinionsView decide(long treeId, String limb, DecisionChange change) {
        long who = person.id();
        stands(treeId, limb);
        OpinionsView before = opinions(treeId);
        int kept = mapper.decide(
                treeId,
                limb,
                change.version(),
                verdict(change.verdict()),
                change.note(),
                who,
                judgement.todayAt(treeId));
        if (kept == 0) {
            throw ProblemException.stale("What is decided of this limb");
        }
        leavesTheWishes(treeId, limb);
        OpinionsView after = told("decision", treeId, before);
        judgement.judgeAnew(treeId);
        return after;
    }

    /** A limb is decided about in one place: what was decided with the plan before gives way, and the history tells. */
    private void leavesTheWishes(long treeId, String limb) {
        PlanMapper.PlanRow plan = judgement.plan(treeId);
        PlanWishes before = plan.wishes();
        if (before.decidedOf(limb).isPresent()) {
            PlanWishes after = before.undecided(limb);
            judgement.keep(treeId, plan.version(), after);
            history.changed(new About("plan", treeId, orchard.tree(treeId).siteId(), treeId), before, after);
        }
    }

    /** The same the other way: what was decided of a limb by itself gives way to what the plan says of it. */
    void givesWay(long treeId, String limb) {
        OpinionsView before = opinions(treeId);
        if (mapper.dropDecision(treeId, limb) > 0) {
            told("decision", treeId, before);
        }
    }

    /** Leaves a limb to the rules again. */
    @Transactional
    public OpinionsView undecide(long treeId, String limb, long version) {
        person.id();
        OpinionsView before = opinions(treeId);
        if (mapper.undecide(treeId, limb, version) == 0) {
            throw ProblemException.stale("What is decided of this limb");
        }
        OpinionsView after = told("decision", treeId, before);
        judgement.judgeAnew(treeId);
        return after;
    }

    private OpinionsView told(String what, long treeId, OpinionsView before) {
        OpinionsView after = opinions(treeId);
        history.changed(new About(what, treeId, orchard.tree(treeId).siteId(), treeId), before, after);
        return after;
    }

    private void stands(long treeId, String limb) {
        if (judgement.now(treeId).facts().branching().find(limb).isEmpty()) {
            throw ProblemException.notFound("No limb of this tree is tagged " + limb + ".");
        }
    }
}
