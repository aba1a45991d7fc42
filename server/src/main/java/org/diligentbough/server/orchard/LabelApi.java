package org.diligentbough.server.orchard;

import java.util.List;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Qr;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/** Labels to hang on trees: each with a code that opens its tree. */
@RestController
class LabelApi {
    private final OrchardService orchard;

    LabelApi(OrchardService orchard) {
        this.orchard = orchard;
    }

    /**
     * A label.
     *
     * @param address at which the tree opens, as whoever asks sees this house
     * @param qrRows the same as a QR code (ISO/IEC 18004), rows of 0 and 1 with their quiet margin
     */
    record LabelView(
            long treeId,
            String tag,
            String species,
            @MayBeNull String cultivar,
            String address,
            List<String> qrRows) {}

    /** Of every tree that stands, in the order of their tags. */
    @GetMapping("/api/sites/{siteId}/labels")
    List<LabelView> labels(@PathVariable long siteId) {
        String house =
                ServletUriComponentsBuilder.fromCurrentContextPath().build().toString();
        return orchard.standing(siteId).stream()
                .sorted((one, other) -> one.tag().compareTo(other.tag()))
                .map(tree -> {
                    String address = house + "/sites/" + siteId + "/trees/" + tree.id();
                    return new LabelView(
                            tree.id(), tree.tag(), tree.species(), tree.cultivar(), address, Qr.rows(address));
                })
                .toList();
    }
}
