package app.loculus.app.store;

import java.sql.SQLException;
import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says in words that the data folder is open elsewhere. */
class DataInUseAnalyzer extends AbstractFailureAnalyzer<SQLException> {

    /** H2's code for a database file that another process has locked. */
    private static final int ALREADY_IN_USE = 90020;

    @Override
    protected FailureAnalysis analyze(Throwable root, SQLException cause) {
        return cause.getErrorCode() == ALREADY_IN_USE
                ? new FailureAnalysis(
                        "Another Loculus has this data folder open.",
                        "End the other one, or choose another folder with --data.",
                        cause)
                : null;
    }
}
