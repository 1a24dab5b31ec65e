package app.loculus.app.live;

/** Published when the last browser has gone. */
public record NobodyLooks() {}
