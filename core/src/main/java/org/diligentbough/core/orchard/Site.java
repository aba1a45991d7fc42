package org.diligentbough.core.orchard;

import java.util.List;

/**
 * Where trees stand.
 *
 * @param latitude degrees, north positive, -90 to 90
 * @param longitude degrees, east positive, -180 to 180
 * @param monthlyMeanC mean temperature of January to December, degrees C, 12 values
 * @param monthlyRainMm rain of January to December, mm, 12 values
 * @param policy what the site has chosen where practitioners differ
 */
public record Site(
        double latitude, double longitude, List<Double> monthlyMeanC, List<Double> monthlyRainMm, Policy policy) {

    public Site {
        monthlyMeanC = List.copyOf(monthlyMeanC);
        monthlyRainMm = List.copyOf(monthlyRainMm);
        if (monthlyMeanC.size() != 12 || monthlyRainMm.size() != 12) {
            throw new IllegalArgumentException("a climate has twelve months");
        }
    }

    /** Whether the year runs as in the south; the equator counts as north. */
    public boolean southern() {
        return latitude < 0;
    }
}
