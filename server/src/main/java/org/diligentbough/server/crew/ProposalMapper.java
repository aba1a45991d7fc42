package org.diligentbough.server.crew;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** The table of what days are proposed to be filled with, and which trees people know. */
@Mapper
interface ProposalMapper {
    /** A proposal; {@code over} when nobody betters it any more. */
    record ProposalRow(Instant begunAt, Boolean over, Proposed roster) {}

    @Select("""
            select begun_at, ended_at is not null or until < now() as over, roster from day_proposal where work_day_id = #{dayId}
            """)
    Optional<ProposalRow> of(long dayId);

    /** Begins one, in the place of whatever there was; tells when, so that it can be told from a later one. */
    @Select(value = """
            insert into day_proposal (work_day_id, made_by, until)
            values (#{dayId}, #{personId}, now() + make_interval(secs => #{seconds}))
            on conflict (work_day_id) do update set made_by = excluded.made_by, begun_at = now(), until = excluded.until,
                ended_at = null, roster = null
            returning begun_at
            """, affectData = true)
    Instant begin(@Param("dayId") long dayId, @Param("personId") long personId, @Param("seconds") double seconds);

    /** Returns 0 when it was thrown away or begun anew meanwhile. */
    @Update("""
            update day_proposal set roster = #{roster,typeHandler=json}
            where work_day_id = #{dayId} and begun_at = #{begun} and ended_at is null
            """)
    int better(@Param("dayId") long dayId, @Param("begun") Instant begun, @Param("roster") Proposed roster);

    /** Its turn has come: it is over after so many seconds at the latest. */
    @Update("""
            update day_proposal set until = now() + make_interval(secs => #{seconds})
            where work_day_id = #{dayId} and begun_at = #{begun} and ended_at is null
            """)
    void hold(@Param("dayId") long dayId, @Param("begun") Instant begun, @Param("seconds") double seconds);

    @Update(
            "update day_proposal set ended_at = now() where work_day_id = #{dayId} and begun_at = #{begun} and ended_at is null")
    void end(@Param("dayId") long dayId, @Param("begun") Instant begun);

    @Update("update day_proposal set ended_at = now() where work_day_id = #{dayId} and ended_at is null")
    void stop(long dayId);

    @Delete("delete from day_proposal where work_day_id = #{dayId}")
    void drop(long dayId);

    @Delete("""
            delete from day_proposal
            where jsonb_path_exists(roster, '$.**.id ? (@ == $person)', jsonb_build_object('person', #{personId}::bigint))
            """)
    void dropNaming(long personId);

    /** A tree somebody worked on, ever. */
    record KnownRow(Long personId, Long treeId) {}

    @Select("""
            select distinct p.person_id, v.tree_id
            from visit_log_person p join visit_log l on l.id = p.visit_log_id join tree_visit v on v.id = l.tree_visit_id
                 join tree t on t.id = v.tree_id
            where t.site_id = #{siteId}
            """)
    List<KnownRow> known(long siteId);
}
