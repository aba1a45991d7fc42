package org.diligentbough.server.season;

import java.time.LocalDate;
import java.util.List;
import org.diligentbough.core.season.Weather;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;

/** Where the weather of coming days comes from. A forecast service would be one more of these. */
interface WeatherFeed {
    /** What it is called where its weather is shown: file or simulated. */
    String name();

    /** The days it knows of those from {@code from} on, {@code days} of them. */
    List<Weather.Day> days(SiteRow site, LocalDate from, int days);
}
