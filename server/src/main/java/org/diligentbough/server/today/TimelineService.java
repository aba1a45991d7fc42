package org.diligentbough.server.today;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.server.crew.DayBoard;
import org.diligentbough.server.fruit.FruitService;
import org.diligentbough.server.fruit.FruitService.FruitYearView;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.survey.SurveyService;
import org.diligentbough.server.visit.LoggedCut;
import org.diligentbough.server.visit.ReportService;
import org.diligentbough.server.visit.VisitCut;
import org.diligentbough.server.visit.VisitMapper;
import org.diligentbough.server.wood.RemovalService;
import org.diligentbough.server.wood.RemovalService.RemovalData;
import org.springframework.stereotype.Service;

/** All that happened to a tree and is to happen on work days, in one line of time. */
@Service
public class TimelineService {
    private final OrchardService orchard;
    private final SurveyService surveys;
    private final VisitMapper visits;
    private final DayBoard days;
    private final ReportService reports;
    private final FruitService fruit;
    private final RemovalService removals;

    TimelineService(
            OrchardService orchard,
            SurveyService surveys,
            VisitMapper visits,
            DayBoard days,
            ReportService reports,
            FruitService fruit,
            RemovalService removals) {
        this.orchard = orchard;
        this.surveys = surveys;
        this.visits = visits;
        this.days = days;
        this.reports = reports;
        this.fruit = fruit;
        this.removals = removals;
    }

    /**
     * Something that happened, or is to happen.
     *
     * @param what survey, visit (planned), log, report, fruit, removal
     * @param on the day; the end of the year for a year's fruit
     * @param who by whom
     * @param state of a survey its triage; of a report its kind; of a removal its grounds
     * @param dayId the work day of a visit
     * @param log what was logged
     * @param fruit what was picked
     */
    record Moment(
            String what,
            long id,
            LocalDate on,
            @MayBeNull String who,
            @MayBeNull String state,
            @MayBeNull String note,
            @MayBeNull Long dayId,
            @MayBeNull LogMoment log,
            @MayBeNull FruitYearView fruit,
            @MayBeNull ReportMoment report,
            @MayBeNull RemovalData removal,
            @MayBeNull List<VisitCut> planned) {}

    /** What was done; {@code corrected} when a later log corrects this one. */
    record LogMoment(
            long visitId,
            int minutes,
            String prunings,
            int shoots,
            @MayBeNull Long corrects,
            boolean corrected,
            List<LoggedCut> cuts) {}

    /** What was reported, and how it was dealt with. */
    record ReportMoment(
            int version,
            boolean dangerous,
            @MayBeNull LocalDate dealtOn,
            @MayBeNull String dealtHow) {}

    /** Newest first. */
    public List<Moment> timeline(long treeId) {
        orchard.tree(treeId);
        List<Moment> moments = new ArrayList<>();
        surveys.surveysOf(treeId)
                .forEach(survey -> moments.add(moment("survey", survey.id(), survey.surveyedOn())
                        .by(survey.surveyedBy())
                        .state(survey.judgedAs() == null ? null : Codes.of(survey.judgedAs()))
                        .build()));
        visits.ofTree(treeId).stream()
                .filter(visit -> !visit.logged() && visit.workDayId() != null)
                .forEach(visit -> moments.add(moment("visit", visit.id(), days.dateOf(visit.workDayId()))
                        .visit(visit.workDayId(), visit.cuts())
                        .build()));
        visits.logsOf(treeId)
                .forEach(log -> moments.add(moment("log", log.id(), log.onDay())
                        .by(log.people() == null ? log.loggedBy() : log.people())
                        .note(log.note())
                        .log(
                                new LogMoment(
                                        log.visitId(),
                                        log.minutes(),
                                        log.prunings(),
                                        log.shoots(),
                                        log.corrects(),
                                        log.corrected(),
                                        log.cuts()),
                                visits.visit(log.visitId()).orElseThrow().cuts())
                        .build()));
        reports.reports(treeId)
                .forEach(report -> moments.add(moment(
                                "report", report.id(), report.data().on())
                        .by(report.seenBy())
                        .state(report.data().kind())
                        .note(report.data().note())
                        .report(new ReportMoment(
                                report.version(), report.data().dangerous(), report.dealtOn(), report.dealtHow()))
                        .build()));
        fruit.fruit(treeId)
                .years()
                .forEach(year -> moments.add(moment("fruit", year.year(), LocalDate.of(year.year(), 12, 31))
                        .by(year.by())
                        .note(year.data().note())
                        .fruit(year)
                        .build()));
        removals.find(treeId)
                .ifPresent(removal ->
                        moments.add(moment("removal", treeId, removal.data().on())
                                .by(removal.data().removedBy())
                                .state(removal.data().grounds())
                                .note(removal.data().note())
                                .removal(removal.data())
                                .build()));
        moments.sort(Comparator.comparing(Moment::on).thenComparing(Moment::id).reversed());
        return moments;
    }

    private static Builder moment(String what, long id, LocalDate on) {
        return new Builder(what, id, on);
    }

    /** Most moments have but a few of all that one can have. */
    private static final class Builder {
        private final String what;
        private final long id;
        private final LocalDate on;
        private String who;
        private String state;
        private String note;
        private Long dayId;
        private LogMoment log;
        private FruitYearView fruit;
        private ReportMoment report;
        private RemovalData removal;
        private List<VisitCut> planned;

        private Builder(String what, long id, LocalDate on) {
            this.what = what;
            this.id = id;
            this.on = on;
        }

        private Builder by(String name) {
            who = name;
            return this;
        }

        private Builder state(String code) {
            state = code;
            return this;
        }

        private Builder note(String text) {
            note = text;
            return this;
        }

        private Builder visit(long day, List<VisitCut> cuts) {
            dayId = day;
            planned = cuts;
            return this;
        }

        private Builder log(LogMoment done, List<VisitCut> cuts) {
            log = done;
            planned = cuts;
            return this;
        }

        private Builder fruit(FruitYearView year) {
            fruit = year;
            return this;
        }

        private Builder report(ReportMoment moment) {
            report = moment;
            return this;
        }

        private Builder removal(RemovalData data) {
            removal = data;
            return this;
        }

        private Moment build() {
            return new Moment(what, id, on, who, state, note, dayId, log, fruit, report, removal, planned);
        }
    }
}
