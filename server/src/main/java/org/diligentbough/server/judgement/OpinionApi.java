package org.diligentbough.server.judgement;

import jakarta.validation.Valid;
import org.diligentbough.server.judgement.OpinionService.DecisionChange;
import org.diligentbough.server.judgement.OpinionService.OpinionsView;
import org.diligentbough.server.judgement.OpinionService.VerdictData;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What people think of limbs and what was decided, over HTTP. */
@RestController
@RequestMapping("/api/trees/{treeId}")
class OpinionApi {
    private final OpinionService service;

    OpinionApi(OpinionService service) {
        this.service = service;
    }

    @GetMapping("/opinions")
    OpinionsView opinions(@PathVariable long treeId) {
        return service.opinions(treeId);
    }

    /** Keeps what the person thinks of a limb in place of what they thought before. */
    @PutMapping("/limbs/{limb}/opinion")
    OpinionsView think(@PathVariable long treeId, @PathVariable String limb, @Valid @RequestBody VerdictData data) {
        return service.think(treeId, limb, data);
    }

    @DeleteMapping("/limbs/{limb}/opinion")
    OpinionsView takeBack(@PathVariable long treeId, @PathVariable String limb) {
        return service.takeBack(treeId, limb);
    }

    /** Decides about a limb; the plan is made anew by it. */
    @PutMapping("/limbs/{limb}/decision")
    OpinionsView decide(
            @PathVariable long treeId, @PathVariable String limb, @Valid @RequestBody DecisionChange change) {
        return service.decide(treeId, limb, change);
    }

    /** Leaves a limb to the rules again. */
    @DeleteMapping("/limbs/{limb}/decision")
    OpinionsView undecide(@PathVariable long treeId, @PathVariable String limb, @RequestParam long version) {
        return service.undecide(treeId, limb, version);
    }
}
