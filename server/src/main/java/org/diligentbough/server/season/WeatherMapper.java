package org.diligentbough.server.season;

import java.time.LocalDate;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Daily weather taken from files. */
@Mapper
interface WeatherMapper {
    record WeatherRow(LocalDate onDay, Double minC, Double maxC, Double rainMm, Double windKmh, String file) {}

    @Insert("""
            insert into weather_day (site_id, on_day, min_c, max_c, rain_mm, wind_kmh, file)
            values (#{siteId}, #{d.onDay}, #{d.minC}, #{d.maxC}, #{d.rainMm}, #{d.windKmh}, #{d.file})
            on conflict (site_id, on_day) do update set min_c = excluded.min_c, max_c = excluded.max_c,
                rain_mm = excluded.rain_mm, wind_kmh = excluded.wind_kmh, file = excluded.file
            """)
    int keep(@Param("siteId") long siteId, @Param("d") WeatherRow day);

    @Select("""
            select on_day, min_c, max_c, rain_mm, wind_kmh, file from weather_day
            where site_id = #{siteId} and on_day >= #{from} and on_day < #{until} order by on_day
            """)
    List<WeatherRow> days(@Param("siteId") long siteId, @Param("from") LocalDate from, @Param("until") LocalDate until);
}
