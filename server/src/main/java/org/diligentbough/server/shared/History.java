package org.diligentbough.server.shared;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Who changed what. Written in the transaction of the change itself; never altered. */
@Component
public class History {
    /** Names the change a request made where its kind can be undone; the last, where it made several. */
    public static final String HEADER = "Bough-Change";

    private final HistoryMapper mapper;
    private final CurrentPerson person;
    private final JsonMapper json;

    /** Asked when something is kept: they themselves keep what they do here. */
    private final ObjectProvider<Undoes> undoers;

    History(HistoryMapper mapper, CurrentPerson person, JsonMapper json, ObjectProvider<Undoes> undoers) {
        this.mapper = mapper;
        this.person = person;
        this.json = json;
        this.undoers = undoers;
    }

    /** What a change was about; {@code siteId} and {@code treeId} are null when it was not about one. */
    public record About(String entity, long entityId, Long siteId, Long treeId) {}

    public void added(About about, Object after) {
        keep(about, "added", null, after);
    }

    public void imported(About about, Object after) {
        keep(about, "imported", null, after);
    }

    public void changed(About about, Object before, Object after) {
        keep(about, "changed", before, after);
    }

    /** For what was taken away and stands no longer; what it was is kept here. */
    public void takenAway(About about, Object before) {
        keep(about, "taken-away", before, null);
    }

    private void keep(About about, String action, Object before, Object after) {
        long id = mapper.add(person.idOrNull(), about, action, written(before), written(after));
        if (RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes answering
                && answering.getResponse() != null
                && undoers.stream().anyMatch(one -> one.entity().equals(about.entity()))) {
            answering.getResponse().setHeader(HEADER, String.valueOf(id));
        }
    }

    private String written(Object state) {
        return state == null ? null : json.writeValueAsString(state);
    }

    /** One change with what it was before and after, each null where there was nothing. */
    public Optional<Kept> one(long id) {
        return mapper.one(id)
                .map(row -> new Kept(
                        row.id(),
                        row.at(),
                        row.who(),
                        new About(row.entity(), row.entityId(), row.siteId(), row.treeId()),
                        row.action(),
                        read(row.beforeJson()),
                        read(row.afterJson()),
                        row.newest()));
    }

    private JsonNode read(String state) {
        return state == null ? null : json.readTree(state);
    }

    /** A change as it was kept; {@code newest} when nothing has changed the same thing since. */
    public record Kept(
            long id,
            Instant at,
            String who,
            About about,
            String action,
            JsonNode before,
            JsonNode after,
            boolean newest) {

        /** Whether it was made before its site came here, to something that has another number now. */
        public boolean cameWithArchive() {
            return about.entityId() < 0;
        }
    }

    /** The newest changes to a tree and its surveys, newest first. */
    public List<Entry> ofTree(long treeId, int most) {
        return mapper.ofTree(treeId, most);
    }

    /** Which changes are asked for: by whom or null, about what or empty, with a word in them or empty, older than one. */
    public record Asked(Long personId, String entity, String text, long before) {}

    /** A change at a site; {@code tag} of the tree it was about, if any. */
    public record SiteEntry(
            Long id, Instant at, Long personId, String who, String entity, String action, Long treeId, String tag) {}

    /** The changes at a site that are asked for, newest first. */
    public List<SiteEntry> ofSite(long siteId, Asked asked, int most) {
        return mapper.ofSite(siteId, asked, most);
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
        record KeptRow(
                Long id,
                Instant at,
                String who,
                String entity,
                Long entityId,
                Long siteId,
                Long treeId,
                String action,
                String beforeJson,
                String afterJson,
                Boolean newest) {}

        @Select("""
                select h.id, h.at, p.name as who, h.entity, h.entity_id, h.site_id, h.tree_id, h.action,
                       h.before_json::text as before_json, h.after_json::text as after_json,
                       not exists (select from history l where l.id > h.id and l.entity = h.entity
                                   and l.entity_id = h.entity_id and l.site_id is not distinct from h.site_id
                                   and l.tree_id is not distinct from h.tree_id) as newest
                from history h left join person p on p.id = h.person_id where h.id = #{id}
                """)
        Optional<KeptRow> one(long id);

        @Select(value = """
                insert into history (person_id, site_id, tree_id, entity, entity_id, action, before_json, after_json)
                values (#{personId}, #{about.siteId}, #{about.treeId}, #{about.entity}, #{about.entityId}, #{action},
                        #{before}::jsonb, #{after}::jsonb)
                returning id
                """, affectData = true)
        long add(
                @Param("personId") Long personId,
                @Param("about") About about,
                @Param("action") String action,
                @Param("before") String before,
                @Param("after") String after);

        @Select("""
                select h.id, h.at, h.person_id, p.name as who, h.entity, h.action, h.tree_id, t.tag
                from history h left join person p on p.id = h.person_id left join tree t on t.id = h.tree_id
                where h.site_id = #{siteId} and h.id < #{q.before}
                  and (#{q.personId,jdbcType=BIGINT}::bigint is null or h.person_id = #{q.personId,jdbcType=BIGINT})
                  and (#{q.entity} = '' or h.entity = #{q.entity})
                  and (#{q.text} = '' or t.tag ilike #{q.text} or strpos(lower(h.before_json::text), lower(#{q.text})) > 0
                       or strpos(lower(h.after_json::text), lower(#{q.text})) > 0)
                order by h.id desc limit #{most}
                """)
        List<SiteEntry> ofSite(@Param("siteId") long siteId, @Param("q") Asked asked, @Param("most") int most);

        @Select("""
                select h.id, h.at, p.name as who, h.entity, h.entity_id, h.action
                from history h left join person p on p.id = h.person_id
                where h.tree_id = #{treeId} order by h.id desc limit #{most}
                """)
        List<Entry> ofTree(@Param("treeId") long treeId, @Param("most") int most);
    }
}
