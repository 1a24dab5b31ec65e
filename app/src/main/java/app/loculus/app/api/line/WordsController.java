package app.loculus.app.api.line;

import app.loculus.core.command.NextWords;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What the line may go on with, from its grammar. */
@RestController
class WordsController {

    /**
     * Words and runs of words that fit next.
     *
     * @param before the line up to where the word that is being typed begins
     */
    @GetMapping("/api/line/words")
    List<String> words(@RequestParam(defaultValue = "") String before) {
        return NextWords.after(before);
    }
}
