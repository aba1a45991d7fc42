package org.diligentbough.server.visit;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
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
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Things seen without a survey, after a storm say: they stand on top of every list until somebody dealt with them. */
@RestController
@RequestMapping("/api")
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

    @GetMapping("/trees/{treeId}/reports")
    public List<ReportView> reports(@PathVariable long treeId) {
        return reports.ofTree(orchard.tree(treeId).id()).stream()
                .map(ReportService::view)
                .toList();
    }

    /** Keeps a report. What is sent again under the same key is kept once. */
    @PostMapping("/trees/{treeId}/reports")
    @ResponseStatus(HttpStatus.CREATED)
    @Transactional
    public ReportView addReport(
            @PathVariable long treeId,
            @RequestHeader(name = Once.HEADER) Optional<UUID> key,
            @Valid @RequestBody ReportData report) {
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
    @PutMapping("/reports/{reportId}/dealt")
    @Transactional
    public ReportView dealtWith(@PathVariable long reportId, @Valid @RequestBody Dealt dealt) {
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

    /** A row of the report table. */
    record ReportRow(
            Long id,
            Integer version,
            Long treeId,
            String tag,
            LocalDate onDay,
            String kind,
            Boolean dangerous,
            String note,
            String seenBy,
            LocalDate dealtOn,
            String dealtHow,
            String dealtBy) {}

    /** The report table. */
    @Mapper
    interface ReportMapper {
        String ROWS = """
                select r.id, r.version, r.tree_id, t.tag, r.on_date as on_day, r.kind, r.dangerous, r.note, p.name as seen_by,
                       r.dealt_on, r.dealt_how, d.name as dealt_by
                from report r join tree t on t.id = r.tree_id join person p on p.id = r.seen_by
                     left join person d on d.id = r.dealt_by
                """;

        @Select(ROWS + " where r.id = #{id}")
        Optional<ReportRow> find(long id);

        @Select(ROWS + " where r.tree_id = #{treeId} order by r.on_date, r.id")
        List<ReportRow> ofTree(long treeId);

        @Select(ROWS + " where t.site_id = #{siteId} order by r.on_date, r.id")
        List<ReportRow> ofSite(long siteId);

        @Select(ROWS + """
                 where t.site_id = #{siteId} and r.dealt_on is null
                   and t.id not in (select tree_id from tree_removal) order by r.dangerous desc, r.on_date, r.id
                """)
        List<ReportRow> openAt(long siteId);

        @Select(value = """
                        insert into report (tree_id, on_date, kind, dangerous, note, seen_by)
                        values (#{treeId}, #{r.on}, #{r.kind}, #{r.dangerous}, nullif(btrim(#{r.note}), ''), #{who}) returning id
                        """, affectData = true)
        long add(@Param("treeId") long treeId, @Param("r") ReportData report, @Param("who") long who);

        /** Returns how many rows had the version: 1, or 0 when somebody was quicker. */
        @Update("""
                update report set dealt_on = #{on}, dealt_how = #{how}, dealt_by = #{who}, version = version + 1
                where id = #{id} and version = #{version} and dealt_on is null
                """)
        int dealt(
                @Param("id") long id,
                @Param("version") int version,
                @Param("on") LocalDate on,
                @Param("how") String how,
                @Param("who") long who);
    }
}
