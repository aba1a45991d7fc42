package org.diligentbough.server.door;

import java.util.ArrayList;
import java.util.List;
import org.diligentbough.server.shared.FieldProblem;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.ObjectReadContext;
import tools.jackson.core.json.JsonFactory;

/**
 * A look through JSON for what neither text nor number can hold, whatever it is meant for: characters the database has no
 * place for, numbers beyond all measure.
 */
final class JsonLook {
    private static final int MOST_PROBLEMS = 20;
    /** As long as the longest a double is ever written, and then some. */
    private static final int LONGEST_NUMBER = 40;

    /** Nothing of an orchard is counted or measured as high as this. */
    private static final double LARGEST = 1e15;

    private static final JsonFactory FACTORY = new JsonFactory();

    private final byte[] body;
    private final List<FieldProblem> found = new ArrayList<>();

    JsonLook(byte[] body) {
        this.body = body;
    }

    /** What was found, by JSON pointer. What is no JSON is left to whoever reads it. */
    List<FieldProblem> problems() {
        try (JsonParser parser = FACTORY.createParser(ObjectReadContext.empty(), body)) {
            for (JsonToken token = parser.nextToken();
                    token != null && found.size() < MOST_PROBLEMS;
                    token = parser.nextToken()) {
                look(token, parser);
            }
        } catch (JacksonException e) {
            return List.copyOf(found);
        }
        return List.copyOf(found);
    }

    private void look(JsonToken token, JsonParser parser) {
        switch (token) {
            case VALUE_STRING, PROPERTY_NAME -> {
                if (!isText(parser.getString())) {
                    add(parser, "holds a character that is none (NUL, or half of one); take it out");
                }
            }
            case VALUE_NUMBER_INT, VALUE_NUMBER_FLOAT -> {
                String digits = parser.getString();
                if (digits.length() > LONGEST_NUMBER || Math.abs(Double.parseDouble(digits)) > LARGEST) {
                    add(parser, "is a number beyond all measure; give a smaller one");
                }
            }
            default -> {
                // Nothing to look at.
            }
        }
    }

    private void add(JsonParser parser, String detail) {
        found.add(new FieldProblem(parser.streamReadContext().pathAsPointer().toString(), detail));
    }

    /** Whether every character of a text is one: no NUL, no half of a pair. */
    static boolean isText(String text) {
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == 0) {
                return false;
            }
            if (Character.isHighSurrogate(c)) {
                if (i + 1 == text.length() || !Character.isLowSurrogate(text.charAt(i + 1))) {
                    return false;
                }
                i++;
            } else if (Character.isLowSurrogate(c)) {
                return false;
            }
        }
        return true;
    }
}
