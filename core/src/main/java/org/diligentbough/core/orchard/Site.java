package org.diligentbough.core.orchard;

import java.util.List;
import java.util.Optional;

/**
 * Where trees stand.
 *
 * @param latitude degrees, north positive, -90 to 90
 * @param longitude degrees, east positive, -180 to 180
 * @param monthlyMeanC mean temperature of January to December, degrees C, 12 values
 * @param monthlyRainMm rain of January to December, mm, 12 values
 * @param extremes how cold its nights and how warm its days are, where that is known
 * @param policy what the site has chosen where practitioners differ
 */
public record Site(
        double latitude,
        double longitude,
        List<Double> monthlyMeanC,
        List<Double> monthlyRainMm,
        Optional<Extremes> extremes,
        Policy policy) {

    /**
     * The coldest of a usual night and the warmest of a usual day.
     *
     * @param monthlyMinC mean daily minimum of January to December, degrees C, 12 values
     * @param monthlyMaxC mean daily maximum of January to December, degrees C, 12 values, none under its minimum
     */
    public record Extremes(List<Double> monthlyMinC, List<Double> monthlyMaxC) {
        public Extremes {
            monthlyMinC = List.copyOf(monthlyMinC);
            monthlyMaxC = List.copyOf(monthlyMaxC);
            if (monthlyMinC.size() != 12 || monthlyMaxC.size() != 12) {
                throw new IllegalArgumentException("a climate has twelve months");
            }
            for (int month = 0; month < 12; month++) {
                if (monthlyMaxC.get(month) < monthlyMinC.get(month)) {
                    throw new IllegalArgumentException("no month has warmer nights than days");
                }
            }
        }
    }

    public Site {
        monthlyMeanC = List.copyOf(monthlyMeanC);
        monthlyRainMm = List.copyOf(monthlyRainMm);
        if (monthlyMeanC.size() != 12 || monthlyRainMm.size() != 12) {
            throw new IllegalArgumentException("a climate has twelve months");
        }
    }

    /** The same place with other choices. */
    public Site with(Policy other) {
        return new Site(latitude, longitude, monthlyMeanC, monthlyRainMm, extremes, other);
    }

    /** Whether the year runs as in the south; the equator counts as north. */
    public boolean southern() {
        return latitude < 0;
    }

    /** The same with other choices. */
    public Site choosing(Policy others) {
        return new Site(latitude, longitude, monthlyMeanC, monthlyRainMm, extremes, others);
    }
}
