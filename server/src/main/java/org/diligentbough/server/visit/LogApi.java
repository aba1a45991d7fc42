package org.diligentbough.server.visit;

import jakarta.validation.Valid;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.visit.VisitMapper.LogRow;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What was done and found on visits. */
@RestController
@RequestMapping("/api")
class LogApi {
    private final LogService service;

    LogApi(LogService service) {
        this.service = service;
    }

    /**
     * A log.
     *
     * @param corrects the log it corrects, or null
     * @param corrected whether a later one corrects it
     * @param people names of those who did it
     */
    record LogView(
            long id,
            long visitId,
            long treeId,
            @MayBeNull Long corrects,
            boolean corrected,
            LocalDate on,
            int minutes,
            String prunings,
            @MayBeNull Double pileKilos,
            int shoots,
            @MayBeNull String note,
            @MayBeNull String people,
            String loggedBy,
            Instant loggedAt,
            List<VisitCut> planned,
            List<LoggedCut> cuts) {}

    /** Every log of a tree, oldest first, those corrected since included. */
    @GetMapping("/trees/{treeId}/logs")
    List<LogView> logs(@PathVariable long treeId) {
        return service.logsOf(treeId).stream().map(this::view).toList();
    }

    /** Logs a visit. What is sent again with the same key is kept once. */
    @PostMapping("/visits/{visitId}/log")
    @ResponseStatus(HttpStatus.CREATED)
    LogView addLog(@PathVariable long visitId, @Valid @RequestBody LogData log) {
        return view(service.add(visitId, log));
    }

    /** Corrects a log by another; the first stays visible. */
    @PostMapping("/logs/{logId}/correction")
    @ResponseStatus(HttpStatus.CREATED)
    LogView correctLog(@PathVariable long logId, @Valid @RequestBody LogData log) {
        return view(service.correct(logId, log));
    }

    private LogView view(LogRow row) {
        return new LogView(
                row.id(),
                row.visitId(),
                row.treeId(),
                row.corrects(),
                row.corrected(),
                row.onDay(),
                row.minutes(),
                row.prunings(),
                row.pileKilos(),
                row.shoots(),
                row.note(),
                row.people(),
                row.loggedBy(),
                row.loggedAt(),
                service.visit(row.visitId()).cuts(),
                row.cuts());
    }
}
