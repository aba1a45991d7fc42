package org.diligentbough.server.crew;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.crew.Kit;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.server.visit.VisitCut;
import org.diligentbough.server.visit.VisitMapper;
import org.diligentbough.server.visit.VisitMapper.NewVisit;
import org.diligentbough.server.visit.VisitMapper.VisitRow;
import org.diligentbough.server.visit.VisitTask;
import org.springframework.stereotype.Component;

/** Work days and visits for archives: taken in as they were, whatever rule they broke. */
@Component
public class DayArchive {
    private final DayMapper days;
    private final VisitMapper visits;
    private final VisitPlacing placing;
    private final DayReader reader;
    private final Rulebook rules;

    DayArchive(DayMapper days, VisitMapper visits, VisitPlacing placing, DayReader reader, Rulebook rules) {
        this.days = days;
        this.visits = visits;
        this.placing = placing;
        this.reader = reader;
        this.rules = rules;
    }

    /** A day as it is kept. */
    public record KeptDay(long id, DayData data, DayMapper.State state, List<Long> people, List<VisitRow> visits) {}

    /** Days of a site with its visits, the oldest first. */
    public List<KeptDay> ofSite(long siteId, List<VisitRow> visitsOfSite) {
        Map<Long, List<VisitRow>> ofDays = visitsOfSite.stream()
                .filter(visit -> visit.workDayId() != null)
                .collect(Collectors.groupingBy(VisitRow::workDayId));
        return days.ofSite(siteId).stream()
                .sorted(Comparator.comparing(DayMapper.DayRow::onDay).thenComparing(DayMapper.DayRow::id))
                .map(day -> new KeptDay(
                        day.id(),
                        reader.data(day),
                        day.state(),
                        day.people(),
                        ofDays.getOrDefault(day.id(), List.of())))
                .toList();
    }

    public List<Long> people(VisitRow visit) {
        return visit.people();
    }

    /** Adds a day in a state; its id. */
    public long add(long siteId, DayData data, DayMapper.State state) {
        long id = days.add(siteId, data);
        days.state(id, state);
        return id;
    }

    public void comes(long dayId, long personId) {
        days.addPerson(dayId, personId);
    }

    /** Gives a visit somebody, who then comes. */
    public void gives(long visitId, Long dayId, long personId) {
        visits.addPerson(visitId, personId);
        if (dayId != null) {
            days.addPerson(dayId, personId);
        }
    }

    /** In which crew and when by the clock a visit has its turn. */
    public void clock(long visitId, int crew, String starts, String ends) {
        visits.clock(
                visitId, crew, starts, ends, visits.visit(visitId).orElseThrow().place());
    }

    /** A visit of whatever the plan had open; empty when that was nothing. */
    public Optional<Long> asPlanned(long treeId, Long dayId, LocalDate on) {
        return placing.makeAsOf(treeId, dayId, on);
    }

    /** A visit of cuts as they were planned; its id. */
    public long asGiven(
            long treeId, Long dayId, List<VisitCut> cuts, int shoots, List<VisitTask> tasks, int upkeepMinutes) {
        Set<Kit> kit = EnumSet.noneOf(Kit.class);
        for (VisitCut cut : cuts) {
            Codes.parse(Kit.class, cut.tool()).ifPresent(kit::add);
            if (cut.reach().equals("ladder")) {
                kit.add(Kit.LADDER);
            }
            if (!cut.reach().equals("ground")) {
                kit.add(Kit.HELMET);
            }
            if (cut.weightKg() > rules.knowledge().get(Figure.TWO_PEOPLE_KG)) {
                kit.add(Kit.ROPE);
            }
        }
        return visits.add(new NewVisit(
                treeId,
                dayId,
                cuts,
                shoots,
                shoots,
                0,
                upkeepMinutes,
                tasks,
                List.copyOf(kit),
                cuts.stream().anyMatch(VisitCut::sick)));
    }
}
