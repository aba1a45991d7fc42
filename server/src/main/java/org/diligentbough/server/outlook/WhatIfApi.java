package org.diligentbough.server.outlook;

import jakarta.validation.Valid;
import java.util.List;
import org.diligentbough.server.outlook.WhatIfService.NewWhatIf;
import org.diligentbough.server.outlook.WhatIfService.WhatIfView;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What-ifs that were kept, over HTTP. */
@RestController
@RequestMapping("/api/trees/{treeId}/what-ifs")
class WhatIfApi {
    private final WhatIfService service;

    WhatIfApi(WhatIfService service) {
        this.service = service;
    }

    /** Those of a tree, as they would come out today. */
    @GetMapping
    List<WhatIfView> all(@PathVariable long treeId) {
        return service.all(treeId);
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    WhatIfView add(@PathVariable long treeId, @Valid @RequestBody NewWhatIf data) {
        return service.add(treeId, data);
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable long treeId, @PathVariable long id) {
        service.remove(treeId, id);
    }
}
