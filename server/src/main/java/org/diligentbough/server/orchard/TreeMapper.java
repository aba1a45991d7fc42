package org.diligentbough.server.orchard;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.diligentbough.core.verdict.Triage;

/** The tree table, with what the newest survey of each tree says of it. */
@Mapper
public interface TreeMapper {
    String COLUMNS = """
            t.id, t.version, t.site_id, t.tag, t.species, t.cultivar, t.rootstock, t.planted_year, t.bearing, t.form,
            t.form_wanted, t.mains_wanted, t.purpose, t.east_m, t.north_m, t.target_height_m, t.clearance_m,
            t.in_container, t.note, t.group_name, t.habit, t.height_set_by, t.owner, t.owner_wishes, t.consent, s.id as survey_id, s.surveyed_on, s.height_m, s.spread_m, s.trunk_girth_cm,
            coalesce(j.triage, s.judged_as) as triage, coalesce(j.urgent_limbs, 0) as urgent_limbs, j.light, j.in_light, j.in_light_after, r.on_date as removed_on,
            coalesce(p.open, 0) as open_reports
            """;
    String FROM = """
             from tree t left join lateral (
                select * from survey where tree_id = t.id order by surveyed_on desc, id desc limit 1) s on true
             left join tree_removal r on r.tree_id = t.id
             left join tree_judgement j on j.tree_id = t.id
             left join (select tree_id, count(*)::integer as open from report where dealt_on is null group by tree_id) p
                on p.tree_id = t.id
            """;
    String FOUND = """
             where t.site_id = #{siteId} and (r.tree_id is not null) = #{q.removed}
               and (#{q.text} = '' or t.tag ilike '%' || #{q.text} || '%' or t.cultivar ilike '%' || #{q.text} || '%'
                    or replace(t.species, '-', ' ') ilike '%' || #{q.text} || '%' or t.note ilike '%' || #{q.text} || '%'
                    or t.owner ilike '%' || #{q.text} || '%' or t.group_name ilike '%' || #{q.text} || '%')
               and (#{q.species} = '' or t.species = #{q.species})
               and (#{q.triage} = '' or coalesce(j.triage, s.judged_as, 'unsurveyed') = #{q.triage})
               and (#{q.ownedBy,jdbcType=BIGINT}::bigint is null or exists (
                   select from tree_owner w where w.tree_id = t.id and w.person_id = #{q.ownedBy,jdbcType=BIGINT}))
            """;

    /** A row of the table; what comes of the survey is null while there is none. */
    record TreeRow(
            Long id,
            Integer version,
            Long siteId,
            String tag,
            String species,
            String cultivar,
            String rootstock,
            Integer plantedYear,
            String bearing,
            String form,
            String formWanted,
            Integer mainsWanted,
            String purpose,
            Double eastM,
            Double northM,
            Double targetHeightM,
            Double clearanceM,
            Boolean inContainer,
            String note,
            String groupName,
            String habit,
            String heightSetBy,
            String owner,
            String ownerWishes,
            String consent,
            Long surveyId,
            LocalDate surveyedOn,
            Double heightM,
            Double spreadM,
            Double trunkGirthCm,
            String triage,
            Integer urgentLimbs,
            Double light,
            Double inLight,
            Double inLightAfter,
            LocalDate removedOn,
            Integer openReports) {

        public TreeData data() {
            return new TreeData(
                    tag,
                    species,
                    cultivar,
                    rootstock,
                    plantedYear,
                    bearing,
                    form,
                    formWanted,
                    mainsWanted,
                    purpose,
                    eastM,
                    northM,
                    targetHeightM,
                    clearanceM,
                    inContainer,
                    note,
                    groupName,
                    habit,
                    heightSetBy,
                    owner,
                    ownerWishes,
                    consent);
        }
    }

    /**
     * What to look for; an empty text asks for nothing. Either trees that stand or those removed.
     *
     * @param ownedBy whose trees alone, or null for all
     */
    record Query(String text, String species, String triage, boolean removed, Long ownedBy) {
        Query ownedBy(Long owner) {
            return new Query(text, species, triage, removed, owner);
        }
    }

    /** {@code order} comes from a fixed list, never from outside. */
    @Select("select " + COLUMNS + FROM + FOUND + " order by ${order}, t.tag, t.id limit #{size} offset #{offset}")
    List<TreeRow> find(
            @Param("siteId") long siteId,
            @Param("q") Query query,
            @Param("order") String order,
            @Param("size") int size,
            @Param("offset") int offset);

    /** What boards say of a tree; {@code triage} null while it is not surveyed. */
    record StandingTree(Long id, String tag, String species, Triage triage) {}

    /** All trees of a site that stand, with no more of each than that. */
    @Select("""
            select t.id, t.tag, t.species, coalesce(j.triage, s.judged_as) as triage
            from tree t left join tree_judgement j on j.tree_id = t.id left join lateral (
                select judged_as from survey where tree_id = t.id order by surveyed_on desc, id desc limit 1) s on true
            where t.site_id = #{siteId} and not exists (select from tree_removal r where r.tree_id = t.id)
            """)
    List<StandingTree> standing(long siteId);

    @Select("select count(*)" + FROM + FOUND)
    int count(@Param("siteId") long siteId, @Param("q") Query query);

    @Select("select " + COLUMNS + FROM + " where t.id = #{id}")
    Optional<TreeRow> get(long id);

    /** Has whoever else wants to change what hangs on a tree wait until this transaction ends. */
    @Select("select id from tree where id = #{id} for no key update")
    Optional<Long> lock(long id);

    @Select("select tag from tree where site_id = #{siteId} order by tag")
    List<String> tagsOf(long siteId);

    /** Every tree of a site, those removed too. */
    @Select("select " + COLUMNS + FROM + " where t.site_id = #{siteId} order by t.tag")
    List<TreeRow> ofSite(long siteId);

    @Select(value = """
                    insert into tree (site_id, tag, species, cultivar, rootstock, planted_year, bearing, form, form_wanted,
                                      mains_wanted, purpose, east_m, north_m, target_height_m, clearance_m, in_container, note,
                                      group_name, habit, height_set_by, owner, owner_wishes, consent)
                    values (#{siteId}, #{t.tag}, #{t.species}, #{t.cultivar}, #{t.rootstock}, #{t.plantedYear}, #{t.bearing},
                            #{t.form}, #{t.formWanted}, #{t.mainsWanted}, #{t.purpose}, #{t.eastM}, #{t.northM},
                            #{t.targetHeightM}, #{t.clearanceM}, #{t.inContainer}, #{t.note},
                            #{t.groupName}, #{t.habit}, #{t.heightSetBy}, #{t.owner}, #{t.ownerWishes}, #{t.consent})
                    returning id
                    """, affectData = true)
    long add(@Param("siteId") long siteId, @Param("t") TreeData tree);

    /** Returns how many rows had the version: 1, or 0 when somebody was quicker. */
    @Update("""
            update tree set tag = #{t.tag}, species = #{t.species}, cultivar = #{t.cultivar}, rootstock = #{t.rootstock},
                planted_year = #{t.plantedYear}, bearing = #{t.bearing}, form = #{t.form}, form_wanted = #{t.formWanted},
                mains_wanted = #{t.mainsWanted}, purpose = #{t.purpose}, east_m = #{t.eastM}, north_m = #{t.northM},
                target_height_m = #{t.targetHeightM}, clearance_m = #{t.clearanceM}, in_container = #{t.inContainer},
                note = #{t.note}, group_name = #{t.groupName}, habit = #{t.habit}, height_set_by = #{t.heightSetBy},
                owner = #{t.owner}, owner_wishes = #{t.ownerWishes}, consent = #{t.consent}, version = version + 1
            where id = #{id} and version = #{version}
            """)
    int change(@Param("id") long id, @Param("version") int version, @Param("t") TreeData tree);

    /** How many other trees of a group are surveyed, and the means of their measures; null while there is none. */
    record GroupRow(Integer others, Double meanHeightM, Double meanSpreadM, Double meanShootsCm) {}

    @Select("""
            select count(*)::integer as others, avg(s.height_m) as mean_height_m,
                   avg(s.spread_m) as mean_spread_m,
                   avg((s.document -> 'tree' ->> 'shootExtensionCm')::double precision) as mean_shoots_cm
            from tree t join lateral (
                select * from survey where tree_id = t.id order by surveyed_on desc, id desc limit 1) s on true
            where t.site_id = #{siteId} and t.group_name = #{group} and t.id <> #{treeId}
              and t.id not in (select tree_id from tree_removal)
            """)
    GroupRow others(@Param("siteId") long siteId, @Param("group") String group, @Param("treeId") long treeId);

    /** How many trees of each kind a site has, for the season ribbon. */
    record KindCount(String species, Boolean trained, Integer trees) {}

    @Select("""
            select species, coalesce(form_wanted, form, 'natural') in ('fan', 'espalier', 'cordon', 'hedge') as trained,
                   count(*)::integer as trees
            from tree where site_id = #{siteId} and id not in (select tree_id from tree_removal) group by 1, 2 order by trees desc, species
            """)
    List<KindCount> kinds(long siteId);
}
