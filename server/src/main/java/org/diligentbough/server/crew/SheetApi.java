package org.diligentbough.server.crew;

import org.diligentbough.server.crew.SheetMaker.SheetView;
import org.diligentbough.server.crew.SheetMaker.TreeSheet;
import org.diligentbough.server.shared.MayBeNull;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What a crew has in hand on the day, on screen and on paper. */
@RestController
class SheetApi {
    private final SheetMaker sheets;
    private final PackService packs;

    SheetApi(SheetMaker sheets, PackService packs) {
        this.sheets = sheets;
        this.packs = packs;
    }

    @GetMapping("/api/days/{dayId}/sheet")
    SheetView sheet(@PathVariable long dayId) {
        return sheets.ofDay(dayId);
    }

    @GetMapping("/api/visits/{visitId}/sheet")
    TreeSheet sheetOfVisit(@PathVariable long visitId) {
        return sheets.ofVisit(visitId);
    }

    /** The same as PDF, of one crew or of the whole day. */
    @GetMapping(value = "/api/days/{dayId}/pack.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> pack(@PathVariable long dayId, @MayBeNull @RequestParam(required = false) Integer crew) {
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        "attachment; filename=\"pack" + (crew == null ? "" : "-crew-" + crew) + ".pdf\"")
                .body(packs.pack(dayId, crew));
    }
}
