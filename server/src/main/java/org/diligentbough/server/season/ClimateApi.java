package org.diligentbough.server.season;

import java.util.List;
import org.diligentbough.core.season.ClimateTable;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Average years to begin with, by place. */
@RestController
class ClimateApi {
    private static final int PROPOSED = 4;
    private static final double POLE = 90;
    private static final double HALF_ROUND = 180;

    private final ClimateTable table = ClimateTable.load();

    /**
     * An average year of some place near: our own figures, rounded, from memory.
     *
     * @param meanC monthly means, degrees C
     * @param rainMm monthly sums, mm
     * @param minC means of the coldest nights, degrees C
     * @param maxC means of the warmest days, degrees C
     */
    record ClimateView(String name, List<Double> meanC, List<Double> rainMm, List<Double> minC, List<Double> maxC) {}

    /** The climates nearest to a place, the nearest first. */
    @GetMapping("/api/climates")
    List<ClimateView> near(@RequestParam double latitude, @RequestParam double longitude) {
        if (Math.abs(latitude) > POLE) {
            throw ProblemException.wrongField("/latitude", "is beyond the poles; give -90 to 90");
        }
        if (Math.abs(longitude) > HALF_ROUND) {
            throw ProblemException.wrongField("/longitude", "is more than half round; give -180 to 180");
        }
        return table.nearest(latitude, longitude, PROPOSED).stream()
                .map(one -> new ClimateView(one.name(), one.meanC(), one.rainMm(), one.minC(), one.maxC()))
                .toList();
    }
}
