package org.diligentbough.server.job;

import java.time.Instant;
import java.util.Collection;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** The table of work that takes long. */
@Mapper
interface JobMapper {
    /** A row; {@code silent} when whoever ran it has not been heard of for half a minute. */
    record JobRow(
            Long id,
            String kind,
            Long siteId,
            String state,
            Integer done,
            Integer total,
            String problem,
            Instant startedAt,
            Boolean silent) {
        JobRow as(String otherState, String otherProblem) {
            return new JobRow(id, kind, siteId, otherState, done, total, otherProblem, startedAt, silent);
        }
    }

    String COLUMNS = """
            select id, kind, site_id, state, done, total, problem, started_at,
                   state in ('waiting', 'running') and touched_at < now() - interval '30 seconds' as silent from job
            """;

    /** Puts a job in the queue; empty when one of the kind waits or runs at the site already. */
    @Select(value = """
                    insert into job (kind, site_id, started_by, total) values (#{kind}, #{siteId}, #{person}, #{total})
                    on conflict (site_id, kind) where state in ('waiting', 'running') do nothing
                    returning id
                    """, affectData = true)
    Optional<Long> add(
            @Param("kind") String kind,
            @Param("siteId") long siteId,
            @Param("person") long person,
            @Param("total") int total);

    @Select(COLUMNS + " where id = #{id}")
    Optional<JobRow> find(long id);

    @Select(COLUMNS + " where site_id = #{siteId} and kind = #{kind} order by id desc limit 1")
    Optional<JobRow> latest(@Param("siteId") long siteId, @Param("kind") String kind);

    /** Says that a job has begun; returns 0 when it was cancelled before. */
    @Update("update job set state = 'running', touched_at = now() where id = #{id} and state = 'waiting'")
    int begin(long id);

    /** Says that whoever runs these jobs is alive. */
    @Update("""
            <script>update job set touched_at = now() where state in ('waiting', 'running') and id in
            <foreach item="id" collection="ids" open="(" separator="," close=")">#{id}</foreach></script>
            """)
    int alive(@Param("ids") Collection<Long> ids);

    /** Notes progress; returns 0 when the job was cancelled. */
    @Update("""
            update job set done = #{done}, state = 'running', touched_at = now()
            where id = #{id} and state in ('waiting', 'running')
            """)
    int progress(@Param("id") long id, @Param("done") int done);

    @Update("""
            update job set state = #{state}, problem = #{problem}, touched_at = now()
            where id = #{id} and state in ('waiting', 'running')
            """)
    int end(@Param("id") long id, @Param("state") String state, @Param("problem") String problem);
}
