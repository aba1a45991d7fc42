package org.diligentbough.server.answers;

import jakarta.validation.Valid;
import java.util.List;
import org.diligentbough.server.answers.CropService.CropCount;
import org.diligentbough.server.answers.CropView.ThinRow;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What a tree may carry, over HTTP. */
@RestController
class CropApi {
    private final CropService service;

    CropApi(CropService service) {
        this.service = service;
    }

    /** Fruits to leave and to take off, limbs that would break, and why the last crop was poor. */
    @GetMapping("/api/trees/{treeId}/crop")
    CropView crop(@PathVariable long treeId, @RequestParam(required = false) Integer counted) {
        return service.crop(treeId, counted);
    }

    /** Keeps the fruits counted on a tree and what they are reckoned to. */
    @PutMapping("/api/trees/{treeId}/crop")
    CropView keep(@PathVariable long treeId, @Valid @RequestBody CropCount count) {
        return service.keep(treeId, count);
    }

    /** Lets go of what was counted in a year. */
    @DeleteMapping("/api/trees/{treeId}/crop/{year}")
    CropView letGo(@PathVariable long treeId, @PathVariable int year) {
        return service.letGo(treeId, year);
    }

    /** How many fruits to leave on each tree whose fruit is thinned. */
    @GetMapping("/api/sites/{siteId}/thinning")
    List<ThinRow> thinning(@PathVariable long siteId) {
        return service.thinning(siteId);
    }
}
