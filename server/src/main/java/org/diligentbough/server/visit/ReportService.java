package org.diligentbough.server.visit;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.shared.CodeOf;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Once;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.visit.ReportMapper.ReportRow;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Things seen without a survey, after a storm say: they stand on top of every list until somebody dealt with them. */
@Service
public class ReportService {
    private final ReportMapper reports;
    private final OrchardService orchard;
    private final History history;
    private final CurrentPerson person;
    private final Today today;
    private final Once once;

    ReportService(
            ReportMapper reports,
            OrchardService orchard,
            History history,
            CurrentPerson person,
            Today today,
            Once once) {
        this.reports = reports;
        this.orchard = orchard;
        this.history = history;
        this.person = person;
        this.today = today;
        this.once = once;
    }

    /** What can be reported. */
    public enum Kind {
        BROKEN_LIMB,
        HANGING_LIMB,
        LEANING,
        SPLIT,
        FALLEN,
        DISEASE,
        OTHER
    }

    /** A report as sent; {@code dangerous} when somebody could be hurt. */
    public record ReportData(
            @NotNull(message = "is missing; give the day") LocalDate on,

            @NotNull(message = "is missing; say what was seen") @CodeOf(Kind.class)
            String kind,

            @NotNull(message = "is missing; say whether somebody could be hurt")
            Boolean dangerous,

            @MayBeNull @Size(max = 1000, message = "is longer than 1000 letters")
            String note) {}

    /** A report; the last three are null until somebody dealt with it. */
    public record ReportView(
            long id,
            int version,
            long treeId,
            String tag,
            ReportData data,
            String seenBy,
            @MayBeNull LocalDate dealtOn,
            @MayBeNull String dealtHow,
            @MayBeNull String dealtBy) {}

    /** That it was dealt with. */
    record Dealt(
            @NotNull(message = "is missing; send the version the change is based on")
            Integer version,

            @NotBlank(message = "is missing; say what was done")
            @Size(max = 1000, message = "is longer than 1000 letters")
            String how) {}

    public List<ReportView> reports(long treeId) {
        return reports.ofTree(orchard.tree(treeId).id()).stream()
                .map(ReportService::view)
                .toList();
    }

    /** Keeps a report. What is sent again under the same key is kept once. */
    @Transactional
    public ReportView addReport(long treeId, Optional<UUID> key, ReportData report) {
        person.id();
        return view(find(once.keep(key, "report of tree " + treeId, report, () -> add(treeId, report))));
    }

    private long add(long treeId, ReportData report) {
        TreeRow tree = orchard.tree(treeId);
        if (report.on().isAfter(today.in(orchard.site(tree.siteId()).zone()))) {
            throw ProblemException.wrongField("/on", "lies in the future; give the day it was seen");
        }
        ReportView added = view(find(keep(treeId, report, person.id())));
        history.added(new About("report", added.id(), tree.siteId(), treeId), added);
        return added.id();
    }

    /** Keeps a report without a word to the history: for whoever writes that otherwise. */
    public long keep(long treeId, ReportData report, long who) {
        return reports.add(treeId, report, who);
    }

    /** Keeps how one was dealt with without a word to the history. */
    public void keepDealt(long id, LocalDate on, String how, long who) {
        reports.dealt(id, find(id).version(), on, how, who);
    }

    private ReportRow find(long id) {
        return reports.find(id).orElseThrow(() -> ProblemException.notFound("There is no such report."));
    }

    /** Says that what was reported is dealt with; it leaves the top of the lists and stays in the tree's history. */
    @Transactional
    public ReportView dealtWith(long reportId, Dealt dealt) {
        long who = person.id();
        ReportView before = view(find(reportId));
        TreeRow tree = orchard.tree(before.treeId());
        LocalDate on = today.in(orchard.site(tree.siteId()).zone());
        if (reports.dealt(reportId, dealt.version(), on, dealt.how().strip(), who) == 0) {
            throw ProblemException.stale("This report");
        }
        ReportView after = view(find(reportId));
        history.changed(new About("report", reportId, tree.siteId(), tree.id()), before, after);
        return after;
    }

    /** Every report of a site, by tree. */
    public Map<Long, List<ReportView>> byTree(long siteId) {
        return reports.ofSite(siteId).stream()
                .map(ReportService::view)
                .collect(Collectors.groupingBy(ReportView::treeId));
    }

    /** Those of a site that nobody dealt with, the dangerous and the oldest first. */
    public List<ReportView> open(long siteId) {
        return reports.openAt(siteId).stream().map(ReportService::view).toList();
    }

    private static ReportView view(ReportRow row) {
        return new ReportView(
                row.id(),
                row.version(),
                row.treeId(),
                row.tag(),
                new ReportData(row.onDay(), row.kind(), row.dangerous(), row.note()),
                row.seenBy(),
                row.dealtOn(),
                row.dealtHow(),
                row.dealtBy());
    }
}
