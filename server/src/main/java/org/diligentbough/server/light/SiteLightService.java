package org.diligentbough.server.light;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.light.Crowding;
import org.diligentbough.core.light.Neighbour;
import org.diligentbough.core.light.OrchardLight;
import org.diligentbough.core.light.Sky;
import org.diligentbough.core.orchard.Rootstocks.Stock;
import org.diligentbough.core.orchard.Site;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.server.light.LightMapper.CrownRow;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Wording;
import org.diligentbough.server.shared.Wording.Worded;
import org.springframework.stereotype.Service;

/** Light and shade of a site from above. */
@Service
public class SiteLightService {
    private static final int MOST_SQUARES = 5_000;
    private static final int SITES_KEPT = 50;

    private final LightMapper mapper;
    private final OrchardService orchard;
    private final Rulebook rules;
    private final Wording wording;
    /** Looked at while people walk about the plan; nothing of it changes but by a survey, a removal or a move. */
    private final Cache<Crowns, SiteLightView> known =
            Caffeine.newBuilder().maximumSize(SITES_KEPT).softValues().build();

    SiteLightService(LightMapper mapper, OrchardService orchard, Rulebook rules, Wording wording) {
        this.mapper = mapper;
        this.orchard = orchard;
        this.rules = rules;
        this.wording = wording;
    }

    /**
     * Light over the growing season, shares of open-sky light from 0 to 1.
     *
     * @param ground where shade falls, or null while no tree is surveyed
     * @param tooClose pairs that stand too close, most overlapping first
     */
    record SiteLightView(
            List<TreeLightView> trees, @MayBeNull GroundView ground, List<PairView> tooClose) {}

    /** The light in one tree's crown and the neighbours that take most of it, at most three. */
    record TreeLightView(long treeId, String tag, double light, List<TakesView> shadedBy) {}

    /** What a neighbour takes. */
    record TakesView(long treeId, String tag, double takes) {}

    /** Light on the ground: squares row by row from the south, each row from the west. */
    record GroundView(double westM, double southM, double stepM, int columns, int rows, List<Double> light) {}

    /** Two trees that stand too close; {@code overlapM} is 0 when only their rootstocks want more room. */
    record PairView(
            long oneId, String one, long otherId, String other, double apartM, double overlapM, List<Worded> reasons) {}

    /** Where shade falls over the season, which neighbour takes most from which tree, and which stand too close. */
    public SiteLightView siteLight(long siteId) {
        return known.get(new Crowns(orchard.site(siteId).data().toSite(), mapper.ofSite(siteId)), this::look);
    }

    /** All that a site's light follows from. */
    private record Crowns(Site site, List<CrownRow> rows) {}

    private SiteLightView look(Crowns all) {
        Map<String, CrownRow> crowns =
                all.rows().stream().collect(Collectors.toMap(CrownRow::tag, Function.identity()));
        List<Neighbour> trees = all.rows().stream()
                .map(crown -> Neighbours.neighbour(crown, 0, 0))
                .toList();
        OrchardLight light = new OrchardLight(trees, Sky.over(all.site(), rules.knowledge()), rules.knowledge());
        List<OrchardLight.TreeLight> onTrees = light.onTrees();
        Map<String, Double> byTag =
                onTrees.stream().collect(Collectors.toMap(OrchardLight.TreeLight::name, OrchardLight.TreeLight::light));
        return new SiteLightView(
                onTrees.stream().map(tree -> tree(tree, crowns)).toList(),
                light.onGround(MOST_SQUARES).map(SiteLightService::ground).orElse(null),
                Crowding.pairs(trees, stocks(crowns), byTag, rules.knowledge()).stream()
                        .map(pair -> pair(pair, crowns))
                        .toList());
    }

    private Map<String, Stock> stocks(Map<String, CrownRow> crowns) {
        Map<String, Stock> stocks = new HashMap<>();
        crowns.forEach((tag, crown) -> {
            Species species = Codes.parse(Species.class, crown.species()).orElseThrow();
            if (crown.rootstock() != null) {
                rules.rootstocks().find(species, crown.rootstock()).ifPresent(stock -> stocks.put(tag, stock));
            }
        });
        return stocks;
    }

    private static TreeLightView tree(OrchardLight.TreeLight tree, Map<String, CrownRow> crowns) {
        return new TreeLightView(
                crowns.get(tree.name()).treeId(),
                tree.name(),
                hundredths(tree.light()),
                tree.shadedBy().stream()
                        .limit(3)
                        .map(shade -> new TakesView(
                                crowns.get(shade.name()).treeId(), shade.name(), hundredths(shade.takes())))
                        .toList());
    }

    private static GroundView ground(OrchardLight.Ground ground) {
        return new GroundView(
                ground.westM(),
                ground.southM(),
                ground.stepM(),
                ground.columns(),
                ground.rows(),
                ground.light().stream().map(SiteLightService::hundredths).toList());
    }

    private PairView pair(Crowding.Pair pair, Map<String, CrownRow> crowns) {
        return new PairView(
                crowns.get(pair.one()).treeId(),
                pair.one(),
                crowns.get(pair.other()).treeId(),
                pair.other(),
                hundredths(pair.apartM()),
                Math.max(0, hundredths(pair.overlapM())),
                wording.all(pair.reasons()));
    }

    private static double hundredths(double value) {
        return Math.round(value * 100) / 100.0;
    }

    /** The surveyed trees of a site that stand. */
    public List<Long> surveyed(long siteId) {
        return mapper.ofSite(siteId).stream().map(CrownRow::treeId).toList();
    }
}
