package org.diligentbough.server.light;

import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.light.Neighbour;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.survey.Survey.Surrounding;
import org.diligentbough.server.light.LightMapper.CrownRow;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.springframework.stereotype.Component;

/** The registered trees that shade a tree. */
@Component
public class Neighbours {
    /** Beyond this no fruit tree shades another enough to matter, m. */
    private static final double FARTHEST_M = 50;

    private static final int MOST = 12;
    /** A tree that a surveyor noted this close to a registered one is that one, m. */
    private static final double SAME_TREE_M = 2;

    private final LightMapper mapper;
    private final Rulebook rules;

    Neighbours(LightMapper mapper, Rulebook rules) {
        this.mapper = mapper;
        this.rules = rules;
    }

    /** The surveyed trees near a tree, those that stand tallest against the sky, with places counted from its trunk. */
    public List<Neighbour> of(TreeRow tree) {
        double reach = rules.knowledge().get(Figure.SHADE_REACH);
        return mapper.near(tree.siteId(), tree.id(), tree.eastM(), tree.northM(), FARTHEST_M).stream()
                .map(crown -> neighbour(crown, tree.eastM(), tree.northM()))
                .filter(near -> apartM(near) <= near.crownRadiusM() + reach * near.heightM())
                .sorted(Comparator.comparingDouble(near -> apartM(near) / near.heightM()))
                .limit(MOST)
                .toList();
    }

    private static double apartM(Neighbour near) {
        return Math.hypot(near.eastM(), near.northM());
    }

    static Neighbour neighbour(CrownRow crown, double fromEastM, double fromNorthM) {
        return new Neighbour(
                crown.tag(),
                crown.eastM() - fromEastM,
                crown.northM() - fromNorthM,
                crown.heightM(),
                crown.spreadM() / 2,
                OptionalDouble.of(crown.trunkGirthCm()));
    }

    /** The survey without the trees it names that are registered: those were measured. */
    public static Survey withoutRegistered(Survey survey, List<Neighbour> registered) {
        return survey.withSurroundings(survey.surroundings().stream()
                .filter(thing -> thing.kind() != Surrounding.Kind.TREE
                        || registered.stream().noneMatch(near -> same(thing, near)))
                .toList());
    }

    private static boolean same(Surrounding thing, Neighbour near) {
        double bearing = Math.toRadians(thing.bearingDeg());
        double east = thing.distanceM() * Math.sin(bearing);
        double north = thing.distanceM() * Math.cos(bearing);
        return Math.hypot(east - near.eastM(), north - near.northM()) <= SAME_TREE_M;
    }
}
