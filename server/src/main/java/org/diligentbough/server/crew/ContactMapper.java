package org.diligentbough.server.crew;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** The table of how people are reached. */
@Mapper
interface ContactMapper {
    record ContactRow(Long personId, String name, String mail, String contact, String emergency) {}

    @Select("""
            select c.person_id, p.name, c.mail, c.contact, c.emergency
            from person_contact c join person p on p.id = c.person_id where c.person_id = #{personId}
            """)
    Optional<ContactRow> of(long personId);

    /** Those of everybody on a day, with those who gave none. */
    @Select("""
            select p.id as person_id, p.name, c.mail, c.contact, c.emergency
            from work_day_person w join person p on p.id = w.person_id left join person_contact c on c.person_id = p.id
            where w.work_day_id = #{dayId} order by p.name
            """)
    List<ContactRow> onDay(long dayId);

    @Insert("""
            insert into person_contact (person_id, mail, contact, emergency) values (#{personId}, #{mail}, #{contact}, #{emergency})
            on conflict (person_id) do update set mail = excluded.mail, contact = excluded.contact, emergency = excluded.emergency
            """)
    void keep(
            @Param("personId") long personId,
            @Param("mail") String mail,
            @Param("contact") String contact,
            @Param("emergency") String emergency);

    @Delete("delete from person_contact where person_id = #{personId}")
    void drop(long personId);
}
