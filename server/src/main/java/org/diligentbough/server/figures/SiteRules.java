package org.diligentbough.server.figures;

import java.util.EnumMap;
import java.util.Map;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.Figure;
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

    /** The rules as a site goes by them. */
    public Rulebook of(long siteId) {
        return shipped.with(changed(siteId));
    }

    /** The numbers a site has changed. One that a later version no longer knows, or no longer allows, is passed over. */
    public Map<Figure, Double> changed(long siteId) {
        Map<Figure, Double> changed = new EnumMap<>(Figure.class);
        mapper.ofSite(siteId).forEach(row -> Codes.parse(Figure.class, row.figure())
                .filter(figure -> row.value() >= figure.min() && row.value() <= figure.max())
                .ifPresent(figure -> changed.put(figure, row.value())));
        return changed;
    }

    /** The rules with numbers of a site's own. */
    public Rulebook with(Map<Figure, Double> changed) {
        return shipped.with(changed);
    }
}
