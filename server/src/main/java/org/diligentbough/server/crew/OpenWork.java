package org.diligentbough.server.crew;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.diligentbough.core.plan.CutKey;
import org.diligentbough.server.crew.VisitMaker.Work;
import org.diligentbough.server.visit.VisitCut;
import org.diligentbough.server.visit.VisitMapper.VisitRow;
import org.diligentbough.server.visit.VisitTask;
import org.springframework.stereotype.Component;

/** What of a tree's open work is on no work day yet. */
@Component
class OpenWork {
    /** Yearly work besides cuts. */
    record Besides(List<VisitTask> tasks, int upkeepMinutes) {}

    /** What of the work besides cuts is on no work day yet; all of it where nobody asks for days. */
    Besides besides(List<VisitRow> others, Work open) {
        Set<String> taken = others.stream()
                .flatMap(visit -> visit.tasks().stream())
                .map(VisitTask::code)
                .collect(Collectors.toSet());
        boolean upkeepTaken = others.stream().anyMatch(visit -> visit.upkeepMinutes() > 0);
        return new Besides(
                open.tasks().stream()
                        .filter(task -> !taken.contains(task.code()))
                        .toList(),
                upkeepTaken ? 0 : open.upkeepMinutes());
    }

    /** Which cuts are on some visits already. */
    Set<CutKey> cutsOn(List<VisitRow> some) {
        return some.stream()
                .flatMap(visit -> visit.cuts().stream())
                .map(VisitCut::key)
                .collect(Collectors.toSet());
    }
}
