package app.loculus.app.session;

/** Published when a named version was kept or deleted. */
public record VersionsChanged(long show) {}
