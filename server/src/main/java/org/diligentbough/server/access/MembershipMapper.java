package org.diligentbough.server.access;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Who belongs where, and whose a tree is. */
@Mapper
interface MembershipMapper {
    record MembershipRow(Long siteId, String siteName, Role role, Boolean maySurvey) {}

    /**
     * A member as a coordinator sees them.
     *
     * @param login null without one
     * @param comesIn whether there is an account
     */
    record MemberRow(Long personId, String name, Role role, Boolean maySurvey, String login, Boolean comesIn) {}

    @Select("""
            select m.site_id, s.name as site_name, m.role, m.may_survey
            from membership m join site s on s.id = m.site_id where m.person_id = #{personId} order by s.name
            """)
    List<MembershipRow> of(long personId);

    @Select("""
            select m.site_id, s.name as site_name, m.role, m.may_survey
            from membership m join site s on s.id = m.site_id where m.person_id = #{personId} and m.site_id = #{siteId}
            """)
    Optional<MembershipRow> at(@Param("personId") long personId, @Param("siteId") long siteId);

    /** The roles {@code personId} has wherever {@code otherId} belongs too. */
    @Select("""
            select mine.role from membership mine join membership theirs on theirs.site_id = mine.site_id
            where mine.person_id = #{personId} and theirs.person_id = #{otherId}
            """)
    List<Role> where(@Param("personId") long personId, @Param("otherId") long otherId);

    @Select("""
            select m.person_id, p.name, m.role, m.may_survey, a.login, a.person_id is not null and a.enabled as comes_in
            from membership m join person p on p.id = m.person_id left join account a on a.person_id = p.id
            where m.site_id = #{siteId} and p.left_on is null order by p.name
            """)
    List<MemberRow> members(long siteId);

    @Select("""
            select count(*) from membership m join account a on a.person_id = m.person_id and a.enabled
            where m.site_id = #{siteId} and m.role = 'coordinator' and m.person_id <> #{personId}
            """)
    int otherCoordinators(@Param("siteId") long siteId, @Param("personId") long personId);

    @Insert("""
            insert into membership (person_id, site_id, role, may_survey) values (#{personId}, #{siteId}, #{role}, #{maySurvey})
            on conflict (person_id, site_id) do update set role = excluded.role, may_survey = excluded.may_survey
            """)
    void set(
            @Param("personId") long personId,
            @Param("siteId") long siteId,
            @Param("role") Role role,
            @Param("maySurvey") boolean maySurvey);

    /** As a volunteer, unless they belong there already. */
    @Insert("""
            insert into membership (person_id, site_id, role) values (#{personId}, #{siteId}, 'volunteer')
            on conflict do nothing
            """)
    void join(@Param("personId") long personId, @Param("siteId") long siteId);

    @Delete("delete from membership where person_id = #{personId} and site_id = #{siteId}")
    int leave(@Param("personId") long personId, @Param("siteId") long siteId);

    @Insert(
            "insert into membership (person_id, site_id, role) select #{personId}, id, 'coordinator' from site on conflict (person_id, site_id) do update set role = 'coordinator'")
    void coordinatesAll(long personId);

    @Select("select exists (select from tree_owner where tree_id = #{treeId} and person_id = #{personId})")
    boolean owns(@Param("personId") long personId, @Param("treeId") long treeId);

    @Select(
            "select p.id from tree_owner o join person p on p.id = o.person_id where o.tree_id = #{treeId} order by p.name")
    List<Long> owners(long treeId);

    @Select("""
            select o.tree_id from tree_owner o join tree t on t.id = o.tree_id
            where o.person_id = #{personId} and t.site_id = #{siteId} order by t.tag
            """)
    List<Long> treesOf(@Param("personId") long personId, @Param("siteId") long siteId);

    @Insert("insert into tree_owner (tree_id, person_id) values (#{treeId}, #{personId}) on conflict do nothing")
    int own(@Param("treeId") long treeId, @Param("personId") long personId);

    @Delete("delete from tree_owner where tree_id = #{treeId} and person_id = #{personId}")
    int ownNoMore(@Param("treeId") long treeId, @Param("personId") long personId);

    /** The person of that name who belongs to a site. */
    @Select("""
            select p.id from person p join membership m on m.person_id = p.id
            where p.name = #{name} and m.site_id = #{siteId} order by p.id limit 1
            """)
    Optional<Long> named(@Param("name") String name, @Param("siteId") long siteId);

    /** The person of that name at a site somebody coordinates. */
    @Select("""
            select p.id from person p join membership m on m.person_id = p.id
            join membership mine on mine.site_id = m.site_id and mine.role = 'coordinator'
            where p.name = #{name} and mine.person_id = #{coordinator} order by p.id limit 1
            """)
    Optional<Long> knownTo(@Param("name") String name, @Param("coordinator") long coordinator);

    @Select("select id from person where name = #{name} order by id limit 1")
    Optional<Long> anywhere(String name);
}
