package org.diligentbough.server.answers;

import jakarta.validation.Valid;
import java.io.IOException;
import java.io.StringWriter;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.diligentbough.server.answers.AnswerService.Of;
import org.diligentbough.server.answers.LearningService.Always;
import org.diligentbough.server.answers.LearningService.LearnedChange;
import org.diligentbough.server.shared.CsvCell;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What a site's records answer, over HTTP. */
@RestController
@RequestMapping("/api/sites/{siteId}")
class AnswerApi {
    private final AnswerService service;
    private final LearningService learning;

    AnswerApi(AnswerService service, LearningService learning) {
        this.service = service;
        this.learning = learning;
    }

    /** The orchard's years, what cutting did, what was learned, what to look at; of a kind or a group alone where one is named. */
    @GetMapping("/answer")
    AnswerView answer(
            @PathVariable long siteId,
            @RequestParam(required = false) String kind,
            @RequestParam(required = false) String group) {
        return service.answer(siteId, new Of(kind, group));
    }

    /** Has the site go by a number its records teach; it stands among the site's changed numbers from then on. */
    @PostMapping("/learned")
    AnswerView accept(@PathVariable long siteId, @Valid @RequestBody LearnedChange change) {
        learning.accept(siteId, change);
        return service.answer(siteId, new Of(null, null));
    }

    /** Has the site go by whatever its records teach, looked at once a day; or only by what somebody takes over. */
    @PutMapping("/learned")
    AnswerView always(@PathVariable long siteId, @Valid @RequestBody Always change) {
        learning.goAlways(siteId, change.always());
        return service.answer(siteId, new Of(null, null));
    }

    /** One of its tables: years, cutting, efficiency, wounds, grades or learned. */
    @GetMapping(path = "/answer.csv", produces = "text/csv")
    ResponseEntity<String> table(
            @PathVariable long siteId,
            @RequestParam(defaultValue = "years") String table,
            @RequestParam(required = false) String kind,
            @RequestParam(required = false) String group)
            throws IOException {
        List<List<Object>> rows = AnswerTables.of(service.answer(siteId, new Of(kind, group)), table);
        StringWriter text = new StringWriter();
        try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.DEFAULT)) {
            for (List<Object> row : rows) {
                printer.printRecord(row.stream().map(cell -> cell instanceof String one ? CsvCell.safe(one) : cell));
            }
        }
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + table + ".csv\"")
                .body(text.toString());
    }
}
