package org.diligentbough.core.verdict;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;

/**
 * Judges every limb of a tree by the table: first what needs no other limb to decide, then pairs of limbs, then uprights
 * and main branches, which depend on what else stands, then height among what stays, and last what is left in the dark.
 * Since a thick branch stays where another is cut back to it, the table is gone through again until that settles.
 */
public final class LimbJudge {
    /** Times the table is gone through at most; twice is enough for nearly all trees. */
    private static final int MOST_PASSES = 4;

    private final TreeFacts facts;
    private final Branching branching;
    private final SoundnessRules soundness;
    private final FrameRules frame;
    private final HeightRule height;
    private final ShootRules shoots;
    private final ShadeRule shade;
    private final SunburnRule sunburn;
    private final MainsRules mains;
    private final FormingRules forming;
    private final BushAndFigRules ownRules;
    private final KindWood kindWood;
    private final PairRules pairs;
    private final Questions questions;
    private final Ticked ticked;
    private final CutSizing sizing;
    /** Decisions that differ from the table, by the limb's tag. */
    private final Map<String, Decision> decisions = new HashMap<>();

    public LimbJudge(TreeFacts facts) {
        this.facts = facts;
        this.branching = facts.branching();
        this.soundness = new SoundnessRules(facts);
        this.frame = new FrameRules(facts);
        this.height = new HeightRule(facts);
        this.shoots = new ShootRules(facts);
        this.shade = new ShadeRule(facts);
        this.sunburn = new SunburnRule(facts);
        this.mains = new MainsRules(facts);
        this.forming = new FormingRules(facts);
        this.ownRules = new BushAndFigRules(facts);
        this.kindWood = new KindWood(facts, shoots);
        this.pairs = new PairRules(facts);
        this.questions = new Questions(facts);
        this.ticked = new Ticked(facts);
        this.sizing = new CutSizing(facts);
    }

    /**
     * The verdict on each limb, in the order of the survey, with what was decided otherwise. A decision that says what the
     * table says changes nothing.
     */
    public List<LimbVerdict> judge(List<Decision> decided) {
        return judge(decided, Set.of());
    }

    /**
     * The same where the plan leaves some limbs standing for years.
     *
     * @param ownCuts dead, diseased and broken side limbs that do not wait for the limb they grow from
     */
    public List<LimbVerdict> judge(List<Decision> decided, Set<String> ownCuts) {
        decisions.clear();
        if (!decided.isEmpty()) {
            Map<String, Verdict> verdicts = new HashMap<>();
            verdicts(Set.of()).forEach(limb -> verdicts.put(limb.tag(), limb.verdict()));
            decided.stream()
                    .filter(decision -> verdicts.containsKey(decision.limb()))
                    .filter(decision -> verdicts.get(decision.limb()) != decision.verdict()
                            || decision.alongM().isPresent())
                    .forEach(decision -> decisions.put(decision.limb(), decision));
        }
        return verdicts(ownCuts);
    }

    /** The verdict on each limb by the table, in the order of the survey. */
    public List<LimbVerdict> judge() {
        return judge(List.of());
    }

    private List<LimbVerdict> verdicts(Set<String> ownCuts) {
        Findings findings = findings();
        Set<String> gone = findings.gone();
        Map<String, LimbVerdict> verdicts = new HashMap<>();
        for (Limb limb : branching.outwards()) {
            verdicts.put(limb.id(), verdict(limb, findings, gone, verdicts, ownCuts));
        }
        return facts.survey().limbs().stream()
                .map(limb -> verdicts.get(limb.id()))
                .toList();
    }

    private Findings findings() {
        Set<String> takesOver = Set.of();
        Findings found = pass(takesOver);
        for (int pass = 1; pass < MOST_PASSES && !found.takingOver().equals(takesOver); pass++) {
            takesOver = found.takingOver();
            found = pass(takesOver);
        }
        if (!facts.bush()) {
            shade(found, takesOver);
            sunburn(found);
        }
        return found;
    }

    /** Once through the table. {@code takesOver}: branches that others are cut back to, so they may be thick. */
    private Findings pass(Set<String> takesOver) {
        Findings findings = new Findings(facts);
        for (Limb limb : branching.outwards()) {
            ofItself(limb, takesOver.contains(limb.id())).forEach(finding -> findings.add(limb.id(), finding));
        }
        Set<String> goneAnyway = gone(findings, pairs.settle(findings.gone()));
        findings.addAll(shoots.uprights(branching.outwards().stream()
                .filter(limb -> !goneAnyway.contains(limb.id()))
                .toList()));
        findings.addAll(pairs.settle(findings.gone()));
        Set<String> spared = spared(findings, takesOver);
        if (facts.bush()) {
            Set<String> gone = findings.gone();
            findings.addAll(ownRules.bush(branching.outwards().stream()
                    .filter(limb -> !gone.contains(limb.id()))
                    .toList()));
        } else {
            findings.addAll(mains.tooMany(findings.gone(), spared));
            findings.addAll(mains.outOfShape(findings.gone(), spared));
        }
        height(findings, takesOver);
        // A pair's finding lapses where the other goes with a limb that is lowered.
        if (pairs.lapse(findings)) {
            height(findings, takesOver);
        }
        return findings;
    }

    /** Limbs that do not go for what is left to choice: another is cut back to them or goes for them, or people decided. */
    private Set<String> spared(Findings findings, Set<String> takesOver) {
        Set<String> spared = new HashSet<>(takesOver);
        spared.addAll(decisions.keySet());
        branching.outwards().stream()
                .filter(limb -> pairs.won(limb, findings))
                .map(Limb::id)
                .forEach(spared::add);
        return spared;
    }

    private Set<String> gone(Findings findings, Map<String, Finding> more) {
        Set<String> gone = new HashSet<>(findings.gone());
        for (Limb limb : branching.outwards()) {
            if (more.containsKey(limb.id())
                    || limb.parent().filter(gone::contains).isPresent()) {
                gone.add(limb.id());
            }
        }
        return gone;
    }

    /** Too high, among what stays; outwards, since what a limb is cut back to has to stand. */
    private void height(Findings findings, Set<String> takesOver) {
        Set<String> gone = findings.gone();
        for (Limb limb : branching.outwards()) {
            boolean known = findings.of(limb).stream().anyMatch(finding -> finding.rule() == Rule.TOO_HIGH);
            boolean goes = known
                    || gone.contains(limb.id())
                    || limb.parent().filter(gone::contains).isPresent();
            if (goes || facts.onlyCleaned(limb) || facts.evergreenLeftAlone()) {
                continue;
            }
            height.of(limb, gone)
                    .flatMap(finding -> finding.verdict() == Verdict.REMOVE
                            ? tallThatGoes(limb, finding, findings, takesOver)
                            : Optional.of(finding))
                    .ifPresent(finding -> {
                        findings.add(limb.id(), finding);
                        if (finding.verdict() == Verdict.REMOVE) {
                            gone.add(limb.id());
                        }
                    });
        }
    }

    /**
     * What stands too high and would go. What takes over where another is lowered to it stays, shortened with it. What grows on a limb
     * that is left too high stays where that may be lowered to it one day.
     */
    private Optional<Finding> tallThatGoes(Limb limb, Finding goes, Findings findings, Set<String> takesOver) {
        if (takesOver.contains(limb.id())) {
            return height.withWhatIsLoweredToIt(limb);
        }
        boolean waits = leftTooHigh(limb.parent(), findings) && height.couldTakeOver(limb);
        return waits ? Optional.empty() : Optional.of(goes);
    }

    private boolean leftTooHigh(Optional<String> limb, Findings findings) {
        return limb.map(branching::get).stream()
                .flatMap(parent -> findings.of(parent).stream())
                .anyMatch(finding -> finding.rule() == Rule.TOO_HIGH && !finding.acts());
    }

    /** Of the upright shoots on a limb that would suddenly stand in the sun several are kept short. */
    private void sunburn(Findings findings) {
        Map<Limb, List<Limb>> dark = sunburn.onDarkLimbs(findings);
        if (dark.isEmpty()) {
            return;
        }
        Map<String, Double> after = facts.lightAfter(findings.crownAfter());
        sunburn.keptShort(dark, after).forEach((shoot, finding) -> {
            findings.takeBack(branching.get(shoot), Rule.UPRIGHT_SHOOT);
            findings.add(shoot, finding);
        });
    }

    /** What is left in the dark once all else is gone, and what a cultivar that outgrows the others gives up for them. */
    private void shade(Findings findings, Set<String> takesOver) {
        Set<String> gone = findings.gone();
        Set<String> spared = spared(findings, findings.takingOver());
        spared.addAll(takesOver);
        List<Limb> dark = branching.outwards().stream()
                .filter(limb -> !gone.contains(limb.id()) && !spared.contains(limb.id()))
                .filter(limb -> !facts.onlyCleaned(limb) && shade.asks(limb))
                .toList();
        if (dark.isEmpty() && facts.strongGraftShare() <= 0) {
            return;
        }
        Map<String, Double> after = facts.lightAfter(findings.crownAfter());
        dark.forEach(limb -> shade.of(limb, after).ifPresent(finding -> findings.add(limb.id(), finding)));
        findings.addAll(mains.strongGraft(findings.gone(), spared, after));
    }

    /** What can be said of a limb alone. {@code takesOver}: another limb is cut back to it. */
    private List<Finding> ofItself(Limb limb, boolean takesOver) {
        List<Finding> found = new ArrayList<>();
        Optional.ofNullable(decisions.get(limb.id())).map(this::decided).ifPresent(found::add);
        Stream.of(soundness.dead(limb), soundness.diseased(limb), soundness.damaged(limb), shoots.belowGraft(limb))
                .flatMap(Optional::stream)
                .forEach(found::add);
        if (limb.has(FaultKind.BELOW_GRAFT)) {
            return found;
        }
        found.add(shoots.nothingClear());
        if (facts.onlyCleaned(limb)) {
            found.add(
                    0,
                    Finding.leave(
                            Rule.NOTHING_CLEAR,
                            Verdict.KEEP,
                            facts.reason(
                                    facts.weakGraft(limb)
                                            ? ReasonCode.WEAK_GRAFT_ONLY_CLEANED
                                            : ReasonCode.WEAK_IN_GROUP_ONLY_CLEANED)));
            return found;
        }
        if (facts.evergreenLeftAlone()) {
            frame.encroaching(limb)
                    .filter(finding -> limb.has(FaultKind.ENCROACHING))
                    .ifPresent(found::add);
            found.add(
                    0, Finding.leave(Rule.NOTHING_CLEAR, Verdict.KEEP, facts.reason(ReasonCode.EVERGREEN_LEFT_ALONE)));
            return found;
        }
        frame.intoCentre(limb).ifPresent(found::add);
        if (!takesOver && !pairs.keptInUnion(limb)) {
            frame.thickSideLimb(limb).ifPresent(found::add);
        }
        frame.low(limb).ifPresent(found::add);
        frame.encroaching(limb).ifPresent(found::add);
        if (!facts.bush()) {
            otherTreeRules(limb).forEach(found::add);
        }
        if (takesOver) {
            found.add(Finding.leave(
                    Rule.FRUITFUL,
                    Verdict.KEEP,
                    facts.reason(ReasonCode.TAKES_OVER, limb.parent().orElseThrow())));
        }
        return found;
    }

    private Finding decided(Decision decision) {
        Limb limb = branching.get(decision.limb());
        Reason why = facts.reason(ReasonCode.DECIDED, decision.by(), decision.on());
        return switch (decision.verdict()) {
            case REMOVE -> Finding.remove(Rule.DECIDED, why);
            case SHORTEN -> Finding.act(Rule.DECIDED, Verdict.SHORTEN, shortenedAt(limb, decision), why);
            case BEND -> Finding.act(Rule.DECIDED, Verdict.BEND, Place.at(CutKind.BEND, limb.lengthM() / 2), why);
            default -> Finding.leave(Rule.DECIDED, decision.verdict(), why);
        };
    }

    private Place shortenedAt(Limb limb, Decision decision) {
        double thirdM = facts.places().aThirdFromTipM(limb);
        return decision.alongM().isPresent()
                ? facts.places().asDecided(limb, decision.alongM().getAsDouble())
                : facts.places().shortenByAThird(limb).orElseGet(() -> facts.places()
                        .asDecided(limb, thirdM));
    }

    private Stream<Finding> otherTreeRules(Limb limb) {
        Optional<Finding> renewal = facts.fig() ? ownRules.fig(limb) : shoots.spent(limb);
        Optional<Finding> crowded = limb.has(FaultKind.CROWDED)
                        && limb.partners(FaultKind.CROWDED).findAny().isEmpty()
                        && !facts.evergreen()
                ? Optional.of(Finding.remove(Rule.CROWDED, facts.reason(ReasonCode.CROWDED)))
                : Optional.empty();
        Optional<Finding> pliable = shoots.pliable(limb);
        return Stream.of(
                        frame.weeping(limb),
                        crowded,
                        renewal,
                        frame.overlong(limb),
                        pliable,
                        renewal.isPresent() ? Optional.<Finding>empty() : kindWood.of(limb),
                        pliable.isPresent() ? Optional.<Finding>empty() : forming.of(limb),
                        shoots.fruitful(limb))
                .flatMap(Optional::stream);
    }

    private LimbVerdict verdict(
            Limb limb, Findings findings, Set<String> gone, Map<String, LimbVerdict> verdicts, Set<String> ownCuts) {
        List<Finding> own = findings.of(limb);
        Finding deciding = findings.deciding(limb).orElseThrow();
        Optional<LimbVerdict> taker = branching
                .parentOf(limb)
                .map(parent -> verdicts.get(parent.id()))
                .filter(parent -> takes(parent, limb));
        boolean ownCutNow = taker.isPresent()
                && (deciding.urgent() && !taker.get().urgent()
                        || deciding.rule().must() && ownCuts.contains(limb.id()));
        boolean goes = taker.isPresent() && !ownCutNow;
        List<Reason> reasons = new ArrayList<>();
        if (goes) {
            reasons.add(goesWith(taker.get()));
        } else {
            reasons.addAll(deciding.reasons());
        }
        // Of what else was found only the why: how it would be done holds for the deciding rule alone.
        List<Finding> behind = own.stream()
                .filter(finding -> goes || finding.rule() != deciding.rule())
                .filter(finding -> finding.rule() != Rule.NOTHING_CLEAR)
                .toList();
        behind.stream().map(finding -> finding.reasons().get(0)).forEach(reasons::add);
        soundness.livedWith(limb).ifPresent(reasons::add);
        reasons.addAll(ticked.unused(limb, own, gone));
        boolean stays = !goes && !deciding.acts();
        if (stays && deciding.rule() != Rule.DECIDED) {
            reasons.addAll(questions.of(limb, gone));
        }
        double share = facts.shares().of(limb);
        List<Rule> rules = behind.stream().map(Finding::rule).distinct().toList();
        if (goes) {
            return new LimbVerdict(
                    limb,
                    share,
                    Verdict.GOES_WITH_PARENT,
                    Optional.empty(),
                    rules,
                    false,
                    false,
                    reasons,
                    List.of(),
                    Optional.empty());
        }
        boolean anySeason = deciding.urgent()
                || branching.dead(limb)
                || limb.has(FaultKind.BELOW_GRAFT) && deciding.verdict() == Verdict.REMOVE;
        return new LimbVerdict(
                limb,
                share,
                deciding.verdict(),
                Optional.of(deciding.rule()),
                rules,
                deciding.urgent(),
                anySeason,
                reasons,
                stays ? questions.whyNot(limb) : List.of(),
                deciding.acts() ? deciding.place().map(place -> sizing.cut(limb, place)) : Optional.empty());
    }

    private boolean takes(LimbVerdict parent, Limb limb) {
        return switch (parent.verdict()) {
            case REMOVE, GOES_WITH_PARENT -> true;
            case SHORTEN -> limb.originM() > parent.cut().orElseThrow().place().alongM();
            default -> false;
        };
    }

    private Reason goesWith(LimbVerdict taker) {
        return facts.reason(
                taker.verdict() == Verdict.SHORTEN ? ReasonCode.BEYOND_THE_CUT : ReasonCode.GOES_WITH_PARENT,
                taker.limb().id());
    }
}
