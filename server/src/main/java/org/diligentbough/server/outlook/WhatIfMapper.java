package org.diligentbough.server.outlook;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** The table of plans with other wishes. */
@Mapper
interface WhatIfMapper {
    /** One of them; {@code by} is null where the program made it. */
    record WhatIfRow(Long id, String name, Wish wish, String by, LocalDate madeOn) {}

    @Select("""
            select w.id, w.name, w.wish, p.name as by, w.made_on
            from what_if w left join person p on p.id = w.made_by where w.tree_id = #{treeId} order by w.id
            """)
    List<WhatIfRow> ofTree(long treeId);

    @Select(value = """
            insert into what_if (tree_id, name, wish, made_by, made_on)
            values (#{treeId}, #{name}, #{wish,typeHandler=json}, #{person}, #{on}) returning id
            """, affectData = true)
    long add(
            @Param("treeId") long treeId,
            @Param("name") String name,
            @Param("wish") Wish wish,
            @Param("person") Long person,
            @Param("on") LocalDate on);

    @Select("""
            select w.id, w.name, w.wish, p.name as by, w.made_on
            from what_if w left join person p on p.id = w.made_by where w.tree_id = #{treeId} and w.id = #{id}
            """)
    Optional<WhatIfRow> find(@Param("treeId") long treeId, @Param("id") long id);

    @Delete("delete from what_if where id = #{id}")
    int remove(long id);
}
