package org.diligentbough.core.outlook;

import static org.diligentbough.core.knowledge.Figure.OUTLOOK_UNKNOWN_STOCK_TIMES;
import static org.diligentbough.core.knowledge.Figure.OUTLOOK_UNPRUNED_TIMES;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.diligentbough.core.light.CrownLight.OnLeaf;
import org.diligentbough.core.orchard.Rootstocks;
import org.diligentbough.core.outlook.Ways.Done;
import org.diligentbough.core.outlook.Ways.Work;
import org.diligentbough.core.survey.Branching;

/** A tree while years pass over it: it is looked at, cut, and a season passes. */
final class GrowingTree {
    private final Crown crown;
    private final Cutting cutting;
    private final Seasons seasons;
    private int age;

    /** @param times by how much growth, dying and regrowth differ from what the data file says */
    GrowingTree(Planned tree, Rootstocks rootstocks, double times) {
        this.crown = new Crown(tree);
        this.cutting = new Cutting(crown, times);
        this.seasons = new Seasons(crown, mostHeightM(rootstocks), times);
    }

    /** How high its limbs can reach, m: by the rootstock's height for an unpruned tree, else by what it has reached. */
    private double mostHeightM(Rootstocks rootstocks) {
        var measured = crown.tree.scene().tree();
        double onStockM = measured.rootstock()
                .flatMap(stock -> rootstocks.find(measured.species(), stock))
                .map(stock -> stock.toM() * crown.figure(OUTLOOK_UNPRUNED_TIMES))
                .orElse(measured.heightM() * crown.figure(OUTLOOK_UNKNOWN_STOCK_TIMES));
        return Math.max(crown.topAtFirstM, onStockM * crown.topAtFirstM / measured.heightM());
    }

    /** The tree as the year begins; then its work is done and its season passes. */
    Outlook.Year year(int year, Work work) {
        Branching branching = crown.branching();
        Map<String, OnLeaf> light = crown.light(branching);
        List<Done> held = cutting.grownOut(work);
        YearFigures figures = new YearFigures(crown, branching, light, age);
        Outlook.Year before = new Outlook.Year(
                year,
                figures.heightM(),
                figures.light(),
                figures.inLight(),
                crown.uprights(),
                figures.fruitIndex(),
                figures.fruitInReach(),
                figures.deadShare(),
                figures.splitRisk(),
                0,
                figures.minutesWaiting(),
                work.share(),
                figures.limbs(Stream.concat(work.cuts().stream(), held.stream()).toList()),
                figures.shoots());
        Cutting.Came came = cutting.work(work, held, branching);
        seasons.pass(light);
        age++;
        return before.with(came.minutes(), Math.min(1, work.share() + came.heldShare()));
    }
}
