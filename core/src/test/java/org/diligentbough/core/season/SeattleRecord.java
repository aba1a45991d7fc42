package org.diligentbough.core.season;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import org.diligentbough.core.knowledge.DataFile;

/** Four years of daily weather; its licence is named in the file. */
final class SeattleRecord {
    private static final double KMH_PER_M_PER_S = 3.6;

    private SeattleRecord() {}

    static List<Weather.Day> days() {
        try (Reader reader = new InputStreamReader(
                SeattleRecord.class.getResourceAsStream("/records/seattle-weather.csv"), StandardCharsets.UTF_8)) {
            return DataFile.read(
                            "seattle-weather.csv",
                            reader,
                            List.of("date", "precipitation", "temp_max", "temp_min", "wind", "weather"))
                    .stream()
                    .map(row -> new Weather.Day(
                            LocalDate.parse(row.text("date")),
                            row.number("temp_min", -50, 50),
                            row.number("temp_max", -50, 50),
                            row.number("precipitation", 0, 500),
                            row.number("wind", 0, 100) * KMH_PER_M_PER_S))
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
