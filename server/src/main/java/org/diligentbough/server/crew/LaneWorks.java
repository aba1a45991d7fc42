package org.diligentbough.server.crew;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.server.crew.LaneWorkMapper.LaneWorkRow;
import org.diligentbough.server.crew.VisitMaker.Work;
import org.diligentbough.server.judgement.JudgementService.Judged;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Keeps the work of each lane when a tree is judged, so that lists of many trees judge none. */
@Component
class LaneWorks {
    private final LaneWorkMapper lanes;
    private final VisitMaker maker;

    LaneWorks(LaneWorkMapper lanes, VisitMaker maker) {
        this.lanes = lanes;
        this.maker = maker;
    }

    @EventListener
    void keep(Judged judged) {
        lanes.clear(judged.treeId());
        for (Lane lane : judged.evaluation().plan().lanes()) {
            lanes.add(
                    judged.treeId(), lane.opens(), lane.closes(), maker.of(judged.treeId(), judged.evaluation(), lane));
        }
    }

    /** A tree with what it has open. */
    record TreeWork(long id, String tag, String species, String cultivar, Work work) {
        private TreeWork and(TreeWork other) {
            return new TreeWork(id, tag, species, cultivar, work.and(other.work));
        }
    }

    /** What each of some trees has open on a day, as it was last judged, by tree; one with no work has none. */
    Map<Long, TreeWork> openOn(List<Long> treeIds, LocalDate day) {
        Map<Long, TreeWork> open = new HashMap<>();
        for (LaneWorkRow row : rows(treeIds)) {
            if (!row.opens().isAfter(day) && !row.closes().isBefore(day)) {
                TreeWork tree = new TreeWork(row.treeId(), row.tag(), row.species(), row.cultivar(), row.work());
                open.merge(tree.id(), tree, TreeWork::and);
            }
        }
        return open;
    }

    /** All that is planned for each of some trees, whenever. */
    Map<Long, List<Work>> planned(List<Long> treeIds) {
        Map<Long, List<Work>> planned = new HashMap<>();
        rows(treeIds).forEach(row -> planned.computeIfAbsent(row.treeId(), id -> new ArrayList<>())
                .add(row.work()));
        return planned;
    }

    private List<LaneWorkRow> rows(List<Long> treeIds) {
        return treeIds.isEmpty() ? List.of() : lanes.of(treeIds);
    }
}
