package org.diligentbough.server.shared;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Optional;
import java.util.UUID;
import java.util.function.LongSupplier;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/**
 * Keeps what is sent under a key once, however often and however many times at once it is sent: a phone that never heard
 * the answer sends again.
 */
@Component
public class Once {
    /** The header a key comes in, where the address or the content has no place of its own for it. */
    public static final String HEADER = "Idempotency-Key";

    private final OnceMapper mapper;
    private final CurrentPerson person;
    private final JsonMapper json;

    Once(OnceMapper mapper, CurrentPerson person, JsonMapper json) {
        this.mapper = mapper;
        this.person = person;
        this.json = json;
    }

    /**
     * Makes a change unless one under the same key was made before; in the transaction of the change, so that both are
     * kept or neither. Whoever sends the same at the same time waits for the first to end.
     *
     * @param key of the sender's own; without one the change is made
     * @param what is changed: the kind of thing and its number
     * @param content as sent, to be told from something else under the same key
     * @param change makes it and tells the id of what was kept
     * @return the id of what is kept now, or was before
     * @throws ProblemException 409 when the key stands for something else
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public long keep(Optional<UUID> key, String what, Object content, LongSupplier change) {
        if (key.isEmpty()) {
            return change.getAsLong();
        }
        String id = key.get().toString();
        String hash = sha256(json.writeValueAsString(content).getBytes(StandardCharsets.UTF_8));
        if (mapper.begin(id, what, hash, person.idOrNull()) == 1) {
            long kept = change.getAsLong();
            mapper.kept(id, kept);
            return kept;
        }
        SentRow before = mapper.find(id).orElseThrow();
        if (!before.what().equals(what) || !before.sha256().equals(hash)) {
            throw ProblemException.otherUnderKey();
        }
        return before.kept();
    }

    /** The SHA-256 of some bytes in hexadecimal digits. */
    public static String sha256(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** A row: what a key stands for. */
    record SentRow(String what, String sha256, Long kept) {}

    /** The table of keys. */
    @Mapper
    interface OnceMapper {
        /** Takes a key; waits for whoever holds it. Returns 0 when it was taken before. */
        @Insert("""
                insert into sent_once (key, what, sha256, sent_by) values (#{key}::uuid, #{what}, #{sha256}, #{person})
                on conflict (key) do nothing
                """)
        int begin(
                @Param("key") String key,
                @Param("what") String what,
                @Param("sha256") String sha256,
                @Param("person") Long person);

        @Update("update sent_once set kept = #{kept} where key = #{key}::uuid")
        int kept(@Param("key") String key, @Param("kept") long kept);

        @Select("select what, sha256, kept from sent_once where key = #{key}::uuid")
        Optional<SentRow> find(String key);
    }
}
