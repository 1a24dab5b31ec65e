package app.loculus.app.session;

/** Published when the last browser has gone. */
public record NobodyLooks() {}
