package org.diligentbough.server.wood;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.shared.CodeOf;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Whole trees taken out: on what grounds, with whose leave, by whom, and what stands there instead. */
@RestController
@RequestMapping("/api")
public class RemovalService {
    private final RemovalMapper removals;
    private final OrchardService orchard;
    private final History history;
    private final CurrentPerson person;
    private final Today today;
    private final ApplicationEventPublisher events;

    RemovalService(
            RemovalMapper removals,
            OrchardService orchard,
            History history,
            CurrentPerson person,
            Today today,
            ApplicationEventPublisher events) {
        this.removals = removals;
        this.orchard = orchard;
        this.history = history;
        this.person = person;
        this.today = today;
        this.events = events;
    }

    /** Why a tree may be taken out. */
    public enum Grounds {
        BEYOND_SAVING,
        SPREADING_DISEASE,
        WRONG_PLACE,
        SHADES_BETTER,
        TOO_CLOSE,
        FELL
    }

    /**
     * A removal as entered.
     *
     * @param permission whose leave was given and by what paper, or why none was wanted
     * @param removedBy who took it out
     * @param replacement what was planted instead, or is to be
     */
    public record RemovalData(
            @NotNull(message = "is missing; give the day") LocalDate on,

            @NotNull(message = "is missing; choose the grounds") @CodeOf(Grounds.class)
            String grounds,

            @NotBlank(message = "is missing; say whose leave was given, or why none was wanted")
            @Size(max = 500, message = "is longer than 500 letters")
            String permission,

            @NotBlank(message = "is missing; say who took it out")
            @Size(max = 200, message = "is longer than 200 letters")
            String removedBy,

            @MayBeNull @Size(max = 500, message = "is longer than 500 letters")
            String replacement,

            @MayBeNull @Size(max = 1000, message = "is longer than 1000 letters")
            String note) {}

    /** A tree in the register of removals. */
    public record RemovalView(
            long treeId,
            int version,
            String tag,
            String species,
            @MayBeNull String cultivar,
            @MayBeNull Integer plantedYear,
            RemovalData data,
            String recordedBy) {}

    /** A removal with the version it was based on: 0 for a tree that stands. */
    record RemovalChange(
            @NotNull(message = "is missing; send the version the change is based on")
            Integer version,

            @Valid @NotNull(message = "is missing") RemovalData data) {}

    /** The register of removals of a site, the newest first. */
    @GetMapping("/sites/{siteId}/removals")
    public List<RemovalView> removals(@PathVariable long siteId) {
        orchard.site(siteId);
        return removals.ofSite(siteId).stream().map(RemovalService::view).toList();
    }

    /** The removal of one tree; 404 while it stands. */
    @GetMapping("/trees/{treeId}/removal")
    public RemovalView removal(@PathVariable long treeId) {
        return find(treeId).orElseThrow(() -> ProblemException.notFound("This tree stands."));
    }

    /** The removal of one tree, if it was taken out. */
    public Optional<RemovalView> find(long treeId) {
        return removals.find(treeId).map(RemovalService::view);
    }

    /** Enters a removal, or corrects it. The tree leaves the plan and every work day, and stays in the register. */
    @PutMapping("/trees/{treeId}/removal")
    @Transactional
    public RemovalView remove(@PathVariable long treeId, @Valid @RequestBody RemovalChange change) {
        long who = person.id();
        TreeRow tree = orchard.tree(treeId);
        if (change.data().on().isAfter(today.in(orchard.site(tree.siteId()).zone()))) {
            throw ProblemException.wrongField("/data/on", "lies in the future; enter it once the tree is out");
        }
        Optional<RemovalView> before = find(treeId);
        int version = before.map(RemovalView::version).orElse(0);
        if (version != change.version() || removals.keep(treeId, version, change.data(), who) == 0) {
            throw ProblemException.stale("This removal");
        }
        leavesThePlan(treeId);
        RemovalView after = removal(treeId);
        About about = new About("removal", treeId, tree.siteId(), treeId);
        before.ifPresentOrElse(earlier -> history.changed(about, earlier, after), () -> history.added(about, after));
        return after;
    }

    /** Keeps a removal without a word to the history: for whoever writes that otherwise. */
    public void keep(long treeId, RemovalData data, long who) {
        removals.keep(treeId, 0, data, who);
        leavesThePlan(treeId);
    }

    private void leavesThePlan(long treeId) {
        removals.dropOpenVisits(treeId);
        events.publishEvent(new OrchardService.TreeOutdated(treeId));
    }

    /** Takes back what was entered by mistake: the tree stands. */
    @DeleteMapping("/trees/{treeId}/removal")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    public void standsAfterAll(@PathVariable long treeId, @RequestParam int version) {
        person.id();
        RemovalView before = removal(treeId);
        if (removals.drop(treeId, version) == 0) {
            throw ProblemException.stale("This removal");
        }
        history.takenAway(new About("removal", treeId, orchard.tree(treeId).siteId(), treeId), before);
        events.publishEvent(new OrchardService.TreeOutdated(treeId));
    }

    private static RemovalView view(RemovalRow row) {
        return new RemovalView(
                row.treeId(),
                row.version(),
                row.tag(),
                row.species(),
                row.cultivar(),
                row.plantedYear(),
                new RemovalData(
                        row.onDay(), row.grounds(), row.permission(), row.removedBy(), row.replacement(), row.note()),
                row.recordedBy());
    }

    /** A row of the removal table. */
    record RemovalRow(
            Long treeId,
            Integer version,
            String tag,
            String species,
            String cultivar,
            Integer plantedYear,
            LocalDate onDay,
            String grounds,
            String permission,
            String removedBy,
            String replacement,
            String note,
            String recordedBy) {}

    /** The removal table. */
    @Mapper
    interface RemovalMapper {
        String ROWS = """
                select r.tree_id, r.version, t.tag, t.species, t.cultivar, t.planted_year, r.on_date as on_day, r.grounds,
                       r.permission, r.removed_by, r.replacement, r.note, p.name as recorded_by
                from tree_removal r join tree t on t.id = r.tree_id join person p on p.id = r.recorded_by
                """;

        @Select(ROWS + " where r.tree_id = #{treeId}")
        Optional<RemovalRow> find(long treeId);

        @Select(ROWS + " where t.site_id = #{siteId} order by r.on_date desc, t.tag")
        List<RemovalRow> ofSite(long siteId);

        /** Returns how many rows were kept: 1, or 0 when somebody was quicker. */
        @Insert("""
                insert into tree_removal as r (tree_id, on_date, grounds, permission, removed_by, replacement, note, recorded_by)
                values (#{treeId}, #{d.on}, #{d.grounds}, btrim(#{d.permission}), btrim(#{d.removedBy}),
                        nullif(btrim(#{d.replacement}), ''), nullif(btrim(#{d.note}), ''), #{who})
                on conflict (tree_id) do update set on_date = excluded.on_date, grounds = excluded.grounds,
                    permission = excluded.permission, removed_by = excluded.removed_by, replacement = excluded.replacement,
                    note = excluded.note, recorded_by = excluded.recorded_by, version = r.version + 1
                    where r.version = #{version}
                """)
        int keep(
                @Param("treeId") long treeId,
                @Param("version") int version,
                @Param("d") RemovalData data,
                @Param("who") long who);

        @Delete("delete from tree_removal where tree_id = #{treeId} and version = #{version}")
        int drop(@Param("treeId") long treeId, @Param("version") int version);

        @Delete("delete from tree_visit where tree_id = #{treeId} and not logged")
        int dropOpenVisits(long treeId);
    }
}
