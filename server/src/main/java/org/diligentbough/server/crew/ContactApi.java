package org.diligentbough.server.crew;

import jakarta.validation.Valid;
import org.diligentbough.server.crew.ContactService.ContactData;
import org.diligentbough.server.crew.ContactService.DayContacts;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** How people are reached: entered by themselves or a coordinator, told to whoever leads a day. */
@RestController
@RequestMapping("/api")
class ContactApi {
    private final ContactService service;

    ContactApi(ContactService service) {
        this.service = service;
    }

    @GetMapping("/people/{personId}/contact")
    ContactData contact(@PathVariable long personId) {
        return service.of(personId);
    }

    @PutMapping("/people/{personId}/contact")
    ContactData changeContact(@PathVariable long personId, @Valid @RequestBody ContactData data) {
        return service.keep(personId, data);
    }

    /** Of everybody who comes, from a week before until the day after. */
    @GetMapping("/days/{dayId}/contacts")
    DayContacts contactsOfDay(@PathVariable long dayId) {
        return service.onDay(dayId);
    }
}
