package org.diligentbough.server.consent;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** The tables of consents and of contentment. */
@Mapper
interface ConsentMapper {
    /** asked and not answered yet, given, refused. */
    enum State {
        ASKED,
        GIVEN,
        REFUSED
    }

    /** A row of it with names; {@code plan} is the number of the kept plan it is about, or null. */
    record ConsentRow(
            Long id,
            Integer plan,
            String limits,
            State state,
            String askedBy,
            Instant askedAt,
            String answeredBy,
            Instant answeredAt,
            LocalDate goodUntil,
            String said) {}

    record ContentRow(Integer year, Integer grade, String said, String by) {}

    String ROW = """
            select c.id, c.plan, c.limits, c.state, a.name as asked_by, c.asked_at, b.name as answered_by, c.answered_at,
                   c.good_until, c.said
            from consent c left join person a on a.id = c.asked_by left join person b on b.id = c.answered_by
            where c.tree_id = #{treeId}
            """;

    @Select(ROW + " order by c.id desc")
    List<ConsentRow> ofTree(long treeId);

    @Select(ROW + " order by c.id desc limit 1")
    Optional<ConsentRow> newest(long treeId);

    /** What was answered of one tree. */
    record AnsweredRow(Long treeId, State state, Instant at, LocalDate goodUntil) {}

    @Select("""
            select c.tree_id, c.state, c.answered_at as at, c.good_until from consent c join tree t on t.id = c.tree_id
            where t.site_id = #{siteId} and c.answered_at is not null order by c.id
            """)
    List<AnsweredRow> answeredAt(long siteId);

    @Select(value = """
            insert into consent (tree_id, plan, limits, state, asked_by) values (#{treeId}, #{plan}, #{limits}, 'asked', #{by})
            returning id
            """, affectData = true)
    long ask(
            @Param("treeId") long treeId,
            @Param("plan") Integer plan,
            @Param("limits") String limits,
            @Param("by") long by);

    /** Answers the newest that is open: 1, or 0 when that is another one, or was answered meanwhile. */
    @Update("""
            update consent set state = #{state}, answered_by = #{by}, answered_at = now(), good_until = #{until}, said = #{said}
            where id = #{id} and tree_id = #{treeId} and state = 'asked'
              and id = (select max(id) from consent where tree_id = #{treeId})
            """)
    int answer(
            @Param("treeId") long treeId,
            @Param("id") long id,
            @Param("state") State state,
            @Param("by") long by,
            @Param("until") LocalDate until,
            @Param("said") String said);

    /** How the tree itself stands: what lists and forms show. */
    @Update("update tree set consent = #{consent}, version = version + 1 where id = #{treeId}")
    void stands(@Param("treeId") long treeId, @Param("consent") String consent);

    @Update("update tree set owner_wishes = #{wishes}, version = version + 1 where id = #{treeId}")
    void wish(@Param("treeId") long treeId, @Param("wishes") String wishes);

    @Select("""
            select c.year, c.grade, c.said, p.name as by from contentment c join person p on p.id = c.person_id
            where c.tree_id = #{treeId} order by c.year desc, p.name
            """)
    List<ContentRow> contentment(long treeId);

    @Insert("""
            insert into contentment (tree_id, person_id, year, grade, said) values (#{treeId}, #{by}, #{year}, #{grade}, #{said})
            on conflict (tree_id, person_id, year) do update set grade = excluded.grade, said = excluded.said
            """)
    void content(
            @Param("treeId") long treeId,
            @Param("by") long by,
            @Param("year") int year,
            @Param("grade") int grade,
            @Param("said") String said);
}
