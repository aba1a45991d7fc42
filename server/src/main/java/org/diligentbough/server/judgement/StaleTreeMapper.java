package org.diligentbough.server.judgement;

import java.time.LocalDate;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** The queue of trees to be judged anew. A tree that was never surveyed, or was taken out, is in it never. */
@Mapper
interface StaleTreeMapper {
    String THAT_ARE_JUDGED = """
             exists (select from survey s where s.tree_id = t.id)
              and not exists (select from tree_removal r where r.tree_id = t.id)
            """;
    /** In order of their numbers, so that two who mark the same wait for each other and never both. */
    String ONCE_MORE = """
             order by t.id
            on conflict (tree_id) do update set since = clock_timestamp(), tries = 0, not_before = '-infinity'
            """;

    /** Marks the trees of a site, or those of one kind where {@code species} is not null. */
    @Insert("insert into stale_tree (tree_id) select t.id from tree t where t.site_id = #{siteId}"
            + " and t.species = coalesce(#{species}, t.species) and " + THAT_ARE_JUDGED + ONCE_MORE)
    int mark(@Param("siteId") long siteId, @Param("species") String species);

    /**
     * Marks the trees of a site of which what is kept for lists does not hold on a day: a window closed, a year began, or
     * they were judged never.
     */
    @Insert("insert into stale_tree (tree_id) select t.id from tree t where t.site_id = #{siteId} and "
            + THAT_ARE_JUDGED
            + """
               and not exists (select from tree_judgement o where o.tree_id = t.id and o.good_until >= #{on})
             order by t.id
            on conflict do nothing
            """)
    int markLapsed(@Param("siteId") long siteId, @Param("on") LocalDate on);

    /** The tree whose turn it is, taken until the transaction ends; one that another server has in hand is passed over. */
    @Select("""
            select tree_id from stale_tree where not_before <= clock_timestamp()
            order by not_before, since limit 1 for update skip locked
            """)
    Optional<Long> next();

    @Delete("delete from stale_tree where tree_id = #{treeId}")
    int judged(long treeId);

    /** Puts off a tree that could not be judged, longer each time: from seconds to an hour. */
    @Update("""
            update stale_tree set tries = tries + 1,
                not_before = clock_timestamp() + least(interval '1 hour', interval '2 seconds' * power(4, least(tries, 8)))
            where tree_id = #{treeId}
            """)
    int putOff(long treeId);

    /**
     * How a site's judging stands.
     *
     * @param waiting trees in the queue
     * @param failing those of them that could not be judged when they were tried
     * @param trees all that are judged
     */
    record ProgressRow(Integer waiting, Integer failing, Integer trees) {}

    @Select("select count(q.tree_id)::int as waiting, (count(*) filter (where q.tries > 0))::int as failing,"
            + " count(*)::int as trees from tree t left join stale_tree q on q.tree_id = t.id"
            + " where t.site_id = #{siteId} and " + THAT_ARE_JUDGED)
    ProgressRow progress(long siteId);
}
