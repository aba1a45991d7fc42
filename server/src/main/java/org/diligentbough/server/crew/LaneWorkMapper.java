package org.diligentbough.server.crew;

import java.time.LocalDate;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.diligentbough.server.crew.VisitMaker.Work;

/** The work of each lane of each tree's plan, as visits have it. */
@Mapper
interface LaneWorkMapper {
    /** The work of one lane. */
    record LaneWorkRow(
            Long treeId, LocalDate opens, LocalDate closes, Work work, String tag, String species, String cultivar) {}

    @Delete("delete from lane_work where tree_id = #{treeId}")
    int clear(long treeId);

    @Insert("""
            insert into lane_work (tree_id, opens, closes, work)
            values (#{treeId}, #{opens}, #{closes}, #{work,typeHandler=json})
            """)
    int add(
            @Param("treeId") long treeId,
            @Param("opens") LocalDate opens,
            @Param("closes") LocalDate closes,
            @Param("work") Work work);

    /** Of some trees, by tree in order of time. */
    @Select("""
            <script>
            select w.tree_id, w.opens, w.closes, w.work, t.tag, t.species, t.cultivar
            from lane_work w join tree t on t.id = w.tree_id
            where w.tree_id in <foreach item="id" collection="treeIds" open="(" separator="," close=")">#{id}</foreach>
            order by w.tree_id, w.opens, w.closes
            </script>
            """)
    List<LaneWorkRow> of(@Param("treeIds") List<Long> treeIds);
}
