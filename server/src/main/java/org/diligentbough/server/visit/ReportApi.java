package org.diligentbough.server.visit;

import jakarta.validation.Valid;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.diligentbough.server.shared.Once;
import org.diligentbough.server.visit.ReportService.Dealt;
import org.diligentbough.server.visit.ReportService.ReportData;
import org.diligentbough.server.visit.ReportService.ReportView;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What was seen without a survey, over HTTP. */
@RestController
@RequestMapping("/api")
class ReportApi {
    private final ReportService service;

    ReportApi(ReportService service) {
        this.service = service;
    }

    @GetMapping("/trees/{treeId}/reports")
    List<ReportView> reports(@PathVariable long treeId) {
        return service.reports(treeId);
    }

    /** Keeps a report. What is sent again under the same key is kept once. */
    @PostMapping("/trees/{treeId}/reports")
    @ResponseStatus(HttpStatus.CREATED)
    ReportView addReport(
            @PathVariable long treeId,
            @RequestHeader(name = Once.HEADER) Optional<UUID> key,
            @Valid @RequestBody ReportData report) {
        return service.addReport(treeId, key, report);
    }

    /** Says that what was reported is dealt with; it leaves the top of the lists and stays in the tree's history. */
    @PutMapping("/reports/{reportId}/dealt")
    ReportView dealtWith(@PathVariable long reportId, @Valid @RequestBody Dealt dealt) {
        return service.dealtWith(reportId, dealt);
    }
}
