package org.diligentbough.core.verdict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
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
 * Judges every limb of a tree by the table: first what needs no other limb to decide, then pairs of limbs, then uprights,
 * which depend on what else stands, then pairs once more without the uprights that go.
 */
public final class LimbJudge {
    private final Scene scene;
    private final Branching branching;
    private final SoundnessRows soundness;
    private final FrameRows frame;
    private final ShootRows shoots;
    private final OwnRuleRows ownRules;
    private final PairRows pairs;
    private final CutSizing sizing;
    /** Decisions that differ from the table, by the limb's tag. */
    private final Map<String, Decision> decisions = new HashMap<>();

    public LimbJudge(Scene scene) {
        this.scene = scene;
        this.branching = scene.branching();
        this.soundness = new SoundnessRows(scene);
        this.frame = new FrameRows(scene);
        this.shoots = new ShootRows(scene);
        this.ownRules = new OwnRuleRows(scene);
        this.pairs = new PairRows(scene);
        this.sizing = new CutSizing(scene);
    }

    /**
     * The verdict on each limb, in the order of the survey, with what was decided otherwise. A decision that says what the
     * table says changes nothing.
     */
    public List<LimbVerdict> judge(List<Decision> decided) {
        List<LimbVerdict> byTable = judge();
        Map<String, Verdict> verdicts = new HashMap<>();
        byTable.forEach(limb -> verdicts.put(limb.limb().id(), limb.verdict()));
        decided.stream()
                .filter(decision -> verdicts.containsKey(decision.limb()))
                .filter(decision -> verdicts.get(decision.limb()) != decision.verdict()
                        || decision.alongM().isPresent())
                .forEach(decision -> decisions.put(decision.limb(), decision));
        return decisions.isEmpty() ? byTable : judge();
    }

    /** The verdict on each limb by the table, in the order of the survey. */
    public List<LimbVerdict> judge() {
        Map<String, List<Finding>> findings = findings();
        Map<String, LimbVerdict> verdicts = new HashMap<>();
        for (Limb limb : branching.outwards()) {
            verdicts.put(limb.id(), verdict(limb, findings.get(limb.id()), verdicts));
        }
        return scene.survey().limbs().stream()
                .map(limb -> verdicts.get(limb.id()))
                .toList();
    }

    private Map<String, List<Finding>> findings() {
        Map<String, List<Finding>> findings = new LinkedHashMap<>();
        Set<String> takenOver = new HashSet<>();
        for (Limb limb : branching.outwards()) {
            List<Finding> own = ownFindings(limb, takenOver.contains(limb.id()));
            findings.put(limb.id(), own);
            first(own).flatMap(Finding::place).flatMap(Place::sideBranch).ifPresent(takenOver::add);
        }
        Map<String, Finding> losers = pairs.settle(gone(findings, Map.of()));
        Set<String> goneFirst = gone(findings, losers);
        Map<String, Finding> uprights = shoots.uprights(branching.outwards().stream()
                .filter(limb -> !goneFirst.contains(limb.id()))
                .toList());
        uprights.forEach((id, finding) -> findings.get(id).add(finding));
        pairs.settle(gone(findings, Map.of()))
                .forEach((id, finding) -> findings.get(id).add(finding));
        if (scene.bush()) {
            Set<String> gone = gone(findings, Map.of());
            ownRules.bush(branching.outwards().stream()
                            .filter(limb -> !gone.contains(limb.id()))
                            .toList())
                    .forEach((id, finding) -> findings.get(id).add(finding));
        }
        findings.values().forEach(list -> list.sort(Comparator.comparing(Finding::row)));
        return findings;
    }

    /** What can be said of a limb alone. {@code takesOver}: another limb is cut back to it, so it may be thick. */
    private List<Finding> ownFindings(Limb limb, boolean takesOver) {
        List<Finding> found = new ArrayList<>();
        Optional.ofNullable(decisions.get(limb.id())).map(this::decided).ifPresent(found::add);
        Stream.of(soundness.dead(limb), soundness.diseased(limb), soundness.damaged(limb))
                .flatMap(Optional::stream)
                .forEach(found::add);
        shoots.belowGraft(limb).ifPresent(found::add);
        if (scene.weakGraft(limb)) {
            found.add(Finding.leave(
                    TableRow.NOTHING_CLEAR, Verdict.KEEP, scene.reason(ReasonCode.WEAK_GRAFT_ONLY_CLEANED)));
            return found;
        }
        frame.intoCentre(limb).ifPresent(found::add);
        if (!takesOver && !pairs.keptInUnion(limb)) {
            frame.thickSideLimb(limb).ifPresent(found::add);
        }
        // What takes over where another is lowered to it stays for this step, even if it is still too high.
        frame.tooHigh(limb)
                .filter(finding -> !takesOver || finding.verdict() != Verdict.REMOVE)
                .ifPresent(found::add);
        frame.low(limb).ifPresent(found::add);
        frame.encroaching(limb).ifPresent(found::add);
        if (!scene.bush()) {
            otherTreeRows(limb).forEach(found::add);
        }
        if (takesOver) {
            found.add(Finding.leave(
                    TableRow.FRUITFUL,
                    Verdict.KEEP,
                    scene.reason(ReasonCode.TAKES_OVER, limb.parent().orElseThrow())));
        }
        found.add(shoots.nothingClear());
        if (limb.has(FaultKind.BELOW_GRAFT)) {
            found.removeIf(finding -> finding.verdict() != Verdict.REMOVE && finding.row() != TableRow.DECIDED);
        }
        return found;
    }

    private Finding decided(Decision decision) {
        Limb limb = branching.get(decision.limb());
        Reason why = scene.reason(ReasonCode.DECIDED, decision.by(), decision.on());
        return switch (decision.verdict()) {
            case REMOVE -> Finding.remove(TableRow.DECIDED, why);
            case SHORTEN -> Finding.act(TableRow.DECIDED, Verdict.SHORTEN, shortenedAt(limb, decision), why);
            case BEND -> Finding.act(TableRow.DECIDED, Verdict.BEND, Place.at(CutKind.BEND, limb.lengthM() / 2), why);
            default -> Finding.leave(TableRow.DECIDED, decision.verdict(), why);
        };
    }

    private Place shortenedAt(Limb limb, Decision decision) {
        return decision.alongM().isPresent()
                ? scene.shortenAt(limb, decision.alongM().getAsDouble())
                : scene.shortenByAThird(limb);
    }

    private Stream<Finding> otherTreeRows(Limb limb) {
        Optional<Finding> spent = scene.fig() ? ownRules.fig(limb) : shoots.spent(limb);
        Optional<Finding> crowded = limb.has(FaultKind.CROWDED)
                        && limb.partners(FaultKind.CROWDED).findAny().isEmpty()
                        && !scene.evergreen()
                ? Optional.of(Finding.remove(TableRow.CROWDED, scene.reason(ReasonCode.CROWDED)))
                : Optional.empty();
        return Stream.of(
                        frame.weeping(limb),
                        frame.shadedUnderneath(limb),
                        crowded,
                        spent,
                        frame.overlong(limb),
                        shoots.pliable(limb),
                        shoots.fruitful(limb))
                .flatMap(Optional::stream);
    }

    private static Optional<Finding> first(List<Finding> findings) {
        return findings.stream().min(Comparator.comparing(Finding::row));
    }

    /** The limbs that go by what was found so far, with all that grows from them beyond the cut. */
    private Set<String> gone(Map<String, List<Finding>> findings, Map<String, Finding> more) {
        Set<String> gone = new HashSet<>();
        Map<String, Double> cutAtM = new HashMap<>();
        for (Limb limb : branching.outwards()) {
            Optional<Finding> first = Stream.concat(
                            findings.get(limb.id()).stream(), Stream.ofNullable(more.get(limb.id())))
                    .min(Comparator.comparing(Finding::row));
            boolean removed =
                    first.map(finding -> finding.verdict() == Verdict.REMOVE).orElse(false);
            first.filter(finding -> finding.verdict() == Verdict.SHORTEN)
                    .flatMap(Finding::place)
                    .ifPresent(place -> cutAtM.put(limb.id(), place.alongM()));
            boolean withParent = limb.parent()
                    .filter(parent ->
                            gone.contains(parent) || limb.originM() > cutAtM.getOrDefault(parent, Double.MAX_VALUE))
                    .isPresent();
            if (removed || withParent) {
                gone.add(limb.id());
            }
        }
        return gone;
    }

    private LimbVerdict verdict(Limb limb, List<Finding> findings, Map<String, LimbVerdict> verdicts) {
        Finding first = findings.get(0);
        Optional<LimbVerdict> taker = branching
                .parentOf(limb)
                .map(parent -> verdicts.get(parent.id()))
                .filter(parent -> takes(parent, limb));
        boolean ownCutNow = taker.isPresent() && first.urgent() && !taker.get().urgent();
        double share = scene.shares().of(limb);
        List<Reason> reasons = new ArrayList<>();
        boolean goes = taker.isPresent() && !ownCutNow;
        if (goes) {
            reasons.add(goesWith(taker.get()));
        }
        if (!goes) {
            reasons.addAll(first.reasons());
        }
        // Of what else was found only the why: how it would be done holds for the deciding row alone.
        findings.stream()
                .filter(finding -> goes || finding != first)
                .filter(finding -> finding.row() != TableRow.NOTHING_CLEAR)
                .map(finding -> finding.reasons().get(0))
                .forEach(reasons::add);
        soundness.livedWith(limb).ifPresent(reasons::add);
        if (goes) {
            return new LimbVerdict(
                    limb, share, Verdict.GOES_WITH_PARENT, Optional.empty(), false, false, reasons, Optional.empty());
        }
        boolean anySeason = first.urgent()
                || branching.dead(limb)
                || limb.has(FaultKind.BELOW_GRAFT) && first.verdict() == Verdict.REMOVE;
        return new LimbVerdict(
                limb,
                share,
                first.verdict(),
                Optional.of(first.row()),
                first.urgent(),
                anySeason,
                reasons,
                first.place().map(place -> sizing.cut(limb, place)));
    }

    private boolean takes(LimbVerdict parent, Limb limb) {
        return switch (parent.verdict()) {
            case REMOVE, GOES_WITH_PARENT -> true;
            case SHORTEN -> limb.originM() > parent.cut().orElseThrow().place().alongM();
            default -> false;
        };
    }

    private Reason goesWith(LimbVerdict taker) {
        return scene.reason(
                taker.verdict() == Verdict.SHORTEN ? ReasonCode.BEYOND_THE_CUT : ReasonCode.GOES_WITH_PARENT,
                taker.limb().id());
    }
}
