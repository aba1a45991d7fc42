package org.diligentbough.server.figures;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.server.figures.FigureMapper.FigureRow;
import org.springframework.stereotype.Component;

/** The rules as a site goes by them: the shipped ones with the numbers it has changed. */
@Component
public class SiteRules {
    private final FigureMapper mapper;
    private final Rulebook shipped;

    SiteRules(FigureMapper mapper, Rulebook shipped) {
        this.mapper = mapper;
        this.shipped = shipped;
    }

    /**
     * The numbers a site has changed.
     *
     * @param all for all trees
     * @param kinds for trees of a kind alone
     */
    public record Changed(Map<Figure, Double> all, Map<Species, Map<Figure, Double>> kinds) {}

    /** The rules as a site goes by them. */
    public Rulebook of(long siteId) {
        return with(changed(siteId));
    }

    /** The numbers a site has changed. One that a later version no longer knows, or no longer allows, is passed over. */
    public Changed changed(long siteId) {
        Map<Figure, Double> all = new EnumMap<>(Figure.class);
        Map<Species, Map<Figure, Double>> kinds = new EnumMap<>(Species.class);
        for (FigureRow row : mapper.ofSite(siteId)) {
            Optional<Figure> figure = Codes.parse(Figure.class, row.figure())
                    .filter(one -> row.value() >= one.min() && row.value() <= one.max());
            if (figure.isEmpty()) {
                continue;
            }
            if (row.kind() == null) {
                all.put(figure.get(), row.value());
            } else {
                Codes.parse(Species.class, row.kind())
                        .ifPresent(kind -> kinds.computeIfAbsent(kind, none -> new EnumMap<>(Figure.class))
                                .put(figure.get(), row.value()));
            }
        }
        return new Changed(all, kinds);
    }

    /** The rules with numbers of a site's own. */
    public Rulebook with(Changed changed) {
        return shipped.with(changed.all(), changed.kinds());
    }
}
