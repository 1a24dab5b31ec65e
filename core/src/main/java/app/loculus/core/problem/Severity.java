package app.loculus.core.problem;

/** Whether a problem stops the edit or only travels with it. */
public enum Severity {
    WARNING,
    REFUSAL
}
