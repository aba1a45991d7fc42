package org.diligentbough.server.fruit;

import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The fruit of a site as a table. */
@RestController
@RequestMapping("/api/sites/{siteId}/fruit.csv")
class FruitTableApi {
    private final FruitTable table;

    FruitTableApi(FruitTable table) {
        this.table = table;
    }

    @GetMapping(produces = "text/csv")
    ResponseEntity<String> write(@PathVariable long siteId) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"fruit.csv\"")
                .body(table.write(siteId));
    }

    /** Takes a table in; a row with anything wrong keeps all of it out. */
    @PostMapping(consumes = "text/csv")
    FruitTable.FruitTaken read(@PathVariable long siteId, @RequestBody String text) {
        return table.read(siteId, text);
    }
}
