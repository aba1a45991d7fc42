package org.diligentbough.server.light;

import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** The crowns of a site as their newest surveys give them. */
@Mapper
public interface LightMapper {
    /** A tree that stands, from above. */
    record CrownRow(
            Long treeId,
            String tag,
            String species,
            String rootstock,
            Double eastM,
            Double northM,
            Double heightM,
            Double spreadM,
            Double trunkGirthCm) {}

    String CROWNS = """
            select t.id as tree_id, t.tag, t.species, t.rootstock, t.east_m, t.north_m, s.height_m, s.spread_m,
                   s.trunk_girth_cm
            from tree t
            join lateral (
                select * from survey where tree_id = t.id order by surveyed_on desc, id desc limit 1) s on true
            where t.site_id = #{siteId} and not exists (select from tree_removal r where r.tree_id = t.id)
            """;

    @Select(CROWNS + " order by t.tag, t.id")
    List<CrownRow> ofSite(long siteId);

    /** The crowns within a square round a place. */
    @Select(CROWNS + """
            and t.id <> #{treeId} and t.east_m between #{eastM} - #{withinM} and #{eastM} + #{withinM}
            and t.north_m between #{northM} - #{withinM} and #{northM} + #{withinM}
            order by t.tag, t.id
            """)
    List<CrownRow> near(
            @Param("siteId") long siteId,
            @Param("treeId") long treeId,
            @Param("eastM") double eastM,
            @Param("northM") double northM,
            @Param("withinM") double withinM);
}
