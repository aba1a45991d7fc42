package org.diligentbough.server.archive;

import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/**
 * Any table, for archives. What stands in the statements by {@code ${…}} are names out of {@link ArchiveRecords} and of
 * columns the database itself told, never anything sent.
 */
@Mapper
interface RecordMapper {
    /** A column as the database knows it. */
    record ColumnRow(String name, String type) {}

    @Select("""
            select column_name as name, data_type as type from information_schema.columns
            where table_schema = current_schema() and table_name = #{table} order by ordinal_position
            """)
    List<ColumnRow> columns(String table);

    /** Rows of a site as JSON. */
    @Select("select to_jsonb(r)::text from ${table} r where ${ofSite} order by ${order}")
    List<String> rows(
            @Param("table") String table,
            @Param("ofSite") String ofSite,
            @Param("order") String order,
            @Param("siteId") long siteId);

    @Insert("""
            insert into ${table} (${columns})
            select ${columns} from jsonb_populate_record(null::${table}, #{row}::jsonb)
            """)
    void add(@Param("table") String table, @Param("columns") String columns, @Param("row") String row);

    /** What something was sent under. */
    record KeyRow(Long id, String key) {}

    @Select("""
            select l.id, coalesce(l.came_as, l.sent_key)::text as key
            from visit_log l join tree_visit v on v.id = l.tree_visit_id join tree t on t.id = v.tree_id
            where t.site_id = #{siteId}
            """)
    List<KeyRow> logKeys(long siteId);

    @Select("""
            select s.id, coalesce(s.came_as, s.sent_as)::text as key
            from survey s join tree t on t.id = s.tree_id
            where t.site_id = #{siteId} and coalesce(s.came_as, s.sent_as) is not null
            """)
    List<KeyRow> surveyKeys(long siteId);

    /** Lets a survey be known by the key a phone sent it under, unless another one here is. */
    @Update("""
            update survey set came_as = #{key}::uuid,
                sent_as = case when not exists (select from survey where sent_as = #{key}::uuid) then #{key}::uuid end
            where id = #{id}
            """)
    void surveyCameAs(@Param("id") long id, @Param("key") String key);

    /** The same of a log, which has a key of its own already. */
    @Update("""
            update visit_log set came_as = #{key}::uuid,
                sent_key = case when exists (select from visit_log where sent_key = #{key}::uuid) then sent_key else #{key}::uuid end
            where id = #{id}
            """)
    void logCameAs(@Param("id") long id, @Param("key") String key);

    @Select("select exists (select from photo where key = #{key}::uuid)")
    boolean photoTaken(String key);

    /** Under which key a picture lies here, and which it has in archives. */
    record PictureRow(String known, String key) {}

    @Select("""
            select coalesce(f.came_as, f.key)::text as known, f.key::text as key
            from photo f join tree t on t.id = f.tree_id where t.site_id = #{siteId}
            """)
    List<PictureRow> pictures(long siteId);

    /** Who belongs to a site, as what. */
    record MemberRow(Long personId, String role, Boolean maySurvey) {}

    @Select("select person_id, role, may_survey from membership where site_id = #{siteId}")
    List<MemberRow> members(long siteId);

    @Update(
            "update membership set role = #{role}, may_survey = #{maySurvey} where site_id = #{siteId} and person_id = #{personId}")
    void member(
            @Param("siteId") long siteId,
            @Param("personId") long personId,
            @Param("role") String role,
            @Param("maySurvey") boolean maySurvey);

    @Update("update person set left_on = #{on}::date where id = #{id} and left_on is null")
    void left(@Param("id") long id, @Param("on") String on);
}
