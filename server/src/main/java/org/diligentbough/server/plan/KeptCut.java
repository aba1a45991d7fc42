package org.diligentbough.server.plan;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.plan.CutKey;
import org.diligentbough.core.plan.Pin;
import org.diligentbough.core.plan.RenovationPlan;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.season.Window;
import org.diligentbough.core.verdict.Verdict;
import org.diligentbough.server.shared.MayBeNull;

/**
 * A cut as a plan that was kept has it.
 *
 * @param year calendar year the pruning year bears
 * @param quality of the window; null for season any
 * @param alongM where, m from the limb's base
 */
public record KeptCut(
        String limb,
        String kind,
        int year,
        String yearLabel,
        String season,
        @MayBeNull String quality,
        double diameterCm,
        double alongM,
        double share,
        int minutes) {

    public static KeptCut of(Lane lane, PlannedCut cut) {
        return new KeptCut(
                cut.limb(),
                Codes.of(cut.kind()),
                lane.year().year(),
                lane.year().label(),
                Codes.of(lane.season()),
                lane.quality().map(Codes::of).orElse(null),
                Math.round(cut.cut().diameterCm() * 10) / 10.0,
                Math.round(cut.cut().place().alongM() * 1000) / 1000.0,
                cut.share(),
                cut.cut().minutes());
    }

    /** All cuts of a plan in time order. */
    public static List<KeptCut> of(RenovationPlan plan) {
        return plan.lanes().stream()
                .flatMap(lane -> lane.cuts().stream().map(cut -> of(lane, cut)))
                .toList();
    }

    /** When each is made, as "2028 dormant". */
    public static Map<CutKey, String> times(List<KeptCut> cuts) {
        Map<CutKey, String> times = new LinkedHashMap<>();
        cuts.forEach(cut -> times.put(cut.key(), cut.yearLabel() + " " + cut.season()));
        return times;
    }

    /** What it is compared by. */
    public CutKey key() {
        return new CutKey(limb, Codes.parse(Verdict.class, kind).orElseThrow());
    }

    /** Keeps it where it is. */
    public Pin toPin() {
        return Pin.kept(
                limb,
                Codes.parse(Verdict.class, kind).orElseThrow(),
                year,
                Codes.parse(Season.class, season).orElseThrow(),
                quality == null ? Optional.empty() : Codes.parse(Window.Quality.class, quality),
                alongM);
    }
}
