package org.diligentbough.server.crew;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.plan.CutKey;
import org.diligentbough.core.verdict.Verdict;
import org.diligentbough.server.crew.DayView.Candidate;
import org.diligentbough.server.crew.DayView.DaySummary;
import org.diligentbough.server.crew.VisitMaker.Wanted;
import org.diligentbough.server.shared.CodeOf;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Once;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Work days: who comes, which trees, who does what. Every change carries the day's version and is answered with the day. */
@RestController
@RequestMapping("/api")
class DayApi {
    private final DayService service;
    private final VisitPlacing placing;
    private final DayRain rain;
    private final DayCandidates candidates;

    DayApi(DayService service, VisitPlacing placing, DayRain rain, DayCandidates candidates) {
        this.service = service;
        this.placing = placing;
        this.rain = rain;
        this.candidates = candidates;
    }

    /** A change to a day, with the version it was based on. */
    record DayChange(
            @NotNull(message = "is missing; send the version the change is based on")
            Integer version,

            @Valid @NotNull(message = "is missing") DayData data) {}

    /** Who comes, or who does a tree. */
    record PeopleChange(
            @NotNull(message = "is missing; send the version the change is based on")
            Integer version,

            @NotNull(message = "is missing; give a list, empty for nobody")
            List<@NotNull(message = "is missing") Long> people) {}

    /** Nothing but the version. */
    record VersionOnly(
            @NotNull(message = "is missing; send the version the change is based on")
            Integer version) {}

    /** Where a rained-off day's trees go; null for back to their plans, to be spread over the days to come. */
    record RainOff(
            @NotNull(message = "is missing; send the version the change is based on")
            Integer version,

            @MayBeNull LocalDate to) {}

    /** A rained-off day, the day its trees went to if any, and the tags of those that went back to the plan. */
    record RainedOffView(DayView day, @MayBeNull DayView movedTo, List<String> backToThePlan) {}

    /** One cut of a plan. */
    record CutChoice(
            @NotBlank(message = "is missing; give the limb's tag")
            String limb,

            @NotNull(message = "is missing; say which cut") @CodeOf(Verdict.class)
            String kind) {}

    /**
     * A tree to be put on a day.
     *
     * @param cuts which of its plan's; null for all its plan has open on the day
     * @param shoots how many of the counted ones; null for all the plan has
     * @param upkeep whether its ordinary yearly cutting too; null for yes when all is put on, else no
     */
    record TreeOnDay(
            @NotNull(message = "is missing; send the version the change is based on")
            Integer version,

            @NotNull(message = "is missing; choose a tree") Long treeId,
            @MayBeNull List<@Valid @NotNull(message = "is missing") CutChoice> cuts,

            @MayBeNull
            @Min(value = 0, message = "cannot be under 0")
            @Max(value = 10000, message = "is more than a tree has")
            Integer shoots,

            @MayBeNull Boolean upkeep) {}

    /** What is to be logged of a tree without a work day. */
    record OnTheSpot(@MayBeNull List<@Valid @NotNull(message = "is missing") CutChoice> cuts) {}

    /** A visit that was made. */
    record VisitMade(long visitId) {}

    /** A step up (-1) or down (1). */
    record Shift(
            @NotNull(message = "is missing; send the version the change is based on")
            Integer version,

            @NotNull(message = "is missing; give -1 or 1") Integer by) {}

    @GetMapping("/sites/{siteId}/days")
    List<DaySummary> days(@PathVariable long siteId) {
        return service.ofSite(siteId);
    }

    @PostMapping("/sites/{siteId}/days")
    @ResponseStatus(HttpStatus.CREATED)
    DayView addDay(@PathVariable long siteId, @Valid @RequestBody DayData day) {
        return service.add(siteId, day);
    }

    @GetMapping("/days/{dayId}")
    DayView day(@PathVariable long dayId) {
        return service.day(dayId);
    }

    @PutMapping("/days/{dayId}")
    DayView changeDay(@PathVariable long dayId, @Valid @RequestBody DayChange change) {
        return service.change(dayId, change.version(), change.data());
    }

    /** Trees whose plan has something open that day and that are on no day yet, 60 at most, the most pressing first. */
    @GetMapping("/days/{dayId}/candidates")
    List<Candidate> candidates(@PathVariable long dayId) {
        return candidates.candidates(dayId);
    }

    @PutMapping("/days/{dayId}/people")
    DayView peopleOfDay(@PathVariable long dayId, @Valid @RequestBody PeopleChange change) {
        return service.people(dayId, change.version(), change.people());
    }

    @PostMapping("/days/{dayId}/visits")
    @ResponseStatus(HttpStatus.CREATED)
    DayView putTreeOnDay(@PathVariable long dayId, @Valid @RequestBody TreeOnDay tree) {
        return service.putOn(
                dayId,
                tree.version(),
                tree.treeId(),
                new Wanted(
                        chosen(tree.cuts()),
                        tree.shoots(),
                        tree.upkeep() == null ? tree.cuts() == null : tree.upkeep()));
    }

    /**
     * Makes a visit of what is done without a work day, so that it can be logged. What is sent again under the same key is
     * made once.
     */
    @PostMapping("/trees/{treeId}/visits")
    @ResponseStatus(HttpStatus.CREATED)
    VisitMade addVisit(
            @PathVariable long treeId,
            @RequestHeader(name = Once.HEADER) Optional<UUID> key,
            @Valid @RequestBody OnTheSpot work) {
        return new VisitMade(placing.onTheSpot(treeId, key, chosen(work.cuts())));
    }

    private static List<CutKey> chosen(List<CutChoice> cuts) {
        return cuts == null
                ? null
                : cuts.stream()
                        .map(cut -> new CutKey(
                                cut.limb(),
                                Codes.parse(Verdict.class, cut.kind()).orElseThrow()))
                        .toList();
    }

    @PutMapping("/visits/{visitId}/people")
    DayView peopleOfVisit(@PathVariable long visitId, @Valid @RequestBody PeopleChange change) {
        return service.peopleOf(visitId, change.version(), change.people());
    }

    /** Judges what remains of a tree that was logged, and puts it on the running day again. */
    @PostMapping("/visits/{visitId}/look-again")
    DayView lookAgain(@PathVariable long visitId, @Valid @RequestBody VersionOnly change) {
        return service.lookAgain(visitId, change.version());
    }

    /** Moves a tree up or down among those of the day; sick trees stay last. */
    @PutMapping("/visits/{visitId}/place")
    DayView shiftVisit(@PathVariable long visitId, @Valid @RequestBody Shift shift) {
        return service.shift(visitId, shift.version(), shift.by());
    }

    /** Takes a tree off its day; its cuts go back to the plan. */
    @DeleteMapping("/visits/{visitId}")
    DayView takeOffDay(@PathVariable long visitId, @RequestParam int version) {
        return service.takeOff(visitId, version);
    }

    /** Confirms a day: from then on what was a warning is a refusal. */
    @PostMapping("/days/{dayId}/confirm")
    DayView confirmDay(@PathVariable long dayId, @Valid @RequestBody VersionOnly change) {
        return service.confirm(dayId, change.version());
    }

    @PostMapping("/days/{dayId}/reopen")
    DayView reopenDay(@PathVariable long dayId, @Valid @RequestBody VersionOnly change) {
        return service.reopen(dayId, change.version());
    }

    /** Calls a day off; what was not logged goes back to the plan. */
    @PostMapping("/days/{dayId}/called-off")
    DayView callOffDay(@PathVariable long dayId, @Valid @RequestBody VersionOnly change) {
        return service.callOff(dayId, change.version());
    }

    /** Moves what was not done to another day. */
    @PostMapping("/days/{dayId}/rained-off")
    RainedOffView rainOffDay(@PathVariable long dayId, @Valid @RequestBody RainOff change) {
        DayRain.RainedOff done = rain.rainOff(dayId, change.version(), change.to());
        return new RainedOffView(done.day(), done.movedTo(), done.backToThePlan());
    }
}
