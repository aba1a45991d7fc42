package org.diligentbough.server.shared;

import java.util.List;
import org.springframework.http.HttpStatus;

/** A request that is refused, with what the person can do about it. */
public class ProblemException extends RuntimeException {
    private final HttpStatus status;
    private final List<FieldProblem> errors;

    private ProblemException(HttpStatus status, String detail, List<FieldProblem> errors) {
        super(detail);
        this.status = status;
        this.errors = List.copyOf(errors);
    }

    public static ProblemException notFound(String what) {
        return new ProblemException(HttpStatus.NOT_FOUND, what, List.of());
    }

    /** The thing was changed by somebody else since it was read. */
    public static ProblemException stale(String what) {
        return new ProblemException(
                HttpStatus.CONFLICT,
                what
                        + " was changed by somebody else in the meantime. Nothing of yours was saved: look at the newer one,"
                        + " then save yours again if it still holds.",
                List.of());
    }

    public static ProblemException unreadable(String detail) {
        return new ProblemException(HttpStatus.BAD_REQUEST, detail, List.of());
    }

    public static ProblemException tooLarge(String detail) {
        return new ProblemException(HttpStatus.CONTENT_TOO_LARGE, detail, List.of());
    }

    public static ProblemException nobody() {
        return new ProblemException(
                HttpStatus.FORBIDDEN,
                "Say who you are first: every change is written down with who made it.",
                List.of());
    }

    /** What was asked for breaks a rule; each problem says which. Nothing was changed. */
    public static ProblemException refused(List<FieldProblem> rules) {
        return new ProblemException(HttpStatus.UNPROCESSABLE_CONTENT, "That cannot be done.", rules);
    }

    public static ProblemException wrongFields(List<FieldProblem> errors) {
        return new ProblemException(
                HttpStatus.UNPROCESSABLE_CONTENT,
                errors.size() == 1 ? "One field cannot be used." : errors.size() + " fields cannot be used.",
                errors);
    }

    public static ProblemException wrongField(String pointer, String detail) {
        return wrongFields(List.of(new FieldProblem(pointer, detail)));
    }

    HttpStatus status() {
        return status;
    }

    public List<FieldProblem> errors() {
        return errors;
    }
}
