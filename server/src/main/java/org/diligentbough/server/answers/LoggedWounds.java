package org.diligentbough.server.answers;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.survey.Face;
import org.diligentbough.core.wood.Wound;
import org.diligentbough.server.visit.LoggedCut;
import org.diligentbough.server.visit.VisitCut;
import org.diligentbough.server.visit.VisitMapper.LogRow;
import org.diligentbough.server.visit.VisitMapper.VisitRow;
import org.diligentbough.server.wood.WoundMapper.LookRow;
import org.diligentbough.server.wood.WoundMapper.OldWoundRow;

/** The wounds of a tree: of every logged cut that is wide enough, the newest of each limb, and those found on walks. */
final class LoggedWounds {
    private LoggedWounds() {}

    /**
     * A wound with where it comes from.
     *
     * @param name tag of the limb that was cut, or what it was called when it was found
     * @param old whether it was found, not cut by us
     * @param onLimb what bears it, of one that was found; null on the trunk
     */
    record Kept(String name, boolean old, String onLimb, Wound wound, List<LookRow> looks) {}

    /** A cut that was made, as planned and as logged. */
    record CutMade(LogRow log, LoggedCut cut, Optional<VisitCut> planned) {
        /** What was done. */
        String kind() {
            return cut.outcome().equals(Codes.of(LoggedCut.Outcome.DONE)) && planned.isPresent()
                    ? planned.get().kind()
                    : cut.kind();
        }

        /** Its width, cm; empty where nobody measured or planned it. */
        OptionalDouble diameterCm() {
            if (cut.diameterCm() != null) {
                return OptionalDouble.of(cut.diameterCm());
            }
            return planned.isPresent() ? OptionalDouble.of(planned.get().diameterCm()) : OptionalDouble.empty();
        }
    }

    /** Every cut of some logs that was really made, bending left out. */
    static List<CutMade> made(List<LogRow> logs, Map<Long, VisitRow> visits) {
        List<CutMade> found = new ArrayList<>();
        for (LogRow log : logs) {
            Map<String, VisitCut> planned = new HashMap<>();
            Optional.ofNullable(visits.get(log.visitId()))
                    .ifPresent(visit -> visit.cuts().forEach(cut -> planned.put(cut.limb(), cut)));
            for (LoggedCut cut : log.cuts()) {
                CutMade made = new CutMade(log, cut, Optional.ofNullable(planned.get(cut.limb())));
                boolean wasMade = !cut.outcome().equals(Codes.of(LoggedCut.Outcome.NOT_DONE));
                if (!log.corrected()
                        && wasMade
                        && !Codes.of(LoggedCut.Done.BEND).equals(made.kind())) {
                    found.add(made);
                }
            }
        }
        return found;
    }

    /** @param leastCm width from which a cut is kept as a wound */
    static List<Kept> of(List<CutMade> cuts, List<OldWoundRow> old, List<LookRow> looks, double leastCm, LocalDate on) {
        Map<String, CutMade> newest = new LinkedHashMap<>();
        cuts.stream()
                .filter(cut -> !cut.log().onDay().isAfter(on))
                .forEach(cut -> newest.merge(
                        cut.cut().limb(),
                        cut,
                        (one, other) -> other.log().onDay().isBefore(one.log().onDay()) ? one : other));
        List<Kept> found = new ArrayList<>();
        newest.forEach((limb, cut) -> {
            double acrossCm = cut.diameterCm().orElse(0);
            if (acrossCm >= leastCm) {
                found.add(kept(
                        limb,
                        false,
                        null,
                        cut.log().onDay(),
                        acrossCm,
                        cut.cut().wood(),
                        cut.cut().hollowCm(),
                        looks,
                        on));
            }
        });
        old.stream()
                .filter(one -> !one.foundOn().isAfter(on))
                .forEach(one -> found.add(kept(
                        one.name(),
                        true,
                        one.onLimb(),
                        one.foundOn(),
                        one.diameterCm(),
                        one.face(),
                        one.hollowCm(),
                        looks,
                        on)));
        return found;
    }

    private static Kept kept(
            String name,
            boolean old,
            String onLimb,
            LocalDate madeOn,
            double acrossCm,
            String face,
            Double hollowCm,
            List<LookRow> all,
            LocalDate on) {
        List<LookRow> looks = all.stream()
                .filter(look -> look.wound().equals(name)
                        && look.lookedOn().isAfter(madeOn)
                        && !look.lookedOn().isAfter(on))
                .toList();
        return new Kept(
                name,
                old,
                onLimb,
                new Wound(
                        madeOn,
                        acrossCm,
                        face == null ? Optional.empty() : Codes.parse(Face.class, face),
                        hollowCm == null ? OptionalDouble.empty() : OptionalDouble.of(hollowCm),
                        looks.stream()
                                .map(look -> new Wound.Look(
                                        look.lookedOn(),
                                        look.longMm(),
                                        look.shortMm(),
                                        Codes.parse(Wound.State.class, look.state())
                                                .orElseThrow()))
                                .toList()),
                looks);
    }
}
