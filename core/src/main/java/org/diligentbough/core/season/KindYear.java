package org.diligentbough.core.season;

import static org.diligentbough.core.knowledge.Figure.COOL_NIGHT_C;
import static org.diligentbough.core.knowledge.Figure.FIG_RIPENS_DAYS;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Species;
import org.threeten.extra.LocalDateRange;

/** The year of one kind at a site besides its windows: what the climate brings and spares it, and what is due. */
public final class KindYear {
    private final Species species;
    private final Climate climate;
    private final Stages stages;
    private final CareTable care;
    private final Knowledge knowledge;

    public KindYear(Species species, Climate climate, Stages stages, CareTable care, Knowledge knowledge) {
        this.species = species;
        this.climate = climate;
        this.stages = stages;
        this.care = care;
        this.knowledge = knowledge;
    }

    /** The work due for this kind on some of {@code days}, by when it begins. */
    public List<CareTable.Due> care(LocalDateRange days) {
        return care.due(Optional.of(species), climate, stages, days);
    }

    /** What is to be known of a growing year: frost, rain, warmth, and by when a fig must have started. */
    public List<Reason> facts(int year) {
        List<Reason> found = new ArrayList<>();
        found.add(
                switch (climate.frost()) {
                    case NEVER -> knowledge.reason(ReasonCode.SEASON_NO_FROST);
                    case ALWAYS -> knowledge.reason(ReasonCode.SEASON_ALWAYS_FROST);
                    case IN_SEASON ->
                        knowledge.reason(
                                ReasonCode.SEASON_FROST_DAYS,
                                climate.here(climate.lastFrost(year).orElseThrow()),
                                climate.here(climate.firstFrost(year).orElseThrow()));
                });
        if (species == Species.APRICOT) {
            found.add(climate.rains(year)
                    .map(rains -> knowledge.reason(ReasonCode.SEASON_RAINS_COME, climate.here(rains)))
                    .orElseGet(() -> knowledge.reason(ReasonCode.SEASON_WET_SUMMER)));
        }
        if (species == Species.FIG) {
            found.add(lastFig(year));
        }
        stages.of(year).stream()
                .filter(stage -> stages.warmthFallsShort(stage.bbch(), year))
                .findFirst()
                .ifPresent(stage ->
                        found.add(knowledge.reason(ReasonCode.SEASON_WARMTH_SHORT, GrowthStage.at(stage.bbch()))));
        return found;
    }

    /** By when a fig must have started to ripen before the nights turn cool. */
    private Reason lastFig(int year) {
        int days = (int) knowledge.get(FIG_RIPENS_DAYS);
        Optional<LocalDate> cool =
                climate.coolNights(year, knowledge.get(COOL_NIGHT_C)).map(climate::here);
        if (cool.isEmpty()) {
            return knowledge.reason(ReasonCode.SEASON_FIG_NO_COOL_NIGHTS);
        }
        LocalDate last = cool.get().minusDays(days);
        return last.isBefore(stages.of(10, year).orElseThrow().reached())
                ? knowledge.reason(ReasonCode.SEASON_FIG_TOO_COOL)
                : knowledge.reason(ReasonCode.SEASON_FIG_LAST_START, days, cool.get(), last);
    }
}
