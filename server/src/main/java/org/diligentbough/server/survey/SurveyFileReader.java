package org.diligentbough.server.survey;

import java.util.List;
import org.diligentbough.server.shared.FieldProblem;
import org.diligentbough.server.shared.OpenFormat;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/**
 * Reads survey files: first by the published schema, then for what a schema cannot say. Every wrong field is named by its
 * JSON pointer; a file with anything wrong is refused whole.
 */
@Component
public class SurveyFileReader {
    private final OpenFormat format = new OpenFormat("survey file", "/formats/survey.schema.json");

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
        return format.parse(file);
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
        return format.read(node, SurveyFile.class);
    }

    /** All that is wrong with a survey, each field once, in the order of their pointers. */
    public List<FieldProblem> problems(JsonNode node) {
        return format.problems(node, new SurveyCrossChecks(node).problems());
    }
}
