package org.diligentbough.server.consent;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import org.diligentbough.server.consent.ConsentService.OwningView;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Today;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** An owner and their tree: what they wish, consent to, and think of it afterwards. */
@RestController
@RequestMapping("/api/trees/{treeId}")
class ConsentApi {
    private final ConsentService service;
    private final OrchardService orchard;
    private final Today today;

    ConsentApi(ConsentService service, OrchardService orchard, Today today) {
        this.service = service;
        this.orchard = orchard;
        this.today = today;
    }

    /** What is asked; {@code limits} the work keeps within, in words. */
    record ConsentAsked(
            @MayBeNull @Size(max = 500, message = "is longer than 500 letters")
            String limits) {}

    /** An owner's answer; {@code goodUntil} the last day on which it holds. */
    record ConsentAnswer(
            @NotNull(message = "is missing; say yes or no") Boolean given,

            @MayBeNull LocalDate goodUntil,

            @MayBeNull @Size(max = 500, message = "is longer than 500 letters")
            String said) {}

    record OwnersWishes(
            @MayBeNull @Size(max = 2000, message = "is longer than 2000 letters")
            String wishes) {}

    /** How content somebody was with a year's work; {@code grade} from 1, not at all, to 5, wholly. */
    record OwnersContent(
            @NotNull(message = "is missing; give the year")
            @Min(value = 1900, message = "is too long ago")
            @Max(value = 2200, message = "lies too far ahead")
            Integer year,

            @NotNull(message = "is missing; give 1 to 5")
            @Min(value = 1, message = "is under 1")
            @Max(value = 5, message = "is over 5")
            Integer grade,

            @MayBeNull @Size(max = 500, message = "is longer than 500 letters")
            String said) {}

    @GetMapping("/owning")
    OwningView owning(@PathVariable long treeId) {
        return service.of(treeId, now(treeId));
    }

    private LocalDate now(long treeId) {
        return today.in(orchard.site(orchard.tree(treeId).siteId()).zone());
    }

    /** Asks the owner for consent to the plan that is kept. */
    @PostMapping("/consents")
    @ResponseStatus(HttpStatus.CREATED)
    OwningView askConsent(@PathVariable long treeId, @Valid @RequestBody ConsentAsked asked) {
        service.ask(treeId, asked.limits());
        return owning(treeId);
    }

    /** Answers what was asked last; a coordinator writes down what was said to them. */
    @PutMapping("/consents/{id}")
    OwningView answerConsent(
            @PathVariable long treeId, @PathVariable long id, @Valid @RequestBody ConsentAnswer answer) {
        service.answer(treeId, id, answer.given(), answer.goodUntil(), answer.said());
        return owning(treeId);
    }

    @PutMapping("/wishes")
    OwningView keepWishes(@PathVariable long treeId, @Valid @RequestBody OwnersWishes wishes) {
        service.wish(treeId, wishes.wishes());
        return owning(treeId);
    }

    @PutMapping("/contentment")
    OwningView keepContentment(@PathVariable long treeId, @Valid @RequestBody OwnersContent content) {
        service.content(treeId, content.year(), content.grade(), content.said());
        return owning(treeId);
    }
}
