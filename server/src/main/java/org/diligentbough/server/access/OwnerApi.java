package org.diligentbough.server.access;

import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Whose a tree is: its owners hear of it and of no other. */
@RestController
@RequestMapping("/api/trees/{treeId}/owners")
class OwnerApi {
    private final MemberService service;

    OwnerApi(MemberService service) {
        this.service = service;
    }

    /** The people whose it is, by their numbers. */
    @GetMapping
    List<Long> owners(@PathVariable long treeId) {
        return service.owners(treeId);
    }

    @PutMapping("/{personId}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void giveTree(@PathVariable long treeId, @PathVariable long personId) {
        service.own(treeId, personId);
    }

    @DeleteMapping("/{personId}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeTree(@PathVariable long treeId, @PathVariable long personId) {
        service.ownNoMore(treeId, personId);
    }
}
