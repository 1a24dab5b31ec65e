package app.loculus.app.store.disk;

import java.nio.file.Path;
import java.sql.SQLException;
import org.h2.mvstore.MVStoreException;
import org.springframework.boot.diagnostics.FailureAnalysis;
import org.springframework.boot.diagnostics.FailureAnalyzer;
import org.springframework.core.env.Environment;

/** Says in words why the database cannot be opened, what to do, and which copy there is. */
class DataAnalyzer implements FailureAnalyzer {

    /** H2's code for a database file that another process has locked. */
    private static final int ALREADY_IN_USE = 90020;

    private static final String NO_ROOM = "No space left on device";

    private final Environment environment;

    DataAnalyzer(Environment environment) {
        this.environment = environment;
    }

    @Override
    public FailureAnalysis analyze(Throwable failure) {
        for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
            if (cause instanceof BadData bad) {
                return new FailureAnalysis(bad.getMessage(), bad.wayOut(), bad);
            }
            if (cause instanceof SQLException sql && sql.getErrorCode() == ALREADY_IN_USE) {
                return new FailureAnalysis(
                        "Another Loculus has this data folder open.",
                        "End the other one, or choose another folder with --data.",
                        sql);
            }
        }
        return database(failure);
    }

    private FailureAnalysis database(Throwable failure) {
        Path folder = Path.of(environment.getProperty("loculus.data", ".")).toAbsolutePath();
        for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
            if (String.valueOf(cause.getMessage()).contains(NO_ROOM)) {
                return new FailureAnalysis(
                        "The disk under " + folder + " is full; the database cannot be opened.",
                        "Make room, or choose another folder with --data DIR. Nothing was changed.",
                        cause);
            }
            if (cause instanceof SQLException || cause instanceof MVStoreException) {
                return new FailureAnalysis(
                        "The database in " + folder + " is damaged and cannot be opened: " + first(cause.getMessage()),
                        BadData.restore(folder),
                        cause);
            }
        }
        return null;
    }

    private static String first(String words) {
        String line = String.valueOf(words).lines().findFirst().orElse("");
        return line.length() > 160 ? line.substring(0, 160) + "…" : line;
    }
}
