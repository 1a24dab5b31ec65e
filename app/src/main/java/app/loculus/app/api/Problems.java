package app.loculus.app.api;

import app.loculus.app.session.NoSuchShow;
import app.loculus.app.store.DamagedShow;
import app.loculus.app.store.disk.DiskTrouble;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.convert.ConversionFailedException;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.transaction.TransactionException;
import org.springframework.web.HttpMediaTypeException;
import org.springframework.web.HttpMediaTypeNotAcceptableException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;

/** Turns refusals into problem bodies (RFC 9457). */
@RestControllerAdvice
class Problems {

    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

    @ExceptionHandler
    ProblemDetail refused(Refusal refusal) {
        return body(refusal.problems());
    }

    static ProblemDetail body(List<Problem> problems) {
        Problem first = problems.stream().filter(Problem::refuses).findFirst().orElse(problems.get(0));
        ProblemDetail body = ProblemDetail.forStatusAndDetail(HttpStatus.UNPROCESSABLE_ENTITY, first.words());
        body.setTitle("Refused");
        body.setProperty("code", first.code());
        body.setProperty("from", first.place().from());
        body.setProperty("to", first.place().to());
        body.setProperty(
                "expected", first.waysOut().stream().map(w -> w.words()).toList());
        body.setProperty("problems", ProblemView.all(problems));
        return body;
    }

    private static ProblemDetail told(HttpStatus status, String title, String words) {
        ProblemDetail body = ProblemDetail.forStatusAndDetail(status, words);
        body.setTitle(title);
        body.setProperty("problems", List.of());
        return body;
    }

    @ExceptionHandler
    ProblemDetail missing(NoSuchShow missing) {
        return told(HttpStatus.NOT_FOUND, "No such show", missing.getMessage());
    }

    @ExceptionHandler
    ProblemDetail damaged(DamagedShow damaged) {
        return told(
                HttpStatus.CONFLICT,
                "Damaged",
                damaged.getMessage() + " What can be read of it can be kept as a show of its own, in Show.");
    }

    @ExceptionHandler
    ProblemDetail full(DiskTrouble trouble) {
        return told(HttpStatus.INSUFFICIENT_STORAGE, "Not kept", trouble.getMessage());
    }

    @ExceptionHandler
    ProblemDetail tooLarge(MaxUploadSizeExceededException tooLarge) {
        return told(HttpStatus.PAYLOAD_TOO_LARGE, "Too large", "The file is too large; at most 32 MB are taken in.");
    }

    @ExceptionHandler
    ProblemDetail broken(MultipartException broken) {
        return told(
                HttpStatus.BAD_REQUEST,
                "Not understood",
                "The form that was sent is broken or cut off; nothing of it was taken in.");
    }

    @ExceptionHandler
    ProblemDetail unreadable(HttpMessageNotReadableException unreadable) {
        for (Throwable cause = unreadable; cause != null; cause = cause.getCause()) {
            if (cause instanceof Refusal refusal) {
                return body(refusal.problems());
            }
        }
        return told(
                HttpStatus.BAD_REQUEST,
                "Not understood",
                "The request body is not the JSON that is expected here; /api/openapi describes it.");
    }

    @ExceptionHandler({MethodArgumentTypeMismatchException.class, ConversionFailedException.class})
    ProblemDetail odd(Exception odd) {
        return told(HttpStatus.BAD_REQUEST, "Not understood", "A part of the address is not what is expected there.");
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> otherMedia(HttpMediaTypeException media) {
        HttpStatus status = media instanceof HttpMediaTypeNotAcceptableException
                ? HttpStatus.NOT_ACCEPTABLE
                : HttpStatus.UNSUPPORTED_MEDIA_TYPE;
        return ResponseEntity.status(status)
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(told(status, "Not understood", "JSON is spoken here; files come as a form."));
    }

    /** The database could not be asked, for example because the disk has just run full and it was closed for that. */
    @ExceptionHandler({DataAccessException.class, TransactionException.class})
    ProblemDetail unreachable(Exception trouble) {
        LOG.warn("The database could not be asked", trouble);
        return told(
                HttpStatus.INSUFFICIENT_STORAGE,
                "Not kept",
                "The database cannot be reached at the moment, as when the disk has run full. Nothing of this was done. "
                        + "What was acknowledged is kept; ask again in a moment.");
    }

    /** What does not fit into its place should have been refused before; it is never half there. */
    @ExceptionHandler
    ProblemDetail unfit(DataIntegrityViolationException unfit) {
        LOG.warn("Something did not fit into the database", unfit);
        return told(
                HttpStatus.UNPROCESSABLE_ENTITY,
                "Refused",
                "Something in it is too long or out of range to be kept. Nothing has changed.");
    }
}
