package org.diligentbough.core.plan;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.season.CuttingCalendar;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.season.Window;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.verdict.Cut;
import org.diligentbough.core.verdict.CutKind;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Scene;
import org.diligentbough.core.verdict.TableRow;
import org.diligentbough.core.verdict.Verdict;

/** The cuts somebody moved, the lanes they were moved to, and what rules that breaks. A pin whose time is over lapses. */
final class ByHand {
    private record Key(String limb, Verdict kind) {}

    private final Scene scene;
    private final CuttingCalendar calendar;
    private final LocalDate today;
    private final Set<String> split;
    private final Map<Key, Pin> pins = new LinkedHashMap<>();

    /** @param split limbs asked to be shortened one year and removed another */
    ByHand(List<Pin> pins, Set<String> split, Scene scene, CuttingCalendar calendar) {
        this.split = split;
        Survey survey = scene.survey();
        this.scene = scene;
        this.calendar = calendar;
        this.today = survey.today();
        pins.stream()
                .filter(pin -> window(pin).isPresent() || anyDayStill(pin))
                .forEach(pin -> this.pins.put(new Key(pin.limb(), pin.kind()), pin));
    }

    Optional<Pin> pin(String limb, Verdict kind) {
        return Optional.ofNullable(pins.get(new Key(limb, kind)));
    }

    /** Whether a cut stands where it does only because the plan that is kept has it there. */
    boolean kept(LimbVerdict limb, Verdict kind) {
        return pin(limb.limb().id(), kind).filter(Pin::kept).isPresent();
    }

    private static boolean sickOrDead(LimbVerdict limb) {
        return limb.row().filter(row -> row.compareTo(TableRow.DISEASED) <= 0).isPresent();
    }

    /** Whether a cut has to be made whatever the allowance: it is urgent, or the wood is dead or diseased. */
    boolean hasToBe(LimbVerdict limb) {
        return limb.urgent() || sickOrDead(limb) || !scene.branching().living(limb.limb());
    }

    boolean split(LimbVerdict limb) {
        return limb.verdict() == Verdict.REMOVE && split.contains(limb.limb().id());
    }

    /** The last year any cut was moved to. */
    int lastYear(int atLeast) {
        return pins.values().stream().mapToInt(Pin::year).reduce(atLeast, Math::max);
    }

    private boolean anyDayStill(Pin pin) {
        return pin.season() == Season.ANY && !year(pin).days().getEndInclusive().isBefore(today);
    }

    private PruningYear year(Pin pin) {
        return new PruningYear(pin.year(), scene.survey().site().southern());
    }

    private Optional<Window> window(Pin pin) {
        return calendar.windows(year(pin)).stream()
                .filter(window -> window.quality() != Window.Quality.KEEP_OFF)
                .filter(window -> window.season() == pin.season()
                        && pin.quality().filter(window.quality()::equals).isPresent())
                .filter(window -> !window.closes().isBefore(today))
                .findFirst();
    }

    /** The lane a cut was moved to, among those of the year; a new one is added to them. */
    LaneDraft laneOf(Pin pin, LaneDraft anySeason, List<LaneDraft> ofYear) {
        Optional<Window> window = window(pin);
        if (window.isEmpty()) {
            return anySeason;
        }
        for (LaneDraft lane : ofYear) {
            if (lane.season == pin.season() && lane.quality.equals(pin.quality())) {
                return lane;
            }
        }
        boolean summerOnly = scene.traits().hasAllowance()
                && pin.season() == Season.SUMMER
                && window.get().quality() == Window.Quality.WITH_CARE;
        LaneDraft lane = new LaneDraft(anySeason.budget, window.get(), summerOnly);
        ofYear.add(lane);
        return lane;
    }

    /** What its new place breaks, before it is taken into account there. */
    List<Reason> breaks(
            LimbVerdict limb,
            Cut cut,
            double share,
            LaneDraft lane,
            PruningYear first,
            int renewals,
            boolean wholeLimb) {
        List<Reason> breaks = new ArrayList<>();
        boolean kept = kept(limb, Verdict.REMOVE) || kept(limb, Verdict.SHORTEN);
        // What a plan that is kept takes besides what has to be was reckoned before it.
        YearBudget budget = kept ? lane.budget.withoutNeed() : lane.budget;
        boolean sickOrDead = sickOrDead(limb);
        boolean atOnce = lane.season == Season.ANY || !lane.opens.isAfter(today);
        if (limb.urgent() && !(atOnce && lane.budget.year().days().contains(today))) {
            breaks.add(scene.reason(ReasonCode.BREAKS_URGENT));
        } else if (sickOrDead && !limb.anySeason() && budget.year().year() > first.year()) {
            breaks.add(scene.reason(ReasonCode.BREAKS_DISEASED));
        }
        if (lane.season == Season.ANY && !limb.anySeason() && limb.verdict() != Verdict.BEND) {
            breaks.add(scene.reason(ReasonCode.BREAKS_WINDOW));
        }
        if (limb.verdict() == Verdict.BEND) {
            if (!lane.bendsHere()) {
                breaks.add(scene.reason(ReasonCode.BREAKS_BENDING_TIME));
            }
            return breaks;
        }
        if (kept && hasToBe(limb)) {
            return breaks;
        }
        if (budget.resting() && !sickOrDead && !limb.urgent()) {
            breaks.add(scene.reason(ReasonCode.BREAKS_REST));
        } else if (budget.fullBesideAWholeLimb(share) || wholeLimb && !budget.roomForAWholeLimb()) {
            breaks.add(scene.reason(ReasonCode.BREAKS_BESIDE_A_WHOLE_LIMB, budget.besideAWholeLimb()));
        } else if (!budget.fits(share, false)) {
            breaks.add(scene.reason(
                    ReasonCode.BREAKS_ALLOWANCE,
                    budget.taken() + share,
                    Math.max(0, budget.allowance().orElseThrow())));
        } else if (!budget.fits(share, lane.summerOnly)) {
            breaks.add(scene.reason(
                    ReasonCode.BREAKS_SUMMER_ALLOWANCE,
                    budget.takenInSummer() + share,
                    budget.laneAllowance(true).orElseThrow()));
        }
        if (cut.big() && !budget.roomForBigCut()) {
            breaks.add(scene.reason(
                    ReasonCode.BREAKS_BIG_CUTS, budget.bigCutLimbs().size() + 1, budget.mostBigCuts()));
        }
        if (cut.kind() == CutKind.RENEWAL && budget.renewals() >= renewals) {
            breaks.add(scene.reason(ReasonCode.BREAKS_RENEWALS, renewals));
        }
        return breaks;
    }

    /** What else is to be said of its place. */
    List<Reason> notes(LaneDraft lane) {
        return lane.quality.filter(Window.Quality.WITH_CARE::equals).isPresent()
                ? List.of(scene.reason(ReasonCode.BY_HAND_WITH_CARE))
                : List.of();
    }
}
