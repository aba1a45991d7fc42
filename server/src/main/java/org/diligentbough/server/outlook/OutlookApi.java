package org.diligentbough.server.outlook;

import org.diligentbough.server.outlook.OutlookService.TenYears;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** The years ahead of a tree, over HTTP. */
@RestController
class OutlookApi {
    private final OutlookService service;

    OutlookApi(OutlookService service) {
        this.service = service;
    }

    /** Looks ahead from how the tree stands and is planned today; 404 while nobody has walked to it. */
    @GetMapping("/api/trees/{treeId}/outlook")
    TenYears outlook(@PathVariable long treeId) {
        return service.outlook(treeId);
    }
}
