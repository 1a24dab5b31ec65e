package app.loculus.core.finding;

/** How bad a finding is, the worst first. */
public enum Severity {
    WRONG,
    NEEDS_A_LOOK
}
