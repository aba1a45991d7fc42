package org.diligentbough.server.crew;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.diligentbough.core.Evaluation;
import org.diligentbough.server.crew.PeopleService.Person;
import org.diligentbough.server.judgement.EvaluationAnswer;
import org.diligentbough.server.judgement.EvaluationWriter;
import org.diligentbough.server.judgement.JudgementService;
import org.diligentbough.server.judgement.TreeDrawing;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Wording.Worded;
import org.diligentbough.server.visit.LogService;
import org.diligentbough.server.visit.VisitCut;
import org.diligentbough.server.visit.VisitMapper.VisitRow;
import org.diligentbough.server.visit.VisitTask;
import org.springframework.stereotype.Service;

/** What a crew has in hand on the day: what to bring, the trees in order, each with its drawing, cuts, why and cautions. */
@Service
class SheetMaker {
    private final DayService days;
    private final DayReader reader;
    private final LogService logs;
    private final PeopleService people;
    private final OrchardService orchard;
    private final JudgementService judgement;
    private final EvaluationWriter writer;

    SheetMaker(
            DayService days,
            DayReader reader,
            LogService logs,
            PeopleService people,
            OrchardService orchard,
            JudgementService judgement,
            EvaluationWriter writer) {
        this.days = days;
        this.reader = reader;
        this.logs = logs;
        this.people = people;
        this.orchard = orchard;
        this.judgement = judgement;
        this.writer = writer;
    }

    /**
     * The sheet of a day.
     *
     * @param bring how many trees want each kind of kit
     */
    record SheetView(DayView day, String site, Map<String, Integer> bring, List<TreeSheet> trees) {}

    /**
     * One tree of it.
     *
     * @param on the day of the visit; today for one without a work day
     * @param minutes person-minutes planned
     * @param upkeepMinutes of those for the ordinary yearly cutting of a kept tree, an estimate
     * @param limbs all limbs that stand, judged
     * @param people names of those who do it
     */
    record TreeSheet(
            long visitId,
            long treeId,
            @MayBeNull Long dayId,
            LocalDate on,
            String tag,
            String species,
            @MayBeNull String cultivar,
            @MayBeNull String note,
            double eastM,
            double northM,
            int minutes,
            int shoots,
            List<VisitTask> tasks,
            int upkeepMinutes,
            boolean sick,
            boolean logged,
            List<String> people,
            List<VisitCut> cuts,
            TreeDrawing drawing,
            List<EvaluationAnswer.LimbAnswer> limbs,
            List<Worded> cautions) {}

    SheetView ofDay(long dayId) {
        DayView day = days.day(dayId);
        Map<String, Integer> bring = new TreeMap<>();
        day.visits().forEach(visit -> visit.kit().forEach(kit -> bring.merge(kit, 1, Integer::sum)));
        return new SheetView(
                day,
                orchard.site(day.siteId()).name(),
                bring,
                reader.visits(dayId).stream().map(this::treeSheet).toList());
    }

    TreeSheet ofVisit(long visitId) {
        return treeSheet(logs.visit(visitId));
    }

    private TreeSheet treeSheet(VisitRow visit) {
        TreeRow tree = orchard.tree(visit.treeId());
        LocalDate today = judgement.todayAt(tree.id());
        LocalDate on =
                visit.workDayId() == null ? today : days.row(visit.workDayId()).onDay();
        // The tree as it stood before the visit, so that what was cut on it can still be seen.
        Evaluation evaluation = judgement.without(tree.id(), on.isBefore(today) ? on : today, visit.id());
        Map<Long, String> names = people.everybody().stream().collect(Collectors.toMap(Person::id, Person::name));
        List<VisitCut> cuts = visit.cuts();
        EvaluationAnswer answer = writer.write(evaluation);
        return new TreeSheet(
                visit.id(),
                tree.id(),
                visit.workDayId(),
                on,
                tree.tag(),
                tree.species(),
                tree.cultivar(),
                tree.note(),
                tree.eastM(),
                tree.northM(),
                visit.minutes(),
                visit.shoots(),
                visit.tasks(),
                visit.upkeepMinutes(),
                visit.sick(),
                visit.logged(),
                visit.people().stream().map(names::get).toList(),
                cuts,
                TreeDrawing.of(evaluation),
                answer.limbs(),
                answer.cautions());
    }
}
