package org.diligentbough.server.shared;

import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;

/** A request that is refused, with what the person can do about it. */
public class ProblemException extends RuntimeException {
    /** Why something is in conflict, for programs: people read the sentence. */
    public enum Conflict {
        /** A newer one came in meanwhile: both can be looked at. */
        STALE,
        /** Somebody else's log of the visit is kept already: both can be looked at. */
        LOGGED,
        /** The key stands for something else that was sent before. */
        KEY_USED
    }

    private static final int A_MOMENT_SECONDS = 2;

    private final HttpStatus status;
    private final List<FieldProblem> errors;
    private final Conflict conflict;
    private final int retryAfterSeconds;

    private ProblemException(HttpStatus status, String detail, List<FieldProblem> errors) {
        this(status, detail, errors, null, 0);
    }

    private ProblemException(
            HttpStatus status, String detail, List<FieldProblem> errors, Conflict conflict, int retryAfterSeconds) {
        super(detail);
        this.status = status;
        this.errors = List.copyOf(errors);
        this.conflict = conflict;
        this.retryAfterSeconds = retryAfterSeconds;
    }

    public static ProblemException notFound(String what) {
        return new ProblemException(HttpStatus.NOT_FOUND, what, List.of());
    }

    /** Too many ask at once for what takes long. */
    public static ProblemException busy(String what) {
        return tooOften(what, A_MOMENT_SECONDS);
    }

    /** Somebody asks too often; {@code seconds} says when it is worth asking again. */
    public static ProblemException tooOften(String what, int seconds) {
        return new ProblemException(HttpStatus.TOO_MANY_REQUESTS, what, List.of(), null, seconds);
    }

    /** The thing was changed by somebody else since it was read. */
    public static ProblemException stale(String what) {
        return new ProblemException(
                HttpStatus.CONFLICT,
                what
                        + " was changed by somebody else in the meantime. Nothing of yours was saved: look at the newer one,"
                        + " then save yours again if it still holds.",
                List.of(),
                Conflict.STALE,
                0);
    }

    /** Another phone was quicker with the log of a visit. */
    public static ProblemException loggedAlready(String by) {
        return new ProblemException(
                HttpStatus.CONFLICT,
                by + " logged this visit before. Nothing of either is lost: look at both, then keep yours as the newer"
                        + " if it holds.",
                List.of(),
                Conflict.LOGGED,
                0);
    }

    /** The same key with something else under it. */
    public static ProblemException otherUnderKey() {
        return new ProblemException(
                HttpStatus.CONFLICT,
                "Something else was sent under this key before. Send this under a key of its own.",
                List.of(),
                Conflict.KEY_USED,
                0);
    }

    public static ProblemException unreadable(String detail) {
        return new ProblemException(HttpStatus.BAD_REQUEST, detail, List.of());
    }

    /** Part of the address is not what stands there. */
    public static ProblemException address(String part) {
        return new ProblemException(
                HttpStatus.BAD_REQUEST,
                "The address cannot be used.",
                List.of(new FieldProblem("/" + part, "is of the wrong kind; look up what is wanted here")));
    }

    public static ProblemException tooLarge(String detail) {
        return new ProblemException(HttpStatus.CONTENT_TOO_LARGE, detail, List.of());
    }

    public static ProblemException nobody() {
        return new ProblemException(
                HttpStatus.UNAUTHORIZED, "Sign in first: every change is written down with who made it.", List.of());
    }

    /** Login and password do not fit; which of them is wrong is not said. */
    public static ProblemException wrongPassword() {
        return new ProblemException(
                HttpStatus.UNAUTHORIZED, "That login and that password do not fit together. Try again.", List.of());
    }

    /** Whoever asks may not; says who may. */
    public static ProblemException forbidden(String detail) {
        return new ProblemException(HttpStatus.FORBIDDEN, detail, List.of());
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

    int retryAfterSeconds() {
        return retryAfterSeconds;
    }

    Optional<Conflict> conflict() {
        return Optional.ofNullable(conflict);
    }
}
