package org.diligentbough.server.access;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.server.access.MemberService.MemberView;
import org.diligentbough.server.shared.CodeOf;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The members of a site and their roles. */
@RestController
@RequestMapping("/api/sites/{siteId}/members")
class MemberApi {
    private final MemberService service;

    MemberApi(MemberService service) {
        this.service = service;
    }

    /** What somebody is to be; {@code maySurvey} lets a volunteer walk trees. */
    record MemberChange(
            @NotNull(message = "is missing; choose one") @CodeOf(Role.class)
            String role,

            boolean maySurvey) {}

    @GetMapping
    List<MemberView> members(@PathVariable long siteId) {
        return service.members(siteId);
    }

    @PutMapping("/{personId}")
    MemberView changeMember(
            @PathVariable long siteId, @PathVariable long personId, @Valid @RequestBody MemberChange change) {
        return service.change(
                siteId, personId, Codes.parse(Role.class, change.role()).orElseThrow(), change.maySurvey());
    }

    /** Ends somebody's belonging to this site. */
    @DeleteMapping("/{personId}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void memberLeft(@PathVariable long siteId, @PathVariable long personId) {
        service.leave(siteId, personId);
    }

    /** Signs a member out everywhere: their phone was lost. */
    @DeleteMapping("/{personId}/sessions")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signMemberOut(@PathVariable long siteId, @PathVariable long personId) {
        service.signOut(siteId, personId);
    }
}
