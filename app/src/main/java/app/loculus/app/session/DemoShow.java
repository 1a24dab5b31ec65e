package app.loculus.app.session;

import app.loculus.app.config.Settings;
import app.loculus.app.library.Library;
import app.loculus.app.store.ShowStore;
import app.loculus.core.check.Hookup;
import app.loculus.core.check.RowVerdict;
import app.loculus.formats.csv.HookupReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;

/**
 * Sets up the made-up show The Glass Tide from its paperwork and a script of lines, when it is asked for and missing,
 * before the first page is served.
 */
@Component
public class DemoShow implements SmartLifecycle {

    public static final String NAME = "The Glass Tide";
    private static final String FOLDER = "/demo/";

    private final Shows shows;
    private final Library library;
    private final Settings settings;
    private boolean running;

    DemoShow(Shows shows, Library library, Settings settings) {
        this.shows = shows;
        this.library = library;
        this.settings = settings;
    }

    @Override
    public int getPhase() {
        return 0;
    }

    @Override
    public void stop() {
        running = false;
    }

    @Override
    public boolean isRunning() {
        return running;
    }

    @Override
    public void start() {
        running = true;
        if (settings.demo() && there().isEmpty()) {
            setUp();
        }
    }

    /** Opens the demo show, which is made when there is none. @return its id */
    public long open() {
        Optional<Long> there = there();
        there.ifPresent(shows::makeLive);
        return there.orElseGet(this::setUp);
    }

    private Optional<Long> there() {
        return shows.list().stream()
                .filter(s -> s.name().equals(NAME) && !s.template() && !s.archived())
                .map(ShowStore.Listed::id)
                .findFirst();
    }

    private long setUp() {
        long id = shows.create(NAME).id();
        List<RowVerdict> verdicts = Hookup.examine(
                shows.get(id).show(),
                library.profiles(),
                HookupReader.read(paperwork(), Map.of()).rows(),
                Hookup.Clashing.SHARE);
        done(shows.edit(id, Hookup.takeIn(verdicts), EditRequest.NOW));
        List<String> lines = text("glass-tide.lines").lines().toList();
        for (String line : lines) {
            if (!line.isBlank() && !line.startsWith("#")) {
                done(shows.edit(id, shows.lines().readAll(List.of(line)), EditRequest.NOW));
            }
        }
        return id;
    }

    private static void done(Edited edited) {
        if (edited.outcome().refused()) {
            throw new IllegalStateException(
                    "The demo show cannot be set up: " + edited.outcome().problems());
        }
    }

    /** The hookup of the demo show, as CSV. */
    public static String paperwork() {
        return text("glass-tide-hookup.csv");
    }

    private static String text(String file) {
        try (InputStream in = DemoShow.class.getResourceAsStream(FOLDER + file)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
