package org.diligentbough.core.outlook;

import static org.diligentbough.core.knowledge.Figure.OUTLOOK_UNKNOWN_STOCK_TIMES;
import static org.diligentbough.core.knowledge.Figure.OUTLOOK_UNPRUNED_TIMES;

import java.util.ArrayList;
import java.util.List;
import org.diligentbough.core.orchard.Rootstocks;
import org.diligentbough.core.outlook.Crown.Lit;
import org.diligentbough.core.outlook.Treatments.Work;
import org.diligentbough.core.survey.Branching;

/** A tree while years pass over it: it is cut, a season passes, what is kept up is seen to, and it is looked at again. */
final class GrowingTree {
    /** Part by which shoots that stood over the limbs' tops come down in a year of keeping up. */
    private static final double TOPS_COME_DOWN = 0.5;

    private final Crown crown;
    private final Cutting cutting;
    private final Growth seasons;
    private final KeptUp keptUp;
    private final double mostHeightM;
    private int age;

    /** @param times by how much growth, dying and regrowth differ from what the data file says */
    GrowingTree(Planned tree, Rootstocks rootstocks, double times) {
        this.crown = new Crown(tree);
        this.cutting = new Cutting(crown, times);
        this.mostHeightM = mostHeightM(rootstocks);
        this.seasons = new Growth(crown, mostHeightM, times);
        this.keptUp = new KeptUp(crown, cutting);
    }

    /** A way lived through, with the light of each year. */
    record Lived(List<Outlook.Year> years, List<Lit> light, List<Double> topsM) {}

    /** How high its limbs can reach, m: by the rootstock's height for an unpruned tree, else by what it has reached. */
    private double mostHeightM(Rootstocks rootstocks) {
        var measured = crown.tree.facts().tree();
        double onStockM = measured.rootstock()
                .flatMap(stock -> rootstocks.find(measured.species(), stock))
                .map(stock -> stock.toM() * crown.figure(OUTLOOK_UNPRUNED_TIMES))
                .orElse(measured.heightM() * crown.figure(OUTLOOK_UNKNOWN_STOCK_TIMES));
        return Math.max(crown.topAtFirstM, onStockM * crown.topAtFirstM / measured.heightM());
    }

    /**
     * Lives through the years.
     *
     * @param known light of each year where it was looked at before: of the first only, or of all
     * @param uncutTopsM how high the tree would be in each year if nobody cut it; empty when it is that tree
     */
    Lived live(Treatments.Way way, List<Lit> known, List<Double> uncutTopsM) {
        List<Outlook.Year> years = new ArrayList<>();
        List<Lit> lights = new ArrayList<>();
        List<Double> topsM = new ArrayList<>();
        boolean refilling = way.in(0).upkeep();
        Lit light = known.isEmpty() ? crown.light(crown.branching(), refilling) : known.get(0);
        seasons.begin(light);
        for (int year = 0; year < Outlook.YEARS; year++) {
            Work work = way.in(year);
            Branching branching = crown.branching();
            lights.add(light);
            topsM.add(crown.topM(branching));
            Outlook.Year told = new YearFigures(crown, branching, light, age).year(way.called(year), work);
            double mostM =
                    uncutTopsM.isEmpty() ? mostHeightM : uncutTopsM.get(Math.min(year + 1, uncutTopsM.size() - 1));
            years.add(pass(told, work, branching, light, mostM));
            age++;
            if (year + 1 < Outlook.YEARS) {
                light = known.size() > year + 1 ? known.get(year + 1) : crown.light(crown.branching(), refilling);
                seasons.turn(light);
            }
        }
        return new Lived(years, lights, topsM);
    }

    /** A year's work and its season; tells what the work came to. */
    private Outlook.Year pass(Outlook.Year told, Work work, Branching branching, Lit light, double mostM) {
        double minutes = cutting.work(work, branching);
        seasons.grow(light, work.upkeep(), mostM);
        double share = work.share();
        if (work.upkeep()) {
            minutes += cutting.tearRegrowth();
            seasons.refill(light);
            share += keptUp.year(work.share() + work.detailShare(), work, age, light);
            minutes += work.upkeepMinutes();
            double overM = crown.limbTopM(crown.branching()) + crown.overTopsM - crown.wantedM();
            crown.overTopsM -= overM > 0 && crown.overTopsM > 0 ? TOPS_COME_DOWN * Math.min(overM, crown.overTopsM) : 0;
        }
        return told.with(minutes, Math.max(0, Math.min(1, share)));
    }
}
