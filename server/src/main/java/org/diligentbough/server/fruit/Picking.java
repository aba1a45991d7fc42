package org.diligentbough.server.fruit;

import java.time.LocalDate;
import java.util.Optional;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.season.Stages;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.season.SiteSeasons;
import org.springframework.stereotype.Component;

/** When fruit can have been picked at all, so that a slip of the year is seen. */
@Component
class Picking {
    private final SiteSeasons seasons;
    private final OrchardService orchard;

    Picking(SiteSeasons seasons, OrchardService orchard) {
        this.seasons = seasons;
        this.orchard = orchard;
    }

    /**
     * The day before which nothing of a tree's kind has even set in the year that runs on a day; empty once it may have been
     * picked, and for citrus, whose fruit hangs the whole year.
     */
    Optional<LocalDate> notBefore(TreeRow tree, LocalDate on) {
        SiteRow site = orchard.site(tree.siteId());
        if (tree.species().equals("citrus")) {
            return Optional.empty();
        }
        Stages stages = seasons.stagesOf(site, tree.species(), on);
        int year = PruningYear.of(on, site.latitude() < 0).year();
        return stages.fruitSets(year).filter(on::isBefore);
    }
}
