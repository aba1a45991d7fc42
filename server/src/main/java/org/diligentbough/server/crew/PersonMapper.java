package org.diligentbough.server.crew;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.diligentbough.core.verdict.Ticket;
import org.diligentbough.server.access.Role;

/** The tables of people, their tickets and the days they can come. */
@Mapper
public interface PersonMapper {
    /** A row of the person table. */
    record PersonRow(Long id, Integer version, String name, Integer birthYear, String note, LocalDate leftOn) {}

    /** A ticket of somebody's. */
    record TicketRow(Long personId, Ticket ticket, LocalDate until) {}

    /** A day on which somebody can come. */
    record FreeRow(Long personId, LocalDate onDay) {}

    @Select("select id, version, name, birth_year, note, left_on from person order by name")
    List<PersonRow> all();

    @Select("select id, version, name, birth_year, note, left_on from person where id = #{id}")
    Optional<PersonRow> find(long id);

    @Select(value = "insert into person (name) values (#{name}) returning id", affectData = true)
    long add(String name);

    @Select("select coalesce(max(id), 0) from person")
    long last();

    /** Puts somebody back on the list who had left. */
    @Update("update person set left_on = null where id = #{id} and left_on is not null")
    void back(long id);

    @Select("select person_id from membership where site_id = #{siteId}")
    List<Long> members(long siteId);

    /** Somebody who belongs to a site of somebody's, and what that one is there. */
    record SharingRow(Long personId, Long siteId, Role mine) {}

    @Select("""
            select theirs.person_id, theirs.site_id, mine.role as mine
            from membership mine join membership theirs on theirs.site_id = mine.site_id where mine.person_id = #{me}
            """)
    List<SharingRow> sharing(long me);

    /** Returns how many rows had the version: 1, or 0 when somebody was quicker. */
    @Update("""
            update person set name = #{p.name}, birth_year = #{p.birthYear}, note = #{p.note}, version = version + 1
            where id = #{id} and version = #{version}
            """)
    int change(@Param("id") long id, @Param("version") int version, @Param("p") PersonData person);

    /** Returns how many rows had the version: 1, or 0 when somebody was quicker. */
    @Update("""
            update person set left_on = #{on}, version = version + 1
            where id = #{id} and version = #{version} and left_on is null
            """)
    int leave(@Param("id") long id, @Param("version") int version, @Param("on") LocalDate on);

    /** Returns how many rows had the version: 1, or 0 when somebody was quicker. */
    @Update("update person set left_on = null, version = version + 1 where id = #{id} and version = #{version}")
    int comeBack(@Param("id") long id, @Param("version") int version);

    @Select("select person_id, ticket, until from person_ticket order by person_id, until desc, ticket")
    List<TicketRow> tickets();

    @Select("select person_id, on_date as on_day from person_free_day order by person_id, on_date")
    List<FreeRow> freeDays();

    @Delete("delete from person_ticket where person_id = #{id}")
    int clearTickets(long id);

    @Insert("insert into person_ticket (person_id, ticket, until) values (#{id}, #{ticket}, #{until})")
    int addTicket(@Param("id") long id, @Param("ticket") Ticket ticket, @Param("until") LocalDate until);

    @Delete("delete from person_free_day where person_id = #{id}")
    int clearFreeDays(long id);

    @Insert("insert into person_free_day (person_id, on_date) values (#{id}, #{day}) on conflict do nothing")
    int addFreeDay(@Param("id") long id, @Param("day") LocalDate day);
}
