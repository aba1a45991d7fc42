package org.diligentbough.server.crew;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.diligentbough.server.crew.VisitMaker.Work;
import org.diligentbough.server.visit.TreeRecords;
import org.diligentbough.server.visit.VisitMapper.VisitRow;
import org.diligentbough.server.visit.VisitTask;
import org.springframework.stereotype.Component;

/** What of a tree's open work is on no work day yet. */
@Component
class OpenWork {
    private final TreeRecords records;

    OpenWork(TreeRecords records) {
        this.records = records;
    }

    /** Yearly work besides cuts. */
    record Besides(List<VisitTask> tasks, int upkeepMinutes) {}

    /** What of the work besides cuts is on no work day yet; all of it where nobody asks for days. */
    Besides besides(List<VisitRow> others, Work open) {
        Set<String> taken = others.stream()
                .flatMap(visit -> records.tasks(visit).stream())
                .map(VisitTask::code)
                .collect(Collectors.toSet());
        boolean upkeepTaken = others.stream().anyMatch(visit -> visit.upkeepMinutes() > 0);
        return new Besides(
                open.tasks().stream()
                        .filter(task -> !taken.contains(task.code()))
                        .toList(),
                upkeepTaken ? 0 : open.upkeepMinutes());
    }

    /** Which cuts are on some visits already, by limb and kind. */
    Set<String> cutsOn(List<VisitRow> some) {
        Set<String> taken = new HashSet<>();
        some.forEach(visit -> records.cuts(visit).forEach(cut -> taken.add(cut.limb() + cut.kind())));
        return taken;
    }
}
