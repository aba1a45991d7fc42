package org.diligentbough.server.fruit;

import com.fasterxml.jackson.annotation.JsonIgnore;
import io.swagger.v3.oas.annotations.Hidden;
import jakarta.validation.Valid;
import jakarta.validation.constraints.AssertTrue;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.UUID;
import java.util.stream.Collectors;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.fruit.FruitRecord;
import org.diligentbough.core.fruit.FruitRecord.Biennial;
import org.diligentbough.core.fruit.FruitRecord.YearFigures;
import org.diligentbough.core.fruit.FruitYear;
import org.diligentbough.core.fruit.Girths;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.server.fruit.FruitMapper.FruitRow;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Once;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.survey.SurveyMapper;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What trees bore, by year, and what follows from it. */
@Service
public class FruitService {
    private final FruitMapper fruit;
    private final SurveyMapper surveys;
    private final OrchardService orchard;
    private final Rulebook rules;
    private final History history;
    private final CurrentPerson person;
    private final Today today;
    private final Picking picking;
    private final Once once;

    FruitService(
            FruitMapper fruit,
            SurveyMapper surveys,
            OrchardService orchard,
            Rulebook rules,
            History history,
            CurrentPerson person,
            Today today,
            Picking picking,
            Once once) {
        this.fruit = fruit;
        this.surveys = surveys;
        this.orchard = orchard;
        this.rules = rules;
        this.history = history;
        this.person = person;
        this.today = today;
        this.picking = picking;
        this.once = once;
    }

    /**
     * A year's fruit as entered.
     *
     * @param bloom 0 none to 5 all over
     * @param fruitSet how much of the bloom set, 0 to 5
     * @param thinned fruits taken off
     * @param number fruits picked
     * @param kilos picked, kg
     * @param meanFruitG mean weight of a fruit, g
     * @param colour 0 green to 5 full
     * @param spoiltShare 0 to 1
     * @param reachKilos left out of reach, kg: the birds get those
     * @param firstKilos of a fig's first crop, kg
     * @param keptKilos where it went, kg
     */
    public record FruitData(
            @MayBeNull
            @Min(value = 0, message = "give 0 for none to 5 for all over")
            @Max(value = 5, message = "give 0 for none to 5 for all over")
            Integer bloom,

            @MayBeNull @Min(value = 0, message = "cannot be under 0") @Max(value = 5, message = "give 0 to 5")
            Integer fruitSet,

            @MayBeNull
            @Min(value = 0, message = "cannot be under 0")
            @Max(value = 100000, message = "is more than a tree bears; give 0 to 100000 fruits")
            Integer thinned,

            @MayBeNull
            @Min(value = 0, message = "cannot be under 0")
            @Max(value = 20000, message = "is more than a tree bears; give 0 to 20000 fruits")
            Integer number,

            @MayBeNull
            @Min(value = 0, message = "cannot be under 0 kg")
            @Max(value = 2000, message = "is more than a tree bears; give 0 to 2000 kg")
            Double kilos,

            @MayBeNull
            @DecimalMin(value = "0.1", message = "cannot be under 0.1")
            @DecimalMax(value = "5000", message = "is heavier than any fruit; give g")
            Double meanFruitG,

            @MayBeNull @Min(value = 0, message = "cannot be under 0") @Max(value = 5, message = "give 0 to 5")
            Integer colour,

            @MayBeNull
            @DecimalMin(value = "0", message = "cannot be under 0")
            @DecimalMax(value = "1", message = "is a share; give 0 to 1")
            Double spoiltShare,

            @MayBeNull
            @DecimalMin(value = "0", message = "cannot be under 0")
            @DecimalMax(value = "2000", message = "is more than a tree bears; give 0 to 2000 kg")
            Double reachKilos,

            @MayBeNull
            @DecimalMin(value = "0", message = "cannot be under 0")
            @DecimalMax(value = "2000", message = "is more than a tree bears; give 0 to 2000 kg")
            Double firstKilos,

            @MayBeNull
            @DecimalMin(value = "0", message = "cannot be under 0")
            @DecimalMax(value = "2000", message = "is more than a tree bears; give 0 to 2000 kg")
            Double keptKilos,

            @MayBeNull
            @DecimalMin(value = "0", message = "cannot be under 0")
            @DecimalMax(value = "2000", message = "is more than a tree bears; give 0 to 2000 kg")
            Double sharedKilos,

            @MayBeNull
            @DecimalMin(value = "0", message = "cannot be under 0")
            @DecimalMax(value = "2000", message = "is more than a tree bears; give 0 to 2000 kg")
            Double givenKilos,

            @MayBeNull
            @DecimalMin(value = "0", message = "cannot be under 0")
            @DecimalMax(value = "2000", message = "is more than a tree bears; give 0 to 2000 kg")
            Double pressedKilos,

            @MayBeNull @Size(max = 1000, message = "is longer than 1000 letters")
            String note) {
        @JsonIgnore
        @Hidden
        @AssertTrue(message = "is empty; give bloom, number or kilos")
        public boolean isAnything() {
            return bloom != null || number != null || kilos != null;
        }
    }

    /**
     * One year with its figures.
     *
     * @param trunkCm2 cross-section of the trunk, cm2
     * @param beforeOpening whether it was counted on a tree nothing had been logged of yet: in a dense tree much is missed
     */
    public record FruitYearView(
            int year,
            int version,
            FruitData data,
            String by,
            @MayBeNull Double trunkCm2,
            @MayBeNull Double kilosPerCm2,
            @MayBeNull Double fruitPerCm2,
            boolean beforeOpening) {}

    /** {@code index} is null while there is too little to tell: {@code years} compared of {@code yearsWanted}. */
    public record BiennialView(@MayBeNull Double index, int years, int yearsWanted) {}

    /** All years, oldest first. */
    public record FruitView(List<FruitYearView> years, List<PickingView> pickings, BiennialView biennial) {}

    /** One picking of several in a year. */
    public record PickingView(
            long id,
            LocalDate on,
            int year,
            @MayBeNull Double kilos,
            @MayBeNull Integer number,
            @MayBeNull Double spoiltKilos,
            @MayBeNull String note,
            String by) {}

    /** What was picked of a tree on a day: kilos or number, or both. */
    public record PickingData(
            @NotNull(message = "is missing; give the day") LocalDate on,

            @MayBeNull
            @DecimalMin(value = "0", message = "cannot be under 0 kg")
            @DecimalMax(value = "2000", message = "is more than a tree bears; give 0 to 2000 kg")
            Double kilos,

            @MayBeNull
            @Min(value = 0, message = "cannot be under 0")
            @Max(value = 20000, message = "is more than a tree bears; give 0 to 20000 fruits")
            Integer number,

            @MayBeNull
            @DecimalMin(value = "0", message = "cannot be under 0 kg")
            @DecimalMax(value = "2000", message = "is more than a tree bears; give 0 to 2000 kg")
            Double spoiltKilos,

            @MayBeNull @Size(max = 500, message = "is longer than 500 letters")
            String note) {}

    /** A year's fruit, with the version it was based on: 0 for a year without any. */
    record FruitChange(
            @NotNull(message = "is missing; send the version the change is based on")
            Integer version,

            @Valid @NotNull(message = "is missing") FruitData data) {}

    public FruitView fruit(long treeId) {
        boolean southern = orchard.site(orchard.tree(treeId).siteId()).latitude() < 0;
        Map<Integer, FruitRow> rows = new HashMap<>();
        fruit.ofTree(treeId).forEach(row -> rows.put(row.year(), row));
        FruitRecord record = new FruitRecord(
                rows.values().stream().map(FruitService::core).toList(),
                new Girths(surveys.ofTree(treeId).stream()
                        .map(survey -> new Girths.Girth(survey.surveyedOn(), survey.trunkGirthCm()))
                        .toList()),
                southern,
                rules.knowledge());
        Optional<LocalDate> opened = fruit.firstCut(treeId);
        Biennial biennial = record.biennial();
        return new FruitView(
                record.figures().stream()
                        .map(figures -> view(figures, rows.get(figures.year().year()), opened))
                        .toList(),
                fruit.pickingsOf(treeId).stream()
                        .map(row -> new PickingView(
                                row.id(),
                                row.pickedOn(),
                                row.year(),
                                row.kilos(),
                                row.number(),
                                row.spoiltKilos(),
                                row.note(),
                                row.pickedBy()))
                        .toList(),
                new BiennialView(orNull(biennial.index()), biennial.years(), biennial.yearsWanted()));
    }

    private static FruitYear core(FruitRow row) {
        return new FruitYear(
                row.year(),
                row.bloom() == null ? OptionalInt.empty() : OptionalInt.of(row.bloom()),
                row.number() == null ? OptionalInt.empty() : OptionalInt.of(row.number()),
                number(row.kilos()),
                number(row.meanFruitG()),
                number(row.spoiltShare()),
                false);
    }

    private static OptionalDouble number(Double value) {
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }

    private static FruitYearView view(YearFigures figures, FruitRow row, Optional<LocalDate> opened) {
        return new FruitYearView(
                row.year(),
                row.version(),
                row.data(),
                row.byName(),
                orNull(figures.trunkCm2()),
                orNull(figures.kilosPerCm2()),
                orNull(figures.fruitPerCm2()),
                opened.filter(on -> on.getYear() <= row.year()).isEmpty());
    }

    private static Double orNull(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }

    /** Keeps a year's fruit. What is sent again under the same key is kept once. */
    @Transactional
    public FruitView keepFruit(long treeId, int year, Optional<UUID> key, FruitChange change) {
        person.id();
        once.keep(key, "fruit of tree " + treeId + " in " + year, change, () -> keepNew(treeId, year, change));
        return fruit(treeId);
    }

    private long keepNew(long treeId, int year, FruitChange change) {
        TreeRow tree = orchard.taken(treeId);
        SiteRow site = orchard.site(tree.siteId());
        LocalDate on = today.in(site.zone());
        int now = PruningYear.of(on, site.latitude() < 0).year();
        int first = tree.plantedYear() == null ? now - 100 : tree.plantedYear();
        if (year > now || year < first) {
            throw ProblemException.wrongField(
                    "/year", "is not a year of its fruit; give one from " + first + " to " + now);
        }
        boolean picked = change.data().kilos() != null || change.data().number() != null;
        if (picked && year == now) {
            picking.notBefore(tree, on).ifPresent(from -> {
                throw ProblemException.wrongField(
                        change.data().kilos() == null ? "/data/number" : "/data/kilos",
                        "cannot have been picked yet: here nothing of this kind is ripe before " + from
                                + "; choose the year it was picked in");
            });
        }
        Optional<FruitRow> before = fruit.find(treeId, year);
        int version = before.map(FruitRow::version).orElse(0);
        if (version != change.version() || fruit.keep(treeId, year, version, change.data(), person.id()) == 0) {
            throw ProblemException.stale("This year’s fruit");
        }
        About about = new About("fruit", year, tree.siteId(), treeId);
        FruitRow after = fruit.find(treeId, year).orElseThrow();
        before.ifPresentOrElse(row -> history.changed(about, row, after), () -> history.added(about, after));
        return year;
    }

    /** Keeps one picking; the year's kilos and number are the sum of its pickings from then on. */
    @Transactional
    public FruitView pick(long treeId, Optional<UUID> key, PickingData data) {
        once.keep(key, "picking of tree " + treeId, data, () -> {
            long who = person.id();
            TreeRow tree = orchard.taken(treeId);
            SiteRow site = orchard.site(tree.siteId());
            LocalDate now = today.in(site.zone());
            if (data.on().isAfter(now)) {
                throw ProblemException.wrongField("/on", "lies in the future; give a day up to today");
            }
            if (data.kilos() == null && data.number() == null) {
                throw ProblemException.wrongField("/kilos", "is missing; give kilos or a number of fruits");
            }
            int year = PruningYear.of(data.on(), site.latitude() < 0).year();
            if (data.on().equals(now)) {
                picking.notBefore(tree, now).ifPresent(from -> {
                    throw ProblemException.wrongField(
                            "/on",
                            "cannot be: here nothing of this kind is ripe before " + from
                                    + "; choose the day it was picked");
                });
            }
            fruit.pick(treeId, year, data, who);
            sum(treeId, year, who);
            history.added(new About("picking", treeId, tree.siteId(), treeId), data);
            return treeId;
        });
        return fruit(treeId);
    }

    /** Takes a picking back that was entered by mistake. */
    @Transactional
    public FruitView unpick(long treeId, long picked) {
        long who = person.id();
        TreeRow tree = orchard.taken(treeId);
        FruitMapper.PickingRow before = fruit.pickingsOf(treeId).stream()
                .filter(one -> one.id() == picked)
                .findFirst()
                .orElseThrow(() -> ProblemException.notFound("There is no such picking of this tree."));
        fruit.unpick(picked);
        sum(treeId, before.year(), who);
        history.takenAway(new About("picking", treeId, tree.siteId(), treeId), before);
        return fruit(treeId);
    }

    private void sum(long treeId, int year, long who) {
        List<FruitMapper.PickingRow> all = fruit.pickingsOf(treeId).stream()
                .filter(one -> one.year() == year)
                .toList();
        boolean weighed = all.stream().anyMatch(one -> one.kilos() != null);
        boolean counted = all.stream().anyMatch(one -> one.number() != null);
        double kilos = all.stream()
                .mapToDouble(one -> one.kilos() == null ? 0 : one.kilos())
                .sum();
        int number = all.stream()
                .mapToInt(one -> one.number() == null ? 0 : one.number())
                .sum();
        fruit.sum(treeId, year, weighed ? kilos : null, counted ? number : null, who);
    }

    /** Takes a year's fruit back; what it was stays in the history. */
    @Transactional
    public FruitView takeFruitBack(long treeId, int year, int version) {
        person.id();
        TreeRow tree = orchard.taken(treeId);
        FruitRow before = fruit.find(treeId, year)
                .orElseThrow(() -> ProblemException.notFound("No fruit is recorded of that year."));
        if (fruit.drop(treeId, year, version) == 0) {
            throw ProblemException.stale("This year’s fruit");
        }
        history.takenAway(new About("fruit", year, tree.siteId(), treeId), before);
        return fruit(treeId);
    }

    /** Keeps a year without a word to the history: for whoever writes that otherwise. */
    public void keep(long treeId, int year, FruitData data, long who) {
        fruit.keep(treeId, year, 0, data, who);
    }

    /** A year's fruit of one tree as it was entered. */
    public record Entered(long treeId, int year, FruitData data, String by) {}

    /** What was entered of every tree of a site, by tree, the oldest year first. */
    public Map<Long, List<Entered>> byTree(long siteId) {
        return fruit.ofSite(siteId).stream()
                .map(row -> new Entered(row.treeId(), row.year(), row.data(), row.byName()))
                .collect(Collectors.groupingBy(Entered::treeId));
    }

    /** What the trees of a site bore, told to the core. */
    public Map<Long, List<FruitYear>> recordsAt(long siteId) {
        return fruit.ofSite(siteId).stream()
                .collect(Collectors.groupingBy(
                        FruitRow::treeId, Collectors.mapping(FruitService::core, Collectors.toList())));
    }

    /** What a tree bore, told to the core. */
    public List<FruitYear> recordsOf(long treeId) {
        return fruit.ofTree(treeId).stream().map(FruitService::core).toList();
    }
}
