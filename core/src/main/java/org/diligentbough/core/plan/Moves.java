package org.diligentbough.core.plan;

import java.time.LocalDate;
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
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.TreeFacts;
import org.diligentbough.core.verdict.Verdict;

/** The cuts somebody moved, or a plan that is kept has, and the lanes they are in. A pin whose time is over lapses. */
final class Moves {
    private record Key(String limb, Verdict kind) {}

    private final TreeFacts facts;
    private final CuttingCalendar calendar;
    private final LocalDate today;
    private final Set<String> split;
    private final Map<Key, Pin> pins = new LinkedHashMap<>();

    /** @param split limbs asked to be shortened one year and removed another */
    Moves(List<Pin> pins, Set<String> split, TreeFacts facts, CuttingCalendar calendar) {
        this.split = split;
        Survey survey = facts.survey();
        this.facts = facts;
        this.calendar = calendar;
        this.today = survey.today();
        pins.stream()
                .filter(pin -> window(pin).isPresent() || anyDayStill(pin))
                .forEach(pin -> this.pins.put(new Key(pin.limb(), pin.kind()), pin));
    }

    Optional<Pin> pin(String limb, Verdict kind) {
        return Optional.ofNullable(pins.get(new Key(limb, kind)));
    }

    /** Whether nothing was moved and no plan is kept. */
    boolean none() {
        return pins.isEmpty();
    }

    /** Whether a cut stands where it does only because the plan that is kept has it there. */
    boolean kept(LimbVerdict limb, Verdict kind) {
        return pin(limb.limb().id(), kind).filter(Pin::kept).isPresent();
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
        return new PruningYear(pin.year(), facts.survey().site().southern());
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
        boolean summerOnly = facts.traits().hasAllowance()
                && pin.season() == Season.SUMMER
                && window.get().quality() == Window.Quality.WITH_CARE;
        LaneDraft lane = new LaneDraft(anySeason.budget, window.get(), summerOnly);
        ofYear.add(lane);
        return lane;
    }

    /** What else is to be said of its place. */
    List<Reason> notes(LaneDraft lane) {
        return lane.quality.filter(Window.Quality.WITH_CARE::equals).isPresent()
                ? List.of(facts.reason(ReasonCode.BY_HAND_WITH_CARE))
                : List.of();
    }
}
