package org.diligentbough.server.orchard;

import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** The site table. */
@Mapper
public interface SiteMapper {
    String COLUMNS = """
            id, version, name, latitude, longitude, time_zone, monthly_mean_c, monthly_rain_mm, monthly_min_c, monthly_max_c,
            allowance, summer_allowance, big_cuts, pome, apricot, peach, fig, bend, sealing, in_growth, policy_note, sample
            """;

    /** A row of the table. */
    record SiteRow(
            Long id,
            Integer version,
            String name,
            Double latitude,
            Double longitude,
            String timeZone,
            List<Double> monthlyMeanC,
            List<Double> monthlyRainMm,
            List<Double> monthlyMinC,
            List<Double> monthlyMaxC,
            String allowance,
            Double summerAllowance,
            Integer bigCuts,
            String pome,
            String apricot,
            String peach,
            String fig,
            String bend,
            String sealing,
            String inGrowth,
            String policyNote,
            Boolean sample) {

        public SiteData data() {
            return new SiteData(
                    name,
                    latitude,
                    longitude,
                    timeZone,
                    monthlyMeanC,
                    monthlyRainMm,
                    monthlyMinC,
                    monthlyMaxC,
                    new SiteData.PolicyData(
                            allowance, summerAllowance, bigCuts, pome, apricot, peach, fig, bend, sealing, inGrowth),
                    policyNote);
        }

        public ZoneId zone() {
            return ZoneId.of(timeZone);
        }
    }

    @Select("select " + COLUMNS + " from site order by name")
    List<SiteRow> all();

    @Select("select " + COLUMNS + " from site where id = #{id}")
    Optional<SiteRow> find(long id);

    @Select("select exists (select from site)")
    boolean any();

    /** The number of the site of that name. */
    @Select("select id from site where name = #{name}")
    long withName(String name);

    @Select("select exists (select from site where name = #{name})")
    boolean named(String name);

    @Select(value = """
                    insert into site (name, latitude, longitude, time_zone, monthly_mean_c, monthly_rain_mm, monthly_min_c,
                                      monthly_max_c, policy_note, allowance, summer_allowance, big_cuts, pome, apricot, peach, fig,
                                      bend, sealing, in_growth)
                    values (#{s.name}, #{s.latitude}, #{s.longitude}, #{s.timeZone}, #{s.monthlyMeanC,typeHandler=array},
                            #{s.monthlyRainMm,typeHandler=array},
                            #{s.monthlyMinC,jdbcType=ARRAY,typeHandler=array},
                            #{s.monthlyMaxC,jdbcType=ARRAY,typeHandler=array},
                            #{s.policyNote}, #{s.policy.allowance}, #{s.policy.summerAllowance},
                            #{s.policy.bigCuts}, #{s.policy.pome}, #{s.policy.apricot}, #{s.policy.peach}, #{s.policy.fig},
                            #{s.policy.bend}, #{s.policy.sealing}, coalesce(#{s.policy.inGrowth}, 'none'))
                    returning id
                    """, affectData = true)
    long add(@Param("s") SiteData site);

    /** Marks a site as a sample, and who was added in the same breath, after {@code lastPerson}, as having come with it. */
    @Update("""
            with came as (update person set sample_site = #{id} where id > #{lastPerson} and xmin = pg_current_xact_id()::xid)
            update site set sample = true where id = #{id}
            """)
    void makeSample(@Param("id") long id, @Param("lastPerson") long lastPerson);

    @Select("select count(*) from site where sample")
    int samples();

    @Select("select coalesce(max(id), 0) from person")
    long lastPerson();

    /** Whether a sample of that id stood here and is gone now, with everything in it. */
    @Select(value = "select throw_away_sample(#{id})", affectData = true)
    boolean throwAwaySample(long id);

    /** Returns how many rows had the version: 1, or 0 when somebody was quicker. */
    @Update("""
            update site set name = #{s.name}, latitude = #{s.latitude}, longitude = #{s.longitude},
                time_zone = #{s.timeZone}, monthly_mean_c = #{s.monthlyMeanC,typeHandler=array},
                monthly_rain_mm = #{s.monthlyRainMm,typeHandler=array},
                monthly_min_c = #{s.monthlyMinC,jdbcType=ARRAY,typeHandler=array},
                monthly_max_c = #{s.monthlyMaxC,jdbcType=ARRAY,typeHandler=array},
                policy_note = #{s.policyNote}, allowance = #{s.policy.allowance},
                summer_allowance = #{s.policy.summerAllowance}, big_cuts = #{s.policy.bigCuts}, pome = #{s.policy.pome},
                apricot = #{s.policy.apricot}, peach = #{s.policy.peach}, fig = #{s.policy.fig}, bend = #{s.policy.bend},
                sealing = #{s.policy.sealing},
                in_growth = coalesce(#{s.policy.inGrowth}, 'none'), version = version + 1
            where id = #{id} and version = #{version}
            """)
    int change(@Param("id") long id, @Param("version") int version, @Param("s") SiteData site);
}
