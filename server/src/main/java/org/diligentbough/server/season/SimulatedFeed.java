package org.diligentbough.server.season;

import java.time.LocalDate;
import java.util.List;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.season.Climate;
import org.diligentbough.core.season.SimulatedWeather;
import org.diligentbough.core.season.Weather;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Made-up weather from the climate of the site, the same for a place and a day whenever it is asked for. */
@Component
@Order(2)
class SimulatedFeed implements WeatherFeed {
    static final String NAME = "simulated";

    private final Rulebook rules;

    SimulatedFeed(Rulebook rules) {
        this.rules = rules;
    }

    @Override
    public String name() {
        return NAME;
    }

    @Override
    public List<Weather.Day> days(SiteRow site, LocalDate from, int days) {
        long seed = Math.round(site.latitude() * 100) * 40_000 + Math.round(site.longitude() * 100);
        return new SimulatedWeather(Climate.of(site.data().toSite(), rules.knowledge()), seed).from(from, days);
    }
}
