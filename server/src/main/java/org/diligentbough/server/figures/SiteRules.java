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

    /** A number that a later version no longer knows, or no longer allows, is passed over. */
    public Rulebook of(long siteId) {
        Map<Figure, Double> changed = new EnumMap<>(Figure.class);
        mapper.ofSite(siteId).forEach(row -> Codes.parse(Figure.class, row.figure())
                .filter(figure -> row.value() >= figure.min() && row.value() <= figure.max())
                .ifPresent(figure -> changed.put(figure, row.value())));
        return shipped.with(changed);
    }
}
