package org.diligentbough.server.photo;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** The table of photos; each picture lies in a file. */
@Mapper
interface PhotoMapper {
    /** A row of the table. */
    record PhotoRow(
            Long id,
            String key,
            Long treeId,
            LocalDate takenOn,
            String spot,
            String note,
            Integer width,
            Integer height,
            String sha256,
            String addedBy) {}

    /** What is kept of a new photo besides its picture. */
    record PhotoRecord(
            String key,
            long treeId,
            LocalDate takenOn,
            String spot,
            String note,
            int bytes,
            int width,
            int height,
            String sha256,
            long person) {}

    String ROWS = """
            select f.id, f.key::text as key, f.tree_id, f.taken_on, f.spot, f.note, f.width, f.height, f.sha256, p.name as added_by
            from photo f join person p on p.id = f.added_by
            """;

    @Select(ROWS + " where f.tree_id = #{treeId} order by f.taken_on desc, f.id desc")
    List<PhotoRow> ofTree(long treeId);

    @Select(ROWS + " where f.key = #{key}::uuid")
    Optional<PhotoRow> find(@Param("key") String key);

    @Insert("""
            insert into photo (key, tree_id, taken_on, spot, note, bytes, width, height, sha256, added_by)
            values (#{key}::uuid, #{treeId}, #{takenOn}, #{spot}, #{note}, #{bytes}, #{width}, #{height}, #{sha256},
                    #{person})
            on conflict (key) do nothing
            """)
    int add(PhotoRecord photo);
}
