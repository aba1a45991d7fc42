package org.diligentbough.server.wood;

import jakarta.validation.Valid;
import java.util.List;
import org.diligentbough.server.orchard.TreeData;
import org.diligentbough.server.wood.RemovalService.RemovalChange;
import org.diligentbough.server.wood.RemovalService.RemovalView;
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

/** Trees taken out, over HTTP. */
@RestController
@RequestMapping("/api")
class RemovalApi {
    private final RemovalService service;
    private final ReplacementService replacements;

    RemovalApi(RemovalService service, ReplacementService replacements) {
        this.service = service;
        this.replacements = replacements;
    }

    /** The register of removals of a site, the newest first. */
    @GetMapping("/sites/{siteId}/removals")
    List<RemovalView> removals(@PathVariable long siteId) {
        return service.removals(siteId);
    }

    /** The removal of one tree; 404 while it stands. */
    @GetMapping("/trees/{treeId}/removal")
    RemovalView removal(@PathVariable long treeId) {
        return service.removal(treeId);
    }

    /** Enters a removal, or corrects it. The tree leaves the plan and every work day, and stays in the register. */
    @PutMapping("/trees/{treeId}/removal")
    RemovalView remove(@PathVariable long treeId, @Valid @RequestBody RemovalChange change) {
        return service.remove(treeId, change);
    }

    /** Registers a new tree where one was taken out. */
    @PostMapping("/trees/{treeId}/replacement")
    @ResponseStatus(HttpStatus.CREATED)
    ReplacementService.Replaced replace(@PathVariable long treeId, @Valid @RequestBody TreeData data) {
        return replacements.replace(treeId, data);
    }

    /** Takes back what was entered by mistake: the tree stands. */
    @DeleteMapping("/trees/{treeId}/removal")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void standsAfterAll(@PathVariable long treeId, @RequestParam int version) {
        service.standsAfterAll(treeId, version);
    }
}
