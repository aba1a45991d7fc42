package org.diligentbough.server.survey;

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
import org.diligentbough.server.shared.FieldProblem;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Reads survey files: first by the published schema, then for what a schema cannot say. Every wrong field is named by its
 * JSON pointer; a file with anything wrong is refused whole.
 */
@Component
public class SurveyFileReader {
    private final Schema schema;
    private final JsonMapper json = JsonMapper.builder()
            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .build();

    SurveyFileReader() {
        SchemaRegistryConfig config = SchemaRegistryConfig.builder()
                .formatAssertionsEnabled(true)
                .pathType(PathType.JSON_POINTER)
                .build();
        SchemaRegistry registry = SchemaRegistry.withDefaultDialect(
                SpecificationVersion.DRAFT_2020_12, builder -> builder.schemaRegistryConfig(config));
        try (InputStream in = SurveyFileReader.class.getResourceAsStream("/formats/survey.schema.json")) {
            this.schema = registry.getSchema(new String(in.readAllBytes(), StandardCharsets.UTF_8), InputFormat.JSON);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * The survey in a file.
     *
     * @throws ProblemException 400 when it is not JSON, 422 naming every wrong field
     */
    public SurveyFile read(byte[] file) {
        return read(parse(file));
    }

    /** The file as JSON, not yet looked at further. */
    public JsonNode parse(byte[] file) {
        try {
            JsonNode node = json.readTree(file);
            if (node == null || node.isMissingNode()) {
                throw ProblemException.unreadable("Nothing was sent. Send a survey file as JSON.");
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

    /** The survey in JSON that was already parsed. */
    public SurveyFile read(JsonNode node) {
        List<FieldProblem> problems = problems(node);
        if (!problems.isEmpty()) {
            throw ProblemException.wrongFields(problems);
        }
        return checked(node);
    }

    /** The survey in JSON that was found good before: when it was kept, or just now. */
    SurveyFile checked(JsonNode node) {
        return json.treeToValue(node, SurveyFile.class);
    }

    /** All that is wrong with a survey, each field once, in the order of their pointers. */
    public List<FieldProblem> problems(JsonNode node) {
        List<FieldProblem> found = new ArrayList<>();
        schema.validate(node).stream().map(SurveyFileReader::worded).forEach(found::add);
        found.addAll(new SurveyCrossChecks(node).problems());
        Map<String, FieldProblem> once = found.stream()
                .collect(Collectors.toMap(FieldProblem::pointer, problem -> problem, (first, second) -> first));
        return once.values().stream()
                .sorted(Comparator.comparing(FieldProblem::pointer))
                .toList();
    }

    private static FieldProblem worded(Error error) {
        String place = error.getInstanceLocation().toString();
        Object limit = error.getArguments() == null || error.getArguments().length == 0 ? "" : error.getArguments()[0];
        JsonNode asked = error.getSchemaNode();
        return switch (error.getKeyword()) {
            case "required" -> new FieldProblem(place + "/" + escaped(error.getProperty()), "is missing; give it");
            case "additionalProperties" ->
                new FieldProblem(
                        place + "/" + escaped(error.getProperty()),
                        "is not a field of the survey file; leave it out, or start its name with x-");
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
