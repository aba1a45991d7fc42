package org.diligentbough.server.access;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.server.access.InvitationService.Accepting;
import org.diligentbough.server.access.InvitationService.InvitationView;
import org.diligentbough.server.access.InvitationService.LookView;
import org.diligentbough.server.access.InvitationService.MadeView;
import org.diligentbough.server.shared.CodeOf;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Qr;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/** Invitations: made, looked at, accepted, taken back; and the first coordinator of all. */
@RestController
@RequestMapping("/api")
class InvitationApi {
    private final InvitationService service;
    private final Sessions sessions;

    InvitationApi(InvitationService service, Sessions sessions) {
        this.service = service;
        this.sessions = sessions;
    }

    /** For whom; {@code kind} join or password. */
    record Invitation(
            @NotNull(message = "is missing; say for whom") Long personId,

            @NotNull(message = "is missing; give join or password") @CodeOf(InvitationMapper.Kind.class)
            String kind) {}

    record Secret(
            @NotBlank(message = "is missing") @Size(max = 100, message = "is longer than 100 letters")
            String token) {}

    /** Whoever accepts; {@code asMe} when they are signed in already and join as who they are. */
    record Acceptance(
            @NotBlank(message = "is missing") @Size(max = 100, message = "is longer than 100 letters")
            String token,

            @MayBeNull @Size(max = 120, message = "is longer than 120 letters")
            String login,

            @MayBeNull @Size(max = 200, message = "is longer than 200 letters")
            String password,

            boolean asMe) {}

    record First(
            @NotBlank(message = "is missing") @Size(max = 100, message = "is longer than 100 letters")
            String token,

            @NotBlank(message = "is missing; give your name") @Size(max = 80, message = "is longer than 80 letters")
            String name,

            @NotBlank(message = "is missing; a mail address is a good one")
            @Size(max = 120, message = "is longer than 120 letters")
            String login,

            @NotNull(message = "is missing; give a password") @Size(max = 200, message = "is longer than 200 letters")
            String password) {}

    /** Who came in. */
    record EnteredView(long personId) {}

    @GetMapping("/sites/{siteId}/invitations")
    List<InvitationView> invitations(@PathVariable long siteId) {
        return service.open(siteId);
    }

    /** Makes a way in, told this once: as an address, and as a QR code of rows of 0 and 1. */
    @PostMapping("/sites/{siteId}/invitations")
    @ResponseStatus(HttpStatus.CREATED)
    MadeView invite(@PathVariable long siteId, @Valid @RequestBody Invitation sent) {
        var kind = Codes.parse(InvitationMapper.Kind.class, sent.kind()).orElseThrow();
        MadeView made = service.make(siteId, sent.personId(), kind);
        String address = ServletUriComponentsBuilder.fromCurrentContextPath().build() + made.path();
        return new MadeView(made.id(), made.path(), made.goodUntil(), Qr.rows(address));
    }

    @DeleteMapping("/invitations/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBackInvitation(@PathVariable long id) {
        service.revoke(id);
    }

    @PostMapping("/invitations/look")
    LookView lookAtInvitation(@Valid @RequestBody Secret sent, HttpServletRequest request) {
        return service.look(sent.token(), request.getRemoteAddr());
    }

    @PostMapping("/invitations/accept")
    EnteredView acceptInvitation(
            @Valid @RequestBody Acceptance sent, HttpServletRequest request, HttpServletResponse response) {
        var account = service.accept(
                new Accepting(sent.token(), sent.login(), sent.password(), sent.asMe()), request.getRemoteAddr());
        sessions.enter(account, request, response);
        return new EnteredView(account.personId());
    }

    @PostMapping("/first-coordinator")
    EnteredView beFirstCoordinator(
            @Valid @RequestBody First sent, HttpServletRequest request, HttpServletResponse response) {
        var account =
                service.beFirst(sent.token(), sent.name(), sent.login(), sent.password(), request.getRemoteAddr());
        sessions.enter(account, request, response);
        return new EnteredView(account.personId());
    }
}
