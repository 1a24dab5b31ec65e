package app.loculus.app.api;

import app.loculus.app.session.NoSuchShow;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.multipart.MaxUploadSizeExceededException;

/** Turns refusals into problem bodies. */
@RestControllerAdvice
class Problems {

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

    @ExceptionHandler
    ProblemDetail missing(NoSuchShow missing) {
        ProblemDetail body = ProblemDetail.forStatusAndDetail(HttpStatus.NOT_FOUND, missing.getMessage());
        body.setTitle("No such show");
        return body;
    }

    @ExceptionHandler
    ProblemDetail tooLarge(MaxUploadSizeExceededException tooLarge) {
        ProblemDetail body = ProblemDetail.forStatusAndDetail(
                HttpStatus.PAYLOAD_TOO_LARGE, "The file is too large; at most 32 MB are taken in.");
        body.setTitle("Too large");
        return body;
    }

    @ExceptionHandler
    ProblemDetail unreadable(HttpMessageNotReadableException unreadable) {
        ProblemDetail body = ProblemDetail.forStatusAndDetail(
                HttpStatus.BAD_REQUEST,
                "The request body is not the JSON that is expected here; /api/openapi describes it.");
        body.setTitle("Not understood");
        return body;
    }
}
