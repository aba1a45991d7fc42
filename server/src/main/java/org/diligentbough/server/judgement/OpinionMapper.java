package org.diligentbough.server.judgement;

import java.time.LocalDate;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.diligentbough.core.verdict.Verdict;

/** The tables of what people think should be done to a limb, and of what was decided. */
@Mapper
interface OpinionMapper {
    /** What one person thinks. */
    record OpinionRow(String limb, Long personId, String person, Verdict verdict, String note) {}

    /** What was decided. */
    record DecisionRow(
            String limb, Verdict verdict, String note, String decidedBy, LocalDate decidedOn, Long version) {}

    @Select("""
            select o.limb, o.person_id, p.name as person, o.verdict, o.note
            from limb_opinion o join person p on p.id = o.person_id where o.tree_id = #{treeId} order by o.limb, o.given_at
            """)
    List<OpinionRow> opinions(long treeId);

    @Select("""
            select d.limb, d.verdict, d.note, p.name as decided_by, d.decided_on, d.version
            from limb_decision d join person p on p.id = d.decided_by where d.tree_id = #{treeId} order by d.limb
            """)
    List<DecisionRow> decisions(long treeId);

    @Insert("""
            insert into limb_opinion (tree_id, limb, person_id, verdict, note)
            values (#{treeId}, #{limb}, #{person}, #{verdict}, #{note})
            on conflict (tree_id, limb, person_id) do update
                set verdict = excluded.verdict, note = excluded.note, given_at = now()
            """)
    int think(
            @Param("treeId") long treeId,
            @Param("limb") String limb,
            @Param("person") long person,
            @Param("verdict") Verdict verdict,
            @Param("note") String note);

    @Delete("delete from limb_opinion where tree_id = #{treeId} and limb = #{limb} and person_id = #{person}")
    int takeBack(@Param("treeId") long treeId, @Param("limb") String limb, @Param("person") long person);

    /** Returns how many rows were kept: 1, or 0 when somebody was quicker; version 0 for none decided yet. */
    @Insert("""
            insert into limb_decision as d (tree_id, limb, verdict, note, decided_by, decided_on)
            select #{treeId}, #{limb}, #{verdict}, #{note}, #{person}, #{on}
            where #{version} = 0 or exists (select from limb_decision where tree_id = #{treeId} and limb = #{limb})
            on conflict (tree_id, limb) do update
                set verdict = excluded.verdict, note = excluded.note, decided_by = excluded.decided_by,
                    decided_on = excluded.decided_on, version = nextval('edit_version')
                where d.version = #{version}
            """)
    int decide(
            @Param("treeId") long treeId,
            @Param("limb") String limb,
            @Param("version") long version,
            @Param("verdict") Verdict verdict,
            @Param("note") String note,
            @Param("person") long person,
            @Param("on") LocalDate on);

    @Delete("delete from limb_decision where tree_id = #{treeId} and limb = #{limb}")
    int dropDecision(@Param("treeId") long treeId, @Param("limb") String limb);

    @Delete("delete from limb_decision where tree_id = #{treeId} and limb = #{limb} and version = #{version}")
    int undecide(@Param("treeId") long treeId, @Param("limb") String limb, @Param("version") long version);
}
