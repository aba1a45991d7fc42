package org.diligentbough.server.season;

import static org.diligentbough.core.knowledge.Figure.STAGE_MOST_DAYS_OFF;

import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.orchard.Site;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.season.GrowthStage;
import org.diligentbough.core.season.Seen;
import org.diligentbough.core.season.Stages;
import org.diligentbough.server.figures.SiteRules;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.season.SightingMapper.SightingRow;
import org.diligentbough.server.shared.CodeOf;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Once;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What people see of the growth of a kind at a site; it moves the windows of that kind there. */
@Service
public class SightingService {
    /** Long enough to hold this season and the one before. */
    private static final int MONTHS_BACK = 14;

    private final SightingMapper sightings;
    private final OrchardService orchard;
    private final SiteRules rules;
    private final History history;
    private final CurrentPerson person;
    private final Today today;
    private final Once once;

    SightingService(
            SightingMapper sightings,
            OrchardService orchard,
            SiteRules rules,
            History history,
            CurrentPerson person,
            Today today,
            Once once) {
        this.sightings = sightings;
        this.orchard = orchard;
        this.rules = rules;
        this.history = history;
        this.person = person;
        this.today = today;
        this.once = once;
    }

    /**
     * Something seen.
     *
     * @param species the kind
     * @param treeId the tree it was seen on, or null for the kind as a whole
     * @param stage what had come
     * @param on the day it came, as far as people know
     */
    record SightingData(
            @NotNull(message = "is missing; say which kind") @CodeOf(Species.class)
            String species,

            @MayBeNull Long treeId,

            @NotNull(message = "is missing; choose what you saw") @CodeOf(GrowthStage.class)
            String stage,

            @NotNull(message = "is missing; give the day it came")
            LocalDate on) {}

    /**
     * Something seen, and by whom.
     *
     * @param id to take it back by; null for what was entered on a walk
     * @param stage null for a tree seen still growing
     */
    record SightingView(
            @MayBeNull Long id,
            @MayBeNull String tag,
            @MayBeNull String stage,
            LocalDate on,
            String by) {}

    /** Notes what was seen. What is sent again under the same key is kept once. */
    @Transactional
    public SightingView add(long siteId, Optional<UUID> key, SightingData data) {
        person.id();
        long kept = once.keep(key, "stage seen at site " + siteId, data, () -> add(siteId, data));
        return view(sightings
                .find(kept)
                .orElseThrow(() -> ProblemException.notFound("What was seen was taken back meanwhile.")));
    }

    private long add(long siteId, SightingData data) {
        if (data.on().isAfter(today.in(orchard.site(siteId).zone()))) {
            throw ProblemException.wrongField("/on", "has not come yet; give the day it was seen");
        }
        if (data.treeId() != null) {
            var tree = orchard.tree(data.treeId());
            if (tree.siteId() != siteId || !tree.species().equals(data.species())) {
                throw ProblemException.wrongField("/treeId", "is no tree of this kind at this site");
            }
        }
        GrowthStage stage = Codes.parse(GrowthStage.class, data.stage()).orElseThrow();
        tooFarFrom(siteId, data, stage).ifPresent(usual -> {
            throw ProblemException.wrongField(
                    "/on", "lies far from when this is usual here (" + usual + "); look at the stage and the day");
        });
        SightingRow added = keep(siteId, data.species(), data.treeId(), stage, data.on(), person.id());
        history.added(new About("sighting", added.id(), siteId, data.treeId()), added);
        orchard.judgeKindAnew(siteId, data.species());
        return added.id();
    }

    /** The usual day of a stage, if what was seen lies too far from it to be believed. */
    private Optional<LocalDate> tooFarFrom(long siteId, SightingData data, GrowthStage stage) {
        Site site = orchard.site(siteId).data().toSite();
        Species species = Codes.parse(Species.class, data.species()).orElseThrow();
        Rulebook ofSite = rules.of(siteId);
        Stages stages = ofSite.calendar(site, species, false, Seen.NOTHING).stages();
        return Stream.of(data.on().getYear() - 1, data.on().getYear(), data.on().getYear() + 1)
                .flatMap(year -> stages.of(stage.bbch(), year).stream())
                .map(Stages.Stage::expected)
                .min(Comparator.comparingLong(day -> Math.abs(ChronoUnit.DAYS.between(day, data.on()))))
                .filter(day -> Math.abs(ChronoUnit.DAYS.between(day, data.on()))
                        > ofSite.knowledge().get(STAGE_MOST_DAYS_OFF));
    }

    /** Takes back what was noted by itself. */
    @Transactional
    public void takeBack(long id) {
        person.id();
        SightingRow before =
                sightings.find(id).orElseThrow(() -> ProblemException.notFound("Nothing of that kind was noted."));
        sightings.drop(id);
        history.takenAway(new About("sighting", id, before.siteId(), before.treeId()), before);
        orchard.judgeKindAnew(before.siteId(), before.species());
    }

    /** What was seen of a kind in the year before a day and on it, the newest first. */
    List<SightingView> list(long siteId, String species, LocalDate until) {
        return sightings.seen(siteId, species, until.minusMonths(MONTHS_BACK), until).stream()
                .map(SightingService::view)
                .toList();
    }

    /**
     * What was noted by itself at a site.
     *
     * @param tree tag of the tree it was seen on, or null
     */
    public record Noted(String species, String tree, String stage, LocalDate on, String by) {}

    /** All that was noted by itself at a site, the oldest first. */
    public List<Noted> noted(long siteId) {
        return sightings.noted(siteId).stream()
                .map(row -> new Noted(
                        row.species(), row.tag(), Codes.of(GrowthStage.at(row.bbch())), row.seenOn(), row.seenBy()))
                .toList();
    }

    /** Keeps what somebody saw without judging anew: for whoever does that otherwise. */
    public SightingRow keep(long siteId, String species, Long treeId, GrowthStage stage, LocalDate on, long by) {
        long id = sightings.add(siteId, species, treeId, stage.bbch(), on, by);
        SightingRow added = sightings.find(id).orElseThrow();
        return added;
    }

    /** What was seen of a kind by a day, for the rules. */
    public Seen of(long siteId, String species, LocalDate until) {
        List<SightingRow> rows = sightings.seen(siteId, species, until.minusMonths(MONTHS_BACK), until);
        return new Seen(
                rows.stream()
                        .filter(row -> row.bbch() != null)
                        .map(row -> new Seen.Sighting(row.bbch(), row.seenOn()))
                        .toList(),
                rows.stream()
                        .filter(row -> row.bbch() == null)
                        .map(SightingRow::seenOn)
                        .toList());
    }

    /** When trees of a site were last seen in bloom: rows of a tree, its stage and the day. */
    List<SightingRow> blooms(long siteId, LocalDate until) {
        return sightings.seen(siteId, "", until.minusMonths(MONTHS_BACK), until).stream()
                .filter(row -> Objects.nonNull(row.treeId()) && Objects.nonNull(row.bbch()))
                .filter(row ->
                        row.bbch() >= GrowthStage.FIRST_FLOWERS.bbch() && row.bbch() <= GrowthStage.BLOOM_OVER.bbch())
                .toList();
    }

    private static SightingView view(SightingRow row) {
        return new SightingView(
                row.id(),
                row.tag(),
                row.bbch() == null ? null : Codes.of(GrowthStage.at(row.bbch())),
                row.seenOn(),
                row.seenBy());
    }
}
