package org.diligentbough.server.figures;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.server.figures.FigureMapper.FigureRow;
import org.diligentbough.server.figures.FigureMapper.Of;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Wording;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The numbers the rules go by at a site: what each means, where it comes from, and what the site has changed. */
@Service
public class FigureService {
    private final FigureMapper mapper;
    private final OrchardService orchard;
    private final Rulebook shipped;
    private final CurrentPerson person;
    private final History history;
    private final Wording wording;

    FigureService(
            FigureMapper mapper,
            OrchardService orchard,
            Rulebook shipped,
            CurrentPerson person,
            History history,
            Wording wording) {
        this.mapper = mapper;
        this.orchard = orchard;
        this.shipped = shipped;
        this.person = person;
        this.history = history;
        this.wording = wording;
    }

    /**
     * A number.
     *
     * @param unit {@code share} is a fraction from 0 to 1
     * @param shipped its value when nobody has changed it
     * @param least the least value that makes sense
     * @param changed what the site goes by instead, or null
     * @param kinds what it goes by for trees of a kind alone
     */
    public record FigureView(
            String figure,
            String meaning,
            String unit,
            double shipped,
            double least,
            double most,
            String source,
            @MayBeNull ChangedView changed,
            List<OfKind> kinds) {
        public FigureView {
            // What was written down before there were numbers of kinds.
            kinds = kinds == null ? List.of() : List.copyOf(kinds);
        }

        /** What the site goes by instead for a kind, or with null for all. */
        public Optional<ChangedView> changed(String kind) {
            return kind == null
                    ? Optional.ofNullable(changed)
                    : kinds.stream()
                            .filter(one -> one.kind().equals(kind))
                            .map(OfKind::changed)
                            .findFirst();
        }
    }

    /** What a site goes by for trees of a kind alone. */
    public record OfKind(String kind, ChangedView changed) {}

    /** What a site goes by instead. */
    public record ChangedView(double value, @MayBeNull String note, String by, Instant at, long version) {}

    /** Another value for a number, with the version it was based on: 0 while the site goes by the shipped one. */
    public record FigureChange(
            @NotNull(message = "is missing; send the version the change is based on")
            Long version,

            @NotNull(message = "is missing; give a number") Double value,

            @MayBeNull @Size(max = 500, message = "is longer than 500 letters")
            String note) {}

    public List<FigureView> figures(long siteId) {
        Map<String, List<FigureRow>> changed =
                mapper.ofSite(orchard.site(siteId).id()).stream().collect(Collectors.groupingBy(FigureRow::figure));
        return Arrays.stream(Figure.values())
                .map(figure -> view(figure, changed.getOrDefault(Codes.of(figure), List.of())))
                .toList();
    }

    private FigureView view(Figure figure, List<FigureRow> rows) {
        Knowledge.Entry entry = shipped.knowledge().entry(figure);
        return new FigureView(
                Codes.of(figure),
                entry.meaning(),
                figure.unit(),
                entry.value(),
                figure.min(),
                figure.max(),
                wording.source(entry.source()),
                rows.stream()
                        .filter(row -> row.kind() == null)
                        .map(FigureService::changed)
                        .findFirst()
                        .orElse(null),
                rows.stream()
                        .filter(row -> row.kind() != null)
                        .map(row -> new OfKind(row.kind(), changed(row)))
                        .toList());
    }

    /** What a site went by for all its trees, from when on. */
    public record WentBy(Instant since, double value) {}

    /** Every change of a number for all trees of a site, the first first. */
    public List<WentBy> course(long siteId, Figure figure) {
        double before = shipped.knowledge().get(figure);
        return mapper.course(siteId, Codes.of(figure)).stream()
                .map(row -> new WentBy(row.at(), row.value() == null ? before : row.value()))
                .toList();
    }

    private static ChangedView changed(FigureRow row) {
        return new ChangedView(row.value(), row.note(), row.changedBy(), row.changedAt(), row.version());
    }

    /**
     * Has a site go by another value; every tree of it is judged anew.
     *
     * @param kind for trees of which kind alone; null for all
     */
    @Transactional
    public FigureView changeFigure(long siteId, String figure, String kind, FigureChange change) {
        long who = person.id();
        Figure known = known(figure);
        kindIsKnown(kind);
        if (!(change.value() >= known.min() && change.value() <= known.max())) {
            throw ProblemException.wrongField(
                    "/value", "makes no sense; give " + known.min() + " to " + known.max() + " " + known.unit());
        }
        FigureView before = one(siteId, known);
        long site = orchard.site(siteId).id();
        if (mapper.keep(site, new Of(figure, kind), change.version(), change.value(), change.note(), who) == 0) {
            throw ProblemException.stale("This number");
        }
        return changed(siteId, known, before);
    }

    /** Puts the shipped value back; of a kind, what holds for all. */
    @Transactional
    public FigureView putFigureBack(long siteId, String figure, String kind, long version) {
        person.id();
        kindIsKnown(kind);
        FigureView before = one(siteId, known(figure));
        if (mapper.putBack(orchard.site(siteId).id(), new Of(figure, kind), version) == 0) {
            throw ProblemException.stale("This number");
        }
        return changed(siteId, known(figure), before);
    }

    private static void kindIsKnown(String kind) {
        if (kind != null && Codes.parse(Species.class, kind).isEmpty()) {
            throw ProblemException.wrongField("/kind", "is no kind; name one as a tree of the register has it");
        }
    }

    private FigureView changed(long siteId, Figure figure, FigureView before) {
        FigureView after = one(siteId, figure);
        history.changed(new About("figure", figure.ordinal(), siteId, null), before, after);
        orchard.judgeAllAnew(siteId);
        return after;
    }

    private FigureView one(long siteId, Figure figure) {
        return figures(siteId).get(figure.ordinal());
    }

    private static Figure known(String figure) {
        return Codes.parse(Figure.class, figure)
                .orElseThrow(() -> ProblemException.notFound("There is no number of that name."));
    }
}
