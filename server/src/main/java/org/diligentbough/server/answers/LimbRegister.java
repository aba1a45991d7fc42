package org.diligentbough.server.answers;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.diligentbough.server.access.Memberships;
import org.diligentbough.server.answers.LoggedWounds.CutMade;
import org.diligentbough.server.answers.WoodView.LimbOff;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.shared.Today;
import org.springframework.stereotype.Service;

/** The register of every limb that came off. */
@Service
class LimbRegister {
    private final Histories histories;
    private final OrchardService orchard;
    private final Memberships memberships;
    private final Today today;

    LimbRegister(Histories histories, OrchardService orchard, Memberships memberships, Today today) {
        this.histories = histories;
        this.orchard = orchard;
        this.memberships = memberships;
        this.today = today;
    }

    /** Every limb that came off a site's trees, the newest first. */
    List<LimbOff> limbsOff(long siteId) {
        SiteRow site = orchard.site(siteId);
        Optional<List<Long>> only = memberships.onlyTrees(siteId);
        return histories.ofSite(site, today.in(site.zone())).stream()
                .filter(known ->
                        only.isEmpty() || only.get().contains(known.tree().id()))
                .flatMap(known -> known.cuts().stream().map(cut -> limbOff(known.tree(), cut)))
                .sorted(Comparator.comparing(LimbOff::on)
                        .reversed()
                        .thenComparing(LimbOff::tag)
                        .thenComparing(LimbOff::limb))
                .toList();
    }

    private static LimbOff limbOff(TreeRow tree, CutMade cut) {
        return new LimbOff(
                cut.log().onDay(),
                tree.id(),
                tree.tag(),
                tree.species(),
                cut.cut().limb(),
                cut.kind(),
                cut.planned()
                        .filter(planned -> !planned.reasons().isEmpty())
                        .map(planned -> planned.reasons().get(0).code())
                        .orElse(null),
                cut.planned()
                        .filter(planned -> !planned.reasons().isEmpty())
                        .map(planned -> planned.reasons().get(0).text())
                        .orElse(null),
                Optional.ofNullable(cut.log().people()).orElse(""),
                Histories.orNull(cut.diameterCm()),
                cut.planned()
                        .filter(planned -> planned.kind().equals(cut.kind()))
                        .map(planned -> planned.weightKg())
                        .orElse(null),
                cut.cut().wood());
    }
}
