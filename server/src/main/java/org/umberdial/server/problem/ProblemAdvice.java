package org.umberdial.server.problem;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.ErrorResponse;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.async.AsyncRequestNotUsableException;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.servlet.resource.NoResourceFoundException;
import org.umberdial.core.circuit.deck.DeckRefused;
import org.umberdial.core.value.InvalidEntry;

/** Turns every failure into a sentence for a person and a code for a program. Nothing of ours leaks out. */
@RestControllerAdvice
class ProblemAdvice {
    private static final Logger LOG = LoggerFactory.getLogger(ProblemAdvice.class);

    @ExceptionHandler
    ResponseEntity<ProblemDetail> problem(Problem problem) {
        ResponseEntity<ProblemDetail> answer = answer(problem.kind(), problem.getMessage(), problem.faults());
        return problem.retryAfterSeconds() == 0
                ? answer
                : ResponseEntity.status(answer.getStatusCode())
                        .headers(answer.getHeaders())
                        .header(HttpHeaders.RETRY_AFTER, Integer.toString(problem.retryAfterSeconds()))
                        .body(answer.getBody());
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> invalid(InvalidEntry entry) {
        String pointer = entry.field().isEmpty() ? "" : "#/" + entry.field();
        return answer(
                Problem.Kind.INVALID_ENTRY,
                entry.getMessage(),
                List.of(new Problem.Fault(pointer, entry.code().name().toLowerCase(Locale.ROOT), entry.getMessage())));
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> deck(DeckRefused refused) {
        return answer(
                Problem.Kind.INVALID_ENTRY,
                refused.getMessage(),
                refused.faults().stream()
                        .map(fault -> new Problem.Fault("#/line/" + fault.line(), "deck", fault.toString()))
                        .toList());
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> fields(MethodArgumentNotValidException invalid) {
        List<Problem.Fault> faults = invalid.getBindingResult().getFieldErrors().stream()
                .map(error -> new Problem.Fault(
                        "#/" + error.getField().replace('.', '/'),
                        "invalid",
                        sentence(error.getField(), error.getDefaultMessage())))
                .toList();
        return answer(
                Problem.Kind.INVALID_ENTRY,
                faults.isEmpty()
                        ? "A field cannot be taken as it is."
                        : faults.get(0).detail(),
                faults);
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> unreadable(HttpMessageNotReadableException unreadable) {
        return answer(
                Problem.Kind.UNREADABLE,
                "The request's JSON could not be read; a field is missing, misspelt or of the wrong kind.",
                List.of());
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> mistypedAddress(MethodArgumentTypeMismatchException mismatch) {
        return answer(
                Problem.Kind.NOT_FOUND,
                "“" + mismatch.getValue() + "” is no valid " + mismatch.getName() + ".",
                List.of());
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> nowhere(NoResourceFoundException nowhere) {
        return answer(Problem.Kind.NOT_FOUND, "There is nothing at this address.", List.of());
    }

    /** A page that was closed while its stream was open: nobody is there to be answered. */
    @ExceptionHandler
    void gone(AsyncRequestNotUsableException gone) {
        LOG.debug("A page left its stream.", gone);
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> other(Exception failure) {
        if (failure instanceof ErrorResponse known && known.getStatusCode().is4xxClientError()) {
            return plain(known.getStatusCode());
        }
        Optional<Problem> ofTheDatabase = DatabaseFault.of(failure);
        if (ofTheDatabase.isPresent()) {
            LOG.warn(
                    "{}: {}",
                    ofTheDatabase.get().kind(),
                    String.valueOf(failure.getMessage()).lines().findFirst().orElse(""));
            return problem(ofTheDatabase.get());
        }
        String reference = UUID.randomUUID().toString().substring(0, 8);
        LOG.error("Unexpected failure, reference {}", reference, failure);
        return answer(
                Problem.Kind.OUR_FAULT,
                "Something went wrong on our side. What you entered is still here; try again, and quote " + reference
                        + " if it stays.",
                List.of());
    }

    private static ResponseEntity<ProblemDetail> plain(HttpStatusCode status) {
        ProblemDetail detail = ProblemDetail.forStatus(status);
        HttpStatus known = HttpStatus.resolve(status.value());
        detail.setDetail("This address does not take such a request"
                + (known == null ? "." : " (" + known.getReasonPhrase().toLowerCase(Locale.ROOT) + ")."));
        return ResponseEntity.status(status)
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(detail);
    }

    private static String sentence(String field, String message) {
        return Character.toUpperCase(field.charAt(0)) + field.substring(1) + " " + message + ".";
    }

    private static ResponseEntity<ProblemDetail> answer(Problem.Kind kind, String detail, List<Problem.Fault> faults) {
        ProblemDetail body = ProblemDetail.forStatusAndDetail(kind.status(), detail);
        body.setType(java.net.URI.create(kind.type()));
        body.setTitle(kind.title());
        body.setProperty("errors", faults);
        return ResponseEntity.status(kind.status())
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(body);
    }
}
