package app.loculus.app.config;

import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says what is wrong with a setting. */
class BadSettingAnalyzer extends AbstractFailureAnalyzer<BadSetting> {

    @Override
    protected FailureAnalysis analyze(Throwable root, BadSetting cause) {
        return new FailureAnalysis(cause.getMessage(), "./loculus --help lists the flags.", cause);
    }
}
