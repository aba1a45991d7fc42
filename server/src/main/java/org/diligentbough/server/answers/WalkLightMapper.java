package org.diligentbough.server.answers;

import java.time.LocalDate;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** The table of light as walks found it. */
@Mapper
interface WalkLightMapper {
    /** Mean light in a crown on the day of a walk, 0 to 1. */
    record WalkLightRow(Long treeId, LocalDate walkedOn, Double light) {}

    @Select("select tree_id, walked_on, light from walk_light where tree_id = #{treeId} order by walked_on")
    List<WalkLightRow> ofTree(long treeId);

    @Select("""
            select w.tree_id, w.walked_on, w.light from walk_light w join tree t on t.id = w.tree_id
            where t.site_id = #{siteId} order by w.walked_on
            """)
    List<WalkLightRow> ofSite(long siteId);

    /** A number that another walk, or another version of one, makes another. */
    @Select("""
            select coalesce(sum(hashtextextended(id || ' ' || version, 0) % 1000000007), 0) from survey where tree_id = #{treeId}
            """)
    long walks(long treeId);

    @Select("select exists (select from walk_light where tree_id = #{treeId} and of_surveys = #{walks})")
    boolean known(long treeId, long walks);

    @Delete("delete from walk_light where tree_id = #{treeId}")
    void drop(long treeId);

    @Insert("""
            insert into walk_light (tree_id, walked_on, light, of_surveys) values (#{treeId}, #{on}, #{light}, #{walks})
            on conflict (tree_id, walked_on) do update set light = excluded.light
            """)
    void keep(long treeId, LocalDate on, double light, long walks);
}
