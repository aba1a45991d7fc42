package org.diligentbough.server.shared;

import com.networknt.schema.Error;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SchemaRegistryConfig;
import com.networknt.schema.SpecificationVersion;
import com.networknt.schema.path.PathType;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** An open format with its published schema: reads files of it and names every wrong field by its JSON pointer. */
public final class OpenFormat {
    private final String what;
    private final Schema schema;
    private final JsonMapper json = JsonMapper.builder()
            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .build();

    /**
     * A format.
     *
     * @param what a file of it is called, such as survey file
     * @param resource its schema
     */
    public OpenFormat(String what, String resource) {
        this.what = what;
        SchemaRegistryConfig config = SchemaRegistryConfig.builder()
                .formatAssertionsEnabled(true)
                .pathType(PathType.JSON_POINTER)
                .build();
        SchemaRegistry registry = SchemaRegistry.withDefaultDialect(
                SpecificationVersion.DRAFT_2020_12, builder -> builder.schemaRegistryConfig(config));
        try (InputStream in = OpenFormat.class.getResourceAsStream(resource)) {
            this.schema = registry.getSchema(new String(in.readAllBytes(), StandardCharsets.UTF_8), InputFormat.JSON);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * A file as JSON, not yet looked at further.
     *
     * @throws ProblemException 400 when it is none
     */
    public JsonNode parse(byte[] file) {
        try {
            JsonNode node = json.readTree(file);
            if (node == null || node.isMissingNode()) {
                throw ProblemException.unreadable("Nothing was sent. Send a " + what + " as JSON.");
            }
            return node;
        } catch (JacksonException e) {
            throw ProblemException.unreadable("What was sent is not readable as JSON: " + where(e));
        }
    }

    private static String where(JacksonException e) {
        return e.getLocation() == null
                ? e.getOriginalMessage()
                : "line " + e.getLocation().getLineNr() + ", column "
                        + e.getLocation().getColumnNr() + ", " + e.getOriginalMessage();
    }

    /** All that is wrong with a file by its schema and what else was found, each field once, in the order of their pointers. */
    public List<FieldProblem> problems(JsonNode node, List<FieldProblem> besides) {
        List<FieldProblem> found = new ArrayList<>();
        schema.validate(node).stream().map(this::worded).forEach(found::add);
        found.addAll(besides);
        Map<String, FieldProblem> once = found.stream()
                .collect(Collectors.toMap(FieldProblem::pointer, problem -> problem, (first, second) -> first));
        return once.values().stream()
                .sorted(Comparator.comparing(FieldProblem::pointer))
                .toList();
    }

    /** What a file that was found good says. */
    public <T> T read(JsonNode node, Class<T> type) {
        return json.treeToValue(node, type);
    }

    private FieldProblem worded(Error error) {
        String place = error.getInstanceLocation().toString();
        Object limit = error.getArguments() == null || error.getArguments().length == 0 ? "" : error.getArguments()[0];
        JsonNode asked = error.getSchemaNode();
        return switch (error.getKeyword()) {
            case "required" -> new FieldProblem(place + "/" + escaped(error.getProperty()), "is missing; give it");
            case "additionalProperties" ->
                new FieldProblem(
                        place + "/" + escaped(error.getProperty()),
                        "is not a field of a " + what + "; leave it out, or start its name with x-");
            case "type" -> new FieldProblem(place, "is of the wrong kind; give " + kinds(asked));
            case "enum" -> new FieldProblem(place, "is not known; give one of " + choices(asked));
            case "const" -> new FieldProblem(place, "is not known here; give " + text(asked));
            case "minimum" -> new FieldProblem(place, "is too small; give at least " + text(asked));
            case "exclusiveMinimum" -> new FieldProblem(place, "is too small; give more than " + text(asked));
            case "maximum" -> new FieldProblem(place, "is too large; give at most " + text(asked));
            case "minItems", "maxItems" ->
                new FieldProblem(
                        place,
                        "has too " + (error.getKeyword().startsWith("min") ? "few" : "many") + " entries; the limit is "
                                + text(asked));
            case "minLength" -> new FieldProblem(place, "is empty; give some letters");
            case "maxLength" -> new FieldProblem(place, "is too long; give at most " + text(asked) + " letters");
            case "format" -> new FieldProblem(place, "is not a date; give one like 2027-02-16");
            default -> new FieldProblem(place, "cannot be used: " + error.getMessage() + limit);
        };
    }

    private static String escaped(String name) {
        return name.replace("~", "~0").replace("/", "~1");
    }

    private static String text(JsonNode asked) {
        return asked == null ? "" : asked.isString() ? asked.stringValue() : asked.toString();
    }

    private static String kinds(JsonNode asked) {
        return text(asked).replaceAll("[\\[\\]\"]", "").replace(",", " or ").replace("object", "an object");
    }

    private static String choices(JsonNode asked) {
        return text(asked).replaceAll("[\\[\\]\"]", "").replace(",null", "").replace(",", ", ");
    }
}
