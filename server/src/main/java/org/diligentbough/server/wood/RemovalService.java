package org.diligentbough.server.wood;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.diligentbough.server.access.Memberships;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.shared.CodeOf;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.wood.RemovalMapper.RemovalRow;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Whole trees taken out: on what grounds, with whose leave, by whom, and what stands there instead. */
@Service
public class RemovalService {
    private final RemovalMapper removals;
    private final OrchardService orchard;
    private final History history;
    private final CurrentPerson person;
    private final Memberships memberships;
    private final Today today;
    private final ApplicationEventPublisher events;

    RemovalService(
            RemovalMapper removals,
            OrchardService orchard,
            History history,
            CurrentPerson person,
            Memberships memberships,
            Today today,
            ApplicationEventPublisher events) {
        this.removals = removals;
        this.orchard = orchard;
        this.history = history;
        this.person = person;
        this.memberships = memberships;
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
    public List<RemovalView> removals(long siteId) {
        orchard.site(siteId);
        Optional<List<Long>> only = memberships.onlyTrees(siteId);
        return removals.ofSite(siteId).stream()
                .map(RemovalService::view)
                .filter(one -> only.isEmpty() || only.get().contains(one.treeId()))
                .toList();
    }

    /** The removal of one tree; 404 while it stands. */
    public RemovalView removal(long treeId) {
        return find(treeId).orElseThrow(() -> ProblemException.notFound("This tree stands."));
    }

    /** The removal of one tree, if it was taken out. */
    public Optional<RemovalView> find(long treeId) {
        return removals.find(treeId).map(RemovalService::view);
    }

    /** Enters a removal, or corrects it. The tree leaves the plan and every work day, and stays in the register. */
    @Transactional
    public RemovalView remove(long treeId, RemovalChange change) {
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
    @Transactional
    public void standsAfterAll(long treeId, int version) {
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
}
