package org.diligentbough.server.access;

import java.time.Instant;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** The table of addresses calendar programs ask by. */
@Mapper
interface CalendarLinkMapper {
    /** Makes one, in the place of the one there was. */
    @Insert("""
            insert into calendar_link (person_id, site_id, hash) values (#{personId}, #{siteId}, #{hash})
            on conflict (person_id, site_id) do update set hash = excluded.hash, made_at = now()
            """)
    void make(@Param("personId") long personId, @Param("siteId") long siteId, @Param("hash") String hash);

    @Select("select made_at from calendar_link where person_id = #{personId} and site_id = #{siteId}")
    Optional<Instant> madeAt(@Param("personId") long personId, @Param("siteId") long siteId);

    @Delete("delete from calendar_link where person_id = #{personId} and site_id = #{siteId}")
    void end(@Param("personId") long personId, @Param("siteId") long siteId);

    @Select("select person_id, site_id from calendar_link where hash = #{hash}")
    Optional<CalendarLinks.Followed> followed(String hash);
}
