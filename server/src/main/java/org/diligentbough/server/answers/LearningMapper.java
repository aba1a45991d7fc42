package org.diligentbough.server.answers;

import java.time.LocalDate;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** The table of sites that always go by what they learn. */
@Mapper
interface LearningMapper {
    /** Such a site, who said so, and when it was last looked what came in. */
    record AlwaysRow(Long siteId, Long alwaysBy, LocalDate lookedOn) {}

    @Select("select exists (select from learning where site_id = #{siteId})")
    boolean always(long siteId);

    @Select("select site_id, always_by, looked_on from learning order by site_id")
    List<AlwaysRow> all();

    @Insert("insert into learning (site_id, always_by) values (#{siteId}, #{person}) on conflict do nothing")
    void add(long siteId, long person);

    @Delete("delete from learning where site_id = #{siteId}")
    void remove(long siteId);

    @Update("update learning set looked_on = #{day} where site_id = #{siteId}")
    void looked(long siteId, LocalDate day);
}
