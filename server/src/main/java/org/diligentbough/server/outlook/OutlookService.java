package org.diligentbough.server.outlook;

import static org.diligentbough.server.judgement.OutlookAnswer.thousandths;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.stream.IntStream;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.orchard.Rootstocks;
import org.diligentbough.core.outlook.Outlook;
import org.diligentbough.core.outlook.PlanBuys;
import org.diligentbough.core.outlook.Planned;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.survey.Point;
import org.diligentbough.server.judgement.JudgementService;
import org.diligentbough.server.judgement.OutlookAnswer;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Wording;
import org.diligentbough.server.shared.Wording.Worded;
import org.springframework.stereotype.Service;

/** Ten years of a registered tree, with how far they may be off, and how it looks in each. */
@Service
public class OutlookService {
    private static final int YEARS_KEPT = 500;

    private final JudgementService judgement;
    private final Rootstocks rootstocks;

    private final Wording wording;
    /** By the judgement it follows from, which is kept for as long as nothing it hangs on changes. */
    private final Cache<Evaluation, TenYears> known = Caffeine.newBuilder()
            .weakKeys()
            .softValues()
            .maximumSize(YEARS_KEPT)
            .build();

    OutlookService(JudgementService judgement, Rulebook rules, Wording wording) {
        this.judgement = judgement;
        this.wording = wording;
        this.rootstocks = rules.rootstocks();
    }

    /**
     * Three ways, eleven years each.
     *
     * @param says what the plan buys and costs
     * @param off how far growth, dying and regrowth are taken to lie off for the bands, as a share
     */
    record TenYears(double off, List<Worded> says, WayView leftAlone, WayView plan, WayView allAtOnce) {}

    /** One way: its figures, and how the tree looks. */
    record WayView(List<DrawnYear> years) {}

    /**
     * A year.
     *
     * @param yearLabel as pruning years are named at the site
     */
    record DrawnYear(
            String yearLabel,
            OutlookAnswer.YearAnswer is,
            BandView band,
            List<GrownView> limbs,
            List<ShootsView> regrown,
            List<NewWoodView> refilled) {}

    /** Least and most; {@code inLight} is 0 to 0 where nothing was found fruiting; {@code firstFruit} is good fruit
     * within reach, all good fruit where no height is wanted. */
    record BandView(
            RangeView heightM,
            RangeView inLight,
            RangeView uprights,
            RangeView fruitIndex,
            RangeView goodFruit,
            RangeView firstFruit,
            RangeView deadShare) {}

    /** From the least to the most. */
    record RangeView(double least, double most) {
        static RangeView of(Outlook.Range range) {
            return new RangeView(thousandths(range.least()), thousandths(range.most()));
        }
    }

    /** A place, metres from the foot of the trunk. */
    record PlaceView(double eastM, double northM, double upM) {
        static PlaceView of(Point point) {
            return new PlaceView(thousandths(point.eastM()), thousandths(point.northM()), thousandths(point.upM()));
        }
    }

    /**
     * A limb that stands.
     *
     * @param leafAlongM half its leaf's extent along it, m; 0 when it carries none
     * @param cut what is done to it that year, or null
     * @param cutAtM where, m from its base
     */
    record GrownView(
            String id,
            PlaceView base,
            PlaceView tip,
            double diameterCm,
            double tipDiameterCm,
            boolean living,
            double light,
            PlaceView leafCentre,
            double leafAlongM,
            double leafAcrossM,
            @MayBeNull String cut,
            double cutAtM) {
        static GrownView of(Outlook.Grown limb) {
            return new GrownView(
                    limb.id(),
                    PlaceView.of(limb.base()),
                    PlaceView.of(limb.tip()),
                    thousandths(limb.diameterCm()),
                    thousandths(limb.tipDiameterCm()),
                    limb.living(),
                    thousandths(limb.light()),
                    PlaceView.of(limb.leafCentre()),
                    thousandths(limb.leafAlongM()),
                    thousandths(limb.leafAcrossM()),
                    limb.cut().map(Codes::of).orElse(null),
                    thousandths(limb.cutAtM()));
        }
    }

    /** Shoots that answered a cut. */
    record ShootsView(String limb, PlaceView from, double lengthM, int shoots, double spreadM) {
        static ShootsView of(Outlook.Shoots shoots) {
            return new ShootsView(
                    shoots.limb(),
                    PlaceView.of(shoots.from()),
                    thousandths(shoots.lengthM()),
                    (int) Math.max(1, Math.round(shoots.shoots())),
                    thousandths(shoots.spreadM()));
        }
    }

    /**
     * New wood that refills a room.
     *
     * @param leaf share of the leaf that hung there at first, 0 to 1
     */
    record NewWoodView(String main, PlaceView from, PlaceView to, double acrossM, double leaf) {
        static NewWoodView of(Outlook.NewWood wood) {
            return new NewWoodView(
                    wood.main(),
                    PlaceView.of(wood.from()),
                    PlaceView.of(wood.to()),
                    thousandths(wood.acrossM()),
                    thousandths(wood.leaf()));
        }
    }

    /** Looks ahead from how the tree stands and is planned today; 404 while nobody has walked to it. */
    public TenYears outlook(long treeId) {
        return known.get(judgement.now(treeId), this::ahead);
    }

    private TenYears ahead(Evaluation evaluation) {
        Planned planned = evaluation.planned();
        Outlook.Banded banded = Outlook.banded(planned, rootstocks);
        boolean southern = evaluation.facts().survey().site().southern();
        return new TenYears(
                evaluation.facts().figure(Figure.OUTLOOK_BAND),
                wording.all(PlanBuys.of(banded.middle(), planned)),
                way(banded.middle().leftAlone(), banded.leftAlone(), southern),
                way(banded.middle().plan(), banded.plan(), southern),
                way(banded.middle().allAtOnce(), banded.allAtOnce(), southern));
    }

    static WayView way(List<Outlook.Year> years, List<Outlook.Band> bands, boolean southern) {
        return new WayView(IntStream.range(0, years.size())
                .mapToObj(i -> year(years.get(i), bands.get(i), southern))
                .toList());
    }

    private static DrawnYear year(Outlook.Year year, Outlook.Band band, boolean southern) {
        return new DrawnYear(
                new PruningYear(year.year(), southern).label(),
                OutlookAnswer.YearAnswer.of(year),
                new BandView(
                        RangeView.of(band.heightM()),
                        RangeView.of(band.inLight()),
                        RangeView.of(band.uprights()),
                        RangeView.of(band.fruit()),
                        RangeView.of(band.goodFruit()),
                        RangeView.of(band.firstFruit()),
                        RangeView.of(band.deadShare())),
                year.limbs().stream().map(GrownView::of).toList(),
                year.regrown().stream().map(ShootsView::of).toList(),
                year.refilled().stream().map(NewWoodView::of).toList());
    }
}
