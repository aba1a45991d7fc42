package org.diligentbough.server.answers;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
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
}
