package app.loculus.app.api.paper;

import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** How far what is being made is; deleting stops it. */
@RestController
class MakingController {

    private final MakingBook book;

    MakingController(MakingBook book) {
        this.book = book;
    }

    @GetMapping("/api/making/{name}")
    MakingBook.Stage stage(@PathVariable String name) {
        return book.stage(name);
    }

    @DeleteMapping("/api/making/{name}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void stop(@PathVariable String name) {
        book.stop(name);
    }
}
