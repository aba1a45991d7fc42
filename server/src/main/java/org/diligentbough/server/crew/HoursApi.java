package org.diligentbough.server.crew;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Locale;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.diligentbough.server.crew.HoursService.HoursView;
import org.diligentbough.server.shared.CsvCell;
import org.diligentbough.server.shared.CurrentPerson;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Hours of people. */
@RestController
@RequestMapping("/api/sites/{siteId}")
class HoursApi {
    private final HoursService service;
    private final CurrentPerson person;

    HoursApi(HoursService service, CurrentPerson person) {
        this.service = service;
        this.person = person;
    }

    /** By season and person, three years back. */
    @GetMapping("/hours")
    List<HoursView> hours(@PathVariable long siteId) {
        return service.ofSite(siteId);
    }

    /** One's own. */
    @GetMapping("/hours/mine")
    List<HoursView> myHours(@PathVariable long siteId) {
        long who = person.id();
        return service.ofSite(siteId).stream()
                .filter(one -> one.personId() == who)
                .toList();
    }

    @GetMapping(value = "/hours.csv", produces = "text/csv")
    ResponseEntity<String> hoursTable(@PathVariable long siteId) {
        StringWriter out = new StringWriter();
        try (CSVPrinter csv = new CSVPrinter(out, CSVFormat.RFC4180)) {
            csv.printRecord("season", "name", "days", "cuttingHours", "tasksHours", "otherHours", "allHours");
            for (HoursView one : service.ofSite(siteId)) {
                csv.printRecord(
                        one.season(),
                        CsvCell.safe(one.name()),
                        one.days(),
                        number(one.cutting()),
                        number(one.tasks()),
                        number(one.other()),
                        number(one.all()));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"hours.csv\"")
                .body(out.toString());
    }

    private static String number(double hours) {
        return String.format(Locale.ROOT, "%.2f", hours);
    }
}
