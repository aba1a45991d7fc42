package org.diligentbough.server.crew;

import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.diligentbough.core.crew.Kit;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.roster.RosterCase;
import org.diligentbough.server.crew.DayView.DayTaskView;
import org.diligentbough.server.crew.DayView.VisitView;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.visit.VisitCut;

/** Trees' turns as a roster takes them, and how crews are made up where nobody says. */
final class RosterVisits {
    /** Crews and their pace as the roster file takes them where it says nothing (own assumptions). */
    static final int LEAST_IN_A_CREW = 2;

    static final int MOST_IN_A_CREW = 4;
    static final double METRES_PER_MINUTE = 50;
    static final int SET_UP_MINUTES = 5;
    /** What volunteers bring of their own. */
    private static final Set<String> OWN = Set.of(Codes.of(Kit.SECATEURS), Codes.of(Kit.GLOVES));
    /** Crowns as wide as these have room for two, and for three (own assumption). */
    private static final double ROOM_FOR_TWO_M = 2;

    private static final double ROOM_FOR_THREE_M = 6;
    /** What somebody put on the day by hand is meant to be done (own assumption). */
    private static final double WORTH_OF_A_TASK = 0.5;

    private RosterVisits() {}

    static String id(VisitView visit) {
        return "visit-" + visit.id();
    }

    static boolean urgent(VisitView visit) {
        return visit.cuts().stream().anyMatch(VisitCut::urgent);
    }

    /** A turn that stands on a day. */
    static RosterCase.Visit of(VisitView visit, TreeRow tree, LocalDate on) {
        return of(
                id(visit),
                tree,
                new Window(LocalDate.MIN, on),
                visit.minutes(),
                Set.copyOf(visit.tickets()),
                visit.kit(),
                visit.offTheGround(),
                visit.sick(),
                urgent(visit),
                1);
    }

    static String id(DayTaskView task) {
        return "task-" + task.id();
    }

    /** A task that stands on a day. */
    static RosterCase.Visit of(DayTaskView task, LocalDate on) {
        return new RosterCase.Visit(
                id(task),
                task.treeId() == null ? id(task) : String.valueOf(task.treeId()),
                task.eastM(),
                task.northM(),
                LocalDate.MIN,
                on,
                task.minutes(),
                task.people(),
                Set.of(),
                task.kit().stream().filter(one -> !OWN.contains(one)).collect(Collectors.toSet()),
                false,
                false,
                false,
                false,
                WORTH_OF_A_TASK);
    }

    /** From when until when something may be done. */
    record Window(LocalDate opens, LocalDate closes) {}

    static RosterCase.Visit of(
            String id,
            TreeRow tree,
            Window window,
            int minutes,
            Set<String> tickets,
            List<String> kit,
            boolean offGround,
            boolean sick,
            boolean urgent,
            double worth) {
        double spread = tree.spreadM() == null ? 0 : tree.spreadM();
        return new RosterCase.Visit(
                id,
                String.valueOf(tree.id()),
                tree.eastM(),
                tree.northM(),
                window.opens(),
                window.closes(),
                minutes,
                spread < ROOM_FOR_TWO_M ? 1 : spread < ROOM_FOR_THREE_M ? 2 : 3,
                tickets,
                kit.stream().filter(one -> !OWN.contains(one)).collect(Collectors.toSet()),
                offGround,
                false,
                sick,
                urgent,
                worth);
    }
}
