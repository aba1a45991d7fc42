package org.diligentbough.server.invite;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.server.invite.DayInvitationMapper.Answer;
import org.diligentbough.server.invite.DayInvitations.AskedView;
import org.diligentbough.server.invite.DayInvitations.InvitedDayView;
import org.diligentbough.server.invite.DayInvitations.Said;
import org.diligentbough.server.shared.CodeOf;
import org.diligentbough.server.shared.MayBeNull;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/** Who is asked to come on a day, and their answers by an address of their own. */
@RestController
@RequestMapping("/api")
class DayInvitationApi {
    private final DayInvitations service;

    DayInvitationApi(DayInvitations service) {
        this.service = service;
    }

    /** Who is asked. */
    record AskedPeople(
            @NotEmpty(message = "is empty; say who is asked") @Size(max = 300, message = "names more than 300 people")
            List<@NotNull(message = "is missing") Long> people) {}

    /** How many were told something new. */
    record ToldView(int told) {}

    /** The secret of an address. */
    record ComingSecret(
            @NotBlank(message = "is missing") @Size(max = 100, message = "is longer than 100 letters")
            String token) {}

    /**
     * An answer.
     *
     * @param answer yes, perhaps or no
     * @param from and {@code until} times of day such as 10:30, only with yes; left out for the whole day
     */
    record ComingAnswer(
            @NotBlank(message = "is missing") @Size(max = 100, message = "is longer than 100 letters")
            String token,

            @NotNull(message = "is missing; give yes, perhaps or no") @CodeOf(Answer.class)
            String answer,

            @MayBeNull @Pattern(regexp = "([01]\\d|2[0-3]):[0-5]\\d", message = "give a time such as 10:30")
            String from,

            @MayBeNull @Pattern(regexp = "([01]\\d|2[0-3]):[0-5]\\d", message = "give a time such as 12:30")
            String until,

            @MayBeNull @Size(max = 300, message = "is longer than 300 letters")
            String remark) {}

    @GetMapping("/days/{dayId}/invitations")
    List<AskedView> askedToCome(@PathVariable long dayId) {
        return service.ofDay(dayId);
    }

    /** Asks people by a letter each. */
    @PostMapping("/days/{dayId}/invitations")
    List<AskedView> askToCome(@PathVariable long dayId, @Valid @RequestBody AskedPeople asked) {
        service.invite(dayId, asked.people(), here());
        return service.ofDay(dayId);
    }

    /** Tells everybody who comes their crew and trees as they stand, where they were not told so before. */
    @PostMapping("/days/{dayId}/told")
    ToldView tellCrews(@PathVariable long dayId) {
        return new ToldView(service.tell(dayId, here()));
    }

    private static String here() {
        return ServletUriComponentsBuilder.fromCurrentContextPath().build().toString();
    }

    @PostMapping("/comings/look")
    InvitedDayView lookAtComing(@Valid @RequestBody ComingSecret sent, HttpServletRequest request) {
        return service.look(sent.token(), request.getRemoteAddr());
    }

    @PostMapping("/comings/answer")
    InvitedDayView answerComing(@Valid @RequestBody ComingAnswer sent, HttpServletRequest request) {
        Answer answer = Codes.parse(Answer.class, sent.answer()).orElseThrow();
        return service.answer(
                sent.token(), request.getRemoteAddr(), new Said(answer, sent.from(), sent.until(), sent.remark()));
    }
}
