package org.diligentbough.server.season;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.diligentbough.core.season.Weather;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.season.WeatherMapper.WeatherRow;
import org.diligentbough.server.shared.ProblemException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Weather from files: sent through the interface, or laid into a folder as NUMBER-OF-THE-SITE.csv. */
@Component
@Order(1)
class FileFeed implements WeatherFeed {
    private static final Logger LOG = LoggerFactory.getLogger(FileFeed.class);
    private static final long MOST_BYTES = 4 * 1024 * 1024;

    private final WeatherMapper mapper;
    private final Path folder;
    private final Map<Path, FileTime> taken = new HashMap<>();

    FileFeed(WeatherMapper mapper, Settings settings) {
        this.mapper = mapper;
        this.folder = Path.of(settings.folder());
    }

    /**
     * Where files are dropped.
     *
     * @param folder need not exist
     */
    @ConfigurationProperties("bough.weather")
    record Settings(String folder) {}

    @Override
    public String name() {
        return "file";
    }

    @Override
    public List<Weather.Day> days(SiteRow site, LocalDate from, int days) {
        lookIntoFolder(site.id());
        return mapper.days(site.id(), from, from.plusDays(days)).stream()
                .map(row -> new Weather.Day(row.onDay(), row.minC(), row.maxC(), row.rainMm(), row.windKmh()))
                .toList();
    }

    /** Keeps the days of a table, all or none; returns how many. */
    @Transactional
    public int take(long siteId, String text, String file) {
        List<WeatherRow> rows = WeatherTable.read(text, file);
        rows.forEach(row -> mapper.keep(siteId, row));
        return rows.size();
    }

    private synchronized void lookIntoFolder(long siteId) {
        Path file = folder.resolve(siteId + ".csv");
        try {
            if (!Files.isRegularFile(file)) {
                return;
            }
            FileTime changed = Files.getLastModifiedTime(file);
            if (changed.equals(taken.put(file, changed))) {
                return;
            }
            if (Files.size(file) > MOST_BYTES) {
                LOG.warn("{} is larger than 4 MiB and was passed over", file.getFileName());
                return;
            }
            take(siteId, Files.readString(file), file.getFileName().toString());
        } catch (ProblemException | IOException e) {
            LOG.warn("{} could not be taken: {}", file.getFileName(), e.getMessage());
        }
    }
}
