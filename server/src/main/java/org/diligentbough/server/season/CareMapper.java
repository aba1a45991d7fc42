package org.diligentbough.server.season;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Work round the year that was done. */
@Mapper
interface CareMapper {
    record CareRow(
            Long id,
            Long siteId,
            String task,
            String species,
            Integer year,
            LocalDate doneOn,
            String doneBy,
            String note) {}

    String COLUMNS = "c.id, c.site_id, c.task, c.species, c.year, c.done_on, p.name as done_by, c.note";

    @Select("select " + COLUMNS + " from care_done c join person p on p.id = c.done_by where c.site_id = #{siteId}")
    List<CareRow> ofSite(long siteId);

    @Select("select " + COLUMNS + " from care_done c join person p on p.id = c.done_by where c.id = #{id}")
    Optional<CareRow> find(long id);

    @Select(value = """
            insert into care_done (site_id, task, species, year, done_on, done_by, note)
            values (#{siteId}, #{task}, #{species}, #{year}, #{on}, #{by}, #{note})
            on conflict (site_id, task, species, year) do nothing returning id
            """, affectData = true)
    Optional<Long> add(
            @Param("siteId") long siteId,
            @Param("task") String task,
            @Param("species") String species,
            @Param("year") int year,
            @Param("on") LocalDate on,
            @Param("by") long by,
            @Param("note") String note);

    @Delete("delete from care_done where id = #{id}")
    int drop(long id);
}
