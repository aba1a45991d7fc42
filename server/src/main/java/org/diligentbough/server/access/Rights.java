package org.diligentbough.server.access;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Collection;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.diligentbough.core.knowledge.Codes;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.HttpMethod;
import org.springframework.stereotype.Component;

/** The table of rights: for every endpoint what it is about, and which role may when. What stands in no line is denied. */
@Component
class Rights {
    private static final String TABLE = "access/rights.csv";

    /** What an endpoint is about, and which part of its address names it. */
    enum Of {
        ANYTHING(""),
        SITE("siteId"),
        TREE("treeId"),
        DAY("dayId"),
        VISIT("visitId"),
        LOG("logId"),
        REPORT("reportId"),
        SURVEY("surveyId"),
        PHOTO("key"),
        JOB("jobId"),
        SIGHTING("id"),
        CARE("id"),
        CHANGE("id"),
        FRUIT("treeId"),
        WHAT_IF("id"),
        PERSON("personId"),
        INVITATION("id"),
        LETTER("letterId"),
        TASK("taskId");

        private final String variable;

        Of(String variable) {
            this.variable = variable;
        }

        String variable() {
            return variable;
        }
    }

    /** When a role may. */
    enum When {
        YES("may"),
        NO("may not"),
        /** What one entered oneself. */
        OWN("what they entered themselves"),
        OWN_SAME_DAY("what they entered themselves, on the same day"),
        /** Trees one owns. */
        OWN_TREES("their own trees"),
        /** Days one leads: one is on them and leads at the site, or nobody is on them yet. */
        LEADS("days they lead"),
        ON_DAY("days they are on"),
        ON_VISIT("trees they are on that day"),
        /** With leave to survey. */
        LEAVE("with leave to walk trees"),
        SELF("themselves"),
        /** Wherever one has the role; also whoever may found the first site. */
        ANY_SITE("may");

        private final String words;

        When(String words) {
            this.words = words;
        }
    }

    /** One line of the table. */
    record Right(String method, String path, Of of, Map<Role, When> when, boolean nobody) {

        /** Who may, as a sentence says it. */
        String whoMay() {
            StringBuilder who = new StringBuilder();
            when.forEach((role, may) -> {
                if (may != When.NO) {
                    who.append(who.isEmpty() ? "" : ", ")
                            .append(Codes.of(role))
                            .append('s')
                            .append(may == When.YES || may == When.ANY_SITE ? "" : " (" + may.words + ")");
                }
            });
            return who.toString();
        }
    }

    private final Map<String, Right> lines = new LinkedHashMap<>();

    Rights() {
        try (var reader = new InputStreamReader(new ClassPathResource(TABLE).getInputStream(), StandardCharsets.UTF_8);
                var table = CSVFormat.DEFAULT
                        .builder()
                        .setHeader()
                        .setSkipHeaderRecord(true)
                        .get()
                        .parse(reader)) {
            table.forEach(this::read);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void read(CSVRecord line) {
        Map<Role, When> when = new EnumMap<>(Role.class);
        for (Role role : Role.values()) {
            String may = line.get(Codes.of(role));
            when.put(role, may.equals("-") ? When.NO : code(When.class, may, line));
        }
        Right right = new Right(
                line.get("method"),
                line.get("path"),
                code(Of.class, line.get("of"), line),
                when,
                line.get("nobody").equals("yes"));
        if (lines.put(key(right.method(), right.path()), right) != null) {
            throw new IllegalStateException(TABLE + " has two lines for " + key(right.method(), right.path()));
        }
    }

    private static <E extends Enum<E>> E code(Class<E> type, String code, CSVRecord line) {
        return Codes.parse(type, code)
                .orElseThrow(() -> new IllegalStateException(
                        TABLE + ", line " + line.getRecordNumber() + ": " + code + " is not known"));
    }

    private static String key(String method, String path) {
        return method + " " + path;
    }

    /** The line of an endpoint, if there is one; a HEAD is as good as a GET. */
    Optional<Right> of(String method, String path) {
        String asked = method.equals(HttpMethod.HEAD.name()) ? HttpMethod.GET.name() : method;
        return Optional.ofNullable(lines.get(key(asked, path)));
    }

    Collection<Right> all() {
        return lines.values();
    }
}
