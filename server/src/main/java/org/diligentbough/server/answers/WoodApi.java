package org.diligentbough.server.answers;

import jakarta.validation.Valid;
import java.io.IOException;
import java.io.StringWriter;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.diligentbough.server.answers.WoodView.CameOff;
import org.diligentbough.server.answers.WoodView.DiseasesView;
import org.diligentbough.server.answers.WoodView.Pile;
import org.diligentbough.server.answers.WoodView.TreeWood;
import org.diligentbough.server.shared.CsvCell;
import org.diligentbough.server.shared.Once;
import org.diligentbough.server.wood.DiseaseData;
import org.diligentbough.server.wood.LookData;
import org.diligentbough.server.wood.WoundData;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The wood of trees, over HTTP. */
@RestController
@RequestMapping("/api")
class WoodApi {
    private final WoodService wood;
    private final WoodEntries entries;
    private final SiteDiseases diseases;
    private final CameOffRegister register;

    WoodApi(WoodService wood, WoodEntries entries, SiteDiseases diseases, CameOffRegister register) {
        this.wood = wood;
        this.entries = entries;
        this.diseases = diseases;
        this.register = register;
    }

    /** A tree's grade with its parts, its wounds and its diseases. */
    @GetMapping("/trees/{treeId}/wood")
    WoodView wood(@PathVariable long treeId) {
        return wood.wood(treeId);
    }

    /** Keeps an old wound found on a walk; those of logged cuts are there by themselves. */
    @PostMapping("/trees/{treeId}/wounds")
    WoodView find(@PathVariable long treeId, @Valid @RequestBody WoundData data) {
        return entries.find(treeId, data);
    }

    /** Takes an old wound back that was entered by mistake. */
    @DeleteMapping("/trees/{treeId}/wounds/{name}")
    WoodView forget(@PathVariable long treeId, @PathVariable String name) {
        return entries.forget(treeId, name);
    }

    /** Keeps a look at a wound. */
    @PostMapping("/trees/{treeId}/looks")
    WoodView look(
            @PathVariable long treeId,
            @RequestHeader(name = Once.HEADER, required = false) UUID key,
            @Valid @RequestBody LookData data) {
        return entries.look(treeId, Optional.ofNullable(key), data);
    }

    /** Takes a look back that was entered by mistake. */
    @DeleteMapping("/trees/{treeId}/looks")
    WoodView forgetLook(@PathVariable long treeId, @RequestParam String wound, @RequestParam LocalDate on) {
        return entries.forgetLook(treeId, wound, on);
    }

    /** Keeps what was seen of a disease. */
    @PostMapping("/trees/{treeId}/disease")
    WoodView see(
            @PathVariable long treeId,
            @RequestHeader(name = Once.HEADER, required = false) UUID key,
            @Valid @RequestBody DiseaseData data) {
        return entries.see(treeId, Optional.ofNullable(key), data);
    }

    /** Takes back what was seen of a disease. */
    @DeleteMapping("/trees/{treeId}/disease")
    WoodView unsee(@PathVariable long treeId, @RequestParam String disease, @RequestParam LocalDate on) {
        return entries.unsee(treeId, disease, on);
    }

    /** Grades and wounds of the trees of a site that stand. */
    @GetMapping("/sites/{siteId}/wood")
    List<TreeWood> woodOf(@PathVariable long siteId) {
        return wood.woodOf(siteId);
    }

    /** Every wound that is not closed, those due first. */
    @GetMapping("/sites/{siteId}/looks")
    List<WoodView.OpenWound> looks(@PathVariable long siteId) {
        return wood.openWounds(siteId);
    }

    /** Diseases of a site at the end of a year. */
    @GetMapping("/sites/{siteId}/disease")
    DiseasesView disease(@PathVariable long siteId, @RequestParam(required = false) Integer year) {
        return diseases.disease(siteId, year);
    }

    /** Every limb and every tree that came off, the newest first. */
    @GetMapping("/sites/{siteId}/came-off")
    List<CameOff> cameOff(@PathVariable long siteId) {
        return register.cameOff(siteId);
    }

    /** The piles that were weighed beside what was reckoned, the newest first. */
    @GetMapping("/sites/{siteId}/piles")
    List<Pile> piles(@PathVariable long siteId) {
        return register.piles(siteId);
    }

    /** The same as a table. */
    @GetMapping(path = "/sites/{siteId}/came-off.csv", produces = "text/csv")
    ResponseEntity<String> cameOffAsTable(@PathVariable long siteId) throws IOException {
        StringWriter text = new StringWriter();
        try (CSVPrinter table = new CSVPrinter(
                text,
                CSVFormat.DEFAULT
                        .builder()
                        .setHeader(
                                "on",
                                "tree",
                                "kind",
                                "limb",
                                "cut",
                                "why",
                                "by",
                                "diameter cm",
                                "kg",
                                "wood",
                                "permission")
                        .get())) {
            for (CameOff one : register.cameOff(siteId)) {
                table.printRecord(
                        one.on(),
                        CsvCell.safe(one.tag()),
                        one.species(),
                        CsvCell.safe(one.limb()),
                        one.kind(),
                        CsvCell.safe(one.why() == null ? one.reason() : one.why()),
                        CsvCell.safe(one.people()),
                        one.diameterCm(),
                        one.kilos(),
                        one.wood(),
                        CsvCell.safe(one.permission()));
            }
        }
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"came-off.csv\"")
                .body(text.toString());
    }
}
