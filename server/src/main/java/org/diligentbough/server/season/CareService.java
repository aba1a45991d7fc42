package org.diligentbough.server.season;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.season.CareTable.Due;
import org.diligentbough.core.season.CareTask;
import org.diligentbough.server.figures.SiteRules;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper;
import org.diligentbough.server.season.CareMapper.CareRow;
import org.diligentbough.server.shared.CodeOf;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.shared.Wording;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.threeten.extra.LocalDateRange;

/** Work round the year besides cutting: when it is due, and that it was done. */
@Service
public class CareService {
    private static final int MONTHS_AHEAD = 11;

    private final CareMapper done;
    private final OrchardService orchard;
    private final TreeMapper trees;
    private final SiteSeasons seasons;
    private final SiteRules rules;
    private final History history;
    private final CurrentPerson person;
    private final Today today;
    private final Wording wording;

    CareService(
            CareMapper done,
            OrchardService orchard,
            TreeMapper trees,
            SiteSeasons seasons,
            SiteRules rules,
            History history,
            CurrentPerson person,
            Today today,
            Wording wording) {
        this.done = done;
        this.orchard = orchard;
        this.trees = trees;
        this.seasons = seasons;
        this.rules = rules;
        this.history = history;
        this.person = person;
        this.today = today;
        this.wording = wording;
    }

    /**
     * Work that is due or comes.
     *
     * @param species the kind it concerns, or null for the whole orchard
     * @param year the growing year it counts for
     * @param closes its last day
     */
    public record DueView(
            String task,
            String title,
            String text,
            String source,
            @MayBeNull String species,
            int trees,
            int year,
            LocalDate opens,
            LocalDate closes,
            @MayBeNull DoneView done) {}

    /** That it was done. */
    public record DoneView(
            long id, LocalDate on, String by, @MayBeNull String note) {}

    /** What was done; a treatment's note says what was used, by its label and the law of the place. */
    public record DoneData(
            @NotNull(message = "is missing; say which task") @CodeOf(CareTask.class)
            String task,

            @MayBeNull @CodeOf(Species.class) String species,

            @NotNull(message = "is missing; give the growing year it was done for")
            Integer year,

            @NotNull(message = "is missing; give the day") LocalDate on,

            @MayBeNull @Size(max = 500, message = "is longer than 500 letters")
            String note) {}

    /** What is due today and within a year, by when it begins. */
    public List<DueView> care(long siteId) {
        SiteRow site = orchard.site(siteId);
        LocalDate day = today.in(site.zone());
        LocalDateRange days = LocalDateRange.of(day, day.plusMonths(MONTHS_AHEAD));
        List<CareRow> done = this.done.ofSite(siteId);
        Stream<DueView> ofKinds = trees.kinds(siteId).stream()
                .filter(kind -> !kind.trained())
                .flatMap(kind -> seasons.year(site, SiteSeasons.species(kind.species()), day).care(days).stream()
                        .map(due -> view(due, kind.trees(), done)));
        Stream<DueView> ofAll =
                rules.of(siteId).care(site.data().toSite(), days).stream().map(due -> view(due, 0, done));
        return Stream.concat(ofKinds, ofAll)
                .sorted(Comparator.comparing(DueView::opens).thenComparing(DueView::task))
                .toList();
    }

    private DueView view(Due due, int trees, List<CareRow> done) {
        String task = Codes.of(due.task());
        String species = due.species().map(Codes::of).orElse(null);
        Optional<CareRow> was = done.stream()
                .filter(row ->
                        row.task().equals(task) && row.year() == due.year() && Objects.equals(row.species(), species))
                .findFirst();
        return new DueView(
                task,
                wording.say("care-" + task),
                wording.say("care-" + task + "-how"),
                wording.source(due.source()),
                species,
                trees,
                due.year(),
                due.days().getStart(),
                due.days().getEndInclusive(),
                was.map(row -> new DoneView(row.id(), row.doneOn(), row.doneBy(), row.note()))
                        .orElse(null));
    }

    @Transactional
    public void did(long siteId, DoneData data) {
        long who = person.id();
        if (data.on().isAfter(today.in(orchard.site(siteId).zone()))) {
            throw ProblemException.wrongField("/on", "has not come yet; give the day it was done");
        }
        done.add(siteId, data.task(), data.species(), data.year(), data.on(), who, data.note())
                .ifPresent(id -> history.added(new About("care", id, siteId, null), data));
    }

    /** Takes back that it was done. */
    @Transactional
    public void notDone(long id) {
        person.id();
        CareRow before = done.find(id).orElseThrow(() -> ProblemException.notFound("Nothing of that kind was noted."));
        done.drop(id);
        history.takenAway(new About("care", id, before.siteId(), null), before);
    }
}
