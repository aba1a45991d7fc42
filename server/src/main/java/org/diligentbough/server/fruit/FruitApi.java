package org.diligentbough.server.fruit;

import jakarta.validation.Valid;
import java.util.Optional;
import java.util.UUID;
import org.diligentbough.server.fruit.FruitService.FruitChange;
import org.diligentbough.server.fruit.FruitService.FruitView;
import org.diligentbough.server.shared.Once;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What trees bore, over HTTP. */
@RestController
@RequestMapping("/api/trees/{treeId}/fruit")
class FruitApi {
    private final FruitService service;

    FruitApi(FruitService service) {
        this.service = service;
    }

    @GetMapping
    FruitView fruit(@PathVariable long treeId) {
        return service.fruit(treeId);
    }

    /** Keeps a year's fruit. What is sent again under the same key is kept once. */
    @PutMapping("/{year}")
    FruitView keepFruit(
            @PathVariable long treeId,
            @PathVariable int year,
            @RequestHeader(name = Once.HEADER) Optional<UUID> key,
            @Valid @RequestBody FruitChange change) {
        return service.keepFruit(treeId, year, key, change);
    }

    /** Keeps one picking of several. */
    @PostMapping("/pickings")
    FruitView pick(
            @PathVariable long treeId,
            @RequestHeader(name = Once.HEADER) Optional<UUID> key,
            @Valid @RequestBody FruitService.PickingData data) {
        return service.pick(treeId, key, data);
    }

    /** Takes a picking back that was entered by mistake. */
    @DeleteMapping("/pickings/{pickingId}")
    FruitView unpick(@PathVariable long treeId, @PathVariable long pickingId) {
        return service.unpick(treeId, pickingId);
    }

    /** Takes a year's fruit back; what it was stays in the history. */
    @DeleteMapping("/{year}")
    FruitView takeFruitBack(@PathVariable long treeId, @PathVariable int year, @RequestParam int version) {
        return service.takeFruitBack(treeId, year, version);
    }
}
