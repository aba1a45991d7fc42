package org.diligentbough.server.plan;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.verdict.Triage;
import org.diligentbough.server.shared.Wording.Worded;

/** The tables of what was moved by hand, and of what is planned, kept for lists. */
@Mapper
public interface PlanMapper {

    /** What people want of a plan. */
    record PlanRow(Integer version, PlanWishes wishes) {}

    /** What people want of one tree's plan. */
    record WantedRow(Long treeId, PlanWishes wishes) {}

    /** A plan as it was; {@code madeBy} is null when it followed the judgement. */
    record VersionRow(
            Long treeId,
            Integer number,
            Instant madeAt,
            LocalDate madeOn,
            String madeBy,
            String cause,
            List<KeptCut> cuts) {}

    /** One lane of a tree's plan. */
    record LaneRow(
            Long treeId,
            Integer year,
            Season season,
            LocalDate opens,
            LocalDate closes,
            Integer cuts,
            Integer urgent,
            Integer minutes,
            Double share,
            Integer urgentMinutes,
            Double worth,
            Integer upkeepMinutes) {}

    /**
     * What the last judgement of a tree said, for lists.
     *
     * @param why the first reason of its triage, worded
     * @param light mean over its limbs, of open-sky light; null where no limb was entered
     * @param inLight share of the fruiting wood in light, today and after the plan; null where nothing fruits
     * @param inLightStaying the same today of the wood that the plan leaves
     */
    record JudgedRow(
            long treeId,
            LocalDate goodUntil,
            Worded why,
            Triage triage,
            int urgentLimbs,
            Double light,
            Double inLight,
            Double inLightStaying,
            Double inLightAfter) {}

    /** The ordinary cutting of a tree, person-minutes a year, when its plan is done. */
    record UpkeepRow(Long treeId, Integer minutes, Season season, Integer fromYear) {}

    @Select("select version, edits as wishes from tree_plan where tree_id = #{treeId}")
    Optional<PlanRow> plan(long treeId);

    /** Keeps what was moved; returns the new version, or nothing when somebody was quicker. */
    @Select(value = """
                    insert into tree_plan as p (tree_id, version, edits)
                    select #{treeId}, 1, #{wishes,typeHandler=json} where #{version} = 0
                       or exists (select from tree_plan where tree_id = #{treeId})
                    on conflict (tree_id) do update set edits = excluded.edits, version = p.version + 1
                        where p.version = #{version}
                    returning version
                    """, affectData = true)
    Optional<Integer> keep(
            @Param("treeId") long treeId, @Param("version") int version, @Param("wishes") PlanWishes wishes);

    /** What people want of each plan of a site. */
    @Select("""
            select p.tree_id, p.edits as wishes from tree_plan p join tree t on t.id = p.tree_id
            where t.site_id = #{siteId}
            """)
    List<WantedRow> wanted(long siteId);

    String VERSIONS = """
            select v.tree_id, v.number, v.made_at, v.made_on, p.name as made_by, v.cause, v.cuts
            from plan_version v left join person p on p.id = v.made_by
            """;
    String VERSION = VERSIONS + " where v.tree_id = #{treeId}";
    String NEWEST_FIRST = " order by v.number desc";

    @Select("select name from person where id = #{id}")
    String nameOf(long id);

    /** The plan in force, if one was kept. */
    @Select(VERSION + " and v.cause <> 'followed'" + NEWEST_FIRST + " limit 1")
    Optional<VersionRow> inForce(long treeId);

    /** Every plan there was, the newest first; once one was kept none follows the judgement any more. */
    @Select(VERSION + NEWEST_FIRST)
    List<VersionRow> versions(long treeId);

    /** Every plan there was at a site, the oldest first. */
    @Select(VERSIONS + " join tree t on t.id = v.tree_id where t.site_id = #{siteId} order by v.number")
    List<VersionRow> versionsAt(long siteId);

    @Insert("""
            insert into plan_version (tree_id, number, made_on, made_by, cause, cuts)
            select #{treeId}, coalesce(max(number), 0) + 1, #{on}, #{by}, #{cause}, #{cuts,typeHandler=json}
            from plan_version where tree_id = #{treeId}
            """)
    int keepVersion(
            @Param("treeId") long treeId,
            @Param("on") LocalDate on,
            @Param("by") Long by,
            @Param("cause") String cause,
            @Param("cuts") List<KeptCut> cuts);

    /** The newest plans there were. */
    @Select(VERSION + NEWEST_FIRST + " limit #{count}")
    List<VersionRow> newest(@Param("treeId") long treeId, @Param("count") int count);

    /** Notes a plan that nobody keeps; whoever notes it at the same time has noted the same. */
    @Insert("""
            insert into plan_version (tree_id, number, made_on, cause, cuts)
            select #{treeId}, coalesce(max(number), 0) + 1, #{on}, 'followed', #{cuts,typeHandler=json}
            from plan_version where tree_id = #{treeId}
            on conflict do nothing
            """)
    int noteFollowed(@Param("treeId") long treeId, @Param("on") LocalDate on, @Param("cuts") List<KeptCut> cuts);

    /** Takes back the newest note of a plan that nobody keeps: for a change by hand, which the history has. */
    @Delete("""
            delete from plan_version v where v.tree_id = #{treeId} and v.cause = 'followed'
              and v.number = (select max(number) from plan_version where tree_id = #{treeId})
            """)
    int forgetFollowed(long treeId);

    /** Lets one judge a tree at a time, to the end of the transaction. */
    @Select("select pg_advisory_xact_lock(#{treeId})::text")
    String judgeAlone(long treeId);

    @Insert("""
            insert into tree_judgement (tree_id, good_until, why, triage, urgent_limbs, light, in_light,
                                        in_light_staying, in_light_after, upkeep_minutes, upkeep_season, upkeep_from)
            values (#{j.treeId}, #{j.goodUntil}, #{j.why,typeHandler=json}, #{j.triage}, #{j.urgentLimbs}, #{j.light}, #{j.inLight},
                    #{j.inLightStaying}, #{j.inLightAfter}, coalesce(#{upkeep.minutes}, 0), #{upkeep.season}, #{upkeep.fromYear})
            """)
    int judged(@Param("j") JudgedRow judged, @Param("upkeep") UpkeepRow upkeep);

    /** Why a tree stands as it does, as it was worded. */
    record WhyRow(Long treeId, Worded why) {}

    /** Why each tree of a site stands as it does. */
    @Select("""
            select o.tree_id, o.why from tree_judgement o join tree t on t.id = o.tree_id
            where t.site_id = #{siteId} and o.why is not null
            """)
    List<WhyRow> whys(long siteId);

    /** What of its trees is kept up from when on. */
    @Select("""
            select o.tree_id, o.upkeep_minutes as minutes, o.upkeep_season as season, o.upkeep_from as from_year
            from tree_judgement o join tree t on t.id = o.tree_id where t.site_id = #{siteId} and o.upkeep_minutes > 0
            """)
    List<UpkeepRow> upkeep(long siteId);

    @Delete("delete from tree_judgement where tree_id = #{treeId}")
    int forget(long treeId);

    @Delete("delete from plan_lane where tree_id = #{treeId}")
    int clearLanes(long treeId);

    @Insert("""
            insert into plan_lane (tree_id, year, season, opens, closes, cuts, urgent, minutes, share, urgent_minutes, worth,
                                   upkeep_minutes)
            values (#{treeId}, #{year}, #{season}, #{opens}, #{closes}, #{cuts}, #{urgent}, #{minutes}, #{share}, #{urgentMinutes}, #{worth},
                    #{upkeepMinutes})
            """)
    int addLane(LaneRow lane);

    /** Lanes of a site that are open on a day, those that close first before the others. */
    @Select("""
            select l.* from plan_lane l join tree t on t.id = l.tree_id
            where t.site_id = #{siteId} and l.opens <= #{on} and l.closes >= #{on}
            order by l.urgent > 0 desc, l.closes, t.tag
            """)
    List<LaneRow> openOn(@Param("siteId") long siteId, @Param("on") LocalDate on);

    /** Lanes of a site bound to windows that open after a day and by another, the soonest first. */
    @Select("""
            select l.* from plan_lane l join tree t on t.id = l.tree_id
            where t.site_id = #{siteId} and l.season <> 'any' and l.opens > #{after} and l.opens <= #{by}
            order by l.opens, t.tag
            """)
    List<LaneRow> opening(@Param("siteId") long siteId, @Param("after") LocalDate after, @Param("by") LocalDate by);

    /** Every lane of a site, by tree in order of time. */
    @Select("""
            select l.* from plan_lane l join tree t on t.id = l.tree_id
            where t.site_id = #{siteId} order by l.tree_id, l.year, l.opens
            """)
    List<LaneRow> ofSite(long siteId);
}
