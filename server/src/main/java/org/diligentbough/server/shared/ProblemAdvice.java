package org.diligentbough.server.shared;

import java.time.LocalDate;
import java.util.List;
import org.diligentbough.core.knowledge.Codes;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.TypeMismatchException;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.validation.FieldError;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import org.springframework.web.util.DisconnectedClientHelper;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.exc.MismatchedInputException;
import tools.jackson.databind.exc.UnrecognizedPropertyException;

/** Turns whatever goes wrong into problem details (RFC 9457) with a sentence a person can act on. */
@RestControllerAdvice
class ProblemAdvice extends ResponseEntityExceptionHandler {
    private static final Logger LOG = LoggerFactory.getLogger(ProblemAdvice.class);
    private static final int RETRY_AFTER_SECONDS = 2;

    @ExceptionHandler
    ResponseEntity<ProblemDetail> refused(ProblemException e) {
        ProblemDetail problem = problem(e.status(), e.getMessage(), e.errors());
        e.conflict().ifPresent(conflict -> problem.setProperty("conflict", Codes.of(conflict)));
        return e.status() == HttpStatus.TOO_MANY_REQUESTS
                ? ResponseEntity.status(e.status())
                        .header(HttpHeaders.RETRY_AFTER, String.valueOf(e.retryAfterSeconds()))
                        .body(problem)
                : answer(problem);
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> sameTwice(DuplicateKeyException e) {
        return answer(problem(
                HttpStatus.CONFLICT, "There is one of that name already: choose another name or tag.", List.of()));
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> unexpected(Exception e) {
        if (DisconnectedClientHelper.isClientDisconnectedException(e)) {
            // Whoever asked has gone on, or lost signal: nothing is wrong here, and nobody hears an answer.
            return null;
        }
        if (DatabaseAway.isWhy(e)) {
            LOG.warn("the database does not answer: {}", e.getMessage());
            return ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE)
                    .header(HttpHeaders.RETRY_AFTER, String.valueOf(RETRY_AFTER_SECONDS))
                    .body(problem(HttpStatus.SERVICE_UNAVAILABLE, DatabaseAway.SENTENCE, List.of()));
        }
        LOG.error("a request failed", e);
        return answer(problem(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "Something went wrong here, and nothing was saved. Try again; if it stays, look into the server's log.",
                List.of()));
    }

    @Override
    protected ResponseEntity<Object> handleMethodArgumentNotValid(
            MethodArgumentNotValidException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        List<FieldProblem> errors = e.getBindingResult().getAllErrors().stream()
                .map(error -> new FieldProblem(
                        error instanceof FieldError field ? pointer(field.getField()) : "", error.getDefaultMessage()))
                .toList();
        return object(problem(
                HttpStatus.UNPROCESSABLE_CONTENT,
                errors.size() == 1 ? "One field cannot be used." : errors.size() + " fields cannot be used.",
                errors));
    }

    @Override
    protected ResponseEntity<Object> handleTypeMismatch(
            TypeMismatchException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        String name = e instanceof MethodArgumentTypeMismatchException argument ? argument.getName() : "";
        String detail = LocalDate.class.equals(e.getRequiredType())
                ? Days.WANTED
                : "is of the wrong kind; look up what is wanted here";
        return object(problem(
                HttpStatus.BAD_REQUEST, "The address cannot be used.", List.of(new FieldProblem("/" + name, detail))));
    }

    /** {@code policy.bigCuts} and {@code monthlyMeanC[3]} as JSON pointers. */
    private static String pointer(String field) {
        return "/" + field.replace('.', '/').replace('[', '/').replace("]", "");
    }

    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        if (e.getCause() instanceof JacksonException wrong && !wrong.getPath().isEmpty()) {
            StringBuilder pointer = new StringBuilder();
            wrong.getPath().forEach(step -> pointer.append('/')
                    .append(step.getPropertyName() == null ? step.getIndex() : step.getPropertyName()));
            return object(problem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "One field cannot be used.",
                    List.of(new FieldProblem(pointer.toString(), detail(wrong)))));
        }
        return object(problem(HttpStatus.BAD_REQUEST, "What was sent is not readable as JSON.", List.of()));
    }

    private static String detail(JacksonException wrong) {
        if (wrong instanceof UnrecognizedPropertyException) {
            return "is not a field known here; leave it out";
        }
        boolean day = wrong instanceof MismatchedInputException kind && LocalDate.class.equals(kind.getTargetType());
        return day ? Days.WANTED : "is of the wrong kind; look up what is wanted here";
    }

    @Override
    protected ResponseEntity<Object> handleExceptionInternal(
            Exception e, Object body, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        ResponseEntity<Object> usual = super.handleExceptionInternal(e, body, headers, status, request);
        if (usual != null && usual.getBody() instanceof ProblemDetail problem && problem.getDetail() == null) {
            problem.setDetail("The request cannot be answered: " + problem.getTitle() + ".");
        }
        return usual;
    }

    private static ProblemDetail problem(HttpStatus status, String detail, List<FieldProblem> errors) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, detail);
        problem.setProperty("errors", errors);
        return problem;
    }

    private static ResponseEntity<ProblemDetail> answer(ProblemDetail problem) {
        return ResponseEntity.status(problem.getStatus()).body(problem);
    }

    private static ResponseEntity<Object> object(ProblemDetail problem) {
        return ResponseEntity.status(problem.getStatus()).body(problem);
    }
}
