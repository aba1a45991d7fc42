package org.diligentbough.core.light;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Rootstocks;
import org.diligentbough.core.orchard.Species;
import org.junit.jupiter.api.Test;

class OrchardLightTest {
    private static final Knowledge KNOWLEDGE = Knowledge.load();
    private static final Sky NORTH = Sky.over(SurveyBuilder.withFrame().build().site(), KNOWLEDGE);
    private static final Rootstocks STOCKS = Rootstocks.load();

    private static Neighbour tree(String name, double eastM, double northM, double heightM) {
        return new Neighbour(name, eastM, northM, heightM, heightM / 2.4, OptionalDouble.of(90));
    }

    private static OrchardLight orchard(Neighbour... trees) {
        return new OrchardLight(List.of(trees), NORTH, KNOWLEDGE);
    }

    @Test
    void ofThreeInARowTheSouthernTakesMostFromTheMiddleAndTheFarOneNothing() {
        List<OrchardLight.TreeLight> light = orchard(
                        tree("mid", 0, 0, 5), tree("south", 0, -4, 5), tree("north", 0, 4, 5), tree("far", 90, 0, 5))
                .onTrees();
        assertThat(light.get(0).shadedBy()).extracting(Shading.Shade::name).containsExactly("south", "north");
        assertThat(light.get(3).shadedBy()).isEmpty();
        assertThat(light.get(3).light()).isGreaterThan(light.get(0).light());
    }

    @Test
    void shadeFallsToTheNorthOfATreeOnTheNorthernHalf() {
        OrchardLight.Ground ground = orchard(tree("one", 0, 0, 6)).onGround(900).orElseThrow();
        assertThat(ground.light()).hasSize(ground.columns() * ground.rows());
        assertThat(at(ground, 0, 3.5)).isLessThan(at(ground, 0, -3.5));
        assertThat(at(ground, 0, 0)).isLessThan(at(ground, 7, -7) - 0.3);
        assertThat(at(ground, 7, -7)).isGreaterThan(0.9);
    }

    private static double at(OrchardLight.Ground ground, double eastM, double northM) {
        int column = (int) ((eastM - ground.westM()) / ground.stepM());
        int row = (int) ((northM - ground.southM()) / ground.stepM());
        return ground.light().get(row * ground.columns() + column);
    }

    @Test
    void theSquaresGrowWithTheOrchard() {
        assertThat(orchard(tree("a", 0, 0, 5), tree("b", 400, 300, 5))
                        .onGround(2000)
                        .orElseThrow())
                .satisfies(ground -> {
                    assertThat(ground.columns() * ground.rows()).isLessThan(2200);
                    assertThat(ground.stepM()).isGreaterThan(5);
                });
        assertThat(orchard().onGround(100)).isEmpty();
    }

    @Test
    void crownsThatOverlapAreToldAsAPairWithWhatCouldBeDone() {
        List<Crowding.Pair> pairs = pairs(Map.of(), tree("a", 0, 0, 6), tree("b", 4, 0, 4.8), tree("c", 30, 0, 5));
        assertThat(pairs).singleElement().satisfies(pair -> {
            assertThat(pair.overlapM()).isCloseTo(0.5, within(1e-9));
            assertThat(pair.reasons())
                    .extracting(Reason::code)
                    .containsExactly(ReasonCode.CROWNS_OVERLAP, ReasonCode.CROWDING_SHORTEN_BETWEEN);
            assertThat(pair.reasons().get(1).arguments()).containsExactly("a");
        });
    }

    @Test
    void ofTwoFarTooCloseTheDarkerHadBetterGo() {
        List<Crowding.Pair> pairs = Crowding.pairs(
                List.of(tree("a", 0, 0, 6), tree("b", 1.5, 0, 6)), Map.of(), Map.of("a", 0.4, "b", 0.6), KNOWLEDGE);
        assertThat(pairs.get(0).reasons()).last().satisfies(reason -> {
            assertThat(reason.code()).isEqualTo(ReasonCode.CROWDING_TAKE_ONE_OUT);
            assertThat(reason.arguments()).containsExactly("a");
        });
    }

    /** A semi-dwarf of about 4.5 m wants about 4.9 m between trees (common practice, no source). */
    @Test
    void aStockOfFourAndAHalfMetresWantsAboutFourPointNine() {
        Rootstocks.Stock stock = STOCKS.find(Species.APPLE, "MM111").orElseThrow();
        assertThat(stock.middleM()).isEqualTo(4.5);
        Neighbour small = new Neighbour("a", 0, 0, 3, 1, OptionalDouble.empty());
        assertThat(pairs(Map.of("a", stock), small, new Neighbour("b", 4.8, 0, 3, 1, OptionalDouble.empty())))
                .singleElement()
                .satisfies(pair ->
                        assertThat(pair.reasons()).extracting(Reason::code).startsWith(ReasonCode.CLOSER_THAN_STOCK));
        assertThat(pairs(Map.of("a", stock), small, new Neighbour("b", 4.95, 0, 3, 1, OptionalDouble.empty())))
                .isEmpty();
    }

    @Test
    void stocksAreFoundHoweverTheyAreWritten() {
        assertThat(STOCKS.find(Species.PLUM, "st. julien a")).isPresent();
        assertThat(STOCKS.find(Species.APPLE, "mm 106").orElseThrow().toM()).isEqualTo(5.5);
        assertThat(STOCKS.find(Species.PEAR, "MM106")).isEmpty();
        assertThat(STOCKS.all()).hasSize(15);
    }

    private static List<Crowding.Pair> pairs(Map<String, Rootstocks.Stock> stocks, Neighbour... trees) {
        return Crowding.pairs(List.of(trees), stocks, Map.of(), KNOWLEDGE);
    }
}
