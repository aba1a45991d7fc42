package org.diligentbough.core;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.light.CrownLight;
import org.diligentbough.core.light.Neighbour;
import org.diligentbough.core.light.Sky;
import org.diligentbough.core.light.SmallWood;
import org.diligentbough.core.outlook.Planned;
import org.diligentbough.core.plan.CutKey;
import org.diligentbough.core.plan.PlanCare;
import org.diligentbough.core.plan.Planner;
import org.diligentbough.core.plan.RenovationPlan;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.plan.Upkeep;
import org.diligentbough.core.plan.Wishes;
import org.diligentbough.core.plan.Worth;
import org.diligentbough.core.season.CuttingCalendar;
import org.diligentbough.core.season.MayCut;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.season.Weather;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.Group;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.LivingCrown;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.verdict.Cautions;
import org.diligentbough.core.verdict.CutKind;
import org.diligentbough.core.verdict.Decision;
import org.diligentbough.core.verdict.LimbJudge;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Rule;
import org.diligentbough.core.verdict.TreeFacts;
import org.diligentbough.core.verdict.TreeJudge;
import org.diligentbough.core.verdict.TreeVerdict;
import org.diligentbough.core.verdict.Triage;
import org.diligentbough.core.verdict.Verdict;
import org.diligentbough.core.visit.MadeCut;
import org.diligentbough.core.visit.TreeRecord;
import org.diligentbough.core.visit.TreeToday;
import org.diligentbough.core.visit.Visit;

/**
 * The whole judgement of one surveyed tree. The same survey always gives the same evaluation.
 *
 * @param scene the tree with its geometry and crown shares
 * @param light in its crown as it stands, of the limbs entered: by it they are judged
 * @param limbs in the order of the survey
 * @param worth of what is to be done to each limb, by its tag
 * @param calendar when such a tree may be cut here
 * @param today whether it may be cut on the day it is judged
 */
public record Evaluation(
        TreeFacts facts,
        CrownLight light,
        TreeVerdict tree,
        List<LimbVerdict> limbs,
        Map<String, Worth> worth,
        RenovationPlan plan,
        CuttingCalendar calendar,
        MayCut today,
        List<Reason> cautions) {
    /** Share of the crown below which the light on what is left tells nothing of the crown to come: own assumption. */
    private static final double LEAST_CROWN = 0.3;
    /** How often a tree is planned anew for what turns out to wait; the second time does for nearly every tree. */
    private static final int MOST_TIMES = 5;

    /** Judges and plans a survey; what stands round the tree is what the survey names. */
    public static Evaluation of(Survey survey, Rulebook rules) {
        return of(TreeToday.asSurveyed(survey), Given.NOTHING, rules);
    }

    /**
     * What is known besides the tree itself.
     *
     * @param edits what people want of the plan otherwise than the rules
     * @param decisions about limbs
     * @param near trees that stand near, besides those the survey names
     * @param group the trees it is to be kept in balance with
     */
    public record Given(Wishes edits, List<Decision> decisions, List<Neighbour> near, Optional<Group> group) {
        /** Nothing moved, nothing decided, nothing near but what the survey names. */
        public static final Given NOTHING = new Given(Wishes.NONE, List.of(), List.of(), Optional.empty());

        public Given {
            decisions = List.copyOf(decisions);
            near = List.copyOf(near);
        }
    }

    /** Judges and plans a tree as it stands. */
    public static Evaluation of(TreeToday found, Given given, Rulebook all) {
        Rulebook rules = all.of(found.survey().tree().species());
        GroupBalance balance = new GroupBalance(given.group(), found.survey(), rules.knowledge());
        TreeToday standing = new TreeToday(balance.balanced(found.survey()), found.taken());
        return in(light(standing.survey(), given.near(), rules), standing, given, rules);
    }

    /** The same in light that was worked out before. */
    static Evaluation in(CrownLight light, TreeToday standing, Given given, Rulebook rules) {
        Optional<Set<CutKey>> kept = given.edits().kept();
        if (kept.isPresent()) {
            Set<String> ownCuts = kept.get().stream().map(CutKey::limb).collect(Collectors.toSet());
            return planned(found(light, standing, given, rules, ownCuts), light, standing, given, rules);
        }
        // A cut of its own can push another limb's cut to a later year, and what was to go with that waits in its turn.
        Set<String> ownCuts = new HashSet<>();
        Evaluation evaluation = planned(found(light, standing, given, rules, ownCuts), light, standing, given, rules);
        for (int time = 0; time < MOST_TIMES && ownCuts.addAll(evaluation.waitForNobody()); time++) {
            evaluation = planned(found(light, standing, given, rules, ownCuts), light, standing, given, rules);
        }
        return evaluation;
    }

    private static Evaluation planned(Found found, CrownLight light, TreeToday standing, Given given, Rulebook rules) {
        TreeFacts facts = found.facts();
        Map<String, Worth> worth = Worth.ofAll(facts, found.limbs(), light);
        Survey survey = standing.survey();
        RenovationPlan plan = new Planner(
                        facts,
                        found.limbs(),
                        found.tree(),
                        found.calendar(),
                        standing.taken(),
                        given.edits(),
                        light,
                        worth)
                .plan(given.edits().years().isPresent() ? given.edits().years() : survey.years());
        return new Evaluation(
                facts,
                light,
                found.tree(),
                found.limbs(),
                worth,
                plan,
                found.calendar(),
                found.today(),
                all(
                        new Cautions(facts, found.limbs()).all(found.tree()),
                        new GroupBalance(given.group(), survey, rules.knowledge()).said(survey)));
    }

    /**
     * Dead, diseased and broken side limbs whose parent does not come off at the first visit: they wait for nobody, so each
     * wants a cut of its own.
     */
    private Set<String> waitForNobody() {
        Map<String, PlannedCut> atFirstVisit = new HashMap<>();
        firstVisit()
                .flatMap(lane -> lane.cuts().stream())
                .filter(cut -> cut.kind() != Verdict.BEND)
                .forEach(cut -> atFirstVisit.put(cut.limb(), cut));
        Set<String> found = new HashSet<>();
        for (LimbVerdict limb : limbs) {
            boolean must = limb.verdict() == Verdict.GOES_WITH_PARENT
                    && limb.behind().stream().anyMatch(Rule::must)
                    && !facts.branching()
                            .parentOf(limb.limb())
                            .map(facts.branching()::dead)
                            .orElse(false);
            if (must && !goesBy(limb.limb(), atFirstVisit)) {
                found.add(limb.tag());
            }
        }
        return found;
    }

    /** What is done first: on any day, and in the first window. */
    private Stream<RenovationPlan.Lane> firstVisit() {
        Optional<RenovationPlan.Lane> first = plan.lanes().stream().findFirst();
        Optional<RenovationPlan.Lane> inWindow = plan.lanes().stream()
                .filter(lane -> lane.season() != Season.ANY)
                .findFirst()
                .filter(lane -> lane.year().equals(first.orElseThrow().year()));
        return Stream.of(first, inWindow).flatMap(Optional::stream);
    }

    /** Whether a limb goes with one that it grows from, or with the piece of it that these cuts take off. */
    private boolean goesBy(Limb limb, Map<String, PlannedCut> cuts) {
        Limb at = limb;
        Optional<Limb> parent = facts.branching().parentOf(at);
        while (parent.isPresent()) {
            PlannedCut cut = cuts.get(parent.get().id());
            if (cut != null
                    && (cut.kind() == Verdict.REMOVE
                            || at.originM() > cut.cut().place().alongM())) {
                return true;
            }
            at = parent.get();
            parent = facts.branching().parentOf(at);
        }
        return false;
    }

    /** What is found of a tree before anything is planned. */
    public record Found(
            TreeFacts facts, TreeVerdict tree, List<LimbVerdict> limbs, CuttingCalendar calendar, MayCut today) {}

    /** What is found of a tree as surveyed: all but its plan and what hangs on that. */
    public static Found found(Survey survey, Rulebook all) {
        Rulebook rules = all.of(survey.tree().species());
        return found(light(survey, List.of(), rules), TreeToday.asSurveyed(survey), Given.NOTHING, rules, Set.of());
    }

    /** Mean light on the leaf of a tree as it was walked, 0 to 1, in its own shade alone; empty without leaf. */
    public static OptionalDouble ownLight(Survey survey, Rulebook all) {
        return light(survey, List.of(), all.of(survey.tree().species())).onLeaf();
    }

    private static CrownLight light(Survey survey, List<Neighbour> near, Rulebook rules) {
        return new CrownLight(
                survey,
                new Branching(survey.limbs()),
                near,
                Sky.over(survey.site(), rules.knowledge()),
                rules.knowledge());
    }

    private static Found found(CrownLight light, TreeToday standing, Given given, Rulebook rules, Set<String> ownCuts) {
        Survey survey = standing.survey();
        CuttingCalendar calendar = rules.calendar(survey);
        MayCut today = calendar.mayCut(survey.today());
        TreeFacts facts = new TreeFacts(
                survey,
                rules.species().of(survey.tree().species()),
                rules.knowledge(),
                light.byLimb(),
                leafage(light),
                today.answer() != MayCut.Answer.NO,
                given.edits().allowance());
        List<LimbVerdict> limbs = new LimbJudge(facts)
                .judge(
                        Stream.concat(given.decisions().stream(), given.edits().decisions().stream())
                                .toList(),
                        ownCuts);
        TreeVerdict tree = new TreeJudge(facts, limbs, standing.taken()).judge();
        return new Found(facts, tree, limbs, calendar, today);
    }

    private static TreeFacts.Leafage leafage(CrownLight light) {
        return new TreeFacts.Leafage() {
            @Override
            public Map<String, Double> lightIn(LivingCrown crown) {
                return light.byLimb(crown);
            }

            @Override
            public double roomShared(String limb, String other) {
                return light.roomShared(limb, other);
            }
        };
    }

    private static List<Reason> all(List<Reason> cautions, List<Reason> more) {
        return Stream.concat(cautions.stream(), more.stream()).toList();
    }

    /** The same with what the weather says of today; the plan does not hang on a day's weather. */
    public Evaluation heldBy(Weather.Holds weather) {
        return new Evaluation(facts, light, tree, limbs, worth, plan, calendar, today.in(weather), cautions);
    }

    /** What the plan asks for besides its cuts. */
    public List<PlanCare.Care> care() {
        return PlanCare.of(facts, limbs, plan);
    }

    /** The ordinary cutting that comes year after year when the plan is done. */
    public Optional<Upkeep> upkeep() {
        return Upkeep.of(facts, tree, calendar, plan);
    }

    /** The light as it is told: with small wood that was not entered and upright shoots that were counted. */
    public CrownLight crownLight() {
        return light.with(SmallWood.of(facts.survey(), facts.branching(), facts.traits(), kept(), facts.knowledge()));
    }

    /** Whether it is cut each year and no renovation waits. */
    private boolean kept() {
        return tree.triage() == Triage.MAINTAIN && facts.tree().yearsSinceCut().orElse(Double.MAX_VALUE) < 2;
    }

    /**
     * The light as it is told when all the plan's work is done and nothing has grown since: as a survey on that day would
     * find it, with the leaf of shortened limbs about what is left of them.
     */
    private CrownLight crownLightAfterPlan() {
        Survey survey = facts.survey();
        List<Visit> visits = plan.lanes().stream()
                .map(lane -> carriedOut(lane, survey.today()))
                .toList();
        Survey after = new TreeRecord(
                        List.of(survey),
                        visits,
                        survey.tree().noted().decay(),
                        facts.traits(),
                        facts.knowledge(),
                        calendar)
                .standing()
                .survey();
        Branching branching = new Branching(after.limbs());
        return light.in(after, branching)
                .with(SmallWood.of(after, branching, facts.traits(), kept(), facts.knowledge()));
    }

    /**
     * Share of the leaf on fruiting limbs that has light enough then; empty where nothing fruits, or so little is left
     * that it says nothing of the crown which will grow.
     */
    public OptionalDouble inLightAfterPlan() {
        return crownAfterPlan().left() < LEAST_CROWN
                ? OptionalDouble.empty()
                : crownLightAfterPlan().inLight();
    }

    /** The same today of the wood that the plan leaves: what is taken in full light is not missed then. */
    public OptionalDouble inLightOfWhatStays() {
        return crownAfterPlan().left() < LEAST_CROWN
                ? OptionalDouble.empty()
                : crownLight().inLight(crownAfterPlan());
    }

    /** A lane's work as the visit on a day that carries all of it out. */
    Visit carriedOut(RenovationPlan.Lane lane, LocalDate on) {
        return new Visit(
                on,
                lane.cuts().stream().map(this::made).toList(),
                lane.detail().map(RenovationPlan.Detail::shoots).orElse(0),
                lane.tasks().stream().map(task -> task.what().code()).collect(Collectors.toSet()),
                false);
    }

    private MadeCut made(RenovationPlan.PlannedCut cut) {
        boolean step = cut.kind() == Verdict.SHORTEN
                && limbs.stream().anyMatch(limb -> limb.tag().equals(cut.limb()) && limb.verdict() == Verdict.REMOVE);
        return new MadeCut(
                cut.limb(),
                switch (cut.kind()) {
                    case REMOVE -> MadeCut.Kind.REMOVED;
                    case SHORTEN -> MadeCut.Kind.SHORTENED;
                    default -> MadeCut.Kind.BENT;
                },
                cut.kind() == Verdict.SHORTEN ? cut.cut().place().alongM() : 0,
                step,
                cut.cut().kind() == CutKind.RENEWAL,
                Optional.empty());
    }

    /** The tree with its plan, to look ahead from. */
    public Planned planned() {
        return new Planned(
                facts,
                crownLight(),
                tree,
                limbs,
                plan,
                upkeep(),
                calendar.pruningYear(facts.survey().today()));
    }

    /** What is left of the crown when all the plan's cuts are made. */
    public LivingCrown crownAfterPlan() {
        LivingCrown crown = new LivingCrown(facts.branching(), facts.shares());
        plan.lanes().forEach(lane -> lane.takeOff(crown, facts.branching()));
        return crown;
    }
}
