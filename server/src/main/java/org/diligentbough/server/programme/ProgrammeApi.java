package org.diligentbough.server.programme;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.programme.Programme;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.season.Season;
import org.diligentbough.server.job.JobApi;
import org.diligentbough.server.programme.ProgrammeMapper.HoursRow;
import org.diligentbough.server.programme.ProgrammeMapper.TreeRow;
import org.diligentbough.server.programme.ProgrammeService.Laid;
import org.diligentbough.server.shared.CodeOf;
import org.diligentbough.server.shared.CsvCell;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The programme of a site, looked at and changed. */
@RestController
class ProgrammeApi {
    private final ProgrammeService service;
    private final JobApi jobs;

    ProgrammeApi(ProgrammeService service, JobApi jobs) {
        this.service = service;
        this.jobs = jobs;
    }

    /**
     * The work of a site by years and seasons.
     *
     * @param hoursWorked hours logged in the last twelve months by season, each person's counted
     */
    record SiteProgramme(
            List<SlotView> slots,
            List<ProgrammeTree> trees,
            List<PutOffView> putOff,
            List<HoursData> hours,
            List<WorkedView> hoursWorked) {}

    /** Hours that were worked in a season. */
    record WorkedView(String season, double hours) {}

    /**
     * A season of a year.
     *
     * @param hours volunteers have; null when nobody said
     * @param over whether more is put there than there are hours
     */
    record SlotView(
            int year,
            String yearLabel,
            String season,
            int minutes,
            @MayBeNull Double hours,
            boolean over,
            List<TagView> trees) {}

    /** A tree by its tag. */
    record TagView(long id, String tag) {}

    /**
     * A tree with its place.
     *
     * @param first pruning year in which its plan would begin; null when nothing is to be done or only what cannot wait
     * @param begins pruning year in which it begins; null when it finds no hours
     * @param beginsLabel as that year is named at the site
     * @param setTo the year somebody set it to
     * @param setVersion of that; 0 while nobody has
     * @param minutes person-minutes of its plan
     * @param upkeepMinutes person-minutes a year of ordinary cutting when its plan is done, an estimate
     * @param work where it lies; without a year where it finds no hours
     */
    record ProgrammeTree(
            long id,
            String tag,
            String species,
            @MayBeNull String group,
            boolean begun,
            @MayBeNull Integer first,
            @MayBeNull Integer begins,
            @MayBeNull String beginsLabel,
            @MayBeNull Integer setTo,
            long setVersion,
            int minutes,
            double worth,
            int upkeepMinutes,
            List<ProgrammeWork> work) {}

    /**
     * Work of a tree in a season.
     *
     * @param year pruning year; null where the tree finds no hours
     * @param danger whether it cannot wait
     */
    record ProgrammeWork(@MayBeNull Integer year, String season, int minutes, boolean danger) {}

    /**
     * A tree that waits.
     *
     * @param years how many; null when it finds no hours in the years looked at
     * @param inLight share of its fruiting wood in light as it stands, and waits
     * @param inLightAfter the same after its plan
     * @param enough hours that would do, for the first few that find none
     */
    record PutOffView(
            long id,
            String tag,
            @MayBeNull Integer years,
            int minutes,
            double worth,
            @MayBeNull Double inLight,
            @MayBeNull Double inLightAfter,
            List<EnoughView> enough) {}

    /** Hours in a season of every year with which a tree that finds none would begin. */
    record EnoughView(String season, double hours) {}

    /** Hours in a season; {@code year} 0 is every year that has none of its own. */
    record HoursData(
            @NotNull(message = "is missing; give the year, 0 for every year")
            @Min(value = 0, message = "cannot be under 0")
            @Max(value = 2200, message = "lies too far ahead")
            Integer year,

            @NotNull(message = "is missing; choose one") @CodeOf(Season.class)
            String season,

            @NotNull(message = "is missing; give hours")
            @Min(value = 0, message = "cannot be under 0 hours")
            @Max(value = 10000, message = "is more than volunteers have in a season; give 0 to 10000 hours")
            Double hours) {}

    /** All hours of a site. */
    record HoursChange(
            @NotNull(message = "is missing; give a list, empty where nobody knows")
            @Size(max = 200, message = "is longer than 200 seasons")
            List<@Valid @NotNull(message = "is missing") HoursData> hours) {}

    /** The year a tree is set to begin in, null to leave it to the hours; with the version it was based on. */
    record SetChange(
            @NotNull(message = "is missing; send the version the change is based on")
            Long version,

            @MayBeNull
            @Min(value = 1900, message = "lies too far back")
            @Max(value = 2200, message = "lies too far ahead")
            Integer year) {}

    @GetMapping("/api/sites/{siteId}/programme")
    SiteProgramme programme(@PathVariable long siteId) {
        return view(service.laid(siteId));
    }

    private static SiteProgramme view(Laid laid) {
        boolean southern = laid.southern();
        Programme programme = laid.programme();
        int lastYear = lastYear(laid);
        return new SiteProgramme(
                programme.slots().stream()
                        .map(slot -> new SlotView(
                                slot.time().year(),
                                new PruningYear(slot.time().year(), southern).label(),
                                Codes.of(slot.time().season()),
                                (int) Math.round(slot.minutes()),
                                slot.hours().orElse(null),
                                slot.over(),
                                laid.rows().keySet().stream()
                                        .filter(slot.trees()::contains)
                                        .map(id -> new TagView(
                                                id, laid.rows().get(id).tag()))
                                        .toList()))
                        .toList(),
                laid.trees().values().stream()
                        .map(tree -> tree(tree, laid, lastYear))
                        .toList(),
                programme.putOff().stream().map(one -> putOff(one, laid)).toList(),
                laid.hours().stream()
                        .map(row -> new HoursData(row.year(), Codes.of(row.season()), row.hours()))
                        .toList(),
                laid.hoursWorked().entrySet().stream()
                        .map(one -> new WorkedView(Codes.of(one.getKey()), Math.round(one.getValue() * 10) / 10.0))
                        .toList());
    }

    private static int lastYear(Laid laid) {
        return Programme.lastYear(List.copyOf(laid.trees().values()));
    }

    /** Where a tree's work lies, what cannot wait first. */
    private static List<ProgrammeWork> work(Programme.Tree tree, Laid laid, int lastYear) {
        List<ProgrammeWork> lines = new ArrayList<>();
        for (Programme.Work work : tree.work()) {
            if (work.dangerMinutes() > 0) {
                lines.add(line(work, work.dangerMinutes(), work.year(), true));
            }
        }
        Integer begins = laid.programme().begins().get(tree.id());
        List<Programme.Work> all =
                begins == null ? tree.work() : tree.all(begins - tree.first().orElseThrow(), lastYear);
        for (Programme.Work work : all) {
            double rest = work.minutes() - work.dangerMinutes();
            if (rest > 0) {
                lines.add(line(work, rest, begins == null ? null : work.year(), false));
            }
        }
        return lines;
    }

    private static ProgrammeWork line(Programme.Work work, double minutes, Integer year, boolean danger) {
        return new ProgrammeWork(year, Codes.of(work.season()), (int) Math.round(minutes), danger);
    }

    private static ProgrammeTree tree(Programme.Tree tree, Laid laid, int lastYear) {
        TreeRow row = laid.rows().get(tree.id());
        Integer begins = laid.programme().begins().get(tree.id());
        return new ProgrammeTree(
                row.id(),
                row.tag(),
                row.species(),
                row.groupName(),
                row.begun(),
                tree.first().isPresent() ? tree.first().getAsInt() : null,
                begins,
                begins == null ? null : new PruningYear(begins, laid.southern()).label(),
                row.setTo(),
                row.setVersion() == null ? 0 : row.setVersion(),
                (int) tree.work().stream().mapToDouble(Programme.Work::minutes).sum(),
                hundredths(
                        tree.work().stream().mapToDouble(Programme.Work::worth).sum()),
                tree.upkeep().map(yearly -> (int) Math.round(yearly.minutes())).orElse(0),
                work(tree, laid, lastYear));
    }

    private static PutOffView putOff(Programme.PutOff one, Laid laid) {
        TreeRow row = laid.rows().get(one.tree());
        return new PutOffView(
                row.id(),
                row.tag(),
                one.years().isPresent() ? one.years().getAsInt() : null,
                (int) Math.round(one.minutes()),
                hundredths(one.worth()),
                row.inLight(),
                row.inLightAfter(),
                laid.enough().getOrDefault(row.id(), Map.of()).entrySet().stream()
                        .sorted(Map.Entry.comparingByKey())
                        .map(more -> new EnoughView(Codes.of(more.getKey()), more.getValue()))
                        .toList());
    }

    private static double hundredths(double value) {
        return Math.round(value * 100) / 100.0;
    }

    /** Keeps the hours volunteers have, and lays the programme out by them. */
    @PutMapping("/api/sites/{siteId}/programme/hours")
    SiteProgramme changeHours(@PathVariable long siteId, @Valid @RequestBody HoursChange change) {
        service.keepHours(
                siteId,
                change.hours().stream()
                        .map(one -> new HoursRow(
                                one.year(),
                                Codes.parse(Season.class, one.season()).orElseThrow(),
                                one.hours()))
                        .toList());
        return programme(siteId);
    }

    /** One tree in the programme of its site; 404 while nobody has walked to it, and when it was taken out. */
    @GetMapping("/api/trees/{treeId}/programme")
    ProgrammeTree ofTree(@PathVariable long treeId) {
        Laid laid = service.laidFor(treeId);
        Programme.Tree tree = laid.trees().get(treeId);
        if (tree == null) {
            throw ProblemException.notFound("This tree is not in the programme: walk to it first.");
        }
        return tree(tree, laid, lastYear(laid));
    }

    /** Sets the year in which a tree's work begins, or leaves it to the hours again. */
    @PutMapping("/api/trees/{treeId}/programme")
    void setTree(@PathVariable long treeId, @Valid @RequestBody SetChange change) {
        service.set(treeId, change.version(), change.year());
    }

    /** Plans every surveyed tree of a site anew. */
    @PostMapping("/api/sites/{siteId}/programme/job")
    @ResponseStatus(HttpStatus.ACCEPTED)
    JobApi.JobView startProgramme(@PathVariable long siteId) {
        return jobs.start("programme", siteId, service.trees(siteId));
    }

    /** The latest such job of a site, or none. */
    @GetMapping("/api/sites/{siteId}/programme/job")
    List<JobApi.JobView> programmeJob(@PathVariable long siteId) {
        return jobs.latest("programme", siteId);
    }

    /**
     * The programme as a table: a line for each tree in each season, what cannot wait apart; the year is empty where a tree
     * finds no hours.
     */
    @GetMapping(path = "/api/sites/{siteId}/programme.csv", produces = "text/csv")
    ResponseEntity<byte[]> table(@PathVariable long siteId) throws IOException {
        Laid laid = service.laid(siteId);
        boolean southern = laid.southern();
        StringBuilder text = new StringBuilder();
        try (CSVPrinter csv = new CSVPrinter(
                text,
                CSVFormat.RFC4180
                        .builder()
                        .setHeader("tree", "species", "group", "pruningYear", "season", "minutes", "danger", "setTo")
                        .get())) {
            int lastYear = lastYear(laid);
            for (Programme.Tree tree : laid.trees().values()) {
                TreeRow row = laid.rows().get(tree.id());
                for (ProgrammeWork work : work(tree, laid, lastYear)) {
                    csv.printRecord(
                            CsvCell.safe(row.tag()),
                            row.species(),
                            CsvCell.safe(row.groupName()),
                            work.year() == null ? "" : new PruningYear(work.year(), southern).label(),
                            work.season(),
                            work.minutes(),
                            work.danger() ? "yes" : "no",
                            row.setTo() == null ? "" : row.setTo());
                }
            }
        }
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("text/csv;charset=UTF-8"))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("programme.csv")
                                .build()
                                .toString())
                .body(text.toString().getBytes(StandardCharsets.UTF_8));
    }
}
