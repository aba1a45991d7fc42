package org.diligentbough.server.answers;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.diligentbough.core.answer.Answers.OrchardRecords;
import org.diligentbough.core.answer.Learning;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.server.answers.Histories.Known;
import org.diligentbough.server.figures.FigureService;
import org.diligentbough.server.figures.FigureService.WentBy;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.visit.LoggedCut;
import org.diligentbough.server.visit.VisitCut;
import org.diligentbough.server.visit.VisitMapper;
import org.diligentbough.server.visit.VisitMapper.LogRow;
import org.diligentbough.server.visit.VisitMapper.VisitRow;
import org.springframework.stereotype.Component;

/** A site's records, as an answer is made of them. */
@Component
class SiteRecords {
    private static final long SEED = 1;
    /** A pile so many times what was reckoned says that too much came off (own assumption). */
    private static final double FAR_LARGER = 1.5;

    private final Histories histories;
    private final VisitMapper visits;
    private final FigureService figures;

    SiteRecords(Histories histories, VisitMapper visits, FigureService figures) {
        this.histories = histories;
        this.visits = visits;
        this.figures = figures;
    }

    /** A visit as it was planned and logged. */
    record Done(VisitRow planned, LogRow log) {
        /** Whether every cut was done as planned. */
        boolean whole() {
            return log.cuts().stream().allMatch(cut -> cut.outcome().equals(Codes.of(LoggedCut.Outcome.DONE)));
        }

        /** Whether its pile was weighed and there is something to hold that against. */
        boolean weighed() {
            return log.pileKilos() != null && log.pileKilos() > 0 && reckonedKilos() > 0;
        }

        /** Whether its pile weighed so much more than was reckoned that too much came off. */
        boolean farMoreThanReckoned() {
            return weighed() && log.pileKilos() > FAR_LARGER * reckonedKilos();
        }

        double reckonedKilos() {
            return planned.cuts().stream().mapToDouble(VisitCut::weightKg).sum();
        }
    }

    /** What is known of every tree of a site, and what was done there. */
    record Told(List<Known> known, List<Done> done, OrchardRecords records) {
        Set<Long> treeIds() {
            return known.stream().map(one -> one.tree().id()).collect(Collectors.toSet());
        }
    }

    Told of(SiteRow site, LocalDate now) {
        return told(site, now, histories.ofSite(site, now), done(site.id()));
    }

    /** The same of some of its trees alone. */
    Told only(Told all, SiteRow site, LocalDate now, Predicate<TreeRow> which) {
        List<Known> known =
                all.known().stream().filter(one -> which.test(one.tree())).toList();
        Set<Long> trees = known.stream().map(one -> one.tree().id()).collect(Collectors.toSet());
        return told(
                site,
                now,
                known,
                all.done().stream()
                        .filter(one -> trees.contains(one.log().treeId()))
                        .toList());
    }

    private Told told(SiteRow site, LocalDate now, List<Known> known, List<Done> done) {
        return new Told(
                known,
                done,
                new OrchardRecords(
                        known.stream().map(one -> histories.history(one, now)).toList(),
                        site.latitude() < 0,
                        now,
                        SEED,
                        minutes(site, done),
                        piles(site, done)));
    }

    /** What was done on a site and is planned and logged. */
    List<Done> done(long siteId) {
        Map<Long, VisitRow> planned =
                visits.ofSite(siteId).stream().collect(Collectors.toMap(VisitRow::id, Function.identity()));
        return visits.logsAt(siteId).stream()
                .filter(log -> !log.corrected() && planned.containsKey(log.visitId()))
                .map(log -> new Done(planned.get(log.visitId()), log))
                .toList();
    }

    /** Minutes of visits that were done as planned. */
    private Map<String, List<Learning.Case>> minutes(SiteRow site, List<Done> done) {
        List<WentBy> times = figures.course(site.id(), Figure.MINUTES_TIMES);
        List<Learning.Case> cases = new ArrayList<>();
        for (Done one : done) {
            int reckoned = one.planned().minutes();
            if (one.whole() && reckoned > 0 && one.log().minutes() > 0) {
                cases.add(new Learning.Case(
                        reckoned / in(times, site, one.log()), one.log().minutes()));
            }
        }
        Map<String, List<Learning.Case>> byWork = new LinkedHashMap<>();
        if (!cases.isEmpty()) {
            byWork.put("cut", cases);
        }
        return byWork;
    }

    /** Piles that were weighed, of visits that were done as planned. */
    private List<Learning.Case> piles(SiteRow site, List<Done> done) {
        List<WentBy> times = figures.course(site.id(), Figure.PRUNINGS_TIMES);
        return done.stream()
                .filter(one -> one.whole() && one.weighed())
                .map(one -> new Learning.Case(
                        one.reckonedKilos() / in(times, site, one.log()),
                        one.log().pileKilos()))
                .toList();
    }

    /**
     * By what was reckoned on the day of a log: it is told as it would have been with the shipped number, so that what was learned
     * is not learned again.
     */
    private static double in(List<WentBy> course, SiteRow site, LogRow log) {
        Instant day = log.onDay().plusDays(1).atStartOfDay(site.zone()).toInstant();
        return course.stream()
                .filter(one -> one.since().isBefore(day))
                .reduce((one, later) -> later)
                .map(WentBy::value)
                .orElse(1.0);
    }
}
