package org.diligentbough.server.job;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** The tables of work that takes long: the jobs, and what is left of each. */
@Mapper
interface JobMapper {
    /** A row. */
    record JobRow(
            Long id,
            String kind,
            Long siteId,
            String state,
            Integer done,
            Integer total,
            String problem,
            Instant startedAt) {}

    /** One tree of one job. */
    record PieceRow(Long jobId, Long treeId) {}

    String COLUMNS = "select id, kind, site_id, state, done, total, problem, started_at from job";

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

    @Insert("""
            insert into job_piece (job_id, tree_id)
            select #{id}, unnest(#{trees,typeHandler=array}::bigint[]) on conflict do nothing
            """)
    int addPieces(@Param("id") long id, @Param("trees") List<Long> trees);

    @Select(COLUMNS + " where id = #{id}")
    Optional<JobRow> find(long id);

    @Select(COLUMNS + " where site_id = #{siteId} and kind = #{kind} order by id desc limit 1")
    Optional<JobRow> latest(@Param("siteId") long siteId, @Param("kind") String kind);

    /** The piece whose turn it is and nobody has in hand; others pass it over to the end of the transaction. */
    @Select("select job_id, tree_id from job_piece order by job_id, tree_id limit 1 for update skip locked")
    Optional<PieceRow> next();

    @Delete("delete from job_piece where job_id = #{jobId} and tree_id = #{treeId}")
    int drop(PieceRow piece);

    /** Counts a piece as done; whoever ends another of the same job waits here, so that the last one sees that it is. */
    @Update("update job set done = done + 1, state = 'running' where id = #{id} and state in ('waiting', 'running')")
    int progress(long id);

    @Update("""
            update job set state = 'done' where id = #{id} and state in ('waiting', 'running')
              and not exists (select from job_piece where job_id = #{id})
            """)
    int endIfNothingIsLeft(long id);

    @Update("""
            update job set state = #{state}, problem = #{problem}
            where id = #{id} and state in ('waiting', 'running')
            """)
    int end(@Param("id") long id, @Param("state") String state, @Param("problem") String problem);

    @Delete("delete from job_piece where job_id = #{id}")
    int dropPieces(long id);
}
