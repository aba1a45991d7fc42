package org.diligentbough.server.crew;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.diligentbough.server.crew.PeopleService.Seen;
import org.diligentbough.server.crew.PersonData.TicketData;
import org.diligentbough.server.shared.MayBeNull;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The people who work here. */
@RestController
@RequestMapping("/api/people")
class PeopleApi {
    private final PeopleService service;

    PeopleApi(PeopleService service) {
        this.service = service;
    }

    /** A person to be added to a site. */
    record NewPerson(
            @NotNull(message = "is missing; say at which site")
            Long siteId,

            @NotBlank(message = "is missing; give a name") @Size(max = 80, message = "is longer than 80 letters")
            String name) {}

    /** A change to a person, with the version it was based on. */
    record PersonChange(
            @NotNull(message = "is missing; send the version the change is based on")
            Integer version,

            @Valid @NotNull(message = "is missing") PersonData data) {}

    /**
     * Somebody one shares a site with, as far as they concern one.
     *
     * @param sites those both belong to
     */
    record ColleagueView(
            long id,
            int version,
            String name,
            @MayBeNull Integer birthYear,
            @MayBeNull String note,
            List<TicketData> tickets,
            List<LocalDate> canCome,
            List<Long> sites) {}

    private static ColleagueView view(Seen seen) {
        return new ColleagueView(
                seen.person().id(),
                seen.person().version(),
                seen.person().name(),
                seen.person().birthYear(),
                seen.person().note(),
                seen.person().tickets(),
                seen.person().canCome(),
                seen.sites());
    }

    @GetMapping
    List<ColleagueView> people() {
        return service.visible().stream().map(PeopleApi::view).toList();
    }

    /** Adds a person to a site, or answers with the one there who bears the name already. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    ColleagueView addPerson(@Valid @RequestBody NewPerson person) {
        return view(service.seen(service.add(person.siteId(), person.name()).id()));
    }

    /** Takes somebody off the list; added again by the same name they are back with all that was known. */
    @DeleteMapping("/{personId}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void personLeft(@PathVariable long personId, @RequestParam int version) {
        service.leave(personId, version);
    }

    @PutMapping("/{personId}")
    ColleagueView changePerson(@PathVariable long personId, @Valid @RequestBody PersonChange change) {
        service.change(personId, change.version(), change.data());
        return view(service.seen(personId));
    }
}
