package org.diligentbough.server.crew;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.List;
import org.diligentbough.server.shared.MayBeNull;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What a day is proposed to be filled with. */
@RestController
@RequestMapping("/api/days/{dayId}/roster")
class DayRosterApi {
    private final DayRosterService service;
    private final DayTakeOver takeOver;

    DayRosterApi(DayRosterService service, DayTakeOver takeOver) {
        this.service = service;
        this.takeOver = takeOver;
    }

    /**
     * A proposal.
     *
     * @param begunAt null while there is none
     * @param looking whether it is still being bettered
     * @param roster null while nothing is found yet
     */
    record DayProposalView(
            @MayBeNull Instant begunAt,
            boolean looking,
            @MayBeNull Proposed roster) {}

    /** Which crews of it are taken over. */
    record RosterTaken(
            @NotNull(message = "is missing; send the version the change is based on")
            Integer version,

            @NotNull(message = "is missing; give the numbers of the crews")
            List<@NotNull(message = "is missing") Integer> crews) {}

    @GetMapping
    DayProposalView proposal(@PathVariable long dayId) {
        return service.of(dayId)
                .map(row -> new DayProposalView(row.begunAt(), !row.over(), row.roster()))
                .orElse(new DayProposalView(null, false, null));
    }

    /** Begins to look for one. */
    @PostMapping
    @ResponseStatus(HttpStatus.ACCEPTED)
    DayProposalView propose(@PathVariable long dayId) {
        service.begin(dayId);
        return proposal(dayId);
    }

    /** Leaves it as good as it is. */
    @PostMapping("/stop")
    DayProposalView stop(@PathVariable long dayId) {
        service.stopLooking(dayId);
        return proposal(dayId);
    }

    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void throwProposalAway(@PathVariable long dayId) {
        service.throwAway(dayId);
    }

    /** Makes crews of it those of the day: people, trees, order and clock. */
    @PostMapping("/taken")
    DayView takeOver(@PathVariable long dayId, @Valid @RequestBody RosterTaken taken) {
        return takeOver.takeOver(dayId, taken.version(), taken.crews());
    }
}
