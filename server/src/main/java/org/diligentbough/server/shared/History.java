package org.diligentbough.server.shared;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Who changed what. Written in the transaction of the change itself; never altered. */
@Component
public class History {
    private final HistoryMapper mapper;
    private final CurrentPerson person;
    private final JsonMapper json;

    History(HistoryMapper mapper, CurrentPerson person, JsonMapper json) {
        this.mapper = mapper;
        this.person = person;
        this.json = json;
    }

    /** What a change was about; {@code siteId} and {@code treeId} are null when it was not about one. */
    public record About(String entity, long entityId, Long siteId, Long treeId) {}

    public void added(About about, Object after) {
        mapper.add(person.idOrNull(), about, "added", null, json.writeValueAsString(after));
    }

    public void imported(About about, Object after) {
        mapper.add(person.idOrNull(), about, "imported", null, json.writeValueAsString(after));
    }

    public void changed(About about, Object before, Object after) {
        mapper.add(
                person.idOrNull(), about, "changed", json.writeValueAsString(before), json.writeValueAsString(after));
    }

    /** For what was taken away and stands no longer; what it was is kept here. */
    public void takenAway(About about, Object before) {
        mapper.add(person.idOrNull(), about, "taken-away", json.writeValueAsString(before), null);
    }

    /** The newest changes to a tree and its surveys, newest first. */
    public List<Entry> ofTree(long treeId, int most) {
        return mapper.ofTree(treeId, most);
    }

    /**
     * One change.
     *
     * @param who null when the program itself made it, loading the demo
     */
    public record Entry(long id, Instant at, @MayBeNull String who, String entity, long entityId, String action) {}

    /** The history table. */
    @Mapper
    interface HistoryMapper {
        @Insert("""
                insert into history (person_id, site_id, tree_id, entity, entity_id, action, before_json, after_json)
                values (#{personId}, #{about.siteId}, #{about.treeId}, #{about.entity}, #{about.entityId}, #{action},
                        #{before}::jsonb, #{after}::jsonb)
                """)
        void add(
                @Param("personId") Long personId,
                @Param("about") About about,
                @Param("action") String action,
                @Param("before") String before,
                @Param("after") String after);

        @Select("""
                select h.id, h.at, p.name as who, h.entity, h.entity_id, h.action
                from history h left join person p on p.id = h.person_id
                where h.tree_id = #{treeId} order by h.id desc limit #{most}
                """)
        List<Entry> ofTree(@Param("treeId") long treeId, @Param("most") int most);
    }
}
