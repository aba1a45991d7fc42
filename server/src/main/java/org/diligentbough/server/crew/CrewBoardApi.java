package org.diligentbough.server.crew;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.diligentbough.server.crew.CrewBoard.CrewLaid;
import org.diligentbough.server.crew.CrewBoard.CrewsView;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The crews of a day over its hours, laid out by hand. */
@RestController
@RequestMapping("/api/days/{dayId}")
class CrewBoardApi {
    private final CrewBoard board;
    private final DayService days;

    CrewBoardApi(CrewBoard board, DayService days) {
        this.board = board;
        this.days = days;
    }

    /** A crew: ids of people, and turns (visit-12 of a tree, task-7 of a task) in the order they are done. */
    record CrewToLay(
            @NotNull(message = "is missing; give a list, empty for nobody")
            List<@NotNull(message = "is missing") Long> people,

            @NotNull(message = "is missing; give a list, empty for none")
            List<@NotNull(message = "is missing") String> turns) {}

    /** Which tasks stand on a day. */
    record TasksOfDay(
            @NotNull(message = "is missing; send the version the change is based on")
            Integer version,

            @NotNull(message = "is missing; give a list, empty for none")
            List<@NotNull(message = "is missing") Long> tasks) {}

    /** All crews of a day; trees and people in none of them are in no crew. */
    record CrewsToLay(
            @NotNull(message = "is missing; send the version the change is based on")
            Integer version,

            @Valid
            @NotNull(message = "is missing; give a list of crews")
            @Size(max = 50, message = "has more than 50 crews")
            List<@NotNull(message = "is missing") CrewToLay> crews) {}

    @GetMapping("/crews")
    CrewsView crewsOfDay(@PathVariable long dayId) {
        return board.of(days.row(dayId));
    }

    /** Lays all crews out anew; the clock follows, and what breaks is told in the answer. */
    @PutMapping("/crews")
    CrewsView layCrewsOut(@PathVariable long dayId, @Valid @RequestBody CrewsToLay laid) {
        days.layOut(
                dayId,
                laid.version(),
                laid.crews().stream()
                        .map(crew -> new CrewLaid(crew.people(), crew.turns()))
                        .toList());
        return board.of(days.row(dayId));
    }

    /** Puts tasks on a day and takes the others off it; what is done stays. */
    @PutMapping("/tasks")
    DayView tasksOfDay(@PathVariable long dayId, @Valid @RequestBody TasksOfDay wanted) {
        return days.tasks(dayId, wanted.version(), wanted.tasks());
    }
}
